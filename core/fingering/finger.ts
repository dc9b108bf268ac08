import { aloneCost, FINGER_COSTS, pairCost, placed, type Placed, tripleCost } from './cost';

/** Keys one hand strikes together, lowest first. */
export interface HandEvent {
  readonly keys: readonly number[];
  /** True after a rest long enough to move the hand at leisure. */
  readonly afterRest: boolean;
  /** Fingers the pianist fixed, or null. */
  readonly pinned: readonly number[] | null;
}

type Fingers = readonly number[];

/** Finger combinations for n keys, thumb side first, in a fixed order. */
const COMBINATIONS: readonly (readonly Fingers[])[] = [0, 1, 2, 3, 4, 5].map((n) =>
  choose([1, 2, 3, 4, 5], n),
);

function choose(from: readonly number[], count: number): Fingers[] {
  if (count === 0) return [[]];
  return from.flatMap((finger, i) => choose(from.slice(i + 1), count - 1).map((rest) => [finger, ...rest]));
}

interface State {
  /** Thumb side first. */
  readonly placed: readonly Placed[];
  readonly alone: number;
}

/**
 * Fingers for a hand, one list for each event in the order of its keys (lowest first). Dynamic programming over
 * pairs of neighbouring events, so that passing of the thumb is judged on three notes in a row.
 * Source of the costs: Parncutt et al. (1997).
 */
export function finger(events: readonly HandEvent[], hand: 'right' | 'left', reach: number): number[][] {
  if (events.length === 0) return [];
  const states = events.map((event) => statesOf(event, hand, reach));
  // costs[b] after event i, for each state a of event i − 1: costs[a][b].
  let costs: number[][] = [states[0].map((s) => s.alone)];
  const back: number[][][] = [];
  for (let i = 1; i < events.length; i++) {
    const [before, here] = [i > 1 ? states[i - 2] : null, states[i]];
    const middle = states[i - 1];
    const next: number[][] = [];
    const from: number[][] = [];
    for (let b = 0; b < middle.length; b++) {
      next[b] = [];
      from[b] = [];
      for (let c = 0; c < here.length; c++) {
        const step = events[i].afterRest ? 0 : movingCost(middle[b], here[c], reach);
        let best = Infinity;
        for (let a = 0; a < costs.length; a++) {
          const triple =
            before && !events[i].afterRest && !events[i - 1].afterRest
              ? threeCost(before[a], middle[b], here[c], reach)
              : 0;
          const cost = costs[a][b] + triple;
          if (cost < best) {
            best = cost;
            from[b][c] = a;
          }
        }
        next[b][c] = best + step + here[c].alone;
      }
    }
    costs = next;
    back.push(from);
  }
  return trace(states, costs, back).map((state) => inKeyOrder(state, hand));
}

function statesOf(event: HandEvent, hand: 'right' | 'left', reach: number): State[] {
  const keys = hand === 'right' ? event.keys : [...event.keys].reverse();
  const shown = keys.slice(0, 5);
  const pinned = event.pinned && (hand === 'right' ? event.pinned : [...event.pinned].reverse());
  const combinations = pinned ? [pinned] : COMBINATIONS[shown.length];
  return combinations.map((fingers) => {
    const placedFingers = shown.map((key, i) => placed(key, fingers[i], hand));
    return { placed: placedFingers, alone: togetherCost(placedFingers, reach) };
  });
}

/** Fingers held together: each by itself, neighbours and the outer pair. */
function togetherCost(fingers: readonly Placed[], reach: number): number {
  let cost = fingers.reduce((sum, f) => sum + aloneCost(f), 0);
  for (let i = 1; i < fingers.length; i++) cost += pairCost(fingers[i - 1], fingers[i], reach);
  if (fingers.length > 2) cost += pairCost(fingers[0], fingers[fingers.length - 1], reach);
  return cost;
}

function movingCost(from: State, to: State, reach: number): number {
  if (from.placed.length === 1 && to.placed.length === 1)
    return pairCost(from.placed[0], to.placed[0], reach);
  let cost = 0;
  for (const a of from.placed) {
    for (const b of to.placed) {
      if (a.key === b.key && a.finger !== b.finger) cost += FINGER_COSTS.positionShift / 3;
      if (a.key !== b.key && a.finger === b.finger) cost += 1;
    }
  }
  return cost + crossingCost(from, to);
}

/** A finger nearer the thumb should not have to play beyond one further out: chords do not cross. */
function crossingCost(from: State, to: State): number {
  let cost = 0;
  for (const a of from.placed) {
    for (const b of to.placed) if ((a.finger - b.finger) * (a.key - b.key) < 0) cost += 1;
  }
  return cost;
}

function threeCost(a: State, b: State, c: State, reach: number): number {
  if (a.placed.length !== 1 || b.placed.length !== 1 || c.placed.length !== 1) return 0;
  return tripleCost(a.placed[0], b.placed[0], c.placed[0], reach);
}

function trace(states: readonly State[][], costs: number[][], back: readonly number[][][]): State[] {
  let [a, b] = [0, 0];
  costs.forEach((row, i) => row.forEach((cost, j) => cost < costs[a][b] && ([a, b] = [i, j])));
  const chosen: State[] = [];
  for (let i = states.length - 1; i >= 0; i--) {
    chosen.unshift(states[i][b]);
    if (i === 0) break;
    const earlier = back[i - 1][a][b];
    b = a;
    a = earlier;
  }
  return chosen;
}

function inKeyOrder(state: State, hand: 'right' | 'left'): number[] {
  const fingers = state.placed.map((p) => p.finger);
  return hand === 'right' ? fingers : fingers.reverse();
}
