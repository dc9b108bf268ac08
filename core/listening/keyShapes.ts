import { shares } from './leastSquares';
import type { Strike } from './ear';

/** MIDI numbers of A0 and C8. */
export const [FIRST_KEY, LAST_KEY] = [21, 108];

/** How much of some keys is in a sound. */
export interface Fit {
  /** Of the key of which there is most, 0 … 1; 0 for a key that was not looked for. */
  shareOf(key: number): number;
  /** How much there is of that key. */
  readonly most: number;
  /** How much of all the sound these keys explain, 0 … 1. */
  readonly explained: number;
}

/** A sound, and how alike it is to keys. */
export interface Likeness {
  readonly bands: Float32Array;
  /** Key by key from A0 up, worked out when it is asked for: not a number until then. */
  readonly heard: Float32Array;
  /** All of it: the sum of its squares. */
  readonly whole: number;
}

/** What each key of a piano sounds like. */
export class KeyShapes {
  /** How alike any two keys are. */
  private readonly alike: readonly Float32Array[];

  /** `shapes` from A0 to C8, band by band, each of length 1. */
  constructor(
    readonly shapes: readonly Float32Array[],
    /** Whether they are those of the piano that is heard. */
    readonly areOwn = false,
  ) {
    this.alike = shapes.map(() => new Float32Array(shapes.length));
    for (let i = 0; i < shapes.length; i++)
      for (let j = 0; j <= i; j++) this.alike[i][j] = this.alike[j][i] = product(shapes[i], shapes[j]);
  }

  /** How alike a sound is to each key. */
  likeness(bands: Float32Array): Likeness {
    return { bands, heard: new Float32Array(this.shapes.length).fill(NaN), whole: product(bands, bands) };
  }

  /** How much of some keys, and nothing else, is in a sound. */
  fit({ bands, heard, whole }: Likeness, keys: Iterable<number>): Fit {
    const among = [...new Set(keys)].map((key) => key - FIRST_KEY);
    for (const i of among) if (Number.isNaN(heard[i])) heard[i] = product(this.shapes[i], bands);
    const found = shares(this.alike, heard, among);
    let [most, explained] = [1e-9, 0];
    for (const i of among) {
      most = Math.max(most, found[i]);
      explained += found[i] * heard[i];
    }
    return {
      shareOf: (key) => found[key - FIRST_KEY] / most,
      most,
      explained: explained / Math.max(1e-12, whole),
    };
  }
}

/** What keys explain less of than this was something else: nothing is learned from it. */
export const EXPLAINED = 0.5;

/** How far off a piano may be tuned, in bands: a quarter tone. */
const [FURTHEST, STEP] = [2, 0.5];
/** So many strikes tell how it is tuned, and more tell nothing new. */
const [ENOUGH, PLENTY] = [4, 40];

/** Finds how high a piano is tuned, from strikes of which it is known which keys they are. */
export class Tuning {
  private readonly sums = new Map<number, number>();
  private count = 0;

  constructor(private readonly shapes: KeyShapes) {}

  add({ came }: Pick<Strike, 'came'>, keys: readonly number[]): void {
    if (this.count >= PLENTY) return;
    const fits: [by: number, explained: number][] = [];
    for (let by = -FURTHEST; by <= FURTHEST; by += STEP)
      fits.push([by, this.shapes.fit(this.shapes.likeness(tuned(came, by)), keys).explained]);
    if (fits.every(([, explained]) => explained < EXPLAINED)) return;
    this.count++;
    for (const [by, explained] of fits) this.sums.set(by, (this.sums.get(by) ?? 0) + explained);
  }

  /** In bands above A = 440; 0 until enough was heard. */
  get higher(): number {
    if (this.count < ENOUGH) return 0;
    const [best] = [...this.sums].reduce((a, b) => (b[1] > a[1] ? b : a));
    const at = (by: number): number => this.sums.get(by) ?? 0;
    const [below, top, above] = [at(best - STEP), at(best), at(best + STEP)];
    if (below === 0 || above === 0) return best;
    // The top of a parabola through the three.
    return best + (STEP * (above - below)) / (2 * (2 * top - above - below));
  }
}

/** Two sums at once: one would wait for itself at each step. */
function product(a: Float32Array, b: Float32Array): number {
  let [even, odd] = [0, 0];
  for (let i = 1; i < a.length; i += 2) {
    even += a[i - 1] * b[i - 1];
    odd += a[i] * b[i];
  }
  return even + odd + (a.length % 2) * a[a.length - 1] * b[a.length - 1];
}

/** What a piano tuned so many bands `higher` than A = 440 would sound like, were it not. */
export function tuned(bands: Float32Array, higher: number): Float32Array {
  if (higher === 0) return bands;
  return bands.map((_, band) => {
    const below = Math.floor(band + higher);
    const [a, b] = [bands[below] ?? 0, bands[below + 1] ?? 0];
    return a + (band + higher - below) * (b - a);
  });
}
