import { leastPath } from '../paths';
import { imports, type Phrase } from '../sentences';
/** How a beat is divided; swing is two notes a beat, the second two thirds through, written as even eighths. */
export type Grid = 'beat' | 'eighths' | 'sixteenths' | 'triplets' | 'swing';

/** Where notes fall within a beat when played on a grid (`heard`) and where they are written (`written`), 0 … 1. */
interface Division {
  readonly heard: readonly number[];
  readonly written: readonly number[];
  /** What a beat of this grid costs, in nats: a finer grid must earn its place (minimum description length). */
  readonly cost: number;
}

export const GRIDS: Record<Grid, Division> = {
  beat: { heard: [0, 1], written: [0, 1], cost: 0 },
  eighths: { heard: [0, 1 / 2, 1], written: [0, 1 / 2, 1], cost: 0.7 },
  swing: { heard: [0, 2 / 3, 1], written: [0, 1 / 2, 1], cost: 0.7 },
  triplets: { heard: [0, 1 / 3, 2 / 3, 1], written: [0, 1 / 3, 2 / 3, 1], cost: 1.1 },
  sixteenths: { heard: [0, 1 / 4, 1 / 2, 3 / 4, 1], written: [0, 1 / 4, 1 / 2, 3 / 4, 1], cost: 1.4 },
};

/** Grids one take may be written in throughout. */
const WHOLE_TAKE: readonly Grid[] = ['beat', 'eighths', 'swing', 'triplets', 'sixteenths'];
/** Grids beats of one take may be mixed from. */
const MIXED: readonly Grid[] = ['beat', 'eighths', 'triplets', 'sixteenths'];
/** A take that mixes grids must be better by this much in all, and by this much a beat that differs from the rest. */
const MIXING_COST = 6;
/** Two strikes on one place of the grid cannot both be written. */
const COLLISION_COST = 12;
/** Nobody is further off than this often; a wilder strike costs no more. */
const MOST_ERROR_COST = 14;

/** A place on the grid for each onset, in beats. */
export interface Placed {
  /** As it will be written. */
  readonly written: number;
  /** As it would be heard, played exactly. */
  readonly heard: number;
}

export interface Fit {
  readonly placed: readonly Placed[];
  /** The grid of the whole take; null when it changes from beat to beat. */
  readonly grid: Grid | null;
  /** Grid of each beat that has onsets. */
  readonly byBeat: ReadonlyMap<number, Grid>;
}

/**
 * Finds the grid of a take and puts each onset on it: for each grid the sum of squared errors against the usual
 * spread of a player, beat by beat, and the cost of the grid; the cheapest wins. `onsets` in beats from a bar line,
 * ascending; `spread` is one standard deviation of the player in beats.
 */
export function fitGrid(onsets: readonly number[], spread: number, only: Grid | null = null): Fit {
  const allowed = only === null ? WHOLE_TAKE : [only];
  const beats = fitBeats(onsets, allowed, spread);
  const whole = allowed.map((grid) => ({
    grid,
    cost: beats.reduce((sum, { on }) => sum + on[grid].cost, 0),
  }));
  const best = whole.reduce((a, b) => (b.cost < a.cost ? b : a));
  const usual = only === null ? usualGrids(beats) : null;
  const mixed = usual && beats.map(({ on }) => cheapest(MIXED, (grid) => on[grid].cost + usual[grid]));
  const mixedCost = mixed?.reduce((sum, { cost }) => sum + cost, MIXING_COST) ?? Infinity;
  const isMixed = mixed !== null && mixedCost < best.cost;
  const grids = beats.map((_, i) => (isMixed ? mixed[i].grid : best.grid));
  return {
    placed: beats.flatMap(({ beat, on }, i) => placesOf(beat, on[grids[i]].chosen, grids[i])),
    grid: isMixed ? null : best.grid,
    byBeat: new Map(beats.map(({ beat }, i) => [beat, grids[i]])),
  };
}

