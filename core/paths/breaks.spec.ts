import fc from 'fast-check';
import { expect, it } from 'vitest';
import { brokenEvenly, type Piece } from './breaks';

const filled = (line: readonly Piece[]): number =>
  line.reduce((sum, { size, before }, i) => sum + size + (i === 0 ? 0 : before), 0);

/** Pieces on lines of so many each: how many lines, and what they cost; null where a line is too full. */
function costOf(pieces: readonly Piece[], counts: readonly number[], limit: number): [number, number] | null {
  let [at, cost] = [0, 0];
  for (const count of counts) {
    const line = pieces.slice(at, at + count);
    if (filled(line) > limit && count > 1) return null;
    cost += Math.max(0, 1 - filled(line) / limit) ** 2 + (at > 0 ? (line[0].cost ?? 0) : 0);
    at += count;
  }
  return [counts.length, cost];
}

/** Every way to put so many pieces on lines. */
function waysOf(count: number): number[][] {
  if (count === 0) return [[]];
  return Array.from({ length: count }, (_, i) => i + 1).flatMap((first) =>
    waysOf(count - first).map((rest) => [first, ...rest]),
  );
}

const piece = fc.record({
  size: fc.integer({ min: 1, max: 30 }),
  before: fc.integer({ min: 0, max: 5 }),
  cost: fc.constantFrom(0, 0.1, 0.5),
});

it('breaks pieces as well as the best of all ways', () => {
  fc.assert(
    fc.property(fc.array(piece, { minLength: 1, maxLength: 9 }), fc.integer({ min: 5, max: 60 }), (pieces, limit) => {
      const counts = brokenEvenly(pieces, limit);
      expect(counts.reduce((a, b) => a + b, 0)).toBe(pieces.length);
      const own = costOf(pieces, counts, limit);
      const best = waysOf(pieces.length)
        .flatMap((way) => {
          const cost = costOf(pieces, way, limit);
          return cost ? [cost] : [];
        })
        .sort((a, b) => a[0] - b[0] || a[1] - b[1])[0];
      expect(own?.[0]).toBe(best[0]);
      expect(own?.[1]).toBeCloseTo(best[1], 6);
    }),
  );
});

it('leaves no piece alone at the end where lines can be shared out', () => {
  const five = Array.from({ length: 5 }, () => ({ size: 10, before: 0 }));
  expect(brokenEvenly(five, 40).sort()).toEqual([2, 3]);
  expect(brokenEvenly([], 40)).toEqual([]);
});
