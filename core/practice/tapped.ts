import type { PlayedBar } from '../song';

/** Bars without their pick-up, in time: what one taps. */
type Bars = readonly Pick<PlayedBar, 'tick' | 'length' | 'number'>[];

/** Two taps nearer than this, in seconds, are one that bounced. */
const BOUNCE_SECONDS = 0.2;

/** The bars one taps: those with a downbeat, a pick-up has none. */
export function barsToTap<T extends Pick<PlayedBar, 'number'>>(bars: readonly T[]): T[] {
  return bars.filter(({ number }) => number > 0);
}

/** The taps with one more; a bounce, or one before the last, changes nothing. */
export function withTap(taps: readonly number[], seconds: number): readonly number[] {
  const last = taps.at(-1) ?? -Infinity;
  return seconds - last < BOUNCE_SECONDS ? taps : [...taps, seconds];
}

/**
 * When a tick of the song sounds in a recording whose bars were tapped, in seconds: in proportion within a bar; before
 * the first and after the last tap as fast as the bar beside it. Null where fewer than two bars were tapped, or the
 * tick lies more than a bar past the last.
 */
export function secondsInRecording(taps: readonly number[], bars: Bars, tick: number): number | null {
  const full = barsToTap(bars);
  const known = Math.min(taps.length, full.length);
  if (known < 2) return null;
  let at = full.findLastIndex((bar) => bar.tick <= tick);
  at = Math.max(0, at);
  if (at >= known || (at === known - 1 && tick > full[at].tick + full[at].length)) return null;
  const beside = at === known - 1 ? at - 1 : at;
  const perTick = (taps[beside + 1] - taps[beside]) / full[beside].length;
  return Math.max(0, taps[at] + (tick - full[at].tick) * perTick);
}

/** A stretch of the song in a recording; null where its bars are not all tapped. */
export function stretchInRecording(
  taps: readonly number[],
  bars: Bars,
  { fromTick, toTick }: { readonly fromTick: number; readonly toTick: number },
): { readonly from: number; readonly to: number } | null {
  const from = secondsInRecording(taps, bars, fromTick);
  const full = barsToTap(bars);
  const last = full.at(-1);
  // The end of a bar is where the next begins, and of the last where it would.
  const isEnd = last !== undefined && toTick >= last.tick + last.length;
  const next = full.findIndex(({ tick }) => tick === toTick);
  const isTapped = next > 0 ? next <= taps.length : isEnd && taps.length >= full.length;
  const to =
    next > 0 && next === taps.length
      ? secondsInRecording(taps, bars, toTick - 1)
      : secondsInRecording(taps, bars, isEnd ? (last?.tick ?? 0) + (last?.length ?? 0) : toTick);
  if (from === null || to === null || (next > 0 && !isTapped) || to <= from) return null;
  return { from, to };
}
