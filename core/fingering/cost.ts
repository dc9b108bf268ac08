import { fingerSpan, type FingerSpan } from '../hands';
import { isBlack } from '../music';

/** Points of the ergonomic rules; source: Parncutt et al. (1997), rules 1 to 12; the shift is ours. */
export const FINGER_COSTS = {
  stretchPerSemitone: 2,
  smallSpanWithThumb: 1,
  smallSpan: 2,
  largeSpanWithThumb: 1,
  largeSpan: 2,
  weakFinger: 1,
  threeFourFive: 1,
  threeToFour: 1,
  fourOnBlack: 1,
  thumbOnBlack: 1,
  thumbOnBlackBesideWhite: 2,
  fifthOnBlackBesideWhite: 2,
  thumbPassing: 1,
  thumbPassingUnderBlack: 3,
  positionShift: 6,
  positionShiftPerFourSemitones: 1,
} as const;

/** A finger on a key. Keys of the left hand are mirrored, so that a rise is always away from the thumb. */
export interface Placed {
  readonly finger: number;
  readonly key: number;
  readonly black: boolean;
}

/** Spans by reach, then by both fingers: looked up for every step of every way to play a phrase. */
const spans: FingerSpan[][] = [];

function spanOf(a: number, b: number, reach: number): FingerSpan {
  const known = (spans[reach] ??= []);
  return (known[5 * a + b] ??= fingerSpan(a, b, reach));
}

/** Mirrors a key for the left hand. */
export function handKey(midi: number, hand: 'right' | 'left'): number {
  return hand === 'right' ? midi : -midi;
}

export function placed(midi: number, finger: number, hand: 'right' | 'left'): Placed {
  return { finger, key: handKey(midi, hand), black: isBlack(midi) };
}

/** Cost of one finger by itself: weak fingers, thumb on black. */
export function aloneCost(at: Placed): number {
  let cost = at.finger >= 4 ? FINGER_COSTS.weakFinger : 0;
  if (at.black && at.finger === 1) cost += FINGER_COSTS.thumbOnBlack;
  return cost;
}

/** Widest distance between two keys of the longest keyboard, in half steps. */
const WIDEST = 87;
/** Costs of pairs by reach; one entry for each pair of fingers, pair of colours and distance. */
const pairs: Float64Array[] = [];

/**
 * Cost of two fingers one after the other (or, for chords, together) on two keys, at most 87 half steps apart. It
 * depends on fingers, colours and distance alone and is looked up in a table that fills as it is asked for.
 */
export function pairCost(from: Placed, to: Placed, reach: number): number {
  const distance = to.key - from.key;
  if (Math.abs(distance) > WIDEST) return pairCostAnew(from, to, reach);
  const table = (pairs[reach] ??= new Float64Array(25 * 4 * (2 * WIDEST + 1)).fill(-1));
  const fingers = 5 * (from.finger - 1) + to.finger - 1;
  const colours = (from.black ? 2 : 0) + (to.black ? 1 : 0);
  const at = (4 * fingers + colours) * (2 * WIDEST + 1) + WIDEST + distance;
  if (table[at] < 0) table[at] = pairCostAnew(from, to, reach);
  return table[at];
}

function pairCostAnew(from: Placed, to: Placed, reach: number): number {
  if (from.key === to.key) return from.finger === to.finger ? 0 : FINGER_COSTS.positionShift / 2;
  if (from.finger === to.finger) return shiftCost(from.key, to.key);
  const low = from.finger < to.finger ? from : to;
  const high = low === from ? to : from;
  const span = spanOf(low.finger, high.finger, reach);
  const distance = high.key - low.key;
  if (distance < span.minPractical || distance > span.maxPractical) return shiftCost(from.key, to.key);
  let cost = sizeCost(span, distance, low.finger === 1);
  if (from.finger === 3 && to.finger === 4) cost += FINGER_COSTS.threeToFour;
  if (low.finger === 3 && high.finger === 4 && !low.black && high.black) cost += FINGER_COSTS.fourOnBlack;
  cost += blackBesideWhite(from, to);
  if (low.finger === 1 && distance < 0) cost += passingCost(low, high);
  return cost;
}

function shiftCost(from: number, to: number): number {
  const size = Math.round(Math.abs(to - from) / 4);
  return FINGER_COSTS.positionShift + size * FINGER_COSTS.positionShiftPerFourSemitones;
}

function sizeCost(span: FingerSpan, distance: number, withThumb: boolean): number {
  const stretch = Math.max(0, distance - span.maxComfortable, span.minComfortable - distance);
  const small = Math.max(0, span.minRelaxed - distance);
  const large = Math.max(0, distance - span.maxRelaxed);
  return (
    FINGER_COSTS.stretchPerSemitone * stretch +
    (withThumb ? FINGER_COSTS.smallSpanWithThumb : FINGER_COSTS.smallSpan) * small +
    (withThumb ? FINGER_COSTS.largeSpanWithThumb : FINGER_COSTS.largeSpan) * large
  );
}

function blackBesideWhite(from: Placed, to: Placed): number {
  if (from.black === to.black) return 0;
  const onBlack = from.black ? from : to;
  if (onBlack.finger === 1) return FINGER_COSTS.thumbOnBlackBesideWhite;
  return onBlack.finger === 5 ? FINGER_COSTS.fifthOnBlackBesideWhite : 0;
}

function passingCost(thumb: Placed, other: Placed): number {
  return thumb.black && !other.black ? FINGER_COSTS.thumbPassingUnderBlack : FINGER_COSTS.thumbPassing;
}

/** Cost of three in a row: 3-4-5 in any order, and a change of hand position over the three. */
export function tripleCost(a: Placed, b: Placed, c: Placed, reach: number): number {
  const isThreeFourFive = a.finger + b.finger + c.finger === 12 && a.finger * b.finger * c.finger === 60;
  const cost = isThreeFourFive ? FINGER_COSTS.threeFourFive : 0;
  if (a.key === c.key) return cost + (a.finger === c.finger ? 0 : 1);
  if (a.finger === c.finger) return cost + 2;
  const low = a.finger < c.finger ? a : c;
  const high = low === a ? c : a;
  const span = spanOf(low.finger, high.finger, reach);
  const distance = high.key - low.key;
  const beyond = Math.max(0, distance - span.maxComfortable, span.minComfortable - distance);
  if (beyond === 0) return cost;
  const full = b.finger === 1 && (b.key - a.key) * (c.key - b.key) > 0 && distance < span.minPractical;
  return cost + (full ? 2 : 1) + beyond;
}
