import { barTicks, groupsOf, isModal, type Metre, metreName, type Place, TICKS_PER_QUARTER } from '../music';
import { barAt, keyAt, placeIn, type PlayedSong, type Song } from '../song';
import { scaleChromas } from './scale';

/** Why a style is proposed. */
export type StyleReason =
  | 'unequal'
  | 'quick-threes'
  | 'slow-threes'
  | 'chord-each-beat'
  | 'slow-waltz'
  | 'running'
  | 'in-three'
  | 'blues-chords'
  | 'jazz-chords'
  | 'habanera'
  | 'ragged'
  | 'slow'
  | 'five-tones'
  | 'modal'
  | 'brisk'
  | 'dotted-or-long'
  | 'plain';

/** A style for a song, with what speaks for it. */
export interface ProposedStyle {
  readonly style: string;
  readonly reason: StyleReason;
}

/** What of a song tells its manner. */
interface Traits {
  readonly metre: Metre;
  readonly quartersPerMinute: number;
  readonly notesPerSecond: number;
  readonly notesPerBeat: number;
  /** Shares of the notes. */
  readonly long: number;
  readonly dotted: number;
  readonly eighths: number;
  readonly triplets: number;
  readonly syncopated: number;
  readonly chromatic: number;
  /** Half steps from the lowest to the highest. */
  readonly range: number;
  readonly pitchClasses: number;
  readonly changesPerBar: number;
  /** Shares of the chords. */
  readonly dominants: number;
  readonly soft: number;
  readonly sevenths: number;
  readonly isModal: boolean;
  readonly isSwung: boolean;
}

/**
 * The style that suits a song: by metre, tempo, rhythm and harmony, the first that matches. Source: where these manners are
 * commonly at home; the figures of a trial on marked songs.
 */
export function proposeStyle(song: Pick<Song, 'feel'>, played: PlayedSong): ProposedStyle {
  const traits = traitsOf(song, played);
  const [style, reason] = inMetre(traits);
  return { style, reason };
}

type Found = readonly [style: string, reason: StyleReason];

function inMetre(traits: Traits): Found {
  const { metre, quartersPerMinute: tempo, notesPerSecond } = traits;
  const groups = groupsOf(metre);
  if (groups.some((size) => size !== groups[0])) return ['groups', 'unequal'];
  if (metre.denominator >= 8 && groups[0] === 3)
    return tempo >= 84 && notesPerSecond >= 1.4 && traits.long < 0.25
      ? ['jig', 'quick-threes']
      : ['lullaby', 'slow-threes'];
  return metreName(metre) === '3/4' || metre.numerator === 6 ? inThree(traits) : inTwo(traits);
}

function inThree(traits: Traits): Found {
  const { quartersPerMinute: tempo, long, dotted, changesPerBar, notesPerBeat, eighths, range } = traits;
  if (tempo <= 100 && changesPerBar >= 1.5 && notesPerBeat >= 0.6) return ['hymn', 'chord-each-beat'];
  if (traits.isModal ? tempo < 106 : tempo < 100 && (dotted < 0.15 || long >= 0.25))
    return ['lullaby', 'slow-waltz'];
  if (tempo >= 92 && tempo <= 126 && eighths >= 0.45 && long <= 0.06 && range >= 12)
    return ['classical', 'running'];
  return ['waltz', 'in-three'];
}

