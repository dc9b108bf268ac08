import '@angular/compiler';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { laidOver, withoutClipping } from './sound-file';

const samples = fc
  .array(fc.integer({ min: -64, max: 64 }), { maxLength: 30 })
  .map((values) => Float32Array.from(values, (value) => value / 64));

describe('a sound worked out stretch by stretch', () => {
  it('is the sum of all its stretches, each from where it begins, however long it rings', () => {
    fc.assert(
      fc.property(
        fc.array(samples, { minLength: 1, maxLength: 6 }),
        fc.integer({ min: 1, max: 12 }),
        (heard, length) => {
          const whole = new Float32Array(heard.length * length + 30);
          heard.forEach((sound, i) => sound.forEach((value, k) => (whole[i * length + k] += value)));
          let ringing: readonly Float32Array[] = [];
          const out: number[] = [];
          for (const sound of heard) {
            const { now, later } = laidOver([sound, sound], ringing, length);
            expect(now.map((channel) => channel.length)).toEqual([length, length]);
            out.push(...now[0]);
            ringing = later;
          }
          out.push(...ringing[0]);
          out.forEach((value, i) => expect(value).toBeCloseTo(whole[i], 5));
        },
      ),
    );
  });

  it('is silent, and as long, where nothing is struck', () => {
    expect(laidOver([], [], 3).now.map((channel) => [...channel])).toEqual([
      [0, 0, 0],
      [0, 0, 0],
    ]);
  });
});

describe('loud sound', () => {
  it('is as it was up to eight tenths, and beyond that pressed together: louder stays louder, never 1', () => {
    const pressed = (value: number): number => withoutClipping(Float32Array.of(value))[0];
    for (const value of [0, 0.5, -0.79]) expect(pressed(value)).toBeCloseTo(value, 6);
    const rising = [0.8, 0.9, 1, 1.2, 1.5].map(pressed);
    expect([...rising].sort((a, b) => a - b)).toEqual(rising);
    for (const value of [3, -3]) {
      expect(Math.abs(pressed(value))).toBeLessThanOrEqual(1);
      expect(Math.sign(pressed(value))).toBe(Math.sign(value));
    }
  });
});
