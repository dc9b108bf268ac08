import { because } from '../sentences';
import { isBlues, roleOf } from '../harmony';
import { leastPath } from '../paths';
import { type Chord, chroma, type Key, leadingSteps, type Metre, middleTicks } from '../music';
import { barAt, keyAt, placeInBar, type PlayedSong } from '../song';
import { type Candidate, candidatesIn, type Taste, workOf } from './tastes';

/** Points for and against a chord; more is better. Set on the marked songs of the tests. */
const POINTS = {
  member: 9,
  root: 11,
  seventh: -3,
  tension: -2,
  outside: -8,
  rub: -12,
  /** A change on the bar line, on half a bar, in the last bars of a phrase less. */
  change: -5,
  changeInBar: -26,
  changeInBarAtCadence: -16,
  changeInLastBar: -20,
  /** The same chord over more than two bars grows tedious. */
  tooLong: -4,
  fallingFifth: 5,
  byStep: 2,
  cadence: 6,
  /** The song comes home over IV, or over neither V nor IV. */
  plagal: -2,
  noCadence: -12,
  leadsAstray: -4,
  closed: 14,
  open: 6,
  otherEnd: -4,
  begins: 20,
} as const;

/** A stretch of time in which one chord sounds, at the least. */
export interface Slot {
  readonly tick: number;
  readonly length: number;
  readonly isBarLine: boolean;
  /** It lies in the last two bars of a phrase. */
  readonly isNearEnd: boolean;
  /** It lies in the bar a phrase ends with. */
  readonly isLastBar: boolean;
  /** A phrase ends with it; the song ends with it. */
  readonly endsPhrase: boolean;
  readonly endsSong: boolean;
  /** It lies in the last two bars of the song. */
  readonly closesSong: boolean;
}

interface SuggestTask {
  readonly played: PlayedSong;
  /** Where phrases end: ticks at which parts begin, and the end of the song. */
  readonly phraseEnds: readonly number[];
  readonly taste: Taste;
  /** Triads where a seventh stands at rest. */
  readonly triads: boolean;
  /** What part of their points against them chords from outside the key keep; 1 where nothing is said. */
  readonly foreignShare?: number;
  /** Chord that must sound at a tick, or null where it is free; "none" where nothing is asked for. */
  readonly fixedAt: (tick: number) => Chord | null;
  /** One candidate for each slot and no other: what a way through the song is worth. */
  readonly only?: readonly Candidate[];
}

/** A chord for a slot, with what the whole song loses when it is chosen there. */
export interface Ranked {
  readonly candidate: Candidate;
  /** Points less than the best for the whole song; 0 for the best. */
  readonly behind: number;
}

export interface Suggested {
  readonly slots: readonly Slot[];
  readonly chosen: readonly Candidate[];
  /** For each slot every candidate, the best for the whole song first. */
  readonly ranked: readonly (readonly Ranked[])[];
  /** Points of the whole song. */
  readonly points: number;
}

/** The slots of a song: whole bars, or half bars where a metre has a middle. */
export function slotsOf(played: PlayedSong, phraseEnds: readonly number[]): Slot[] {
  const ends = [...phraseEnds].sort((a, b) => a - b);
  return played.bars.flatMap((bar): Slot[] => {
    if (bar.number < 1) return [];
    const last = bar.tick + bar.length;
    // A phrase that ends inside a bar, before a pick-up, ends with that bar's harmony.
    const end = ends.find((tick) => tick > bar.tick) ?? played.endTick;
    const endsPhrase = end <= last;
    const isNearEnd = end <= last + bar.length;
    const halves = partsOfBar(bar.metre, bar.length);
    return halves.map(([from, length], i) => ({
      tick: bar.tick + from,
      length,
      isBarLine: i === 0,
      isNearEnd,
      isLastBar: endsPhrase,
      endsPhrase: endsPhrase && i === halves.length - 1,
      endsSong: last >= played.endTick && i === halves.length - 1,
      closesSong: last + bar.length >= played.endTick,
    }));
  });
}

/** Where in a bar chords may change: at its middle, when it has one and is no short one of two beats. */
function partsOfBar(metre: Metre, length: number): [from: number, length: number][] {
  const middle = middleTicks(metre);
  if (middle === null || metre.numerator <= 2 || metre.denominator === 2) return [[0, length]];
  return [
    [0, middle],
    [middle, length - middle],
  ];
}

/**
 * The best chords for a whole song: fit of the melody, as few changes as it allows, falling fifths, steps and cadences,
 * phrases that end open on V or closed on I.
 */
export function suggest(task: SuggestTask): Suggested {
  const { played } = task;
  const slots = slotsOf(played, task.phraseEnds);
  if (slots.length === 0) return { slots, chosen: [], ranked: [], points: 0 };
  const lists = slots.map((slot, i) => (task.only ? [task.only[i]] : listFor(task, slot)));
  // What is counted here in points is a cost with its sign turned.
  const { chosen, through } = leastPath(
    slots.map((slot, i) => lists[i].map((candidate) => -fitOf(task, slot, candidate))),
    (i, a, b) => -stepPoints(slots, i, lists[i - 1][a], lists[i][b], task),
  );
  const least = Math.min(...through[0]);
  const ranked = through.map((list, i) =>
    list
      .map((cost, c): Ranked => ({
        candidate: lists[i][c],
        behind: Math.max(0, Math.round(cost - least)),
      }))
      .sort((a, b) => a.behind - b.behind || a.candidate.colour - b.candidate.colour),
  );
  return { slots, chosen: chosen.map((c, i) => lists[i][c]), ranked, points: Math.round(-least) };
}

