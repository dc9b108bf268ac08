import type { LeastPath } from './leastPath';

/**
 * Chooses one of some at each place of a row where what a choice costs depends on the two before it: `own[i][a]` by itself,
 * `pair(i, a, b)` for a at the place before and b at place i, `triple(i, a, b, c)` for the two before and c at place i. Dynamic
 * programming over pairs, O(places × choices³), exact. Of choices that cost the same the first is taken. Every place must
 * have one; empty where there is no place.
 */
export function leastPathOfThrees(
  own: readonly (readonly number[])[],
  pair: (place: number, from: number, to: number) => number,
  triple: (place: number, first: number, from: number, to: number) => number,
): Pick<LeastPath, 'chosen' | 'cost'> {
  if (own.length === 0) return { chosen: [], cost: 0 };
  if (own.length === 1) return { chosen: [leastIndex(own[0])], cost: Math.min(...own[0]) };
  /** `reached[a][b]`: the least cost up to here of rows that end in a, b; `before[i][a][b]`: what came before those. */
  let reached = own[0].map((first, a) => own[1].map((second, b) => first + second + pair(1, a, b)));
  const before: number[][][] = [];
  for (let i = 2; i < own.length; i++) {
    const came: number[][] = own[i - 1].map(() => []);
    const next = own[i - 1].map((_, b) =>
      own[i].map((cost, c) => {
        let [best, from] = [Infinity, 0];
        for (let a = 0; a < own[i - 2].length; a++) {
          const way = reached[a][b] + triple(i, a, b, c);
          if (way < best) [best, from] = [way, a];
        }
        came[b][c] = from;
        return best + cost + pair(i, b, c);
      }),
    );
    before[i] = came;
    reached = next;
  }
  const last = own.length - 1;
  const ends = reached.map((row) => Math.min(...row));
  const chosen: number[] = [];
  chosen[last - 1] = leastIndex(ends);
  chosen[last] = leastIndex(reached[chosen[last - 1]]);
  for (let i = last; i >= 2; i--) chosen[i - 2] = before[i][chosen[i - 1]][chosen[i]];
  return { chosen, cost: Math.min(...ends) };
}

function leastIndex(costs: readonly number[]): number {
  return costs.indexOf(Math.min(...costs));
}
