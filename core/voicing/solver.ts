import { gotOrMade } from '../memory';
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
   * `through(i)[c]`: the least cost of the whole song when spot i is voiced by candidate c, everything else solved
   * anew.
   */
  readonly through: (spot: number) => Float64Array;
}

/** A solution with the tables it came from, so that a song that differs a little is solved from there. */
export interface Solved extends Solution {
  readonly spots: readonly Spot[];
  readonly weights: VoicingWeights;
  readonly forward: Sweep;
  readonly backward: Sweep;
}

/**
 * Least cost of reaching each candidate of each spot from one end, less the least of them: two songs that agree from
 * some spot on have the same rows there, whatever lies before. `floors[i]` is what was taken off at spot i.
 */
interface Sweep {
  readonly rows: readonly Float64Array[];
  readonly floors: readonly number[];
}

const NOTHING: Sweep = { rows: [], floors: [] };

/**
 * Chooses one voicing for each spot so that the sum of voicing and step costs is least over the whole
 * sequence: dynamic programming forwards and backwards, O(spots × candidates²). Ties go to the earlier
 * candidate. Every spot must have a candidate. Costs are whole numbers. With `before`, only what differs from that
 * solution is worked out: from the first spot that is another to where the tables agree again; the result is the same.
 */
export function solve(spots: readonly Spot[], weights: VoicingWeights, before: Solved | null = null): Solved {
  if (spots.length === 0)
    return {
      chosen: [],
      cost: 0,
      through: () => new Float64Array(),
      spots,
      weights,
      forward: NOTHING,
      backward: NOTHING,
    };
  const old = before?.weights === weights ? before : null;
  const same = old ? sharedEnds(old.spots, spots) : { first: 0, last: 0 };
  const forward = sweep(
    spots,
    weights,
    old && { spots: old.spots, sweep: old.forward, ...same },
    stepsOnwards,
  );
  const last = spots.length - 1;
  const mirrored = old && {
    spots: reversed(old.spots),
    sweep: { rows: reversed(old.backward.rows), floors: reversed(old.backward.floors) },
    first: same.last,
    last: same.first,
  };
  const back = sweep(reversed(spots), weights, mirrored, stepsBackwards);
  const backward = { rows: reversed(back.rows), floors: reversed(back.floors) };
  const cost = forward.floors.reduce((sum, floor) => sum + floor, 0);
  const through = (i: number): Float64Array => {
    const [reached, left] = [forward.rows[i], backward.rows[i]];
    const sums = ownCosts(spots[i], weights).map((own, at) => reached[at] + left[at] - own);
    const least = Math.min(...sums);
    return sums.map((sum) => sum - least + cost);
  };
  return { chosen: trace(spots, weights, forward, last), cost, through, spots, weights, forward, backward };
}

/**
 * The cost of the best solution alone; with `among`, of the best that takes of each spot only those candidates, by index,
 * one at least.
 */
export function leastCost(
  spots: readonly Spot[],
  weights: VoicingWeights,
  among: readonly (readonly number[])[] = spots.map(({ candidates }) => candidates.map((_, at) => at)),
): number {
  let reached: number[] = [];
  for (let i = 0; i < spots.length; i++) {
    const own = ownCosts(spots[i], weights);
    const table = i > 0 ? stepTable(spots[i - 1].candidates, spots[i].candidates, weights) : null;
    const here: number[] = [];
    for (const to of among[i]) {
      let best = table ? Infinity : 0;
      if (table)
        for (let at = 0; at < reached.length; at++) {
          const cost = reached[at] + table[among[i - 1][at] * own.length + to];
          if (cost < best) best = cost;
        }
      here.push(best + own[to]);
    }
    reached = here;
  }
  return spots.length === 0 ? 0 : Math.min(...reached);
}

function reversed<T>(list: readonly T[]): T[] {
  return [...list].reverse();
}

/** How many spots at either end two songs have in common. */
function sharedEnds(before: readonly Spot[], now: readonly Spot[]): { first: number; last: number } {
  const least = Math.min(before.length, now.length);
  let first = 0;
  while (first < least && isSameSpot(before[first], now[first])) first++;
  let last = 0;
  while (last < least - first && isSameSpot(before[before.length - 1 - last], now[now.length - 1 - last]))
    last++;
  return { first, last };
}

function isSameSpot(a: Spot, b: Spot): boolean {
  if (a === b) return true;
  const [p, q] = [a.place, b.place];
  return (
    a.candidates === b.candidates &&
    p.firstOrLast === q.firstOrLast &&
    p.register === q.register &&
    p.leadingNote === q.leadingNote &&
    p.reachMm === q.reachMm
  );
}

/** Costs of the steps from the candidates of the spot before to those of this, in the direction of a sweep. */
interface Steps {
  readonly table: Float64Array;
  /** How far apart in the table two candidates lie that a step comes from, and two that it leads to. */
  readonly from: number;
  readonly to: number;
}

