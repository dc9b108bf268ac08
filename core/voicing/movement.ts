/** One voice from one chord to the next; null where a voice is added or lost. */
export interface VoiceMove {
  readonly from: number | null;
  readonly to: number | null;
  /** Semitones counted for it. */
  readonly semitones: number;
}

/**
 * Semitones between two voicings (keys lowest first) under the least-cost matching of their voices.
 * Voices of equal number never cross in the least-cost matching. Where the numbers differ, a lost or added
 * voice costs its distance to the nearest note of the smaller chord, at least 1.
 * `semitonesBetween([53,56,60,63], [53,56,58,62]) // => 3`
 */
export function semitonesBetween(a: readonly number[], b: readonly number[]): number {
  if (a.length === b.length) {
    let sum = 0;
    for (let i = 0; i < a.length; i++) sum += Math.abs(a[i] - b[i]);
    return sum;
  }
  return a.length < b.length ? unequal(a, b) : unequal(b, a);
}

/** Room for the cost row of a matching: voicings have at most ten keys. */
const row = new Float64Array(16);

/** The cost of movesBetween without the moves: one row of its table, filled from the end. */
function unequal(few: readonly number[], many: readonly number[]): number {
  // row[i]: least cost with the first i of the few matched among those of the many seen so far.
  row[0] = 0;
  for (let i = 1; i <= few.length; i++) row[i] = Infinity;
  for (let j = 0; j < many.length; j++) {
    let extra = Infinity;
    for (const key of few) extra = Math.min(extra, Math.abs(key - many[j]));
    extra = Math.max(1, extra);
    for (let i = Math.min(few.length, j + 1); i >= 1; i--) {
      row[i] = Math.min(row[i] + extra, row[i - 1] + Math.abs(few[i - 1] - many[j]));
    }
    row[0] += extra;
  }
  return row[few.length];
}

/** The same matching, voice by voice, lowest first. */
export function movesBetween(a: readonly number[], b: readonly number[]): VoiceMove[] {
  if (a.length > b.length) {
    return movesBetween(b, a).map(({ from, to, semitones }) => ({ from: to, to: from, semitones }));
  }
  const extra = b.map((key) => Math.max(1, Math.min(...a.map((other) => Math.abs(other - key)))));
  // best[i][j]: first i of a matched among the first j of b, the rest of those j added.
  const best: number[][] = [[0]];
  for (let j = 1; j <= b.length; j++) best[0][j] = best[0][j - 1] + extra[j - 1];
  for (let i = 1; i <= a.length; i++) {
    best[i] = [];
    for (let j = i; j <= b.length; j++) {
      const matched = best[i - 1][j - 1] + Math.abs(a[i - 1] - b[j - 1]);
      const added = j > i ? best[i][j - 1] + extra[j - 1] : Infinity;
      best[i][j] = Math.min(matched, added);
    }
  }
  const moves: VoiceMove[] = [];
  for (let i = a.length, j = b.length; j > 0; j--) {
    const semitones = i > 0 ? Math.abs(a[i - 1] - b[j - 1]) : Infinity;
    if (i > 0 && best[i][j] === best[i - 1][j - 1] + semitones) {
      moves.unshift({ from: a[i - 1], to: b[j - 1], semitones });
      i--;
    } else {
      moves.unshift({ from: null, to: b[j - 1], semitones: extra[j - 1] });
    }
  }
  return moves;
}

/** Keys held from one voicing to the next. */
export function commonKeys(a: readonly number[], b: readonly number[]): number {
  let count = 0;
  for (const key of a) if (b.includes(key)) count++;
  return count;
}
