import FFT from 'fft.js';
import { medianOf } from '../practice';

/** What is looked at at once and how far one goes on, in seconds. */
const [WINDOW, HOP] = [0.046, 0.0116];
/** How much more than the rises around it, and than the greatest of late, a beginning must be. */
const [OVER_AROUND, OVER_GREATEST] = [1.6, 0.04];
/** A rise smaller than this is none, however still it is around: hum and strings that die away rise by less than a tenth of it. */
const SMALLEST = 1;
/** So many looks are around. */
const AROUND = 43;
/** A rise is from so many looks before: shorter, and the window of one would overlap most of the other. */
const SINCE = 2;
/** Two beginnings are at least so far apart, in seconds. */
const APART = 0.05;
/** Above this only noise begins, in hertz. */
const HIGHEST = 5000;
/** Loudness is counted as an ear does: soft sounds more than their share. */
const PRESSED = 200;
/** The greatest rise is forgotten by half in so many seconds. */
const FORGOTTEN = 10;

/**
 * Finds where sounds begin: there is suddenly more of some pitch than around it. Source: Böck and Widmer 2013, spectral flux
 * with a maximum filter.
 */
export class Onsets {
  /** Samples one look takes, and how many it goes on. */
  readonly window: number;
  readonly hop: number;
  private readonly fft: FFT;
  private readonly input: Float64Array;
  private readonly out: number[];
  private readonly bins: number;
  private readonly shapes: Float32Array[] = [];
  private readonly rises: number[] = [];
  private greatest = 0;
  private looks = 0;
  private last = -Infinity;

  constructor(samplesPerSecond: number) {
    this.window = Math.round(WINDOW * samplesPerSecond);
    this.hop = Math.round(HOP * samplesPerSecond);
    const size = 2 ** Math.ceil(Math.log2(this.window));
    this.fft = new FFT(size);
    this.input = new Float64Array(size);
    this.out = this.fft.createComplexArray();
    this.bins = Math.floor((HIGHEST / samplesPerSecond) * size);
  }

  /** Looks at `sound` from a sample on, made louder by a factor; the next look is one hop on. Whether a sound began at the look before this one. */
  look(sound: Float32Array, from: number, louder: number): boolean {
    const rise = this.riseTo(this.shapeOf(sound, from, louder));
    this.rises.push(rise);
    if (this.rises.length > AROUND) this.rises.shift();
    this.greatest = Math.max(rise, this.greatest * 0.5 ** (HOP / FORGOTTEN));
    this.looks++;
    const [before, peak] = this.rises.slice(-3);
    if (this.rises.length < 3 || peak <= before || peak < rise) return false;
    const least = OVER_AROUND * medianOf(this.rises) + OVER_GREATEST * this.greatest;
    if (peak < Math.max(SMALLEST, least)) return false;
    if ((this.looks - this.last) * HOP < APART) return false;
    this.last = this.looks;
    return true;
  }

  private shapeOf(sound: Float32Array, from: number, louder: number): Float32Array {
    const { input, out, window } = this;
    for (let i = 0; i < window; i++)
      input[i] = sound[from + i] * louder * (1 - Math.cos((2 * Math.PI * (i + 0.5)) / window));
    this.fft.realTransform(out, input);
    const shape = new Float32Array(this.bins);
    for (let bin = 0; bin < this.bins; bin++)
      shape[bin] = Math.log1p((PRESSED * Math.sqrt(out[2 * bin] ** 2 + out[2 * bin + 1] ** 2)) / window);
    return shape;
  }

  /** How much more there is than some looks ago; what only moved to the next bin is no more. */
  private riseTo(shape: Float32Array): number {
    const before = this.shapes.length < SINCE ? null : this.shapes[0];
    this.shapes.push(shape);
    if (!before) return 0;
    this.shapes.shift();
    let rise = 0;
    for (let bin = 1; bin < shape.length - 1; bin++)
      rise += Math.max(0, shape[bin] - Math.max(before[bin - 1], before[bin], before[bin + 1]));
    return rise;
  }
}
