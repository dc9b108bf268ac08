import { type Hand, type HandNote, type Strike, strikesOf } from '../hands';
import { because, type Phrase } from '../sentences';
import type { Profile } from '../song';
import { blacksIn, carriedMm, openedAlong, openedBy, passOrSlide } from './motion';

export const MEASURES = [
  'leaps',
  'independence',
  'stretch',
  'shifts',
  'blackKeys',
  'speed',
  'density',
] as const;
export type Measure = (typeof MEASURES)[number];

/** How hard a part is: each measure and one total, 0–100, and the two weightiest reasons in words. */
export interface Effort {
  readonly total: number;
  readonly measures: Readonly<Record<Measure, number>>;
  readonly reasons: readonly Phrase[];
  /** The number of the hardest bar; null where nothing is played. */
  readonly hardestBar: number | null;
  /** Each bar by itself, in time. */
  readonly bars: readonly { readonly number: number; readonly total: number }[];
}

/** One bar of a part: what of it lies in the part, and how long that lasts. */
export interface EffortBar {
  readonly number: number;
  readonly tick: number;
  readonly length: number;
  readonly seconds: number;
  /** Ticks of a beat. */
  readonly beat: number;
  /** How often a group of its metre is longer or shorter than the one before: in 7/8 twice, in 4/4 never. */
  readonly turns: number;
}

export interface EffortTask {
  readonly right: readonly HandNote[];
  readonly left: readonly HandNote[];
  readonly bars: readonly EffortBar[];
  readonly profile: Profile;
}

/**
 * Points of each measure by its raw value a second: factor × value ^ power, 100 at most. Set so that reference phrases of
 * known difficulty lie in their bands; the powers say that the first leap weighs more than the tenth, but twice as fast
 * is more than twice as hard. Published in docs/costs.md.
 */
const CURVE: Readonly<Record<Measure, readonly [factor: number, power: number]>> = {
  leaps: [4.4, 0.4],
  independence: [15, 1],
  stretch: [48, 0.5],
  shifts: [18, 1],
  blackKeys: [16, 1],
  speed: [1.6, 1.6],
  density: [11.5, 0.7],
};
/** A tune against the beat of the other hand counts so much beside a strike alone. */
const SYNCOPATION = 2;
/** A group of another length counts so much where both hands play. */
const UNEQUAL = 1.5;
const NOTHING = Object.fromEntries(MEASURES.map((m) => [m, 0])) as Record<Measure, number>;

/**
 * Measures a part bar by bar. Peaks decide: the hardest measures of a bar weigh more than their mean (the root of the sum
 * of squares), and the hardest bar as much as all the rest together. An empty part costs nothing. Source: the measures
 * are those a teacher names; their weights are set by the reference phrases beside this file, written for the purpose.
 */
export function effortOf(task: EffortTask): Effort {
  const hands = { right: strikesOf(task.right), left: strikesOf(task.left) };
  const scored = task.bars.map((bar) => {
    const inBar = rawIn(bar, hands, task.profile);
    const points = pointsOf(inBar.raw);
    return { bar, ...inBar, points, total: Math.min(100, Math.hypot(...Object.values(points))) };
  });
  const [hardest, ...rest] = [...scored].sort((a, b) => b.total - a.total);
  const each = scored.map(({ bar, total }) => ({ number: bar.number, total: Math.round(total) }));
  if (!hardest || hardest.total === 0)
    return { total: 0, measures: NOTHING, reasons: [], hardestBar: null, bars: each };
  const mean = (of: (bar: (typeof scored)[number]) => number): number =>
    rest.length === 0 ? of(hardest) : rest.reduce((sum, bar) => sum + of(bar), 0) / rest.length;
  const overall = (of: (bar: (typeof scored)[number]) => number): number => (of(hardest) + mean(of)) / 2;
  const measures = Object.fromEntries(
    MEASURES.map((m) => [m, Math.round(overall((bar) => bar.points[m]))]),
  ) as Record<Measure, number>;
  const reasons = [...MEASURES]
    .sort((a, b) => measures[b] - measures[a])
    // What is nothing in the hardest bar is no reason there.
    .filter((m) => measures[m] > 0 && hardest.points[m] > 0)
    .flatMap((m) => inWords(m, hardest) ?? [])
    .slice(0, 2);
  return {
    total: Math.round(overall((bar) => bar.total)),
    measures,
    reasons,
    hardestBar: hardest.bar.number,
    bars: each,
  };
}

type Raw = Readonly<Record<Measure, number>>;
type Strikes = Readonly<Record<Hand, readonly Strike[]>>;

function pointsOf(raw: Raw): Record<Measure, number> {
  return Object.fromEntries(
    MEASURES.map((m) => {
      const [factor, power] = CURVE[m];
      return [m, Math.min(100, factor * raw[m] ** power)];
    }),
  ) as Record<Measure, number>;
}

/** What happens in one bar, each a second, and what words about it must be true of. */
interface InBar {
  readonly raw: Raw;
  /** The hand that opens wider. */
  readonly opens: Hand;
  /** Keys of both hands, how many of them are black, strikes of the left hand alone, passes. */
  readonly counts: Readonly<Record<'keys' | 'blacks' | 'alone' | 'passes', number>>;
}

