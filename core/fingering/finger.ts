import { aloneCost, FINGER_COSTS, heldCost, pairCost, placed, type Placed, tripleCost } from './cost';
import type { HandEvent } from './event';
import { usualSteps } from './figures';
import { lowBassSteps } from './lowBass';

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
  /** Keys held on, as they are placed. */
  readonly held: readonly number[];
  readonly alone: number;
}

/**
 * Fingers for a hand, one list for each event in the order of its keys (lowest first). Dynamic programming over
 * pairs of neighbouring events, so that passing of the thumb is judged on three notes in a row.
 * Source of the costs: Parncutt et al. (1997).
 */
export function finger(
  events: readonly HandEvent[],
  hand: 'right' | 'left',
  reach: number,
  withFigures = true,
  thumb: Thumb = 'usual',
): number[][] {
  return solved(events, hand, reach, withFigures, thumb).fingers;
}

/** What the fingers given cost, every key pinned: the measure the solver keeps least. */
export function fingersCost(
  events: readonly HandEvent[],
  hand: 'right' | 'left',
  reach: number,
  thumb: Thumb = 'usual',
): number {
  return solved(events, hand, reach, true, thumb).cost;
}

function solved(
  events: readonly HandEvent[],
  hand: 'right' | 'left',
  reach: number,
  withFigures: boolean,
  thumb: Thumb,
): { readonly fingers: number[][]; readonly cost: number } {
  if (events.length === 0) return { fingers: [], cost: 0 };
  const states = events.map((event) => statesOf(event, hand, reach, thumb));
  const usual = withFigures ? usualSteps(events, hand, (keys) => roundAndRound(keys, hand, reach)) : [];
  const basses = withFigures ? lowBassSteps(events, hand) : [];
  const bonus = (i: number, from: State, to: State): number =>
    basses[i]?.(from.placed, to.placed) ??
    usual[i]?.[5 * from.placed[0].finger + to.placed[0].finger - 6] ??
    0;
  // costs[b] after event i, for each state a of event i − 1: costs[a][b].
  let costs: number[][] = [states[0].map((s) => s.alone)];
  const back: number[][][] = [];
  for (let i = 1; i < events.length; i++) {
    const [before, here] = [i > 1 ? states[i - 2] : [], states[i]];
    const middle = states[i - 1];
    // Only three single notes in a row are judged together; else what came before is the same for all that follow.
    const isByThree =
      !events[i].afterRest && !events[i - 1].afterRest && [before, middle, here].every(isSingle);
    const next: number[][] = [];
    const from: number[][] = [];
    for (let b = 0; b < middle.length; b++) {
      next[b] = [];
      from[b] = [];
      const soFar = isByThree ? null : leastOver(costs, b);
      for (let c = 0; c < here.length; c++) {
        const moving = events[i].afterRest ? 0 : movingCost(middle[b], here[c], reach);
        const step = moving - bonus(i, middle[b], here[c]);
        const { cost, at } =
          soFar ??
          leastOver(costs, b, (a) =>
            tripleCost(before[a].placed[0], middle[b].placed[0], here[c].placed[0], reach),
          );
        from[b][c] = at;
        next[b][c] = cost + step + here[c].alone;
      }
    }
    costs = next;
    back.push(from);
  }
  const cost = costs.reduce((least, row) => Math.min(least, ...row), Infinity);
  return { fingers: trace(states, costs, back).map((state) => inKeyOrder(state, hand)), cost };
}

/** Times a cell is played over before its fingers are those of one that goes on and on. */
const ROUNDS = 4;

/** Fingers of a cell of single notes that is played round and round: what it comes back to is known. */
function roundAndRound(keys: readonly number[], hand: 'right' | 'left', reach: number): number[] {
  const events = Array.from({ length: ROUNDS }, () => keys)
    .flat()
    .map((key): HandEvent => ({ keys: [key], afterRest: false, pinned: null }));
  return finger(events, hand, reach, false)
    .slice(2 * keys.length, 3 * keys.length)
    .map(([only]) => only);
}

