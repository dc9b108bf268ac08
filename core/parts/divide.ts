import { Memory } from '../memory';
import { divides, type Phrase } from '../sentences';
import { barTicks, beatTicks } from '../music';
import { barAt, type PlayedSong } from '../song';
import { twelveBarsFrom } from './twelveBars';
import { interludesOf } from './interludes';
import { type PhraseStart, phraseStarts } from './phraseStarts';
import { boundariesOf } from './strength';

/** A place where a part begins. */
export interface ProposedCut {
  readonly tick: number;
  /** Points that speak for it; 0 for the first. */
  readonly strength: number;
  readonly reasons: readonly Phrase[];
}

/**
 * Points, ten to a point of strength, so that all costs are whole. Round numbers held against the hand-marked songs of
 * the tests; any one of them a tenth more or less finds F1 0.98 and more there, 0.89 and more on the tunes kept apart.
 */
const DIVISION = {
  /** A cut must earn this much or the part goes on. */
  worthACut: 60,
  /** A part half or twice as long as the song's phrases usually are, and one of any other length. */
  halfOrDouble: 40,
  otherLength: 55,
  /** A part of fewer beats is over before it is learned, one of more is hard to hold in the head. */
  fewestBeats: 8,
  perMissingBeat: 12,
  mostBeats: 18,
  perBeatTooMany: 8,
  /** Not whole bars. */
  brokenBars: 30,
  /** Bars since the last stop that must be are no multiple of the usual length: a price, as a bonus it ruins other songs. */
  outOfHypermetre: 10,
  /** Where the four bars of a twelve-bar blues begin, and elsewhere inside it. */
  ofTwelve: 30,
  insideTwelve: -50,
} as const;

/** The phrase lengths a song may have throughout, in bars, and the points each must earn beside four. */
export const USUAL_LENGTHS: readonly (readonly [bars: number, points: number])[] = [
  [4, 0],
  [2, 15],
  [3, 20],
  [5, 30],
  [6, 45],
  [8, 60],
];
/** Cuts further apart are not looked for while nearer ones are there, in hundredths of a bar. */
const LONGEST = 1200;

export const SONG_BEGINS: ProposedCut = { tick: 0, strength: 0, reasons: [divides.songBegins()] };

/** A place where the song may be cut, or must be. */
export interface Stop extends PhraseStart {
  readonly isForced: boolean;
  /** Bars since the last stop before it that must be. */
  readonly since: number;
}

/** Points a part of hundredths of a bar and so many beats costs in a song whose phrases usually have so many bars. */
export function lengthCost(hundredths: number, beats: number, usual: number, isLast: boolean): number {
  const bars = Math.round(hundredths / 100);
  const short = DIVISION.perMissingBeat * Math.max(0, DIVISION.fewestBeats - beats);
  const long = DIVISION.perBeatTooMany * Math.max(0, beats - DIVISION.mostBeats);
  const isRelated = bars * 2 === usual || bars === usual * 2;
  const other = bars === usual ? 0 : isRelated ? DIVISION.halfOrDouble : DIVISION.otherLength;
  // A last bar that only completes the pick-up is right.
  const broken = isLast || Math.abs(hundredths - 100 * bars) < 2 ? 0 : DIVISION.brokenBars;
  return Math.round(short + long) + other + broken;
}

/**
 * Cuts the song into short parts, first by bars, then by notes: each bar line has the onset with which a phrase would
 * best begin there; one usual length for the whole song and the cuts are chosen together, so that the cuts are strong and
 * the parts as long as phrases in this song are. Dynamic programming over the bar lines for each usual length, O(n · 12).
 * `forced` places are cut whatever speaks for them.
 */
export function divide(
  played: PlayedSong,
  forced: readonly number[] = [],
  memory = new Memory(),
): readonly ProposedCut[] {
  const from = [boundariesOf(played, memory), played.changes, forced.join()];
  return memory.of<readonly ProposedCut[]>('division')('song', from, () => cutsIn(played, forced, memory));
}

function cutsIn(played: PlayedSong, forced: readonly number[], memory: Memory): ProposedCut[] {
  const stops = stopsOf(played, forced, memory);
  const ways = USUAL_LENGTHS.map(([bars, points]) => {
    const { cost, cuts } = bestFor(stops, bars);
    return { cost: cost + points + (bars === 2 ? againstTwoBars(stops) : 0), cuts };
  });
  const { cuts } = ways.reduce((best, way) => (way.cost < best.cost ? way : best));
  return [SONG_BEGINS, ...cuts.map(({ tick, strength, reasons }) => ({ tick, strength, reasons }))];
}

/** Of a usual length of two bars: how much stronger the cuts at every fourth bar are than those between, and for each of those. */
const [STRONGER, EACH] = [30, 1.5];

