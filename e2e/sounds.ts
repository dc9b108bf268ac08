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

/** Struck strings, more or less, at their seconds; silence for so long after the last. */
export function played(
  notes: readonly { readonly midi: number; readonly at: number; readonly lasts: number }[],
  silence: number,
): Buffer {
  const rate = 44_100;
  const end = Math.max(...notes.map(({ at, lasts }) => at + lasts)) + silence;
  const sound = new Float32Array(Math.ceil(end * rate));
  for (const { midi, at, lasts } of notes) {
    const hertz = 440 * 2 ** ((midi - 69) / 12);
    for (let i = 0; i < lasts * rate; i++) {
      const t = i / rate;
      const edge = Math.min(1, t / 0.004, (lasts - t) / 0.02);
      for (let h = 1; h <= 5; h++)
        sound[Math.round(at * rate) + i] +=
          0.4 * edge * Math.exp(-t * (1 + h)) * (0.6 / h) * Math.sin(2 * Math.PI * hertz * h * t);
    }
  }
  return wave(sound, rate);
}
