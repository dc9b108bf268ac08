import { bassOf, type Chord, chroma, KEYBOARDS, type Key, membersOf, type Reach } from '../music';
import { leastPathOfThrees } from '../paths';
import type { Profile } from '../song';
import { highestInReach, highestUnder, lowestOver } from './room';
import { chordScale } from './scale';
import type { Style } from './styles';

/** What a bass is to its chord. "kept" is a key that may not change. */
export type BassRole = 'root' | 'slash' | 'third' | 'fifth' | 'seventh' | 'kept';

/** A key the bass could take at a place, with what it costs by itself. */
export interface Bass {
  readonly midi: number;
  readonly role: BassRole;
  readonly own: number;
}

/** A place where the left hand strikes a bass. */
export interface BassPlace {
  readonly chord: Chord;
  readonly key: Key;
  readonly style: Style;
  /** The first bass of its chord, or a later one. */
  readonly kind: 'first' | 'second';
  /** The figure has a second bass of its own. */
  readonly hasSecond: boolean;
  readonly isDownbeat: boolean;
  /** The figure walks through the chord from its root. */
  readonly isWalking: boolean;
  /** On the downbeat or the middle of its bar. */
  readonly isStrong: boolean;
  /** The first bass of a phrase, and that of its last chord. */
  readonly isBegin: boolean;
  readonly isClose: boolean;
  /** The tune that sounds with it (MIDI), and the lowest it has while the chord lasts; null and 128 for none. */
  readonly tune: number | null;
  readonly ceiling: number;
  /** The lowest note of the tune over the first beat of the chord: its upper notes lie under that; 128 for none. */
  readonly upperCeiling: number;
  /** The second-lowest key of the chord as it is voiced with blocks. */
  readonly above: number | null;
  /** Half steps the left hand is moved by choice. */
  readonly register: number;
  /** The key it must take: what is learned stays. */
  readonly kept: number | null;
}

/**
 * Points, ten to a point of the trial they come from. Dearest: outer parallels on strong beats, a phrase that does not begin
 * or close on its root, a bass that stays. Source: the usual rules of a bass line; figures set on marked songs.
 */
const COST = {
  laterRoot: 90,
  third: 90,
  thirdByStep: -80,
  laterThird: 40,
  firstFifth: 400,
  fifthBetweenSteps: -260,
  fifthOnDownbeat: 140,
  fifthOfDrone: 240,
  seventh: 200,
  seventhByLeap: 400,
  thirdAtBegin: 700,
  offCentre: 20,
  nearTune: 60,
  doublesThird: 240,
  noRoom: 350,
  close: 240,
  apart: 60,
  parallelStrong: 1200,
  parallel: 300,
  hidden: 140,
  beyondOctave: 700,
  leapOfSeventh: 450,
  tritone: 250,
  leap: 6,
  thirdToThird: 300,
  sameAgain: 160,
  same: 30,
  step: -60,
  fourthOrFifth: -10,
  contrary: -40,
  intoClose: -80,
  backToRoot: -60,
  stays: 400,
  unanswered: 80,
  leapsOneWay: 100,
  threeSteps: -60,
  threeStepsIntoClose: -120,
} as const;
/** Half steps from a bass to the note above it where the hand stays in its place. */
const CLOSE = 9;
/** Half steps round its centre in which a bass is free. */
const FREE = 4;
const PERFECT = [0, 7];

/** The bass of each place, so that the whole line costs least: exact, over the whole song. */
export function bassLine(places: readonly BassPlace[], profile: Profile): Bass[] {
  const candidates = places.map((place) => candidatesAt(place, profile));
  const { chosen } = leastPathOfThrees(
    candidates.map((list) => list.map(({ own }) => own)),
    (i, a, b) => pairCost(places[i - 1], candidates[i - 1][a], places[i], candidates[i][b]),
    (i, a, b, c) =>
      tripleCost(
        [places[i - 2], places[i - 1], places[i]],
        [candidates[i - 2][a], candidates[i - 1][b], candidates[i][c]],
      ),
  );
  return candidates.map((list, i) => list[chosen[i]]);
}

/** What a line costs, for proof. */
export function costOfLine(places: readonly BassPlace[], line: readonly Bass[]): number {
  return line.reduce(
    (sum, bass, i) =>
      sum +
      bass.own +
      (i > 0 ? pairCost(places[i - 1], line[i - 1], places[i], bass) : 0) +
      (i > 1 ? tripleCost([places[i - 2], places[i - 1], places[i]], [line[i - 2], line[i - 1], bass]) : 0),
    0,
  );
}