/** Points against parts of two bars: they are as long as a phrase only where the middles are as strong as the ends. */
export function againstTwoBars(stops: readonly Stop[]): number {
  // Where a section begins it is strong for that reason.
  const free = stops.filter(
    ({ isForced, at, reasons }) =>
      !isForced && at % 200 < 2 && !reasons.some(({ code }) => code === 'sectionBegins'),
  );
  const fours = free.filter(({ at }) => at % 400 < 2);
  const others = free.filter(({ at }) => at % 400 >= 2);
  if (fours.length === 0 || others.length === 0) return 0;
  const mean = (list: readonly Stop[]): number => list.reduce((sum, { gain }) => sum + gain, 0) / list.length;
  return Math.max(0, Math.round(EACH * (mean(fours) - mean(others) - STRONGER) * others.length));
}

/** Where the song begins, may or must be cut, and ends, in time. */
export function stopsOf(
  played: PlayedSong,
  forced: readonly number[] = [],
  memory = new Memory(),
): readonly Stop[] {
  const silences = interludesOf(played).flatMap(({ fromTick, toTick }) => [fromTick, toTick]);
  const must = [...new Set([...forced, ...silences])].filter((tick) => tick > 0 && tick < played.endTick);
  const starts = phraseStarts(played, memory);
  // A place the pianist locked stands for the bar line it lies nearest to.
  const free = starts.filter(
    ({ tick, barTick, beat }) => !must.some((t) => t === tick || Math.abs(t - barTick) < 2 * beat),
  );
  const known = new Map(starts.map((start) => [start.tick, start]));
  const begins = played.bars.find(({ number }) => number >= 1) ?? played.bars[0];
  const ends = played.endTick;
  const all = [
    bare(played, 0, begins.tick),
    ...[
      ...free.map((start): Stop => ({ ...start, isForced: false, since: 0 })),
      ...must.map((tick): Stop => ({
        ...(known.get(tick) ?? bare(played, tick, tick)),
        isForced: true,
        since: 0,
      })),
    ].sort((a, b) => a.tick - b.tick),
    bare(played, ends, ends),
  ];
  return withTwelveBars(played, counted(all));
}

/** Each with the bars since the last stop that must be. */
function counted(stops: readonly Stop[]): readonly Stop[] {
  let from = stops[0].at;
  return stops.map((stop) => {
    const since = Math.round((stop.at - from) / 100);
    if (stop.isForced) from = stop.at;
    return { ...stop, since };
  });
}

function bare(played: PlayedSong, tick: number, barTick: number): Stop {
  const { metre } = barAt(played.bars, Math.min(barTick, played.endTick - 1));
  const at = barsTo(played, barTick);
  return {
    tick,
    at,
    barTick,
    beat: beatTicks(metre),
    gain: 0,
    strength: 0,
    reasons: [],
    isForced: true,
    since: 0,
  };
}

/** Hundredths of a bar from the first bar line to a tick. */
function barsTo(played: PlayedSong, tick: number): number {
  return played.bars
    .filter((bar) => bar.number >= 1 && bar.tick < tick)
    .reduce(
      (sum, bar) => sum + Math.round((100 * Math.min(bar.length, tick - bar.tick)) / barTicks(bar.metre)),
      0,
    );
}

/** In a twelve-bar blues its fours are what it is cut into. */
function withTwelveBars(played: PlayedSong, stops: readonly Stop[]): readonly Stop[] {
  const ranges = twelveBarsFrom(played);
  if (ranges.length === 0) return stops;
  const points = (barTick: number): number => {
    const bar = played.bars.findIndex(({ tick }) => tick === barTick);
    const from = ranges.findLast((first) => first <= bar);
    if (from === undefined || bar > from + 12) return 0;
    return (bar - from) % 4 === 0 ? DIVISION.ofTwelve : DIVISION.insideTwelve;
  };
  return stops.map((stop) => (stop.isForced ? stop : { ...stop, gain: stop.gain + points(stop.barTick) }));
}

/** What a part from one stop to another costs, less what its end earns. */
export function partCost(from: Stop, to: Stop, usual: number, isLast: boolean): number {
  const length = lengthCost(to.at - from.at, (to.barTick - from.barTick) / from.beat, usual, isLast);
  const isApart = !to.isForced && !isLast && to.since % usual !== 0;
  return length + (isApart ? DIVISION.outOfHypermetre : 0) - (to.isForced ? 0 : to.gain - DIVISION.worthACut);
}

/** The cheapest cuts for one usual length. */
function bestFor(stops: readonly Stop[], usual: number): { readonly cost: number; readonly cuts: Stop[] } {
  const costs = [0];
  const before = [-1];
  const last = stops.length - 1;
  for (let i = 1; i <= last; i++) {
    costs[i] = Infinity;
    for (let j = i - 1; j >= 0; j--) {
      if (stops[i].at - stops[j].at > LONGEST && j < i - 1) break;
      const cost = costs[j] + partCost(stops[j], stops[i], usual, i === last);
      if (cost < costs[i]) [costs[i], before[i]] = [cost, j];
      if (stops[j].isForced) break;
    }
  }
  const cuts: Stop[] = [];
  for (let i = before[last]; i > 0; i = before[i]) cuts.unshift(stops[i]);
  return { cost: costs[last], cuts };
}
