import { type KeyReason } from '../sentences';
import {
  type Chord,
  ChordSymbolError,
  chroma,
  classAbove,
  classNameOf,
  fifthsOf,
  hasMinorThird,
  isModal,
  type Key,
  membersOf,
  midiOf,
  type Mode,
  MODES,
  modeSteps,
  parseChord,
  typeset,
} from '../music';
import { type Song, twelveKeys } from '../song';

/** How well each degree (in half steps from the tonic) fits a key; source: Krumhansl and Kessler (1982), probe tones. */
const PROFILES: Record<'major' | 'minor', readonly number[]> = {
  major: [6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88],
  minor: [6.33, 2.68, 3.52, 5.38, 2.6, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17],
};
/** What it says for a mode that its own degrees sound and the tune closes on its tonic. */
const IS_MODAL = 0.03;
/** A degree that tells a mode is heard for this share of the time at least, and the one in its place for a quarter of that. */
const DECIDES = 0.025;
const CONTRADICTS = 0.25;
/** What the end says, beside a correlation of at most 1: tunes close on the tonic (common practice). */
const LAST_NOTE_IS_TONIC = 0.18;
const LAST_NOTE_IN_TONIC_CHORD = 0.05;
const LAST_CHORD_IS_TONIC = 0.2;
const FIRST_CHORD_IS_TONIC = 0.08;
const LEADS_UP = 0.06;
/** The chords count beside the melody by this much of their length. */
const CHORD_SHARE = 0.5;

export interface FoundKey {
  readonly key: Key;
  /** Correlation and what the end adds: higher fits better. */
  readonly fit: number;
  readonly reasons: readonly KeyReason[];
}

/** What of a song its key is found from. */
export type Heard = Pick<Song, 'melody' | 'changes'>;

/**
 * The 24 keys of major and minor, and the modes whose own degrees are heard, the likeliest first, each with what speaks
 * for it. With `fifths` only those of that signature. `findKeys(lanterns)[0].key // => A minor`
 */
export function findKeys(song: Heard, fifths?: number): FoundKey[] {
  const weights = weightsOf(song);
  const notes = song.melody.filter((note) => !note.grace);
  const last = notes.at(-1);
  const chords = song.changes.flatMap((change) => chordOf(change.symbol) ?? []);
  const candidates = MODES.flatMap((mode) => twelveKeys(mode)).filter(
    (key) =>
      (fifths === undefined || fifthsOf(key) === fifths) &&
      (!isModal(key.mode) || (isHeardAs(key, weights) && closesAs(key, notes, chords))),
  );
  return candidates
    .map((key): FoundKey => {
      const tonic = chroma(key.tonic);
      const decided = key.mode === 'aeolian' ? [{ degree: 7, by: -1 }] : deciding(key.mode);
      const reasons: KeyReason[] = decided.map(({ degree, by }) => ({
        kind: 'mode',
        degree,
        altered: by > 0 ? 'raised' : 'lowered',
      }));
      let fit = correlationWith(weights, key) + (isModal(key.mode) ? IS_MODAL : 0);
      const add = (points: number, reason: KeyReason): void => {
        fit += points;
        reasons.push(reason);
      };
      const degree = last ? (midiOf(last.pitch) - tonic + 120) % 12 : -1;
      const third = hasMinorThird(key.mode) ? 3 : 4;
      if (degree === 0)
        add(LAST_NOTE_IS_TONIC, { kind: 'last-note', letter: typeset(classNameOf(key.tonic)) });
      else if (degree === third || degree === 7)
        add(LAST_NOTE_IN_TONIC_CHORD, { kind: 'last-note-in-tonic-chord' });
      if (isTonic(chords.at(-1), key)) add(LAST_CHORD_IS_TONIC, { kind: 'last-chord' });
      if (isTonic(chords[0], key)) add(FIRST_CHORD_IS_TONIC, { kind: 'first-chord' });
      const leading = chroma(classAbove(key.tonic, '7M'));
      if (key.mode === 'minor' && resolves(notes, leading, tonic))
        add(LEADS_UP, { kind: 'leading-note-rises' });
      const outside = share(weights, key);
      const percent = outside < 0.005 ? 100 : Math.round(100 * (1 - outside));
      return { key, fit, reasons: [{ kind: 'inside', percent }, ...reasons] };
    })
    .sort((a, b) => b.fit - a.fit || Math.abs(fifthsOf(a.key)) - Math.abs(fifthsOf(b.key)));
}

/** Where a mode differs from major or minor: its degree, its half steps, and how far that is altered. */
function deciding(mode: Mode): { readonly degree: number; readonly step: number; readonly by: number }[] {
  const plain = modeSteps(hasMinorThird(mode) ? 'minor' : 'major');
  return modeSteps(mode).flatMap((step, i) =>
    step === plain[i] ? [] : [{ degree: i + 1, step, by: step - plain[i] }],
  );
}

