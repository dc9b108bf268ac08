import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../testing';
import { leastPathOfThrees } from './leastPathOfThrees';

const rows = fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 1, maxLength: 6 }).chain((sizes) =>
  fc.record({
    own: fc.tuple(...sizes.map((size) => fc.array(fc.nat(9), { minLength: size, maxLength: size }))),
    costs: fc.array(fc.oneof(fc.nat(9), fc.integer({ min: -9, max: 0 }), fc.constant(Infinity)), {
      minLength: 101,
      maxLength: 101,
    }),
  }),
);

describe('the least path where the two before count', () => {
  it('costs as little as any of all ways', () => {
    fc.assert(
      fc.property(rows, ({ own, costs }) => {
        const pair = (i: number, a: number, b: number): number => costs[(9 * i + 3 * a + b) % 101];
        const triple = (i: number, a: number, b: number, c: number): number =>
          costs[(27 * i + 9 * a + 3 * b + c + 50) % 101];
        const costOf = (path: readonly number[]): number =>
          path.reduce(
            (sum, c, i) =>
              sum +
              own[i][c] +
              (i > 0 ? pair(i, path[i - 1], c) : 0) +
              (i > 1 ? triple(i, path[i - 2], path[i - 1], c) : 0),
            0,
          );
        const all = own.reduce<number[][]>(
          (paths, list) => paths.flatMap((p) => list.map((_, a) => [...p, a])),
          [[]],
        );
        const { chosen, cost } = leastPathOfThrees(own, pair, triple);
        const least = Math.min(...all.map(costOf));
        expect([costOf(chosen), cost]).toEqual([least, least]);
      }),
      { numRuns: runs(300) },
    );
  });

  it('takes the first of what costs the same, and nothing where there is no place', () => {
    const none = (): number => 0;
    expect(leastPathOfThrees([], none, none)).toEqual({ chosen: [], cost: 0 });
    expect(leastPathOfThrees([[2, 1, 1]], none, none)).toEqual({ chosen: [1], cost: 1 });
    expect(
      leastPathOfThrees(
        [
          [1, 1],
          [2, 2],
          [0, 0],
        ],
        none,
        none,
      ),
    ).toEqual({ chosen: [0, 0, 0], cost: 3 });
  });
});