function inTwo(traits: Traits): Found {
  const { metre, quartersPerMinute: tempo, notesPerSecond, notesPerBeat, changesPerBar } = traits;
  if (traits.dominants >= 0.5 && !traits.isModal) return ['blues', 'blues-chords'];
  if (traits.isSwung || traits.soft >= 0.3 || traits.sevenths >= 0.6) return ['swing', 'jazz-chords'];
  if (metre.numerator === 2 && (traits.triplets > 0.03 || traits.dotted > 0.2) && traits.chromatic > 0.08)
    return ['habanera', 'habanera'];
  if (metre.numerator === 2 && traits.syncopated >= 0.1 && notesPerSecond >= 2.2) return ['stride', 'ragged'];
  if (tempo <= 90 && changesPerBar >= 1.8 && notesPerBeat <= 1.1) return ['hymn', 'chord-each-beat'];
  if (tempo <= 84) return traits.pitchClasses <= 5 ? ['still', 'five-tones'] : ['ballad', 'slow'];
  if (traits.isModal) return ['drone', 'modal'];
  if (tempo >= 110) return ['march', 'brisk'];
  if (traits.dotted >= 0.14 || traits.long >= 0.2) return ['song', 'dotted-or-long'];
  return ['classical', 'plain'];
}

function traitsOf({ feel }: Pick<Song, 'feel'>, played: PlayedSong): Traits {
  const { melody, changes, bars, tempoMap } = played;
  const notes = melody.filter(({ grace }) => !grace);
  const { metre } = barAt(bars, bars.find(({ number }) => number > 0)?.tick ?? 0);
  const [first] = tempoMap;
  const tempo = first?.quartersPerMinute ?? 100;
  const beat = placeIn(bars, bars[bars.length - 1].tick).beatTicks;
  const seconds = notes.reduce((sum, { length }) => sum + length, 0) / TICKS_PER_QUARTER / (tempo / 60);
  const share = <T>(list: readonly T[], is: (item: T) => boolean): number =>
    list.filter(is).length / Math.max(1, list.length);
  const key = keyAt(played, 0);
  const sounding = changes.flatMap(({ chord }) => (chord ? [chord] : []));
  const suffix = (name: string): ((chord: (typeof sounding)[number]) => boolean) => {
    const wanted = new RegExp(name);
    return ({ type }) => wanted.test(type.suffix);
  };
  const whole = barTicks(metre);
  return {
    metre,
    quartersPerMinute: tempo,
    notesPerSecond: notes.length / Math.max(1, seconds),
    notesPerBeat:
      (notes.length * beat) /
      Math.max(
        beat,
        notes.reduce((sum, { length }) => sum + length, 0),
      ),
    long: share(notes, ({ length }) => length >= 2 * beat),
    dotted: share(notes, ({ length }) =>
      [1.5, 0.75, 3].some((by) => Math.abs(length - by * beat) < 2 && by * beat < whole),
    ),
    eighths: share(notes, ({ length }) => Math.abs(length - beat / 2) < 2),
    triplets: share(notes, ({ length }) => Math.abs(length - beat / 3) < 2),
    syncopated: share(notes, ({ tick, length }) => isSyncopated(placeIn(bars, tick), length)),
    chromatic: share(notes, ({ midi, tick }) => !isInScale(played, midi, tick)),
    range: Math.max(0, ...notes.map(({ midi }) => midi)) - Math.min(127, ...notes.map(({ midi }) => midi)),
    pitchClasses: new Set(notes.map(({ midi }) => midi % 12)).size,
    changesPerBar: changes.length / Math.max(1, bars.filter(({ number }) => number > 0).length),
    dominants: share(sounding, suffix('^(7|9|13)')),
    soft: share(sounding, suffix('^(m7|maj7|6|m9|maj9|6/9)')),
    sevenths: share(sounding, suffix('7|9|11|13')),
    isModal: isModal(key.mode),
    isSwung: feel.kind !== 'straight',
  };
}

/** Begun between two places of a beat and held over the stronger of them. */
function isSyncopated({ inBeat, beatTicks }: Place, length: number): boolean {
  if (inBeat === 0) return false;
  const grid = [2, 4, 8].map((by) => beatTicks / by).find((ticks) => inBeat % ticks === 0);
  return grid !== undefined && (inBeat % (2 * grid)) + length > 2 * grid;
}

function isInScale(played: PlayedSong, midi: number, tick: number): boolean {
  return scaleChromas(keyAt(played, tick)).has(midi % 12);
}
