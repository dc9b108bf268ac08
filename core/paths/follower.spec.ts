import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { runs } from '../testing';
import { Follower } from './follower';

const COSTS = { passed: 0.5, begins: 2, elsewhere: 2, tooSoon: 0 };
const OTHER = 0.25;
/** So near in time that nothing is off its time. */
const NEAR = 0.001;

/** What speaks for each thing that comes beginning each of the meetings, in quarters. */
const rows = fc.integer({ min: 1, max: 4 }).chain((meetings) =>
  fc.array(fc.array(fc.integer({ min: -4, max: 6 }), { minLength: meetings, maxLength: meetings }), {
    minLength: 1,
    maxLength: 5,
  }),
);

/** What speaks for a way: which meeting each thing begins, or none. */
function worth(way: readonly (number | null)[], speaks: readonly (readonly number[])[]): number {
  let [sum, at] = [0, -1];
  for (const [i, meeting] of way.entries()) {
    if (meeting === null) {
      sum -= OTHER;
      continue;
    }
    const through = meeting > at ? COSTS.passed * (meeting - at - 1) : Infinity;
    sum += speaks[i][meeting] / 4 - Math.min(through, COSTS.elsewhere);
    at = meeting;
  }
  return sum;
}

describe('following what is played', () => {
  it('finds a way for which as much speaks as for any', () => {
    fc.assert(
      fc.property(rows, (speaks) => {
        const moments = speaks[0].map((_, m) => m * NEAR);
        const follower = new Follower<number>(moments, COSTS);
        for (const [i, row] of speaks.entries())
          follower.add(i, i * NEAR, { begins: (m) => row[m] / 4, goesOn: () => -OTHER });
        const choices = [null, ...moments.keys()];
        const ways = speaks.reduce<(number | null)[][]>(
          (all) => all.flatMap((way) => choices.map((choice) => [...way, choice])),
          [[]],
        );
        const found = follower.path().map(({ meeting }) => meeting);
        expect(worth(found, speaks)).toBeCloseTo(Math.max(...ways.map((way) => worth(way, speaks))), 4);
      }),
      { numRuns: runs(200) },
    );
  });

  it('has what was taken back never come', () => {
    fc.assert(
      fc.property(rows, fc.nat(3), (speaks, other) => {
        const moments = speaks[0].map((_, m) => m * NEAR);
        const [once, twice] = [new Follower<number>(moments, COSTS), new Follower<number>(moments, COSTS)];
        for (const [i, row] of speaks.entries()) {
          const speaking = { begins: (m: number) => row[m] / 4, goesOn: () => -OTHER };
          if (i > 0) {
            twice.add(-1, i * NEAR, { begins: (m) => (m === other ? 2 : -1), goesOn: () => -OTHER });
            twice.takeBack();
          }
          expect(twice.add(i, i * NEAR, speaking)).toBe(once.add(i, i * NEAR, speaking));
        }
        expect(twice.path()).toEqual(once.path());
      }),
      { numRuns: runs(100) },
    );
  });

  it('knows a meeting passed over from one that comes late, by the time', () => {
    for (const [seconds, meeting] of [
      [1, 1],
      [2, 2],
    ]) {
      const follower = new Follower<number>([0, 1, 2, 3], { ...COSTS, passed: 0.1 });
      const goesOn = (): number => -OTHER;
      follower.add(0, 0, { begins: (m) => (m === 0 ? 1 : -1), goesOn });
      const likeBoth = { begins: (m: number) => (m === 1 || m === 2 ? 1 : -1), goesOn };
      expect([seconds, follower.add(1, seconds, likeBoth)]).toEqual([seconds, meeting]);
    }
  });
});
