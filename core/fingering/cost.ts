import { fingerSpan, type FingerSpan } from '../hands';
import { isBlack } from '../music';

/**
 * Points of the ergonomic rules, after Parncutt et al. (1997), rules 1 to 12, weighed anew on tunes and patterns: in
 * the order of dearness one finger on two keys in a row, crossing of two long fingers, a shift of the hand, a pass.
 */
export const FINGER_COSTS = {
  reuse: 14,
  reusePerSemitone: 0.3,
  crossing: 11,
  shift: 9,
  shiftPerSemitone: 0.3,
  pass: 3.8,
  passPerSemitone: 0.5,
  passUnderSecond: 1.4,
  passUnderFifth: 8,
  passWhiteToWhite: 0.8,
  thumbOnBlackUnderWhite: 2.4,
  stretchPerSemitone: 1,
  smallSpanWithThumb: 1.2,
  smallSpan: 1.4,
  largeSpanWithThumb: 0.4,
  largeSpan: 0.2,
  lie: 0.25,
  weakFourth: 0.9,
  weakFifth: 0,
  thumbOnBlack: 2.5,
  thumbOnBlackBesideWhite: 3,
  fifthOnBlack: 0.9,
  fifthOnBlackBesideWhite: 0.8,
  threeToFour: 0.15,
  threeFourFive: 0,
  sameKeyOtherFinger: 6,
  backByOtherFinger: 3,
  positionChange: 0.4,
  positionChangePerSemitone: 0.15,
  chordWithoutEnd: 1.5,
} as const;

/** A pass reaches so many semitones, with the second finger one less. */
const LONGEST_PASS = 6;

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
function handKey(midi: number, hand: 'right' | 'left'): number {
  return hand === 'right' ? midi : -midi;
}

export function placed(midi: number, finger: number, hand: 'right' | 'left'): Placed {
  return { finger, key: handKey(midi, hand), black: isBlack(midi) };
}

/** Cost of one finger by itself: weak fingers, thumb and fifth on black. */
export function aloneCost({ finger, black }: Placed): number {
  let cost = 0;
  if (finger === 4) cost += FINGER_COSTS.weakFourth;
  if (finger === 5) cost += FINGER_COSTS.weakFifth;
  if (black && finger === 1) cost += FINGER_COSTS.thumbOnBlack;
  if (black && finger === 5) cost += FINGER_COSTS.fifthOnBlack;
  return cost;
}

/** Widest distance between two keys of the longest keyboard, in half steps. */
const WIDEST = 87;
/** A key modulo the octave tells its colour and its distance in white keys; mirrored keys are told apart. */
const OCTAVE = 24;
/** Costs of pairs by reach; one entry for each pair of fingers, place of the first key in its octave, and distance. */
const pairs: Float64Array[] = [];

/**
 * Cost of two fingers one after the other on two keys, at most 87 half steps apart. It depends on the fingers, the first
 * key's place in the octave and the distance alone, and is looked up in a table that fills as it is asked for.
 */
export function pairCost(from: Placed, to: Placed, reach: number): number {
  const distance = to.key - from.key;
  if (Math.abs(distance) > WIDEST) return pairCostAnew(from, to, reach);
  const table = (pairs[reach] ??= new Float64Array(25 * OCTAVE * (2 * WIDEST + 1)).fill(-1));
  const fingers = 5 * (from.finger - 1) + to.finger - 1;
  const place = from.key >= 0 ? from.key % 12 : 12 + (-from.key % 12);
  const at = (OCTAVE * fingers + place) * (2 * WIDEST + 1) + WIDEST + distance;
  if (table[at] < 0) table[at] = pairCostAnew(from, to, reach);
  return table[at];
}

function pairCostAnew(from: Placed, to: Placed, reach: number): number {
  const distance = Math.abs(to.key - from.key);
  if (distance === 0) return from.finger === to.finger ? 0 : FINGER_COSTS.sameKeyOtherFinger;
  if (from.finger === to.finger) return FINGER_COSTS.reuse + FINGER_COSTS.reusePerSemitone * distance;
  const [low, high] = from.finger < to.finger ? [from, to] : [to, from];
  const beside =
    blackBesideWhite(from, to) + (from.finger === 3 && to.finger === 4 ? FINGER_COSTS.threeToFour : 0);
  const rise = high.key - low.key;
  if (rise < 0) {
    if (low.finger > 1) return beside + FINGER_COSTS.crossing;
    const longest = high.finger === 2 ? LONGEST_PASS - 1 : LONGEST_PASS;
    return beside + (-rise <= longest ? passCost(low, high) : shiftCost(from, to));
  }
  const span = spanOf(low.finger, high.finger, reach);
  if (rise > span.maxPractical) return beside + shiftCost(from, to);
  return beside + sizeCost(span, rise, low.finger === 1) + lieCost(low, high);
}

