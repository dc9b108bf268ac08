/** Rounds after which what is found hardly changes any more, and by how much of the greatest share one must change for another. */
const [ROUNDS, LEAST_CHANGE] = [40, 5e-4];

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
  const n = among.length;
  // Only those that may be in it, side by side: most of the time goes into the innermost loop.
  const pairs = new Float64Array(n * n);
  among.forEach((i, a) => among.forEach((j, b) => (pairs[a * n + b] = alike[i][j])));
  const share = new Float64Array(n);
  // What of the sound each shape still explains, kept as shares change.
  const rest = Float64Array.from(among, (i) => heard[i]);
  for (let round = 0; round < rounds; round++) {
    let [moved, most] = [0, 0];
    for (let a = 0; a < n; a++) {
      const now = Math.max(0, share[a] + rest[a] / pairs[a * n + a]);
      const by = now - share[a];
      most = Math.max(most, now);
      if (by === 0) continue;
      share[a] = now;
      moved = Math.max(moved, Math.abs(by));
      for (let b = 0, at = a * n; b < n; b++, at++) rest[b] -= by * pairs[at];
    }
    if (moved < LEAST_CHANGE * most) break;
  }
  const found = new Float64Array(heard.length);
  among.forEach((i, a) => (found[i] = share[a]));
  return found;
}
