import { describe, expect, it } from 'vitest';
import { barsToTap, secondsInRecording, stretchInRecording, tempoAlong, withTap } from './tapped';

/** A pick-up of a beat, and four bars of four. */
const BARS = [
  { number: 0, tick: 0, length: 960 },
  ...[1, 2, 3, 4].map((number) => ({ number, tick: 960 + (number - 1) * 3840, length: 3840 })),
];
const TAPS = [1, 3, 5, 9];

describe('a recording whose bars were tapped', () => {
  it('is tapped at downbeats; a bounce is one tap', () => {
    expect(barsToTap(BARS).map(({ number }) => number)).toEqual([1, 2, 3, 4]);
    expect(withTap([], 0.5)).toEqual([0.5]);
    expect(withTap([0.5], 0.69)).toEqual([0.5]);
    expect(withTap([0.5], 0.71)).toEqual([0.5, 0.71]);
    expect(withTap([0.5], 0.1)).toEqual([0.5]);
  });

  it('finds a tick in proportion within its bar, before the first tap and after the last as fast as beside it', () => {
    const at = (tick: number, taps = TAPS) => secondsInRecording(taps, BARS, tick);
    expect([at(960), at(960 + 1920), at(4800), at(8640 + 1920)]).toEqual([1, 2, 3, 7]);
    expect(at(0)).toBe(0.5);
    expect(at(12480 + 1920)).toBe(11);
    expect(at(12480 + 3840)).toBe(13);
    expect(at(12480 + 3841)).toBeNull();
    // The end of the last bar tapped is as far as the bar before it was long; past it nothing is known.
    expect([at(4800, [1, 3]), at(8640, [1, 3]), at(8641, [1, 3])]).toEqual([3, 5, null]);
    expect([at(960, []), at(960, [1])]).toEqual([null, null]);
    // Never before the recording begins.
    expect(at(0, [0.1, 2.1])).toBe(0);
  });

  it('finds a part once its bars are tapped, the last one as long as the one before', () => {
    const part = (fromTick: number, toTick: number, taps = TAPS) =>
      stretchInRecording(taps, BARS, { fromTick, toTick });
    expect(part(960, 8640)).toEqual({ from: 1, to: 5 });
    expect(part(0, 8640)).toEqual({ from: 0.5, to: 5 });
    expect(part(8640, 16320)).toEqual({ from: 5, to: 13 });
    expect(part(960, 8640, [1, 3])).toEqual({ from: 1, to: 5 });
    expect(part(8640, 16320, [1, 3, 5])).toBeNull();
    expect(part(960, 8640, [1])).toBeNull();
    expect(part(960, 960)).toBeNull();
  });

  it('is gone along with at its own speed, within what can be played', () => {
    expect(tempoAlong(8, { from: 2, to: 10 }, 100)).toBe(100);
    expect(tempoAlong(8, { from: 2, to: 6 }, 50)).toBe(100);
    expect(tempoAlong(4, { from: 2, to: 10 }, 100)).toBe(50);
    expect([tempoAlong(1, { from: 0, to: 100 }, 50), tempoAlong(100, { from: 0, to: 1 }, 100)]).toEqual([
      25, 250,
    ]);
  });
});
