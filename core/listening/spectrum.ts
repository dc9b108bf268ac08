import FFT from 'fft.js';

/** An octave is heard in so many bands: four to a half step. */
const PER_OCTAVE = 48;
/** A quarter tone below A0, and about the highest partial that tells keys apart, in hertz. */
const LOWEST = 27.5 * 2 ** (-1 / 24);
const HIGHEST = 5000;
export const BANDS = Math.floor(PER_OCTAVE * Math.log2(HIGHEST / LOWEST));
/** A half step, in bands. */
export const HALF_STEP = PER_OCTAVE / 12;

/** Measures how loud a short stretch of sound is in each band. One for each rate. */
export class Spectrum {
  private readonly size: number;
  private readonly fft: FFT;
  private readonly input: Float64Array;
  private readonly out: number[];
  /** For each band where its middle is among the bins, and the bins that belong to it: none for those narrower than a bin. */
  private readonly bins: readonly {
    readonly middle: number;
    readonly first: number;
    readonly last: number;
  }[];

  /** `longest`: the longest stretch that is measured, in samples. */
  constructor(samplesPerSecond: number, longest: number) {
    // Twice as fine as the stretch is long: low bands are narrower than what a stretch tells apart.
    this.size = 2 ** Math.ceil(Math.log2(2 * longest));
    this.fft = new FFT(this.size);
    this.input = new Float64Array(this.size);
    this.out = this.fft.createComplexArray();
    const perHertz = this.size / samplesPerSecond;
    const half = 2 ** (1 / (2 * PER_OCTAVE)) - 1;
    this.bins = Array.from({ length: BANDS }, (_, band) => {
      const middle = LOWEST * 2 ** (band / PER_OCTAVE) * perHertz;
      return { middle, first: Math.ceil(middle * (1 - half)), last: Math.floor(middle * (1 + half)) };
    });
  }

  /** How loud `length` samples from `from` on are in each band; what was before the sound began is silence. */
  of(sound: Float32Array, from: number, length: number): Float32Array {
    const { input, out } = this;
    input.fill(0);
    for (let i = Math.max(0, -from); i < length; i++)
      input[i] = sound[from + i] * (1 - Math.cos((2 * Math.PI * (i + 0.5)) / length));
    this.fft.realTransform(out, input);
    const loud = (bin: number): number => Math.sqrt(out[2 * bin] ** 2 + out[2 * bin + 1] ** 2) / length;
    return Float32Array.from(this.bins, ({ middle, first, last }) => {
      if (last <= first) {
        const below = Math.floor(middle);
        return loud(below) + (middle - below) * (loud(below + 1) - loud(below));
      }
      let most = 0;
      for (let bin = first; bin <= last; bin++) most = Math.max(most, loud(bin));
      return most;
    });
  }
}

/** Loud partials must not drown soft ones: each counts as its power. */
const POWER = 0.4;

/** What has come to a spectrum since another, of which a share stays; all of it where there was nothing before. */
export function risen(after: Float32Array, before: Float32Array | null, stays = 1): Float32Array {
  return after.map((value, band) => Math.max(0, value - stays * (before?.[band] ?? 0)) ** POWER);
}
