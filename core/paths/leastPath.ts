/** A choice at each place of a row, so that the whole costs least. */
export interface LeastPath {
  /** The index chosen at each place. */
  readonly chosen: readonly number[];
  /** What the row costs; 0 for none. */
  readonly cost: number;
  /** `through[i][a]`: the least cost of the whole row when place i takes a, everything else chosen anew. */
  readonly through: readonly (readonly number[])[];
}

/**
 * Chooses one of some at each place of a row: `own[i][a]` is what a costs at place i by itself, `step(i, a, b)` what it
 * costs to come from a at the place before to b at place i; Infinity where one cannot. Dynamic programming forwards and
 * backwards, O(places × choices²). Of choices that cost the same the first is taken. Every place must have one.
 */
export function leastPath(
  own: readonly (readonly number[])[],
  step: (place: number, from: number, to: number) => number,
): LeastPath {
  const { reached, before } = forwards(own, step);
  const last = own.length - 1;
  const chosen: number[] = [];
  const cost = last < 0 ? 0 : Math.min(...reached[last]);
  if (last >= 0) chosen[last] = reached[last].indexOf(cost);
  for (let i = last; i > 0; i--) chosen[i - 1] = before[i][chosen[i]];
  let through: number[][] | null = null;
  return {
    chosen,
    cost,
    // What goes through each choice is asked for seldom, and costs as much again.
    get through() {
      return (through ??= backwards(own, step, reached));
    },
  };
}

function backwards(
  own: readonly (readonly number[])[],
  step: (place: number, from: number, to: number) => number,
  reached: readonly (readonly number[])[],
): number[][] {
  const last = own.length - 1;
  if (last < 0) return [];
  let left = own[last];
  const through = [[...reached[last]]];
  for (let i = last - 1; i >= 0; i--) {
    const after = left;
    const onwards = own[i].map((_, a) => Math.min(...after.map((cost, b) => cost + step(i + 1, a, b))));
    left = own[i].map((cost, a) => cost + onwards[a]);
    through.unshift(reached[i].map((cost, a) => cost + onwards[a]));
  }
  return through;
}

function forwards(
  own: readonly (readonly number[])[],
  step: (place: number, from: number, to: number) => number,
): { readonly reached: number[][]; readonly before: number[][] } {
  const [reached, before]: [number[][], number[][]] = [[], []];
  own.forEach((costs, i) => {
    const earlier = reached[i - 1];
    const from = costs.map(() => 0);
    reached.push(
      costs.map((cost, to) => {
        if (!earlier) return cost;
        let best = Infinity;
        for (let a = 0; a < earlier.length; a++) {
          const way = earlier[a] + step(i, a, to);
          if (way < best) [best, from[to]] = [way, a];
        }
        return best + cost;
      }),
    );
    before.push(from);
  });
  return { reached, before };
}
