import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../testing';
import { leastPath } from './leastPath';

/** A row of places with their costs, and what each step costs; some cannot be taken. */
const rows = fc.array(fc.integer({ min: 1, max: 4 }), { minLength: 1, maxLength: 6 }).chain((sizes) =>
  fc.record({
    own: fc.tuple(...sizes.map((size) => fc.array(fc.nat(9), { minLength: size, maxLength: size }))),
    steps: fc.array(fc.oneof(fc.nat(9), fc.constant(Infinity)), { minLength: 97, maxLength: 97 }),
  }),
);

describe('the least path', () => {
  it('costs as little as any, and so does what goes through each choice', () => {
    fc.assert(
      fc.property(rows, ({ own, steps }) => {
        const step = (i: number, a: number, b: number): number => steps[(16 * i + 4 * a + b) % 97];
        const costOf = (path: readonly number[]): number =>
          path.reduce((sum, b, i) => sum + own[i][b] + (i > 0 ? step(i, path[i - 1], b) : 0), 0);
        const all = own.reduce<number[][]>(
          (paths, list) => paths.flatMap((p) => list.map((_, a) => [...p, a])),
          [[]],
        );
        const least = (paths: number[][]): number => Math.min(...paths.map(costOf));
        const { chosen, through } = leastPath(own, step);
        expect(costOf(chosen)).toBe(least(all));
        own.forEach((list, i) =>
          list.forEach((_, a) => expect(through[i][a]).toBe(least(all.filter((path) => path[i] === a)))),
        );
      }),
      { numRuns: runs(300) },
    );
  });

  it('takes the first of what costs the same, and nothing where there is no place', () => {
    expect(
      leastPath(
        [
          [1, 1],
          [2, 2],
        ],
        () => 0,
      ),
    ).toEqual({
      chosen: [0, 0],
      cost: 3,
      through: [
        [3, 3],
        [3, 3],
      ],
    });
    expect(leastPath([], () => 0)).toEqual({ chosen: [], cost: 0, through: [] });
  });
});
