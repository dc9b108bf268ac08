import type { Chord } from '../music';
import { type Bounds, candidatesFor } from './candidates';
import { stepFrom } from './voiced';
import type { Voicing } from './voicing';

export interface Movement {
  readonly semitones: number;
  readonly millimetres: number;
}

/** Sum of the movement along a line of voicings. */
export function movementOf(line: readonly Voicing[]): Movement {
  let [semitones, millimetres] = [0, 0];
  for (let i = 1; i < line.length; i++) {
    const step = stepFrom(line[i - 1], line[i]);
    semitones += step.semitones;
    millimetres += step.millimetres;
  }
  return { semitones, millimetres };
}

/** Every chord in root position, in the octave nearest to the one before; the first nearest to `start`. */
export function rootPositionLine(chords: readonly Chord[], bounds: Bounds, start: Voicing | null): Voicing[] {
  return nearestLine(
    chords.map((chord) => candidatesFor(chord, 'root', bounds)),
    start,
  );
}

/** The greedy line: at each chord the candidate that moves least from the one before (first on a tie). */
export function nearestLine(candidates: readonly (readonly Voicing[])[], start: Voicing | null): Voicing[] {
  const line: Voicing[] = [];
  let before = start;
  for (const list of candidates) {
    if (list.length === 0) continue;
    let best = list[0];
    if (before) {
      for (const candidate of list) {
        if (stepFrom(before, candidate).semitones < stepFrom(before, best).semitones) best = candidate;
      }
    }
    line.push(best);
    before = best;
  }
  return line;
}
