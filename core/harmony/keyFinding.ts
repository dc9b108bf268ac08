import {
  ChordSymbolError,
  chroma,
  classAbove,
  classNameOf,
  fifthsOf,
  type Key,
  keyName,
  membersOf,
  midiOf,
  parseChord,
  typeset,
} from '../music';
import { type Song, twelveKeys } from '../song';

/** How well each degree (in half steps from the tonic) fits a key; source: Krumhansl and Kessler (1982), probe tones. */
const PROFILES: Record<Key['mode'], readonly number[]> = {
  major: [6.35, 2.23, 3.48, 2.33, 4.38, 4.09, 2.52, 5.19, 2.39, 3.66, 2.29, 2.88],
  minor: [6.33, 2.68, 3.52, 5.38, 2.6, 3.53, 2.54, 4.75, 3.98, 2.69, 3.34, 3.17],
};
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
  readonly reasons: readonly string[];
}

/** What of a song its key is found from. */
export type Heard = Pick<Song, 'melody' | 'changes'>;

/** All 24 keys, the likeliest first, each with what speaks for it. `findKeys(lanterns)[0].key // => A minor` */
export function findKeys(song: Heard): FoundKey[] {
  const weights = weightsOf(song);
  const notes = song.melody.filter((note) => !note.grace);
  const last = notes.at(-1);
  const chords = song.changes.flatMap((change) => chordOf(change.symbol) ?? []);
  const candidates = (['major', 'minor'] as const).flatMap((mode) => twelveKeys(mode));
  return candidates
    .map((key): FoundKey => {
      const tonic = chroma(key.tonic);
      const reasons: string[] = [];
      let fit = correlation(weights, PROFILES[key.mode], tonic);
      const add = (points: number, reason: string): void => {
        fit += points;
        reasons.push(reason);
      };
      const degree = last ? (midiOf(last.pitch) - tonic + 120) % 12 : -1;
      const third = key.mode === 'major' ? 4 : 3;
      if (degree === 0) add(LAST_NOTE_IS_TONIC, `the last note is ${typeset(classNameOf(key.tonic))}`);
      else if (degree === third || degree === 7)
        add(LAST_NOTE_IN_TONIC_CHORD, 'the last note belongs to its tonic chord');
      if (isTonic(chords.at(-1), key)) add(LAST_CHORD_IS_TONIC, 'the last chord is its tonic');
      if (isTonic(chords[0], key)) add(FIRST_CHORD_IS_TONIC, 'the first chord is its tonic');
      const leading = chroma(classAbove(key.tonic, '7M'));
      if (key.mode === 'minor' && resolves(notes, leading, tonic))
        add(LEADS_UP, 'its raised leading note rises to it');
      const outside = share(weights, key);
      reasons.unshift(
        outside < 0.005
          ? 'every note lies in it'
          : `${Math.round(100 * (1 - outside))} % of the time lies in it`,
      );
      return { key, fit, reasons };
    })
    .sort((a, b) => b.fit - a.fit || Math.abs(fifthsOf(a.key)) - Math.abs(fifthsOf(b.key)));
}

/** "A minor: every note lies in it, the last note is A; then C major". */
export function keysInWords([best, next]: readonly FoundKey[]): string {
  return `${typeset(keyName(best.key))}: ${best.reasons.join(', ')}. Next likely: ${typeset(keyName(next.key))}.`;
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

function chordOf(symbol: string): ReturnType<typeof parseChord> {
  try {
    return parseChord(symbol);
  } catch (error) {
    if (error instanceof ChordSymbolError) return null;
    throw error;
  }
}

function isTonic(chord: ReturnType<typeof parseChord> | undefined, key: Key): boolean {
  if (!chord || chroma(chord.root) !== chroma(key.tonic)) return false;
  const third = chord.type.semitones.find((s) => s === 3 || s === 4);
  return third === (key.mode === 'major' ? 4 : 3);
}

function resolves(notes: readonly Song['melody'][number][], leading: number, tonic: number): boolean {
  return notes.some(
    (note, i) =>
      midiOf(note.pitch) % 12 === leading && notes[i + 1] && midiOf(notes[i + 1].pitch) % 12 === tonic,
  );
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
  const inside = key.mode === 'major' ? [0, 2, 4, 5, 7, 9, 11] : [0, 2, 3, 5, 7, 8, 10, 11];
  const tonic = chroma(key.tonic);
  const total = weights.reduce((sum, w) => sum + w, 0);
  const within = inside.reduce((sum, step) => sum + weights[(step + tonic) % 12], 0);
  return total === 0 ? 0 : 1 - within / total;
}