type StepsOf = (from: Spot, to: Spot, weights: VoicingWeights) => Steps;

const stepsOnwards: StepsOf = (from, to, weights) => ({
  table: stepTable(from.candidates, to.candidates, weights),
  from: to.candidates.length,
  to: 1,
});

const stepsBackwards: StepsOf = (from, to, weights) => ({
  table: stepTable(to.candidates, from.candidates, weights),
  from: 1,
  to: from.candidates.length,
});

/** What is known of a song much like this one, in the direction of a sweep. */
interface KnownSweep {
  readonly spots: readonly Spot[];
  readonly sweep: Sweep;
  /** Spots in common at the beginning, and at the end. */
  readonly first: number;
  readonly last: number;
}

function sweep(
  spots: readonly Spot[],
  weights: VoicingWeights,
  known: KnownSweep | null,
  stepsOf: StepsOf,
): Sweep {
  const rows: Float64Array[] = known ? known.sweep.rows.slice(0, known.first) : [];
  const floors: number[] = known ? known.sweep.floors.slice(0, known.first) : [];
  const shift = known ? known.spots.length - spots.length : 0;
  for (let i = rows.length; i < spots.length; i++) {
    const own = ownCosts(spots[i], weights);
    const reached = rows[i - 1];
    const steps = reached && stepsOf(spots[i - 1], spots[i], weights);
    const here = new Float64Array(own.length);
    let floor = Infinity;
    for (let to = 0; to < here.length; to++) {
      let best = reached ? Infinity : 0;
      if (reached)
        for (let from = 0; from < reached.length; from++) {
          const cost = reached[from] + steps.table[from * steps.from + to * steps.to];
          if (cost < best) best = cost;
        }
      here[to] = best + own[to];
      if (here[to] < floor) floor = here[to];
    }
    for (let to = 0; to < here.length; to++) here[to] -= floor;
    rows.push(here);
    floors.push(floor);
    // From here on nothing differs any more, and the way here has cost the same: so does the way on.
    if (known && i >= spots.length - known.last && areSame(known.sweep.rows[i + shift], here)) {
      rows.push(...known.sweep.rows.slice(i + shift + 1));
      floors.push(...known.sweep.floors.slice(i + shift + 1));
      break;
    }
  }
  return { rows, floors };
}

function areSame(a: Float64Array, b: Float64Array): boolean {
  return a.length === b.length && a.every((value, i) => value === b[i]);
}

function trace(
  spots: readonly Spot[],
  weights: VoicingWeights,
  { rows, floors }: Sweep,
  last: number,
): number[] {
  const chosen = new Array<number>(spots.length);
  chosen[last] = rows[last].indexOf(0);
  for (let i = last; i > 0; i--) {
    const to = chosen[i];
    const { table, from: width } = stepsOnwards(spots[i - 1], spots[i], weights);
    const wanted = rows[i][to] + floors[i] - ownCosts(spots[i], weights)[to];
    chosen[i - 1] = rows[i - 1].findIndex((cost, from) => cost + table[from * width + to] === wanted);
  }
  return chosen;
}

const owns = new WeakMap<VoicingWeights, WeakMap<readonly Voicing[], Map<string, Float64Array>>>();

/** What each candidate costs in its place by itself; the same list in the same kind of place is worked out once. */
export function ownCosts({ candidates, place }: Spot, weights: VoicingWeights): Float64Array {
  const lists = gotOrMade(owns, weights, () => new WeakMap<readonly Voicing[], Map<string, Float64Array>>());
  const places = gotOrMade(lists, candidates, () => new Map<string, Float64Array>());
  const name = `${place.firstOrLast}|${place.register}|${place.leadingNote}|${place.reachMm}`;
  return gotOrMade(places, name, () =>
    Float64Array.from(candidates, (candidate) => voicingCost(candidate, place, weights)),
  );
}

type Tables = WeakMap<readonly Voicing[], WeakMap<readonly Voicing[], Float64Array>>;

/** Step costs by weights and pair of candidate lists: an edit leaves most pairs of a song as they were. */
const tables = new WeakMap<VoicingWeights, Tables>();

/** Step costs from each candidate of one list to each of another, row by row; the same pair is worked out once. */
export function stepTable(
  before: readonly Voicing[],
  after: readonly Voicing[],
  weights: VoicingWeights,
): Float64Array {
  const known = gotOrMade(tables, weights, () => new WeakMap() as Tables);
  const from = gotOrMade(known, before, () => new WeakMap<readonly Voicing[], Float64Array>());
  return gotOrMade(from, after, () => {
    const table = new Float64Array(before.length * after.length);
    before.forEach((a, i) =>
      after.forEach((b, j) => (table[i * after.length + j] = stepCost(a, b, weights))),
    );
    return table;
  });
}
