import { voicingCost } from './cost';
import { type Spot, stepTable } from './solver';
import type { Voicing } from './voicing';
import type { VoicingWeights } from './weights';

/** Sums of costs worked out at most for one run; beyond it nothing is looked for. */
const MOST_SUMS = 20_000_000;

/**
 * The cheapest voicings for a run of chords that comes several times in a song and is to be played alike each time,
 * everything else solved anew round it. `starts` are the spots at which it comes, in order and apart from one another;
 * at each of its `length` chords every pass must have the same candidates. Exact: whatever a run begins and ends with,
 * what lies inside it costs the same in every pass, and what lies between two passes depends on those two alone.
 * O(spots × candidates³). Null where that would take too long.
 */
export function solveRun(
  spots: readonly Spot[],
  starts: readonly number[],
  length: number,
  weights: VoicingWeights,
): Voicing[] | null {
  const run = Array.from({ length }, (_, i) => spots[starts[0] + i].candidates);
  const widest = Math.max(...run.map((list) => list.length));
  if (spots.reduce((sum, { candidates }) => sum + candidates.length ** 2 * widest, 0) > MOST_SUMS)
    return null;
  const { costs, trace } = insideOf(spots, starts, run, weights);
  const last = run[length - 1];
  const ends = starts.map((start) => start + length - 1);
  const before = costsOf({ from: null, through: spots.slice(0, starts[0]), to: run[0] }, weights);
  const rest = spots.slice(ends[ends.length - 1] + 1).reverse();
  const after = costsOf({ from: null, through: rest, to: last, isBackwards: true }, weights);
  const between = starts.slice(1).map((start, pass) =>
    last.map((_, b) => {
      const costs = Float64Array.from(last, (_candidate, c) => (c === b ? 0 : Infinity));
      const through = spots.slice(ends[pass] + 1, start);
      return costsOf({ from: { candidates: last, costs }, through, to: run[0] }, weights);
    }),
  );
  let best = { cost: Infinity, first: 0, last: 0 };
  for (let a = 0; a < run[0].length; a++) {
    for (let b = 0; b < last.length; b++) {
      const cost = between.reduce((sum, gap) => sum + gap[b][a], before[a] + costs[a][b] + after[b]);
      if (cost < best.cost) best = { cost, first: a, last: b };
    }
  }
  return trace(best.first, best.last);
}

/** Least cost of the run for each first and last voicing, all passes together, and the voicings on the way. */
function insideOf(
  spots: readonly Spot[],
  starts: readonly number[],
  run: readonly (readonly Voicing[])[],
  weights: VoicingWeights,
): { costs: readonly Float64Array[]; trace: (first: number, last: number) => Voicing[] } {
  const ownOf = (i: number): Float64Array =>
    Float64Array.from(run[i], (candidate) =>
      starts.reduce((sum, start) => sum + voicingCost(candidate, spots[start + i].place, weights), 0),
    );
  const own = ownOf(0);
  let costs = run[0].map((_, a) =>
    Float64Array.from(run[0], (_candidate, b) => (a === b ? own[a] : Infinity)),
  );
  const cameFrom: Int32Array[][] = [];
  for (let i = 1; i < run.length; i++) {
    const steps = stepTable(run[i - 1], run[i], weights);
    const here = ownOf(i);
    const origins = costs.map(() => new Int32Array(run[i].length));
    costs = costs.map((row, a) =>
      Float64Array.from(run[i], (_, to) => {
        let best = Infinity;
        for (let from = 0; from < row.length; from++) {
          const cost = row[from] + starts.length * steps[from * run[i].length + to];
          if (cost >= best) continue;
          best = cost;
          origins[a][to] = from;
        }
        return best + here[to];
      }),
    );
    cameFrom.push(origins);
  }
  const trace = (first: number, last: number): Voicing[] => {
    const chosen = [last];
    for (let i = run.length - 1; i > 0; i--) chosen.unshift(cameFrom[i - 1][first][chosen[0]]);
    return chosen.map((c, i) => run[i][c]);
  };
  return { costs, trace };
}

interface Line {
  /** Where the line begins: least costs so far, by the candidates they belong to; null at an end of the song. */
  readonly from: { readonly candidates: readonly Voicing[]; readonly costs: Float64Array } | null;
  readonly through: readonly Spot[];
  readonly to: readonly Voicing[];
  /** From the end of the song towards its beginning. */
  readonly isBackwards?: boolean;
}

/** Least cost of a line of spots and the step from its end to each candidate it leads to. */
function costsOf({ from, through, to, isBackwards = false }: Line, weights: VoicingWeights): Float64Array {
  let at = from;
  const onwards = (candidates: readonly Voicing[]): Float64Array => {
    if (!at) return new Float64Array(candidates.length);
    const { candidates: here, costs } = at;
    const table = isBackwards ? stepTable(candidates, here, weights) : stepTable(here, candidates, weights);
    const step = (a: number, b: number): number =>
      isBackwards ? table[b * here.length + a] : table[a * candidates.length + b];
    return Float64Array.from(candidates, (_, b) => {
      let best = Infinity;
      for (let a = 0; a < costs.length; a++) best = Math.min(best, costs[a] + step(a, b));
      return best;
    });
  };
  for (const { candidates, place } of through) {
    const costs = onwards(candidates);
    candidates.forEach((candidate, i) => (costs[i] += voicingCost(candidate, place, weights)));
    at = { candidates, costs };
  }
  return onwards(to);
}
