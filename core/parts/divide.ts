import { barTicks } from '../music';
import { barAt, type PlayedSong } from '../song';
import { boundariesOf, type Boundary, stepTicks, STRENGTH } from './strength';

/** A place where a part begins. */
export interface ProposedCut {
  readonly tick: number;
  /** Points that speak for it; 0 for the first. */
  readonly strength: number;
  readonly reasons: readonly string[];
}

/**
 * Points, ten to a point of strength, so that all costs are whole. Set on the hand-marked songs of the tests;
 * neighbouring values find nearly the same cuts.
 */
export const DIVISION = {
  tenths: 10,
  /** A boundary must earn this much or the part goes on. */
  worthACut: 75,
  /** A part that is not as long as the one before it. */
  otherLength: 20,
  /** A part of fewer beats is over before it is learned, one of more is hard to hold in the head. */
  fewestBeats: 8,
  perMissingBeat: 12,
  mostBeats: 20,
  perBeatTooMany: 8,
  /** Three or five bars instead of two or four; more than five; not whole bars. */
  oddBars: 10,
  manyBars: 30,
  brokenBars: 30,
} as const;
/** Boundaries further apart are not joined. */
const LONGEST_BARS = 9;

export const SONG_BEGINS: ProposedCut = { tick: 0, strength: 0, reasons: ['the song begins'] };

/** Points a part costs by its length in hundredths of a bar and in beats: none for two or four bars of a good length. */
export function lengthCost(hundredths: number, beats: number): number {
  const bars = Math.round(hundredths / 100);
  const short = DIVISION.perMissingBeat * Math.max(0, DIVISION.fewestBeats - beats);
  const long = DIVISION.perBeatTooMany * Math.max(0, beats - DIVISION.mostBeats);
  const usual = bars === 2 || bars === 4 ? 0 : bars <= 5 ? DIVISION.oddBars : DIVISION.manyBars;
  const broken = Math.abs(hundredths - 100 * bars) < 2 ? 0 : DIVISION.brokenBars;
  return Math.round(short + long) + usual + broken;
}

/**
 * Cuts the song into short parts: of all divisions the one whose boundaries are strongest and whose parts have the
 * best lengths, each like the one before it. Dynamic programming over the boundaries and the length of the last part,
 * O(n · w²) with w the boundaries within nine bars. `forced` places are cut whatever speaks for them.
 */
export function divide(played: PlayedSong, forced: readonly number[] = []): ProposedCut[] {
  const must = new Set(forced.filter((tick) => tick > 0 && tick < played.endTick));
  const known = boundariesOf(played);
  const all = [...known, ...[...must].filter((t) => !known.some((b) => b.tick === t)).map(bare)];
  const places = all
    .filter((b) => b.tick > 0 && b.tick < played.endTick && (must.has(b.tick) || isWorthIt(b)))
    .sort((a, b) => a.tick - b.tick);
  const stops = [SONG_BEGINS, ...places, bare(played.endTick)];
  return trace(stops, sweep(played, stops, must));
}

/** A way to cut up to a stop, its last part so many hundredths of a bar long. */
interface Way {
  readonly cost: number;
  readonly before: number;
  /** Length of the last part of the way to `before`. */
  readonly lengthBefore: number;
}

type Ways = ReadonlyMap<number, Way>;

/** For each stop and each length its last part may have, the cheapest way there. */
function sweep(played: PlayedSong, stops: readonly Boundary[], must: ReadonlySet<number>): Ways[] {
  const ways: Ways[] = [new Map([[0, { cost: 0, before: -1, lengthBefore: 0 }]])];
  const metres = stops.map(({ tick }) => barAt(played.bars, tick).metre);
  const bar = metres.map(barTicks);
  const beat = metres.map(stepTicks);
  for (let i = 1; i < stops.length; i++) {
    const { tick, strength } = stops[i];
    const isFree = i < stops.length - 1 && !must.has(tick);
    const gain = isFree ? DIVISION.tenths * strength - DIVISION.worthACut : 0;
    const here = new Map<number, Way>();
    for (let j = i - 1; j >= 0; j--) {
      const ticks = tick - stops[j].tick;
      const length = Math.round((100 * ticks) / bar[j]);
      if (length > 100 * LONGEST_BARS && j < i - 1) break;
      const way = cheapest(ways[j], length);
      const cost = way.cost + lengthCost(length, ticks / beat[j]) - gain;
      const known = here.get(length);
      if (!known || cost < known.cost) here.set(length, { cost, before: j, lengthBefore: way.length });
      if (must.has(stops[j].tick)) break;
    }
    ways.push(here);
  }
  return ways;
}

/** The cheapest way to a stop for a next part of a length: a part like the one before costs nothing more. */
function cheapest(ways: Ways, next: number): { cost: number; length: number } {
  let [best, length] = [Infinity, 0];
  for (const [last, { cost }] of ways) {
    const whole = last === 0 || last === next ? cost : cost + DIVISION.otherLength;
    if (whole < best) [best, length] = [whole, last];
  }
  return { cost: best, length };
}

function trace(stops: readonly Boundary[], ways: readonly Ways[]): ProposedCut[] {
  const cuts: ProposedCut[] = [];
  let at = stops.length - 1;
  let length = [...ways[at]].reduce((a, b) => (b[1].cost < a[1].cost ? b : a))[0];
  while (at > 0) {
    const way = ways[at].get(length) as Way;
    const { tick, strength, reasons } = stops[way.before];
    cuts.unshift({ tick, strength, reasons });
    [at, length] = [way.before, way.lengthBefore];
  }
  return cuts;
}

function isWorthIt(boundary: Boundary): boolean {
  return boundary.strength >= STRENGTH.barLine;
}

function bare(tick: number): Boundary {
  return { tick, strength: 0, reasons: [] };
}
