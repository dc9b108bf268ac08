import { numeralOf } from '../harmony';
import { type Chord, symbolOf, typeset } from '../music';
import { keyAt, type PlayedSong } from '../song';
import { type Part, partIndexAt } from './parts';

/** A run of chords that is learned once as a sentence, and where it comes. */
export interface Progression {
  /** "i – VI – iv – V7". */
  readonly numerals: string;
  /** "Am F Dm E7": as it comes first. */
  readonly symbols: string;
  readonly chords: readonly Chord[];
  /** Numbers of the parts it fills. */
  readonly parts: readonly number[];
}

/** The chords of each part as degrees, each progression once with all parts it fills, in the order they first come. */
export function progressionsOf(played: PlayedSong, parts: readonly Part[]): Progression[] {
  const inPart: Chord[][] = parts.map(() => []);
  const numerals: string[][] = parts.map(() => []);
  for (const { chord, tick } of played.changes) {
    if (!chord) continue;
    const at = partIndexAt(parts, tick);
    const numeral = numeralOf(chord, keyAt(played, tick));
    if (numerals[at].at(-1) === numeral) continue;
    inPart[at].push(chord);
    numerals[at].push(numeral);
  }
  const found = new Map<string, { chords: Chord[]; parts: number[] }>();
  parts.forEach((part, i) => {
    if (inPart[i].length === 0) return;
    const name = numerals[i].join(' – ');
    const known = found.get(name);
    if (known) known.parts.push(part.number);
    else found.set(name, { chords: inPart[i], parts: [part.number] });
  });
  return [...found].map(([name, { chords, parts: numbers }]) => ({
    numerals: name,
    symbols: chords.map((chord) => typeset(symbolOf(chord))).join(' '),
    chords,
    parts: numbers,
  }));
}
