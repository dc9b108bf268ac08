import { Onsets } from './onsets';
import { BANDS, risen, Spectrum } from './spectrum';

/** Something that was struck. */
export interface Strike {
  /** Counted up from 0: what was heard quickly is heard again in full. */
  readonly number: number;
  readonly seconds: number;
  /** What came to the sound with it, and all that sounded then, band by band. */
  readonly came: Float32Array;
  readonly sounded: Float32Array;
  /** How long it was listened to, in seconds. */
  readonly listened: number;
  readonly isFull: boolean;
}

/** How long a strike is listened to, in seconds: in full, for a first word, and at least, where the next comes soon. */
export const FULL_LOOK = 0.186;
const [QUICK, LEAST] = [0.1, 0.09];
/** Right after a strike there is the noise of the hammer; what sounded before it is listened to up to a little before. */
const [HAMMER, AHEAD] = [0.008, 0.012];
/** By so much a rise is seen after the key was struck: half of what is looked at for one. */
const SEEN_AFTER = 0.015;
const KEPT_SECONDS = 1.5;
/** Softer than this is silence; sound is made so loud that its peak would be this. */
const [QUIETEST, LOUD] = [0.002, 0.2];
/** A loud moment is forgotten by half in so many seconds. */
const FORGOTTEN = 20;

interface Open {
  readonly number: number;
  /** Its sample. */
  readonly at: number;
  readonly before: Float32Array;
  isQuick: boolean;
}

/** Listens to sound that comes block by block, and tells what was struck. Nothing older than a moment is kept. */
export class Ear {
  private readonly sound: Float32Array;
  private readonly onsets: Onsets;
  private readonly spectrum: Spectrum;
  /** Samples that came so far: the last of them are kept. */
  private count = 0;
  private looked = 0;
  private open: Open[] = [];
  private strikes = 0;
  private peak = QUIETEST;

  /** `stays`: how much of what sounded before is still there a moment later, as strings die away. */
  constructor(
    private readonly samplesPerSecond: number,
    private readonly stays: number,
  ) {
    this.onsets = new Onsets(samplesPerSecond);
    this.spectrum = new Spectrum(samplesPerSecond, this.samples(FULL_LOOK));
    this.sound = new Float32Array(this.samples(KEPT_SECONDS));
  }

  /** Hears the next block, at most half a second; `ended` is when it ended, in seconds. */
  hear(block: Float32Array, ended: number): Strike[] {
    const { sound, onsets } = this;
    sound.copyWithin(0, block.length);
    sound.set(block, sound.length - block.length);
    this.count += block.length;
    this.peak *= 0.5 ** (block.length / this.samplesPerSecond / FORGOTTEN);
    for (const value of block) this.peak = Math.max(this.peak, Math.abs(value), QUIETEST);
    const heard: Strike[] = [];
    for (; this.looked + onsets.window <= this.count; this.looked += onsets.hop) {
      if (!onsets.look(sound, this.place(this.looked), LOUD / this.peak)) continue;
      // It was the look before this one that rose most.
      const at = this.looked - onsets.hop + Math.round(onsets.window / 2) - this.samples(SEEN_AFTER);
      heard.push(...this.open.map((one) => this.strike(one, this.listenedBefore(one, at), true, ended)));
      const length = this.samples(FULL_LOOK);
      const before = this.bands(at - this.samples(AHEAD) - length, length);
      this.open = [{ number: this.strikes++, at, before, isQuick: false }];
    }
    for (const one of this.open) {
      const listened = (this.count - one.at) / this.samplesPerSecond - HAMMER;
      if (!one.isQuick && listened >= QUICK) heard.push(this.strike(one, QUICK, false, ended));
      one.isQuick ||= listened >= QUICK;
      if (listened >= FULL_LOOK) heard.push(this.strike(one, FULL_LOOK, true, ended));
    }
    const isHeard = new Set(heard.flatMap(({ isFull, number }) => (isFull ? [number] : [])));
    this.open = this.open.filter(({ number }) => !isHeard.has(number));
    return heard;
  }

  /** How long a strike is listened to where the next one is at `next`. */
  private listenedBefore({ at }: Open, next: number): number {
    return Math.min(FULL_LOOK, Math.max(LEAST, (next - at) / this.samplesPerSecond - HAMMER));
  }

  private strike({ number, at, before }: Open, listened: number, isFull: boolean, ended: number): Strike {
    const after = this.bands(at + this.samples(HAMMER), this.samples(listened));
    const seconds = ended - (this.count - at) / this.samplesPerSecond;
    const [came, sounded] = [risen(after, before, this.stays), risen(after, null)];
    return { number, seconds, came, sounded, listened, isFull };
  }

  private bands(from: number, length: number): Float32Array {
    const place = this.place(from);
    return place + length <= 0 ? new Float32Array(BANDS) : this.spectrum.of(this.sound, place, length);
  }

  /** Where in what is kept a sample is. */
  private place(sample: number): number {
    return sample - this.count + this.sound.length;
  }

  private samples(seconds: number): number {
    return Math.round(seconds * this.samplesPerSecond);
  }
}