function statesOf(event: HandEvent, hand: 'right' | 'left', reach: number, thumb: Thumb): State[] {
  const keys = hand === 'right' ? event.keys : [...event.keys].reverse();
  const shown = keys.slice(0, 5);
  const pinned = event.pinned && (hand === 'right' ? event.pinned : [...event.pinned].reverse());
  const combinations = pinned ? combinationsWith(pinned.slice(0, 5)) : COMBINATIONS[shown.length];
  return combinations.map((fingers) => {
    const placedFingers = shown.map((key, i) => placed(key, fingers[i], hand));
    return {
      placed: placedFingers,
      held: event.held
        ? placedFingers.flatMap(({ key }, i) => (event.held?.includes(shown[i]) ? [key] : []))
        : NOTHING,
      alone: togetherCost(placedFingers, reach) + ofThumb(placedFingers, thumb),
    };
  });
}

const NOTHING: readonly number[] = [];
/** Nobody changes the finger on a key that is held. */
const CHANGED_WHILE_HELD = 1000;

/** A manner of the thumb: where it goes in single notes. */
export type Thumb = 'usual' | 'off-black' | 'on-black';

/** What a thumb on a black key costs more, or less, than usual, by manner; in chords and octaves it lies as it must. */
const THUMB_ON_BLACK: Readonly<Record<Thumb, number>> = {
  usual: 0,
  'off-black': 40,
  'on-black': -FINGER_COSTS.thumbOnBlack - FINGER_COSTS.thumbOnBlackUnderWhite,
};

function ofThumb(fingers: readonly Placed[], thumb: Thumb): number {
  const [only] = fingers;
  return fingers.length === 1 && only.finger === 1 && only.black ? THUMB_ON_BLACK[thumb] : 0;
}

/** The ways that keep the fingers pinned; where they leave none, those pinned throughout are taken as they are, else all. */
function combinationsWith(pinned: readonly (number | null)[]): readonly Fingers[] {
  if (pinned.every((finger) => finger !== null)) return [pinned];
  const all = COMBINATIONS[pinned.length];
  const kept = all.filter((way) => pinned.every((finger, i) => finger === null || way[i] === finger));
  return kept.length > 0 ? kept : all;
}

/** A chord at least so wide, in semitones, has thumb and little finger at its ends. */
const WIDE_CHORD = 6;

/** Fingers held together: each by itself, neighbours and the outer pair; wide chords end on thumb and fifth. */
function togetherCost(fingers: readonly Placed[], reach: number): number {
  // In chords the thumb takes a black key as readily as a white one.
  const isChord = fingers.length > 1;
  let cost = fingers.reduce((sum, f) => sum + (isChord && f.finger === 1 ? 0 : aloneCost(f)), 0);
  for (let i = 1; i < fingers.length; i++) cost += heldCost(fingers[i - 1], fingers[i], reach);
  const [first, last] = [fingers[0], fingers[fingers.length - 1]];
  if (fingers.length > 2) cost += heldCost(first, last, reach);
  if (isChord && last.key - first.key >= WIDE_CHORD)
    cost += FINGER_COSTS.chordWithoutEnd * (Number(first.finger !== 1) + Number(last.finger !== 5));
  return cost - (isChord && isUsualChord(fingers) ? USUAL_CHORD : 0);
}

/** What the printed fingers of a close triad or seventh are worth beside the neighbours. */
const USUAL_CHORD = 2;
/** Half steps of a perfect fourth, of a sixth, and of the widest third. */
const [FOURTH, SIXTH, THIRD] = [5, 9, 4];

/**
 * A close triad is played by thumb, third and little finger, with the second where the key next to the little finger
 * lies a fourth from it; a seventh in thirds by 1 2 3 5. A black key between white ones may ask for others. Source:
 * chord fingerings printed in piano methods.
 */
function isUsualChord(fingers: readonly Placed[]): boolean {
  const gaps = fingers.slice(1).map(({ key }, i) => key - fingers[i].key);
  const width = gaps.reduce((sum, gap) => sum + gap, 0);
  const told = fingers.map(({ finger }) => finger).join('');
  if (fingers.length === 4) return gaps.every((gap) => gap >= 3 && gap <= THIRD) && told === '1235';
  if (fingers.length !== 3 || width > SIXTH || Math.min(...gaps) < 3) return false;
  return told === (gaps[1] >= FOURTH ? '125' : '135');
}

