import { gotOrMade } from '../music';
import { type Place, stepCost, voicingCost } from './cost';
import type { Voicing } from './voicing';
import type { VoicingWeights } from './weights';

/** One chord to be voiced: what it may be, and where it stands. */
export interface Spot {
  readonly candidates: readonly Voicing[];
  readonly place: Place;
}

export interface Solution {
  /** Index of the chosen candidate at each spot. */
  readonly chosen: readonly number[];
  readonly cost: number;
  /**
   * `through[i][c]`: the least cost of the whole song when spot i is voiced by candidate c,
   * everything else solved anew.
   */
  readonly through: readonly Float64Array[];
}

/**
 * Chooses one voicing for each spot so that the sum of voicing and step costs is least over the whole
 * sequence: dynamic programming forwards and backwards, O(spots × candidates²). Ties go to the earlier
 * candidate. Every spot must have a candidate.
 */
export function solve(spots: readonly Spot[], weights: VoicingWeights): Solution {
  if (spots.length === 0) return { chosen: [], cost: 0, through: [] };
  const own = spots.map(({ candidates, place }) =>
    Float64Array.from(candidates, (candidate) => voicingCost(candidate, place, weights)),
  );
  const steps = stepTables(spots, weights);
  const forward = sweep(own, (i, from, to) => steps[i - 1][from * own[i].length + to]);
  const backward = sweep([...own].reverse(), (i, from, to) => {
    const left = own.length - 1 - i;
    return steps[left][to * own[left + 1].length + from];
  }).reverse();
  const through = own.map((costs, i) => costs.map((cost, c) => forward[i][c] + backward[i][c] - cost));
  const chosen = trace(forward, own, steps);
  return { chosen, cost: Math.min(...through[0]), through };
}

type Step = (spot: number, from: number, to: number) => number;

/** Least cost of reaching each candidate of each spot from the first spot. */
function sweep(own: readonly Float64Array[], step: Step): Float64Array[] {
  const reached = [own[0]];
  for (let i = 1; i < own.length; i++) {
    const before = reached[i - 1];
    const here = new Float64Array(own[i].length);
    for (let to = 0; to < here.length; to++) {
      let best = Infinity;
      for (let from = 0; from < before.length; from++) {
        const cost = before[from] + step(i, from, to);
        if (cost < best) best = cost;
      }
      here[to] = best + own[i][to];
    }
    reached.push(here);
  }
  return reached;
}

function trace(
  forward: readonly Float64Array[],
  own: readonly Float64Array[],
  steps: readonly Float64Array[],
): number[] {
  const chosen = new Array<number>(forward.length);
  const last = forward.length - 1;
  chosen[last] = forward[last].indexOf(Math.min(...forward[last]));
  for (let i = last; i > 0; i--) {
    const to = chosen[i];
    const width = own[i].length;
    chosen[i - 1] = forward[i - 1].findIndex(
      (cost, from) => cost + steps[i - 1][from * width + to] + own[i][to] === forward[i][to],
    );
  }
  return chosen;
}

type Tables = WeakMap<readonly Voicing[], WeakMap<readonly Voicing[], Float64Array>>;

/** Step costs by weights and pair of candidate lists: an edit leaves most pairs of a song as they were. */
const tables = new WeakMap<VoicingWeights, Tables>();

/** Step costs between each spot and the next; the same pair of candidate lists is worked out once. */
function stepTables(spots: readonly Spot[], weights: VoicingWeights): Float64Array[] {
  return spots.slice(1).map((spot, i) => stepTable(spots[i].candidates, spot.candidates, weights));
}

/** Step costs from each candidate of one list to each of another, row by row; the same pair is worked out once. */
export function stepTable(
  before: readonly Voicing[],
  after: readonly Voicing[],
  weights: VoicingWeights,
): Float64Array {
  const known = gotOrMade(tables, weights, () => new WeakMap() as Tables);
  const from = gotOrMade(known, before, () => new WeakMap<readonly Voicing[], Float64Array>());
  return gotOrMade(from, after, () =>
    Float64Array.from(before.flatMap((a) => after.map((b) => stepCost(a, b, weights)))),
  );
}
