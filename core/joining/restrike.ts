import { barTicks, type Metre, middleTicks } from '../music';
import type { Pattern } from '../patterns';
import { barAt, type Choices, type PlayedBar } from '../song';
import type { VoicedChange } from '../voicing';

/** Whether a chord is held as it is in every bar it lasts, not broken into a figure. */
export function isHeld(
  bars: readonly PlayedBar[],
  { change: { tick }, length }: VoicedChange,
  patternIn: (metre: Metre) => Pattern,
): boolean {
  const lasting = bars.filter((bar) => bar.tick < tick + length && bar.tick + bar.length > tick);
  return lasting.every((bar) => patternIn(bar.metre).beats === 0);
}

/**
 * The stretches a held chord is struck in, as bars: one over all bar lines, one each bar, or one each half bar in metres
 * that have a middle.
 */
export function struckAgain(
  bars: readonly PlayedBar[],
  { change: { tick }, length }: VoicedChange,
  how: NonNullable<Choices['restrike']>,
): PlayedBar[] {
  const first = barAt(bars, tick) as PlayedBar;
  if (how === 'once') return [{ ...first, tick, length, number: Math.max(1, first.number) }];
  const end = tick + length;
  return bars
    .filter((bar) => bar.tick < end && bar.tick + bar.length > tick)
    .map((bar) => ({ ...bar, number: Math.max(1, bar.number) }))
    .flatMap((bar) => (how === 'half' ? halves(bar) : [bar]));
}

function halves(bar: PlayedBar): PlayedBar[] {
  const middle = middleTicks(bar.metre);
  if (middle === null || bar.length < barTicks(bar.metre)) return [bar];
  return [
    { ...bar, length: middle },
    { ...bar, tick: bar.tick + middle, length: bar.length - middle },
  ];
}
