/** Rounds after which what is found hardly changes any more. */
const ROUNDS = 40;

/**
 * How much of each of some shapes is in what was heard, never less than nothing: least squares by going through the shapes
 * in turn (coordinate descent). `alike[i][j]` is how alike two shapes are (their product), `heard[i]` how alike the sound
 * is to each; both for all shapes, of which only `among` may be in it.
 */
export function shares(
  alike: readonly Float32Array[],
  heard: Float32Array,
  among: readonly number[],
  rounds = ROUNDS,
): Float64Array {
  const found = new Float64Array(heard.length);
  // What of the sound each shape still explains, kept as shares change.
  const rest = Float64Array.from(heard);
  for (let round = 0; round < rounds; round++) {
    let moved = 0;
    for (const i of among) {
      const now = Math.max(0, found[i] + rest[i] / alike[i][i]);
      const by = now - found[i];
      if (by === 0) continue;
      found[i] = now;
      moved = Math.max(moved, Math.abs(by));
      for (const j of among) rest[j] -= by * alike[i][j];
    }
    if (moved < 1e-6) break;
  }
  return found;
}
