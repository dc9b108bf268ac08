import { ownCosts, type Spot, stepTable } from './solver';
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
  const before = walked(legsOf({ from: null, through: spots.slice(0, starts[0]), to: run[0] }, weights), 0);
  const rest = spots.slice(ends[ends.length - 1] + 1).reverse();
  const after = walked(legsOf({ from: null, through: rest, to: last, isBackwards: true }, weights), 0);
  const between = starts.slice(1).map((start, pass) => {
    const legs = legsOf({ from: last, through: spots.slice(ends[pass] + 1, start), to: run[0] }, weights);
    return last.map((_, b) => walked(legs, b));
  });
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
  const ownOf = (i: number): Float64Array => {
    const passes = starts.map((start) =>
      ownCosts({ candidates: run[i], place: spots[start + i].place }, weights),
    );
    return Float64Array.from(run[i], (_, c) => passes.reduce((sum, own) => sum + own[c], 0));
  };
  const own = ownOf(0);
  let costs = run[0].map((_, a) =>
    Float64Array.from(run[0], (_candidate, b) => (a === b ? own[a] : Infinity)),
  );
  const cameFrom: Int32Array[][] = [];
  for (let i = 1; i < run.length; i++) {
    const steps = stepTable(run[i - 1], run[i], weights);
    const here = ownOf(i);
    const origins = costs.map(() => new Int32Array(run[i].length));
    const width = run[i].length;
    costs = costs.map((row, a) => {
      const reached = new Float64Array(width);
      for (let to = 0; to < width; to++) {
        let best = Infinity;
        for (let from = 0; from < row.length; from++) {
          const cost = row[from] + starts.length * steps[from * width + to];
          if (cost >= best) continue;
          best = cost;
          origins[a][to] = from;
        }
        reached[to] = best + here[to];
      }
      return reached;
    });
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
  /** The candidates it begins with; null at an end of the song. */
  readonly from: readonly Voicing[] | null;
  readonly through: readonly Spot[];
  readonly to: readonly Voicing[];
  /** From the end of the song towards its beginning. */
  readonly isBackwards?: boolean;
}

/** One step of a line: what each candidate it leads to costs by itself, and coming from each of those before it. */
interface Leg {
  readonly own: Float64Array | null;
  readonly steps: Float64Array;
  /** How far apart in `steps` two candidates lie that it comes from, and two that it leads to. */
  readonly apart: { readonly from: number; readonly to: number };
  readonly width: number;
}

/** What a line costs to walk, worked out once however many ways it is begun. */
function legsOf({ from, through, to, isBackwards = false }: Line, weights: VoicingWeights): Leg[] {
  const stops = [
    ...through.map((spot) => ({ ...spot, own: ownCosts(spot, weights) })),
    { candidates: to, own: null },
  ];
  return stops.map(({ candidates, own }, i) => {
    const before = i > 0 ? stops[i - 1].candidates : from;
    const width = candidates.length;
    if (!before) return { own, steps: NO_STEPS, apart: { from: 0, to: 0 }, width };
    return isBackwards
      ? { own, steps: stepTable(candidates, before, weights), apart: { from: 1, to: before.length }, width }
      : { own, steps: stepTable(before, candidates, weights), apart: { from: width, to: 1 }, width };
  });
}

const NO_STEPS = new Float64Array();

/** Least cost of a line from one candidate it begins with, or from an end of the song, to each it leads to. */
function walked(legs: readonly Leg[], start: number): Float64Array {
  let costs: Float64Array | null = null;
  for (const { own, steps, apart, width } of legs) {
    const here = new Float64Array(width);
    for (let to = 0; to < width; to++) {
      let best = 0;
      if (costs) {
        best = Infinity;
        for (let from = 0; from < costs.length; from++) {
          const cost = costs[from] + steps[from * apart.from + to * apart.to];
          if (cost < best) best = cost;
        }
      } else if (steps !== NO_STEPS) best = steps[start * apart.from + to * apart.to];
      here[to] = own ? best + own[to] : best;
    }
    costs = here;
  }
  return costs as Float64Array;
}
