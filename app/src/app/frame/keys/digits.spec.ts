import { describe, expect, it } from 'vitest';
import { DigitJoiner } from './digits';

describe('digits typed one after the other', () => {
  it('are one number when typed quickly and two when not', () => {
    const joiner = new DigitJoiner();
    expect(joiner.join(1, 'part', 1000, 20)).toBe(1);
    expect(joiner.join(2, 'part', 1300, 20)).toBe(12);
    expect(joiner.join(3, 'part', 3000, 20)).toBe(3);
    expect(joiner.join(0, 'part', 3700, 99)).toBeNull();
    expect(new DigitJoiner().join(0, 'part', 0, 20)).toBeNull();
  });

  it.each([
    // Two numbers where the song has no such part.
    [13, [1, 4, 1, 3, 9], [1, 4, 1, 13, 9]],
    [120, [1, 2, 0], [1, 12, 120]],
  ])('of %i parts', (parts, typed, meant) => {
    const joiner = new DigitJoiner();
    expect(typed.map((digit, i) => joiner.join(digit, 'part', 100 * i, parts))).toEqual(meant);
  });

  it('are not joined across another key or another purpose', () => {
    const joiner = new DigitJoiner();
    joiner.join(1, 'part', 0, 20);
    expect(joiner.join(2, 'play-to', 100, 20)).toBe(2);
    joiner.join(1, 'part', 200, 20);
    joiner.interrupt();
    expect(joiner.join(2, 'part', 400, 20)).toBe(2);
  });
});
