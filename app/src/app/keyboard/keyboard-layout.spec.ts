import { KEYBOARDS, type KeyboardSize, OCTAVE_MM } from '@joined-hands/core/music';
import { describe, expect, it } from 'vitest';
import { keyboardShape, keysBetween } from './keyboard-layout';

const SIZES = [49, 61, 73, 76, 88] as const satisfies readonly KeyboardSize[];

describe('the keyboard', () => {
  it('draws every key of its length once, left to right, inside its width', () => {
    for (const size of SIZES) {
      const { keys, widthMm } = keyboardShape(size, [], false);
      expect(keys.map((k) => k.midi).sort((a, b) => a - b)).toEqual(
        Array.from({ length: size }, (_, i) => KEYBOARDS[size].low + i),
      );
      for (const key of keys) {
        expect(key.x).toBeGreaterThanOrEqual(-1e-9);
        expect(key.x + key.width).toBeLessThanOrEqual(widthMm + 1e-9);
      }
      const whites = keys.filter((k) => !k.isBlack);
      for (let i = 1; i < whites.length; i++)
        expect(whites[i].x - whites[i - 1].x).toBeCloseTo(whites[0].width, 9);
    }
  });

  it('is to scale: an octave of C to C is an octave and a key wide', () => {
    const { widthMm } = keysBetween(60, 72);
    expect(widthMm).toBeCloseTo(OCTAVE_MM + OCTAVE_MM / 7, 9);
  });

  it('draws black keys over white ones', () => {
    const { keys } = keysBetween(60, 72);
    const firstBlack = keys.findIndex((k) => k.isBlack);
    expect(keys.slice(firstBlack).every((k) => k.isBlack)).toBe(true);
  });

  it('shows on a narrow screen the stretch used, an octave at least, never past its ends', () => {
    const { keys } = keyboardShape(61, [36, 50], true);
    expect(Math.min(...keys.map((k) => k.midi))).toBe(36);
    const few = keyboardShape(88, [60], true).keys;
    expect(few.length).toBeGreaterThanOrEqual(12);
    expect(few.some((k) => k.midi === 60)).toBe(true);
  });
});
