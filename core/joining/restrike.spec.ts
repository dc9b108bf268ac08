import { describe, expect, it } from 'vitest';
import type { Metre } from '../music';
import type { Pattern } from '../patterns';
import { barsIn, type PlayedBar } from '../song';
import type { VoicedChange } from '../voicing';
import { isHeld, struckAgain } from './restrike';

const beat = 960;
/** A pick-up of a beat, then whole bars. */
function barsOf(count: number, numerator: number, pickup = 0): PlayedBar[] {
  const metre = { numerator, denominator: 4 as const };
  const whole = Array.from({ length: count }, (_, i) => ({
    number: i + 1,
    tick: pickup + i * numerator * beat,
    length: numerator * beat,
    metre,
  }));
  return (pickup > 0 ? [{ number: 0, tick: 0, length: pickup, metre }, ...whole] : whole) as PlayedBar[];
}
const lasting = (from: number, length: number): VoicedChange =>
  ({ change: { tick: from * beat }, length: length * beat }) as VoicedChange;
const told = (bars: readonly PlayedBar[]): string[] =>
  bars.map(({ number, tick, length }) => `${number}: ${tick / beat}+${length / beat}`);

describe('a held chord is struck', () => {
  const four = barsOf(4, 4);

  it('once, over all bar lines', () => {
    expect(told(struckAgain(four, lasting(4, 8), 'once'))).toEqual(['2: 4+8']);
    expect(told(struckAgain(four, lasting(6, 4), 'once'))).toEqual(['2: 6+4']);
  });

  it('in each bar it touches', () => {
    expect(told(struckAgain(four, lasting(4, 8), 'bar'))).toEqual(['2: 4+4', '3: 8+4']);
    expect(told(struckAgain(four, lasting(6, 4), 'bar'))).toEqual(['2: 4+4', '3: 8+4']);
    expect(told(struckAgain(four, lasting(4, 4), 'bar'))).toEqual(['2: 4+4']);
  });

  it('in each half of a bar that has a middle, in the whole of one that has none', () => {
    expect(told(struckAgain(four, lasting(4, 4), 'half'))).toEqual(['2: 4+2', '2: 6+2']);
    expect(told(struckAgain(barsOf(2, 3), lasting(3, 3), 'half'))).toEqual(['2: 3+3']);
  });

  it('a pick-up as a bar of its own, numbered 1: what is struck there is no pick-up of a pattern', () => {
    const bars = barsOf(2, 4, beat);
    expect(told(struckAgain(bars, lasting(0, 5), 'once'))).toEqual(['1: 0+5']);
    expect(told(struckAgain(bars, lasting(0, 5), 'bar'))).toEqual(['1: 0+1', '1: 1+4']);
  });
});

describe('a chord is held', () => {
  const [block, rocking] = [{ beats: 0 }, { beats: 4 }] as Pattern[];
  const bars: PlayedBar[] = [...barsOf(1, 4), { ...barsOf(2, 3)[1], tick: 4 * beat }];
  const inFour = (metre: Metre): Pattern => (metre.numerator === 4 ? block : rocking);

  it('where no bar it lasts breaks it', () => {
    expect(isHeld(bars, lasting(0, 4), inFour)).toBe(true);
    expect(isHeld(bars, lasting(0, 5), inFour)).toBe(false);
    expect(isHeld(bars, lasting(4, 3), inFour)).toBe(false);
    expect(isHeld(bars, lasting(0, 7), () => block)).toBe(true);
  });
});

describe('the bars a stretch touches', () => {
  it('are those it begins, lies and ends in, not the one that begins where it ends', () => {
    const bars = barsOf(4, 4);
    expect(told(barsIn(bars, 4 * beat, 8 * beat))).toEqual(['2: 4+4']);
    expect(told(barsIn(bars, 5 * beat, 9 * beat))).toEqual(['2: 4+4', '3: 8+4']);
    expect(told(barsIn(bars, 13 * beat, 99 * beat))).toEqual(['4: 12+4']);
  });
});
