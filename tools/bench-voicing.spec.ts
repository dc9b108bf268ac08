import { describe, expect, it } from 'vitest';
import { beside, medianSaved } from './bench-voicing';

describe('least movement beside the greedy voicing of a general music library', () => {
  const rows = Array.from({ length: 100 }, (_, seed) => beside(seed));

  it('is never higher on the same candidates, and saves 15 % at the median', () => {
    for (const { pure, sameStart, greedy } of rows) {
      expect(sameStart).toBeLessThanOrEqual(greedy);
      expect(pure).toBeLessThanOrEqual(sameStart);
    }
    expect(medianSaved(rows, 'pure')).toBeGreaterThanOrEqual(15);
  });

  it('weighted by register and hand moves no less than pure', () => {
    for (const { pure, weighted } of rows) expect(weighted).toBeGreaterThanOrEqual(pure);
  });
});
