import type { SoundFrame } from '@joined-hands/core/takes';
import { PitchDetector } from 'pitchy';

/** Samples in which a pitch is looked for: two waves of the lowest tune. */
const WINDOW = 2048;

/** Finds the pitch of sound that comes in blocks: a frame for each, over the last window of samples. */
export class Pitches {
  private readonly detector = PitchDetector.forFloat32Array(WINDOW);
  private readonly window = new Float32Array(WINDOW);

  constructor(private readonly samplesPerSecond: number) {}

  /** `seconds` is when the block ended. */
  hear(block: Float32Array, seconds: number): SoundFrame {
    this.window.copyWithin(0, block.length);
    this.window.set(block, WINDOW - block.length);
    const [hertz, clarity] = this.detector.findPitch(this.window, this.samplesPerSecond);
    const level = Math.sqrt(block.reduce((sum, x) => sum + x * x, 0) / block.length);
    return { seconds: seconds - WINDOW / 2 / this.samplesPerSecond, hertz, clarity, level };
  }
}