function listFor(
  { played, taste, triads, foreignShare, fixedAt }: SuggestTask,
  slot: Slot,
): readonly Candidate[] {
  const fixed = fixedAt(slot.tick);
  const key = keyAt(played, slot.tick);
  if (!fixed) return candidatesIn(key, taste, triads, foreignShare, isBlues(played));
  const degree = (chroma(fixed.root) - chroma(key.tonic) + 12) % 12;
  const symbol = played.changes.find((c) => c.chord === fixed)?.symbol ?? '';
  return [
    {
      chord: fixed,
      symbol,
      degree,
      work: workOf(fixed, key),
      colour: 0,
      isForeign: false,
      leadsTo: null,
      why: because.given(),
    },
  ];
}

/** How well a chord fits the melody of a slot, with what its place asks of it. */
function fitOf({ played }: SuggestTask, slot: Slot, candidate: Candidate): number {
  const key = keyAt(played, slot.tick);
  const tonic = chroma(key.tonic);
  const isFifth = (midi: number): boolean => (midi - tonic + 120) % 12 === FIFTH;
  let points = -candidate.colour;
  for (const { midi, weight } of soundingNotes(played, slot))
    // The fifth degree is held by I and V alike: it does not speak for V as its root.
    points +=
      weight * (candidate.degree === FIFTH && isFifth(midi) ? POINTS.member : noteFit(midi, candidate.chord));
  const isFirst = slot.tick <= (played.bars.find((bar) => bar.number > 0)?.tick ?? 0);
  // Home is the chord at rest: the key-note's own seventh leads on.
  const isHome = candidate.degree === 0 && candidate.work === 'home';
  if (isFirst && isHome) points += POINTS.begins;
  if (slot.endsSong) points += isHome ? 2 * POINTS.closed : 2 * POINTS.otherEnd;
  else if (slot.endsPhrase)
    points += isHome ? POINTS.closed / 2 : leadsHome(candidate, key) ? POINTS.open : POINTS.otherEnd;
  return points;
}

/** On V in major and minor, on a chord of its own cadence in a mode. */
function leadsHome({ degree }: Candidate, { mode }: Key): boolean {
  return leadingSteps(mode).includes(degree);
}

/** Half steps of a fifth. */
const FIFTH = 7;

function noteFit(midi: number, chord: Chord): number {
  const role = roleOf(midi, chord);
  if (role.kind === 'member') {
    if (role.member === 1) return POINTS.root;
    return role.member === 7 ? POINTS.seventh : POINTS.member;
  }
  // The root against a major seventh: the chord is then played as a sixth or a triad.
  if (role.kind === 'rub' && role.rub === 'root-on-major-seventh') return POINTS.member;
  return POINTS[role.kind];
}

interface Weighed {
  readonly midi: number;
  readonly weight: number;
}

const weighed = new WeakMap<PlayedSong, Map<number, Weighed[]>>();

/** Notes of a slot by length in beats and stress; short notes by step count less. */
function soundingNotes(played: PlayedSong, slot: Slot): Weighed[] {
  let bySlot = weighed.get(played);
  if (!bySlot) weighed.set(played, (bySlot = new Map()));
  const known = bySlot.get(slot.tick);
  if (known) return known;
  const bar = barAt(played.bars, slot.tick);
  const end = slot.tick + slot.length;
  const notes = played.melody
    .filter((n) => !n.grace && n.tick < end && n.tick + n.length > slot.tick)
    .map((n) => {
      const tick = Math.max(n.tick, slot.tick);
      const { beatTicks, strength } = placeInBar(bar, tick);
      const beats = (Math.min(n.tick + n.length, end) - tick) / beatTicks;
      const stress = [0.55, 0.75, 1, 1.25, 1.5][strength];
      return { midi: n.midi, weight: Math.min(2, Math.sqrt(beats)) * stress };
    });
  bySlot.set(slot.tick, notes);
  return notes;
}

/** What going from one chord to the next is worth at a slot. */
function stepPoints(
  slots: readonly Slot[],
  i: number,
  from: Candidate,
  to: Candidate,
  task: SuggestTask,
): number {
  const slot = slots[i];
  if (from.symbol === to.symbol) {
    // The chord goes on; over a phrase end it may, but a new phrase likes a new chord.
    return slot.isBarLine && slots[i - 1].endsPhrase ? POINTS.tooLong : 0;
  }
  let points = slot.isBarLine
    ? POINTS.change
    : slot.isLastBar
      ? POINTS.changeInLastBar
      : slot.isNearEnd
        ? POINTS.changeInBarAtCadence
        : POINTS.changeInBar;
  const fall = (from.degree - to.degree + 12) % 12;
  if (fall === 7) points += POINTS.fallingFifth;
  if (fall === 1 || fall === 2 || fall === 10 || fall === 11) points += POINTS.byStep;
  const isLed = leadsHome(from, keyAt(task.played, slot.tick));
  if (isLed && to.degree === 0 && slot.isNearEnd) points += POINTS.cadence;
  if (slot.closesSong && to.degree === 0)
    points += isLed ? 0 : from.degree === 5 ? POINTS.plagal : POINTS.noCadence;
  if (from.leadsTo !== null && from.isForeign) {
    points += from.leadsTo === to.degree ? POINTS.cadence : 2 * POINTS.leadsAstray;
  } else if (
    from.degree === 7 &&
    to.degree !== 0 &&
    to.degree !== 9 &&
    to.degree !== 4 &&
    task.taste !== 'three'
  ) {
    points += POINTS.leadsAstray / 2;
  }
  return points;
}