/** The onsets of one beat put on a grid: a place for each, and what that costs. */
interface OnGrid {
  readonly chosen: readonly number[];
  readonly cost: number;
}

interface FittedBeat {
  readonly beat: number;
  /** By grid; each is fitted once, however often it is compared. */
  readonly on: Record<Grid, OnGrid>;
}

function fitBeats(onsets: readonly number[], grids: readonly Grid[], spread: number): FittedBeat[] {
  return [...byBeat(onsets)].map(([beat, list]) => {
    const on = {} as Record<Grid, OnGrid>;
    for (const grid of grids) on[grid] = fitted(list, grid, spread);
    return { beat, on };
  });
}

function cheapest(
  grids: readonly Grid[],
  costOf: (grid: Grid) => number,
): { readonly grid: Grid; readonly cost: number } {
  let best = { grid: grids[0], cost: costOf(grids[0]) };
  for (const grid of grids.slice(1)) {
    const cost = costOf(grid);
    if (cost < best.cost) best = { grid, cost };
  }
  return best;
}

/** Onsets by the beat they fall in, each as a part of it. */
function byBeat(onsets: readonly number[]): Map<number, number[]> {
  const beats = new Map<number, number[]>();
  for (const onset of onsets) {
    const beat = Math.floor(onset);
    const list = beats.get(beat);
    if (list) list.push(onset - beat);
    else beats.set(beat, [onset - beat]);
  }
  return beats;
}

/** How rare each grid is in this take, in nats, from a first look beat by beat: what is common is likelier. */
function usualGrids(beats: readonly FittedBeat[]): Record<Grid, number> {
  const counts: Record<Grid, number> = { beat: 1, eighths: 1, swing: 0, triplets: 0.5, sixteenths: 0.5 };
  let total = 3;
  for (const { on } of beats) {
    counts[cheapest(MIXED, (grid) => on[grid].cost).grid]++;
    total++;
  }
  const rarity = (grid: Grid): number => -0.7 * Math.log(Math.max(0.01, counts[grid] / total));
  return {
    beat: rarity('beat'),
    eighths: rarity('eighths'),
    swing: Infinity,
    triplets: rarity('triplets'),
    sixteenths: rarity('sixteenths'),
  };
}

function fitted(list: readonly number[], grid: Grid, spread: number): OnGrid {
  const { chosen, cost } = assign(list, grid, spread);
  return { chosen, cost: GRIDS[grid].cost + cost + figureCost(chosen, grid) };
}

/** Off-beat sixteenths around a silent half beat are rarer than the triplet they resemble; half-filled triplets too. */
const RARE_FIGURE_COST = 2;
const HALF_TRIPLET_COST = 0.5;

function figureCost(chosen: readonly number[], grid: Grid): number {
  const struck = (p: number): boolean => chosen.includes(p);
  if (grid === 'sixteenths' && struck(1) && !struck(2)) return RARE_FIGURE_COST;
  if (grid === 'triplets' && struck(1) !== struck(2)) return HALF_TRIPLET_COST;
  return 0;
}

/**
 * Onsets of one beat to places of its grid in order, the sum of squared errors least; two on one place cost extra.
 */
function assign(list: readonly number[], grid: Grid, spread: number): OnGrid {
  const { heard } = GRIDS[grid];
  const error = (x: number, p: number): number => {
    const off = (x - heard[p]) / spread;
    return Math.min(MOST_ERROR_COST, (off * off) / 2);
  };
  const { chosen, through } = leastPath(
    list.map((x) => heard.map((_, p) => error(x, p))),
    (_, before, p) => (before < p ? 0 : before === p ? COLLISION_COST : Infinity),
  );
  return { chosen, cost: Math.min(...through[0]) };
}

function placesOf(beat: number, chosen: readonly number[], grid: Grid): Placed[] {
  const { heard, written } = GRIDS[grid];
  return chosen.map((p) => ({ written: beat + written[p], heard: beat + heard[p] }));
}

/** What the grid of a take says. */
export function gridSaid(grid: Grid | null): Phrase {
  return imports.onGrid(grid);
}
