import { inversionOf } from '../harmony';
import { centreMm, type Chord, spanMm } from '../music';

/** Keys of one chord for one hand, lowest first, with what the solver asks of it precomputed. */
export interface Voicing {
  readonly keys: readonly number[];
  /** 0 root position, 1 first (3rd lowest) … ; null when the bass is foreign to the chord. */
  readonly inversion: number | null;
  /** Midpoint of the outer keys in millimetres. */
  readonly middleMm: number;
  readonly spanMm: number;
  /** Members left out that the chord's block would have, by interval ("3M"). */
  readonly missing: readonly string[];
}

/** A voicing from its keys (any order). */
export function voicingOf(keys: readonly number[], chord: Chord, missing: readonly string[] = []): Voicing {
  const sorted = [...keys].sort((a, b) => a - b);
  const high = sorted[sorted.length - 1];
  return {
    keys: sorted,
    inversion: inversionOf(sorted, chord),
    middleMm: (centreMm(sorted[0]) + centreMm(high)) / 2,
    spanMm: spanMm(sorted[0], high),
    missing,
  };
}