/** The keys a bass could take; never none. */
export function candidatesAt(place: BassPlace, profile: Profile): Bass[] {
  if (place.kept !== null) return [{ midi: place.kept, role: 'kept', own: 0 }];
  const { low } = KEYBOARDS[profile.keyboard];
  const [from, to] = place.style.bass.map((key) => key + place.register);
  const found = rolesAt(place).flatMap(({ chroma: wanted, role, own }): Bass[] => {
    const list: Bass[] = [];
    for (let midi = Math.max(low, from); midi <= to; midi++)
      if (midi % 12 === wanted && midi < place.ceiling - 3)
        list.push({ midi, role, own: own + placeCost(place, midi, role, profile.leftReach) });
    return list;
  });
  return found.length > 0 ? found : [lowRoot(place, low)];
}

/** Where the tune leaves no room: the root as low as the keyboard has it under the tune. */
function lowRoot({ chord, ceiling, style, register }: BassPlace, low: number): Bass {
  const root = chroma(bassOf(chord));
  let midi = low + ((root - (low % 12) + 12) % 12);
  while (midi + 12 < ceiling - 3 && midi + 12 <= style.bass[1] + register) midi += 12;
  return { midi, role: chord.bass ? 'slash' : 'root', own: 0 };
}

interface Role {
  readonly chroma: number;
  readonly role: BassRole;
  readonly own: number;
}

function rolesAt(place: BassPlace): Role[] {
  const { chord, kind, isBegin, isClose, style } = place;
  const root: Role = chord.bass
    ? { chroma: chroma(chord.bass), role: 'slash', own: 0 }
    : {
        chroma: chroma(chord.root),
        role: 'root',
        own: kind === 'first' || style.isClose ? 0 : COST.laterRoot,
      };
  // A written bass is not left.
  if (chord.bass || isClose || place.isWalking) return [root];
  const third = memberOf(chord, 3);
  const thirdRole = (own: number): Role[] => (third === null ? [] : [{ chroma: third, role: 'third', own }]);
  if (isBegin) return [root, ...thirdRole(COST.thirdAtBegin)];
  const fifth = memberOf(chord, 5);
  if (style.id === 'drone')
    return [
      root,
      ...(fifth === null ? [] : [{ chroma: fifth, role: 'fifth' as const, own: COST.fifthOfDrone }]),
    ];
  const seventh = memberOf(chord, 7);
  const fifths = (own: number): Role[] => (fifth === null ? [] : [{ chroma: fifth, role: 'fifth', own }]);
  if (kind === 'second' && style.isClose)
    return [root, ...thirdRole(COST.laterThird), ...fifths(COST.laterRoot)];
  if (kind === 'second')
    return [
      root,
      ...thirdRole(COST.laterThird),
      ...fifths(place.isDownbeat && place.hasSecond ? COST.fifthOnDownbeat : 0),
    ];
  return [
    root,
    ...thirdRole(COST.third),
    ...fifths(COST.firstFifth),
    ...(seventh === null ? [] : [{ chroma: seventh, role: 'seventh' as const, own: COST.seventh }]),
  ];
}

function memberOf(chord: Chord, number: 3 | 5 | 7): number | null {
  return membersOf(chord).find((member) => member.number === number)?.chroma ?? null;
}

function placeCost(place: BassPlace, midi: number, role: BassRole, reach: Reach): number {
  const { chord, tune, ceiling, above } = place;
  const centre = place.style.bass[2] + place.register;
  let cost = COST.offCentre * Math.max(0, Math.abs(midi - centre) - FREE);
  if (tune !== null && midi >= tune - 8) cost += COST.nearTune;
  const third = memberOf(chord, 3);
  if (role === 'third' && tune !== null && tune % 12 === third) cost += COST.doublesThird;
  // A chord struck with its bass lies within the reach of the hand.
  const widest = place.style.onTunesBeats ? highestInReach(midi, reach) : Infinity;
  const top = Math.min(highestUnder(ceiling), widest);
  for (const telling of [third, memberOf(chord, 7)])
    if (
      telling !== null &&
      telling !== midi % 12 &&
      telling !== (tune ?? -1) % 12 &&
      !hasRoom(telling, lowestOver(midi, place.style), top)
    )
      cost += COST.noRoom;
  const under = highestUnder(place.upperCeiling);
  if (place.style.isClose && membersOver(chord, midi, lowestOver(midi, place.style), under) < 2)
    cost += COST.noRoom;
  if (above !== null && above - midi < 3) cost += COST.close;
  else if (above !== null && place.style.isClose && above - midi > CLOSE) cost += COST.close;
  else if (above !== null && (above - midi < 5 || above - midi > 17)) cost += COST.apart;
  return cost;
}

/** How many other members of a chord have room over a bass. */
function membersOver(chord: Chord, bass: number, from: number, top: number): number {
  return membersOf(chord).filter((member) => member.chroma !== bass % 12 && hasRoom(member.chroma, from, top))
    .length;
}

function hasRoom(wanted: number, from: number, to: number): boolean {
  const first = from + ((wanted - (from % 12) + 12) % 12);
  return first <= to;
}