/** Whether a mode is told by the notes: its third and its own degrees sound, and hardly those in their place. */
function isHeardAs({ tonic, mode }: Key, weights: readonly number[]): boolean {
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const heard = (step: number): number => weights[(chroma(tonic) + step) % 12];
  const decides = (step: number, instead: number): boolean =>
    heard(step) >= DECIDES * total && heard(instead) <= CONTRADICTS * heard(step);
  const third = hasMinorThird(mode) ? 3 : 4;
  // Natural minor throughout is told from minor by the seventh that is never raised.
  const own = mode === 'aeolian' ? [{ step: 10, by: -1 }] : deciding(mode);
  return decides(third, 7 - third) && own.every(({ step, by }) => decides(step, (step - by + 12) % 12));
}

/** The tune or the chords close on the tonic; in aeolian by way of the natural seventh, VII or a minor v. */
function closesAs(key: Key, notes: readonly Song['melody'][number][], chords: readonly Chord[]): boolean {
  const above = (midi: number): number => (midi - chroma(key.tonic) + 120) % 12;
  const [before, last] = notes.slice(-2).map((note) => above(midiOf(note.pitch)));
  if (last !== 0 && !isTonic(chords.at(-1), key)) return false;
  if (key.mode !== 'aeolian') return true;
  const [led, home] = chords.slice(-2);
  if (!led || !home) return before === 10;
  const step = above(chroma(led.root));
  return isTonic(home, key) && (step === 10 || (step === 7 && led.type.semitones.includes(3)));
}

/** Of a mode the profile of major or minor, its own degrees in the place of those it alters. */
function profileOf(mode: Mode): readonly number[] {
  const profile = [...PROFILES[hasMinorThird(mode) ? 'minor' : 'major']];
  for (const { step, by } of deciding(mode))
    [profile[step], profile[step - by]] = [profile[step - by], profile[step]];
  return profile;
}

/** Sounding time of each of the twelve keys, melody and half the chords. */
function weightsOf(song: Heard): number[] {
  const weights = new Array<number>(12).fill(0);
  for (const note of song.melody) weights[midiOf(note.pitch) % 12] += note.length;
  for (const change of song.changes) {
    const chord = chordOf(change.symbol);
    if (!chord) continue;
    const members = membersOf(chord);
    for (const member of members) weights[member.chroma] += (CHORD_SHARE * change.length) / members.length;
  }
  return weights;
}

function chordOf(symbol: string): Chord | null {
  try {
    return parseChord(symbol);
  } catch (error) {
    if (error instanceof ChordSymbolError) return null;
    throw error;
  }
}

function isTonic(chord: Chord | undefined, key: Key): boolean {
  if (!chord || chroma(chord.root) !== chroma(key.tonic)) return false;
  const third = chord.type.semitones.find((s) => s === 3 || s === 4);
  return third === (hasMinorThird(key.mode) ? 3 : 4);
}

function resolves(notes: readonly Song['melody'][number][], leading: number, tonic: number): boolean {
  return notes.some(
    (note, i) =>
      midiOf(note.pitch) % 12 === leading && notes[i + 1] && midiOf(notes[i + 1].pitch) % 12 === tonic,
  );
}

/** How well the time each of the twelve keys sounds suits a key of music, −1 … 1. */
export function correlationWith(weights: readonly number[], { tonic, mode }: Key): number {
  return correlation(weights, profileOf(mode), chroma(tonic));
}

function correlation(weights: readonly number[], profile: readonly number[], tonic: number): number {
  const mean = (list: readonly number[]): number => list.reduce((sum, x) => sum + x, 0) / 12;
  const [m, p] = [mean(weights), mean(profile)];
  let [both, ours, theirs] = [0, 0, 0];
  for (let i = 0; i < 12; i++) {
    const [a, b] = [weights[(i + tonic) % 12] - m, profile[i] - p];
    both += a * b;
    ours += a * a;
    theirs += b * b;
  }
  return ours === 0 ? 0 : both / Math.sqrt(ours * theirs);
}

/** Share of the sounding time that lies outside the key (harmonic and natural minor both inside). */
function share(weights: readonly number[], key: Key): number {
  const inside = [...modeSteps(key.mode), ...(key.mode === 'minor' ? [11] : [])];
  const tonic = chroma(key.tonic);
  const total = weights.reduce((sum, w) => sum + w, 0);
  const within = inside.reduce((sum, step) => sum + weights[(step + tonic) % 12], 0);
  return total === 0 ? 0 : 1 - within / total;
}