/** What it costs that a finger goes from one key of a chord to another of the next. */
const CHORD_COSTS = {
  slide: 1,
  slideFromSingle: 30,
  /** The little finger on a low bass and on the chord above it: the whole hand leaps. */
  leap: 5,
  /** A chord of four takes nearly all fingers: one of them is on another key before. */
  slideToFour: 20,
  keyByOther: 2,
  /** The same keys again keep their fingers. */
  sameKeysByOther: 6,
  crossing: 1,
  crossingSingle: 3,
} as const;

/** What is held stays; what moves goes as if it were alone. */
function movingCost(from: State, to: State, reach: number): number {
  if (to.held.length === 0) return strikingCost(from.placed, to.placed, reach);
  const isHeld = ({ key }: Placed): boolean => to.held.includes(key);
  const changed = to.placed.filter(
    (finger) =>
      isHeld(finger) && from.placed.some((was) => was.key === finger.key && was.finger !== finger.finger),
  );
  // A finger that holds strikes nothing else.
  const [was, now] = [from.placed, to.placed].map((fingers) => fingers.filter((finger) => !isHeld(finger)));
  const moving = was.length === 0 || now.length === 0 ? 0 : strikingCost(was, now, reach);
  return CHANGED_WHILE_HELD * changed.length + moving;
}

function strikingCost(from: readonly Placed[], to: readonly Placed[], reach: number): number {
  if (from.length === 1 && to.length === 1) return pairCost(from[0], to[0], reach);
  const isSingle = from.length === 1 || to.length === 1;
  const isAgain = !isSingle && from.length === to.length && from.every(({ key }, i) => key === to[i].key);
  const most = Math.max(from.length, to.length);
  const single = most > 3 ? CHORD_COSTS.slideToFour : CHORD_COSTS.slideFromSingle;
  const slide = isSingle ? single : CHORD_COSTS.slide;
  const byOther = isAgain ? CHORD_COSTS.sameKeysByOther : CHORD_COSTS.keyByOther;
  let cost = 0;
  let opened = 0;
  for (const a of from)
    for (const b of to) {
      const rise = (a.key - b.key) * (a.finger - b.finger);
      if (a.key === b.key) cost += a.finger === b.finger ? 0 : byOther;
      else if (a.finger === b.finger)
        cost += isSingle && a.finger === 5 && isLeap(from, to) ? CHORD_COSTS.leap : slide;
      else if (rise < 0) cost += isSingle ? CHORD_COSTS.crossingSingle : CHORD_COSTS.crossing;
      else if (isSingle) opened = Math.max(opened, reached(a, b, reach));
    }
  return cost + opened;
}

/** Between a low bass and a chord of three or more that lies above it; thumb sides come first. */
function isLeap(from: readonly Placed[], to: readonly Placed[]): boolean {
  const [bass, chord] = from.length === 1 ? [from, to] : [to, from];
  return bass.length === 1 && chord.length > 2 && bass[0].key > chord[chord.length - 1].key;
}

/** Low bass, then a chord: the hand opens as far as it lies, and goes over where it does not. */
function reached(a: Placed, b: Placed, reach: number): number {
  const [low, high] = a.finger < b.finger ? [a, b] : [b, a];
  return Math.min(FINGER_COSTS.shift, heldCost(low, high, reach)) / 2;
}

/** All ways to finger an event are of as many keys. */
function isSingle([first]: readonly State[]): boolean {
  return first?.placed.length === 1;
}

/** The least of what it costs to come to way `b` of the event before, and by which way of the one before that. */
function leastOver(
  costs: readonly (readonly number[])[],
  b: number,
  more: (a: number) => number = () => 0,
): { readonly cost: number; readonly at: number } {
  let [cost, at] = [Infinity, 0];
  for (let a = 0; a < costs.length; a++) {
    const own = costs[a][b] + more(a);
    if (own < cost) [cost, at] = [own, a];
  }
  return { cost, at };
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
