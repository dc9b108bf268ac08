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
 * tick lies past the end of the last.
 */
export function secondsInRecording(taps: readonly number[], bars: Bars, tick: number): number | null {
  const tapped = barsToTap(bars).slice(0, taps.length);
  const last = tapped[tapped.length - 1];
  if (tapped.length < 2 || tick > last.tick + last.length) return null;
  const at = Math.max(
    0,
    tapped.findLastIndex((bar) => bar.tick <= tick),
  );
  const beside = Math.min(at, tapped.length - 2);
  const perTick = (taps[beside + 1] - taps[beside]) / tapped[beside].length;
  return Math.max(0, taps[at] + (tick - tapped[at].tick) * perTick);
}

/** A stretch of the song in a recording; null where its bars are not all tapped. */
export function stretchInRecording(
  taps: readonly number[],
  bars: Bars,
  { fromTick, toTick }: { readonly fromTick: number; readonly toTick: number },
): { readonly from: number; readonly to: number } | null {
  const [from, to] = [fromTick, toTick].map((tick) => secondsInRecording(taps, bars, tick));
  return from === null || to === null || to <= from ? null : { from, to };
}

/** The arrangement is played between these, in percent of its tempo. */
const [SLOWEST, FASTEST] = [25, 250];

/** Percent of its own tempo at which an arrangement of so many seconds goes along with a stretch, itself played at a percent of its speed. */
export function tempoAlong(
  seconds: number,
  { from, to }: { readonly from: number; readonly to: number },
  percent: number,
): number {
  return Math.min(FASTEST, Math.max(SLOWEST, (seconds / (to - from)) * percent));
}
