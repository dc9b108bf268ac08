import { beatsOf } from '../music';
import type { PlayedBar } from '../song';
import type { Goal } from './goal';
import type { HotBar } from './hotSpots';
import { type Task, minutesFor, type Span } from './task';

/** A bar that goes wrong as a task of its own: from the bar before, ending on the next downbeat. */
export function spotTask(
  { bar: number, tick, hand }: Pick<HotBar, 'bar' | 'tick' | 'hand'>,
  part: { readonly cutId: string; readonly number: number; readonly fromTick: number },
  bars: readonly PlayedBar[],
  level: number,
  goal: Goal,
  secondsAt: (tick: number) => number,
): Task {
  const span = withBarBefore(
    bars,
    bars.findIndex((bar) => bar.number === number),
    secondsAt,
  );
  const turns = goal.turns + 1;
  return {
    id: `spot ${tick}`,
    kind: 'spot',
    fromPart: part.number,
    toPart: part.number,
    fromTick: span.fromTick,
    toTick: span.toTick,
    hands: hand,
    level,
    // By its place in the part, so that it is the same card when something before it is edited.
    card: `spot|${part.cutId}+${tick - part.fromTick}|${hand}|${level}`,
    turns,
    minutes: minutesFor(span.seconds, turns, goal.from),
    why: 'new',
    more: 'went-wrong',
    fromPercent: goal.from,
  };
}

/** A bar with the one before, rehearsed into it, ending on the next downbeat where there is one. */
export function withBarBefore(
  bars: readonly PlayedBar[],
  at: number,
  secondsAt: (tick: number) => number,
): Span {
  const [before, bar, after] = [bars[at - 1], bars[at], bars[at + 1]];
  const fromTick = before?.tick ?? bar.tick;
  const toTick = bar.tick + bar.length + (after ? beatsOf(after.metre)[0].length : 0);
  return { fromTick, toTick, seconds: secondsAt(toTick) - secondsAt(fromTick) };
}