/** What it costs to go from one bass to the next. */
function pairCost(p: BassPlace, from: Bass, q: BassPlace, to: Bass): number {
  const by = to.midi - from.midi;
  const far = Math.abs(by);
  let cost = perfectCost(p, from, q, to);
  if (far > 12) cost += COST.beyondOctave;
  else if (far >= 10 && far < 12) cost += COST.leapOfSeventh;
  else if (far === 6) cost += COST.tritone;
  cost += COST.leap * Math.max(0, far - 2);
  if (from.role === 'third' && to.role === 'third' && far > 2) cost += COST.thirdToThird;
  if (far === 0) {
    cost += COST.same;
    if (to.role === from.role && (to.role === 'third' || to.role === 'fifth')) cost += COST.sameAgain;
  } else if (far <= 2) cost += COST.step;
  else if (far === 5 || far === 7) cost += COST.fourthOrFifth;
  if (p.tune !== null && q.tune !== null && (q.tune - p.tune) * by < 0) cost += COST.contrary;
  if (q.isClose && to.role === 'root' && (far <= 2 || far === 5 || far === 7)) cost += COST.intoClose;
  if (from.role === 'fifth' && to.role === 'root' && p.chord.root === q.chord.root) cost += COST.backToRoot;
  return cost;
}

/** Octaves and fifths of the outer voices that follow one another, or are reached by both going one way. */
function perfectCost(p: BassPlace, from: Bass, q: BassPlace, to: Bass): number {
  if (p.tune === null || q.tune === null || from.midi === to.midi || p.tune === q.tune) return 0;
  const interval = (q.tune - to.midi) % 12;
  if (!PERFECT.includes(interval)) return 0;
  if ((p.tune - from.midi) % 12 === interval)
    return p.isStrong && q.isStrong ? COST.parallelStrong : COST.parallel;
  return (to.midi - from.midi) * (q.tune - p.tune) > 0 ? COST.hidden : 0;
}

type Three<T> = readonly [T, T, T];

/** What three that follow one another cost. */
function tripleCost([p, q, r]: Three<BassPlace>, [a, b, c]: Three<Bass>): number {
  const [first, second] = [b.midi - a.midi, c.midi - b.midi];
  const [far, further] = [Math.abs(first), Math.abs(second)];
  const isStep = (size: number): boolean => size === 1 || size === 2;
  const oneWay = first * second > 0;
  let cost = 0;
  if (b.role === 'third' && q.kind === 'first' && (isStep(far) || isStep(further))) cost += COST.thirdByStep;
  if (b.role === 'fifth' && q.kind === 'first' && isStep(far) && isStep(further) && oneWay)
    cost += COST.fifthBetweenSteps;
  if (b.role === 'seventh' && !(far <= 2 && second < 0 && isStep(further))) cost += COST.seventhByLeap;
  // Where the hand stays in its place the bass may too.
  if (a.midi === b.midi && b.midi === c.midi && !r.style.isClose) cost += COST.stays;
  if (far > 7 && far !== 12 && !(second * first < 0 && further <= 7)) cost += COST.unanswered;
  if (oneWay && far > 4 && further > 4) cost += COST.leapsOneWay;
  if (oneWay && isStep(far) && isStep(further))
    cost += r.isClose ? COST.threeStepsIntoClose : COST.threeSteps;
  // From strong beat to strong beat, and from bar to bar, over a bass between.
  const isHeard = (p.isStrong && r.isStrong && !q.isStrong) || (p.isDownbeat && r.isDownbeat);
  if (isHeard && perfectCost(p, a, r, c) >= COST.parallel) cost += COST.parallelStrong;
  return cost;
}

/** Where a step leads to the next bass. */
export interface StepPlace {
  readonly chord: Chord;
  readonly next: Chord;
  readonly key: Key;
  readonly style: Style;
  /** The bass before it and the one it leads to. */
  readonly from: number;
  readonly to: number;
  readonly ceiling: number;
}

/** The key of the chord, or of the scale of both chords, a step from the next bass, from the side the bass comes from; a half step in styles that walk; null where none is clear. */
export function stepInto({ chord, next, key, style, from, to, ceiling }: StepPlace): number | null {
  const scale = chordScale(chord, key);
  const onwards = chordScale(next, key);
  const members = new Set(membersOf(chord).map((member) => member.chroma));
  const side = Math.sign(from - to) || 1;
  const isOpen = (midi: number): boolean => midi !== from && midi < ceiling - 3 && midi >= style.bass[0] - 2;
  const isInKey = (midi: number): boolean =>
    members.has(midi % 12) || (scale.has(midi % 12) && onwards.has(midi % 12));
  const near = [1, 2, -1, -2].map((by) => to + side * by).filter(isOpen);
  return (
    near.find(isInKey) ??
    (style.isChromatic ? near.find((midi) => Math.abs(midi - to) === 1) : undefined) ??
    null
  );
}
