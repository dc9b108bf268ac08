import { strings, type Tone } from '../core/testing';

/** Sound in a file, so many samples a second. */
function wave(samples: Float32Array, rate: number): Buffer {
  const data = Buffer.alloc(samples.length * 2);
  samples.forEach((x, i) => data.writeInt16LE(Math.round(Math.max(-1, Math.min(1, x)) * 32000), i * 2));
  const head = Buffer.alloc(44);
  head.write('RIFF', 0);
  head.writeUInt32LE(36 + data.length, 4);
  head.write('WAVEfmt ', 8);
  head.writeUInt32LE(16, 16);
  head.writeUInt16LE(1, 20);
  head.writeUInt16LE(1, 22);
  head.writeUInt32LE(rate, 24);
  head.writeUInt32LE(rate * 2, 28);
  head.writeUInt16LE(2, 32);
  head.writeUInt16LE(16, 34);
  head.write('data', 36);
  head.writeUInt32LE(data.length, 40);
  return Buffer.concat([head, data]);
}

/** A soft tone of so many seconds, so that there is something to play. */
export function softTone(seconds: number): Buffer {
  const rate = 8000;
  return wave(
    Float32Array.from({ length: seconds * rate }, (_, i) => 0.1 * Math.sin(i / 6)),
    rate,
  );
}

/** Struck strings at their seconds, and silence for so long after the last. */
export function played(notes: readonly Tone[], silence: number): Buffer {
  const rate = 44_100;
  const sound = strings(notes, { rate });
  const whole = new Float32Array(sound.length + Math.ceil(silence * rate));
  whole.set(sound);
  return wave(whole, rate);
}
