import { seeded } from '../chance';

/** A key struck, in seconds. */
export interface Tone {
  readonly midi: number;
  readonly at: number;
  readonly lasts: number;
}

/** Struck strings, more or less: partials that die away, the higher the sooner, with noise of a room. */
export function strings(
  tones: readonly Tone[],
  { rate = 22_050, loud = 0.2, noise = 0.0005, cents = 0 } = {},
): Float32Array {
  const sound = new Float32Array(
    Math.ceil((Math.max(...tones.map(({ at, lasts }) => at + lasts)) + 0.7) * rate),
  );
  for (const { midi, at, lasts } of tones) {
    const hertz = 440 * 2 ** ((midi - 69 + cents / 100) / 12);
    const from = Math.round(at * rate);
    for (let partial = 1; partial <= 10 && partial * hertz < rate / 2; partial++)
      for (let i = 0; i < lasts * rate; i++) {
        const t = i / rate;
        const edge = Math.min(1, t / 0.003, (lasts - t) / 0.03);
        const dies = Math.exp(-t * (0.8 + partial) - 0.3 * partial);
        sound[from + i] += loud * edge * dies * Math.sin(2 * Math.PI * hertz * partial * t + partial);
      }
  }
  const random = seeded(9);
  return sound.map((x) => x + noise * (2 * random() - 1));
}
