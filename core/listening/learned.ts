import { EXPLAINED, FIRST_KEY, KeyShapes } from './keyShapes';
import { BANDS, HALF_STEP } from './spectrum';

/** Sound, and the keys that were struck in it. */
export interface Example {
  readonly came: Float32Array;
  readonly keys: readonly number[];
}

/** Partials so many bands apart tell of each other; keys, too, each half step away by this factor less. */
const [BANDS_BESIDE, FADES] = [3, 0.78];
/** What little was heard of counts less than what was known before; by this factor at most a partial is louder or softer in a round. */
const [KNOWN, MOST] = [1, 3];
const FAINT = 0.1;
/** So many strikes tell how a piano sounds. */
const ENOUGH = 5;

/**
 * What the keys sound like on the piano that was heard, in its room and through its microphone, learned from what was
 * played: how much louder or softer each partial came than by what is `known`. Each partial learns from the strikes in which
 * little else sounded there, and from the same partial of keys nearby: so keys nobody struck are learned too.
 */
export function learned(known: KeyShapes, examples: readonly Example[]): KeyShapes {
  const { shapes } = known;
  let count = 0;
  // What came of each band of each key, and what was expected.
  const came = shapes.map(() => new Float32Array(BANDS));
  const expected = shapes.map(() => new Float32Array(BANDS));
  for (const example of examples) {
    const fit = known.fit(known.likeness(example.came), example.keys);
    if (fit.explained < EXPLAINED) continue;
    count++;
    const parts = [...new Set(example.keys)]
      .map((key) => ({ at: key - FIRST_KEY, share: fit.shareOf(key) }))
      .filter(({ share }) => share > 0);
    const all = new Float32Array(BANDS);
    for (const { at, share } of parts)
      for (let band = 0; band < BANDS; band++) all[band] += share * shapes[at][band];
    // The more of what was expected in a band is a key's own, the more it tells of that key.
    const counts = all.map((value) => (value > 0 ? 1 / value : 0));
    const ratio = example.came.map((value, band) => (value / fit.most) * counts[band]);
    for (const { at, share } of parts) {
      if (share < FAINT) continue;
      const [shape, cameOf, expectedOf] = [shapes[at], came[at], expected[at]];
      for (let band = 0; band < BANDS; band++) {
        const part = share * shape[band];
        const own = part * part * counts[band];
        cameOf[band] += own * ratio[band];
        expectedOf[band] += own;
      }
    }
  }
  const [louder, usual] = [withBeside(came), withBeside(expected)];
  return new KeyShapes(
    shapes.map((shape, key) => {
      const next = shape.map((value, band) => {
        const by = (louder[key][band] + KNOWN) / (usual[key][band] + KNOWN);
        return value * Math.max(1 / MOST, Math.min(MOST, by));
      });
      const length = Math.hypot(...next);
      return next.map((value) => value / length);
    }),
    known.areOwn || count >= ENOUGH,
  );
}

/** What is known of each key, band by band, with what is known of the bands beside and of the same partials of other keys. */
function withBeside(of: readonly Float32Array[]): Float32Array[] {
  const up = of.map((own) => own.slice());
  const down = of.map((own) => own.slice());
  for (let key = 1; key < of.length; key++)
    for (let band = HALF_STEP; band < BANDS; band++) up[key][band] += FADES * up[key - 1][band - HALF_STEP];
  for (let key = of.length - 2; key >= 0; key--)
    for (let band = HALF_STEP; band < BANDS; band++)
      down[key][band - HALF_STEP] += FADES * down[key + 1][band];
  return of.map((own, key) => {
    const near = own.map((value, band) => up[key][band] + down[key][band] - value);
    return near.map((_, band) => {
      let sum = 0;
      for (let b = Math.max(0, band - BANDS_BESIDE); b <= Math.min(BANDS - 1, band + BANDS_BESIDE); b++)
        sum += near[b];
      return sum;
    });
  });
}
