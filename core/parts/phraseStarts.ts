import { Memory } from '../memory';
import { type Phrase } from '../sentences';
import { barTicks, beatTicks } from '../music';
import type { PlayedBar, PlayedSong } from '../song';
import type { Boundary } from './boundary';
import { boundariesOf, upbeatOf } from './strength';

/** A bar line where a phrase could have its first downbeat, and the onset round it with which it would begin. */
export interface PhraseStart {
  /** Where the part would be cut: the phrase's own pick-up before the bar line, or the bar line. */
  readonly tick: number;
  /** Bars from the song's first bar line, in hundredths. */
  readonly at: number;
  /** Ticks of the bar line, and of a beat there. */
  readonly barTick: number;
  readonly beat: number;
  /** Tenths of a point that speak for it, both for the bar line and for the onset. */
  readonly gain: number;
  readonly strength: number;
  readonly reasons: readonly Phrase[];
}

/**
 * Tenths of a point by where round its bar line a phrase begins. In a song with a pick-up its length and the bar line
 * count nearly alike; elsewhere something must have been held or have rested before.
 */
export const PLACE = {
  barLine: 20,
  pickUp: 20,
  barLineOfPickUps: 10,
  afterLong: -15,
  elsewhere: -30,
} as const;
/** Points of a long note or a rest before an onset that make it one a phrase may begin with anywhere. */
const LONG = 2;
/** Tenths of a point for the very note with which a figure begins that comes twice. */
const OF_FIGURE = 5;
const TENTHS = 10;

interface Candidate {
  readonly tick: number;
  readonly boundary: Boundary;
  readonly points: number;
}

/** The place where a phrase would best begin for each bar line but the first, in time; bar lines without one left out. */
export function phraseStarts(played: PlayedSong, memory = new Memory()): PhraseStart[] {
  const known = boundariesOf(played, memory).filter(({ tick }) => tick > 0);
  const first = played.bars.findIndex(({ number }) => number >= 1);
  const starts: PhraseStart[] = [];
  let [at, since] = [0, 0];
  played.bars.forEach((bar, i) => {
    const whole = barTicks(bar.metre);
    while (since < known.length && known[since].tick < bar.tick - whole / 2) since++;
    if (i > first) {
      const best = bestStart(played, bar, known, since);
      if (best) starts.push({ ...best, at, barTick: bar.tick, beat: beatTicks(bar.metre) });
    }
    if (i >= first) at += Math.round((100 * bar.length) / whole);
  });
  return starts;
}

type Best = Pick<PhraseStart, 'tick' | 'gain' | 'strength' | 'reasons'>;

function bestStart(
  played: PlayedSong,
  bar: PlayedBar,
  known: readonly Boundary[],
  since: number,
): Best | null {
  const candidates: Candidate[] = [];
  let shared = -Infinity;
  const add = (tick: number, boundary: Boundary): void => {
    candidates.push({ tick, boundary, points: onsetPoints(played, bar, tick, boundary) });
    // What speaks for the bar line speaks for every way to begin round it.
    shared = Math.max(shared, boundary.forBar);
  };
  let at = since;
  for (; at < known.length && known[at].tick <= bar.tick; at++) add(known[at].tick, known[at]);
  const late = known[at];
  // A phrase that begins with a rest begins where its first chord does.
  const beginsWithRest =
    late && late.tick - bar.tick <= beatTicks(bar.metre) && late.rest >= late.tick - bar.tick;
  if (beginsWithRest && !candidates.some(({ tick }) => tick === bar.tick)) add(bar.tick, late);
  if (candidates.length === 0) return null;
  const { tick, boundary, points } = candidates.reduce((a, b) => (b.points > a.points ? b : a));
  const gain = Math.round(TENTHS * shared + points);
  return { tick, gain, strength: Math.max(0, Math.round(gain / TENTHS)), reasons: boundary.reasons };
}

/** Tenths of a point that speak for beginning with this onset. */
function onsetPoints(played: PlayedSong, bar: PlayedBar, tick: number, boundary: Boundary): number {
  const upbeat = upbeatOf(played);
  const hasUpbeat = upbeat >= beatTicks(bar.metre) / 2;
  const place = (): number => {
    if (tick === bar.tick) return hasUpbeat ? PLACE.barLineOfPickUps : PLACE.barLine;
    if (upbeat > 0 && bar.tick - tick === upbeat) return PLACE.pickUp;
    return boundary.forOnset >= LONG ? PLACE.afterLong : PLACE.elsewhere;
  };
  return TENTHS * boundary.forOnset + place() + (boundary.isOfFigure ? OF_FIGURE : 0);
}
