import { describe, expect, it } from 'vitest';
import { damaged, wholeFiles } from './damage';
import { hostileFiles } from './hostile';
import { faultOf } from './tryFile';
import { some } from '../core/testing';

/** Songs so long that arranging them at every level takes a minute: npm run break tries them. */
const LONG_ONES = new Set([62, 66]);
/** Seeds at which npm run break once found a fault. */
const FOUND = [1_000_306, 1_002_491, 1_003_550, 2_000_141, 11_001_225, 11_001_325, 11_001_750];
const SEEDS = Array.from({ length: 24 }, (_, i) => 7_000_000 + i);

describe('files that would break a reader, or what comes after it', () => {
  it.each(hostileFiles().map((file, i) => [i, file] as const))('hostile file %i', (i, file) => {
    if (LONG_ONES.has(i)) return;
    expect(faultOf(file, i, [4]).fault).toBeNull();
  });

  it('damaged files of every kind are refused in a sentence, or work', () => {
    const whole = wholeFiles();
    const results = [...FOUND, ...some(SEEDS)].map((seed) =>
      faultOf(damaged(whole[(seed % 1_000_000) % whole.length], seed), seed, [3, seed % 2 ? 4 : 7]),
    );
    expect(results.flatMap(({ fault }) => fault ?? [])).toEqual([]);
    expect(results.filter(({ opened }) => opened).length).toBeGreaterThan(4);
  });
});
