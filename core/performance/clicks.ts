import { barTicks, beatsBetween, countInTicks } from '../music';
import { type Bar, barAt, offsetInBar } from '../song';

/** A click on a beat. */
export interface Click {
  /** Seconds from where the music begins; less than 0 in the count-in. */
  readonly seconds: number;
  /** Which beat of its bar it is, from 1. */
  readonly beat: number;
  /** The number of its bar; null in the count-in. */
  readonly bar: number | null;
}

/** Bars to play from and to. */
export interface Stretch {
  readonly bars: readonly Bar[];
  readonly fromTick: number;
  readonly toTick: number;
}

/** A click on each beat of a stretch, bar by bar as they are, `secondsAt` a tick; after the last bar the same go on. */
export function clicksAlong(
  { bars, fromTick, toTick }: Stretch,
  secondsAt: (tick: number) => number,
): Click[] {
  const start = secondsAt(fromTick);
  return asLongAs(bars, toTick)
    .filter(({ tick, length }) => tick < toTick && tick + length > fromTick)
    .flatMap((bar) => {
      const line = bar.tick - offsetInBar(bar, bar.tick);
      const [from, to] = [Math.max(fromTick, bar.tick), Math.min(toTick, bar.tick + bar.length)];
      return beatsBetween(bar.metre, from - line, to - line).map(({ at, number }) => ({
        ...{ seconds: secondsAt(line + at) - start, beat: number, bar: bar.number },
      }));
    });
}

/**
 * The count-in to a tick, and how many seconds it lasts: a whole bar (two where a bar is one beat), and what of a bar comes
 * before music that begins inside it; or, from one task on to the next, the beat before. `perTick`: seconds a tick takes there.
 */
export function countIn(
  { bars, fromTick }: Pick<Stretch, 'bars' | 'fromTick'>,
  perTick: number,
  isOneBeat = false,
): { readonly clicks: readonly Click[]; readonly seconds: number } {
  const bar = barAt(bars, fromTick);
  const to = offsetInBar(bar, fromTick);
  const all = beatsBetween(bar.metre, -countInTicks(bar.metre), to);
  const beats = isOneBeat ? all.slice(-1) : all;
  return {
    clicks: beats.map(({ at, number }) => ({ seconds: (at - to) * perTick, beat: number, bar: null })),
    seconds: (to - beats[0].at) * perTick,
  };
}

function asLongAs(bars: readonly Bar[], toTick: number): readonly Bar[] {
  const last = bars[bars.length - 1];
  const length = barTicks(last.metre);
  const missing = Math.max(0, Math.ceil((toTick - last.tick - last.length) / length));
  const more = Array.from({ length: missing }, (_, i) => ({
    ...{ number: last.number + 1 + i, tick: last.tick + last.length + i * length, length },
    metre: last.metre,
  }));
  return [...bars, ...more];
}