/** Where each finger rests above the thumb, in semitones. */
const REST = [0, 0, 2, 4, 5, 7];

/** The hand goes elsewhere: by how far it travels, whatever the keys are apart. */
function shiftCost(from: Placed, to: Placed): number {
  const travel = Math.abs(to.key - REST[to.finger] - (from.key - REST[from.finger]));
  return FINGER_COSTS.shift + FINGER_COSTS.shiftPerSemitone * travel;
}

function sizeCost(span: FingerSpan, rise: number, withThumb: boolean): number {
  const stretch = Math.max(0, rise - span.maxComfortable, span.minComfortable - rise);
  const small = Math.max(0, span.minRelaxed - rise);
  const large = Math.max(0, rise - span.maxRelaxed);
  return (
    FINGER_COSTS.stretchPerSemitone * stretch +
    (withThumb ? FINGER_COSTS.smallSpanWithThumb : FINGER_COSTS.smallSpan) * small +
    (withThumb ? FINGER_COSTS.largeSpanWithThumb : FINGER_COSTS.largeSpan) * large
  );
}

/** White keys up to a key; a black one lies between two. */
const WHITES = [0, 0.5, 1, 1.5, 2, 3, 3.5, 4, 4.5, 5, 5.5, 6];

function whitesBelow(key: number): number {
  const midi = Math.abs(key);
  const whites = 7 * Math.floor(midi / 12) + WHITES[midi % 12];
  return key < 0 ? -whites : whites;
}

/** A hand lies best with neighbouring fingers on neighbouring white keys. */
function lieCost(low: Placed, high: Placed): number {
  const whites = whitesBelow(high.key) - whitesBelow(low.key);
  return FINGER_COSTS.lie * Math.abs(whites - (high.finger - low.finger));
}

function passCost(thumb: Placed, over: Placed): number {
  const size = thumb.key - over.key;
  return (
    FINGER_COSTS.pass +
    FINGER_COSTS.passPerSemitone * (size - 1) +
    (over.finger === 2 ? FINGER_COSTS.passUnderSecond : 0) +
    (over.finger === 5 ? FINGER_COSTS.passUnderFifth : 0) +
    (!thumb.black && !over.black ? FINGER_COSTS.passWhiteToWhite : 0) +
    (thumb.black && !over.black ? FINGER_COSTS.thumbOnBlackUnderWhite : 0)
  );
}

function blackBesideWhite(from: Placed, to: Placed): number {
  if (from.black === to.black) return 0;
  const onBlack = from.black ? from : to;
  if (onBlack.finger === 1) return FINGER_COSTS.thumbOnBlackBesideWhite;
  return onBlack.finger === 5 ? FINGER_COSTS.fifthOnBlackBesideWhite : 0;
}

/** Cost of two fingers of a chord held together, the one nearer the thumb first. */
export function heldCost(low: Placed, high: Placed, reach: number): number {
  // Only a pianist who pins fingers has them crossed, or one finger on two keys.
  if (low.finger >= high.finger) return FINGER_COSTS.crossing;
  const span = spanOf(low.finger, high.finger, reach);
  const rise = high.key - low.key;
  const beyond = Math.max(0, rise - span.maxPractical, span.minPractical - rise);
  return (
    sizeCost(span, rise, low.finger === 1) +
    lieCost(low, high) +
    (beyond > 0 ? FINGER_COSTS.shift + beyond * FINGER_COSTS.stretchPerSemitone : 0)
  );
}

/** Cost of three in a row: 3-4-5 in any order, a key taken again by another finger, a change of position over the three. */
export function tripleCost(a: Placed, b: Placed, c: Placed, reach: number): number {
  const isThreeFourFive = a.finger + b.finger + c.finger === 12 && a.finger * b.finger * c.finger === 60;
  const cost = isThreeFourFive ? FINGER_COSTS.threeFourFive : 0;
  if (a.key === c.key) return cost + (a.finger === c.finger ? 0 : FINGER_COSTS.backByOtherFinger);
  if (a.finger === c.finger) return cost + changeOfPosition(Math.abs(a.key - c.key));
  const low = a.finger < c.finger ? a : c;
  const high = low === a ? c : a;
  const span = spanOf(low.finger, high.finger, reach);
  const rise = high.key - low.key;
  const beyond = Math.max(0, rise - span.maxComfortable, span.minComfortable - rise);
  return cost + (beyond > 0 ? changeOfPosition(beyond) : 0);
}

function changeOfPosition(semitones: number): number {
  return FINGER_COSTS.positionChange + FINGER_COSTS.positionChangePerSemitone * semitones;
}