function rawIn(bar: EffortBar, hands: Strikes, profile: Profile): InBar {
  const seconds = Math.max(bar.seconds, 0.05);
  const of = (hand: Hand): HandInBar => handIn(bar, hands[hand], hand, profile);
  const [right, left] = [of('right'), of('left')];
  const counts = {
    keys: right.keys + left.keys,
    blacks: right.blacks + left.blacks,
    alone: alone(left, right),
    passes: right.passes + left.passes,
  };
  const { keys, blacks } = counts;
  const raw = {
    leaps: (right.carried + left.carried) / seconds,
    independence:
      (counts.alone + SYNCOPATION * againstBeat(bar, right, left) + UNEQUAL * turned(bar, right, left)) /
      seconds,
    stretch: (right.opened + left.opened) / seconds,
    shifts: counts.passes / seconds,
    blackKeys: keys === 0 ? 0 : (blacks / keys) * (keys / seconds) ** 0.3,
    speed: Math.max(right.ticks.size, left.ticks.size) / seconds,
    density: besides(right, left) / seconds,
  };
  return { raw, counts, opens: right.opened > left.opened ? 'right' : 'left' };
}

/** Keys of the hand that strikes less often: of the fuller one where both strike alike. */
function besides(right: HandInBar, left: HandInBar): number {
  if (right.ticks.size === left.ticks.size)
    return right.ticks.size === 0 ? 0 : Math.max(right.keys, left.keys);
  return right.ticks.size < left.ticks.size ? right.keys : left.keys;
}

interface HandInBar {
  readonly ticks: ReadonlySet<number>;
  readonly keys: number;
  readonly carried: number;
  readonly opened: number;
  readonly passes: number;
  readonly blacks: number;
}

function handIn(
  { tick, length }: EffortBar,
  strikes: readonly Strike[],
  hand: Hand,
  profile: Profile,
): HandInBar {
  let [keys, carried, opened, passes, blacks] = [0, 0, 0, 0, 0];
  const ticks = new Set<number>();
  strikes.forEach((strike, i) => {
    const [{ tick: at }] = strike;
    if (at < tick || at >= tick + length) return;
    ticks.add(at);
    keys += strike.length;
    opened +=
      openedBy(strike, hand, profile) + openedAlong(strikes.slice(Math.max(0, i - 2), i + 1), hand, profile);
    blacks += blacksIn(strike);
    const before = strikes[i - 1];
    if (!before) return;
    carried += carriedMm(before, strike, hand);
    passes += passOrSlide(before, strike, hand);
  });
  return { ticks, keys, carried, opened, passes, blacks };
}

/** Strikes of the left hand while the right holds or rests, in a bar in which both play. */
function alone(left: HandInBar, right: HandInBar): number {
  return right.ticks.size === 0 ? 0 : [...left.ticks].filter((tick) => !right.ticks.has(tick)).length;
}

/** Groups of another length than the one before, in a bar in which both hands play. */
function turned({ turns }: EffortBar, right: HandInBar, left: HandInBar): number {
  return right.ticks.size > 0 && left.ticks.size > 0 ? turns : 0;
}

/** Notes of the tune off the beat that are held over one on which the left hand strikes alone. */
function againstBeat({ tick, beat }: EffortBar, right: HandInBar, left: HandInBar): number {
  const onsets = [...right.ticks].sort((a, b) => a - b);
  return onsets.filter((onset, i) => {
    const next = tick + (Math.floor((onset - tick) / beat) + 1) * beat;
    const isOff = (onset - tick) % beat !== 0;
    return isOff && left.ticks.has(next) && !right.ticks.has(next) && (onsets[i + 1] ?? Infinity) > next;
  }).length;
}

/** What is said to come often comes so many times in the bar at least. */
const OFTEN = 2;
/** Many keys are black where so many are, and so great a share. */
const MANY = 3;
const MANY_BLACK = 1 / 3;
/** So many notes a second in one hand are quick enough to be said. */
const QUICK = 2;

/** Hands that travel less, in millimetres a second, hardly move. */
const MOVES = 5;

/** A measure as it is said; null where the words would say more than is played. */
function inWords(
  measure: Measure,
  { bar, raw, opens, counts }: InBar & { readonly bar: EffortBar },
): Phrase | null {
  const { keys, blacks, passes } = counts;
  switch (measure) {
    case 'leaps':
      return raw.leaps < MOVES ? null : because.leaps();
    case 'independence':
      return bar.turns > 0 ? because.unequalBeats() : counts.alone < OFTEN ? null : because.leftAlone();
    case 'stretch':
      return because.wide(opens);
    case 'shifts':
      return passes < OFTEN ? null : because.shifts();
    case 'blackKeys':
      return blacks < MANY || blacks < MANY_BLACK * keys ? null : because.blackKeys(bar.number);
    case 'speed':
      return raw.speed < QUICK ? null : because.fast(raw.speed);
    case 'density':
      return because.full();
  }
}

/** The bars of a part with what of each lies in it. */
export function barsOfEffort(
  bars: readonly Omit<EffortBar, 'seconds'>[],
  from: number,
  to: number,
  secondsAt: (tick: number) => number,
): EffortBar[] {
  return bars.flatMap(({ number, tick, length, beat, turns }) => {
    const [start, end] = [Math.max(from, tick), Math.min(to, tick + length)];
    if (start >= end) return [];
    const seconds = secondsAt(end) - secondsAt(start);
    return [{ number, tick: start, length: end - start, seconds, beat, turns }];
  });
}
