import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { barTicks, beatsOf, METRES, placeAt, unitTicks } from '../music';
import { beatAt, beatsLater, beatsOfBar, offsetInBar, placeIn, placeInBar, writtenBars } from './bars';
import { emptySong } from './emptySong';
import type { Song } from './schema';
import { unfold } from './unfold';

const songIn = (metre: (typeof METRES)[number], pickup: number, over: Partial<Song> = {}): Song => ({
  ...emptySong('s', 'S'),
  metreMap: [
    {
      tick: 0,
      numerator: metre.numerator,
      denominator: metre.denominator as 4,
      groups: [...(metre.groups ?? [])],
    },
  ],
  pickup,
  barCount: 3,
  ...over,
});

describe('a pick-up', () => {
  it('is the end of a bar: a quarter in 4/4 lies on 4, three eighths in 6/8 are its second beat', () => {
    const [four] = writtenBars(songIn({ numerator: 4, denominator: 4 }, 960));
    expect(placeInBar(four, 0)).toMatchObject({ offset: 2880, beat: 3, strength: 2 });
    expect(beatAt(four, 0)).toBe(4);
    const [jig] = writtenBars(songIn({ numerator: 6, denominator: 8 }, 1440));
    expect([0, 480, 960].map((tick) => placeInBar(jig, tick).strength)).toEqual([3, 1, 1]);
    expect(beatsOfBar(jig)).toEqual([0]);
    const [eighth] = writtenBars(songIn({ numerator: 3, denominator: 4 }, 480));
    expect(beatsOfBar(eighth)).toEqual([]);
  });

  it('is so in every pass', () => {
    const song = songIn({ numerator: 3, denominator: 4 }, 960, {
      playingOrder: [
        { fromBar: 0, toBar: 3 },
        { fromBar: 0, toBar: 3 },
      ],
    });
    const { bars } = unfold(song);
    const again = bars[4];
    expect([again.length, again.number]).toEqual([960, 4]);
    expect(placeInBar(again, again.tick)).toEqual(placeInBar(bars[0], 0));
    expect(beatAt(again, again.tick)).toBe(3);
  });

  it('has the same place as in a whole bar before it: all metres, all lengths', () => {
    fc.assert(
      fc.property(fc.constantFrom(...METRES), fc.nat(), fc.nat(), (metre, a, b) => {
        const pickup = 120 * (1 + (a % (barTicks(metre) / 120 - 1)));
        const bars = writtenBars(songIn(metre, pickup));
        const tick = b % (pickup + 3 * barTicks(metre));
        expect(placeIn(bars, tick)).toEqual(placeAt(metre, tick - pickup));
        const bar = bars.findLast((each) => each.tick <= tick) ?? bars[0];
        expect(beatAt(bar, tick)).toBe(1 + offsetInBar(bar, tick) / unitTicks(metre));
        for (const beat of beatsOfBar(bar)) expect(placeInBar(bar, beat).inBeat).toBe(0);
        const whole = bars[1];
        expect(beatsOfBar(whole)).toHaveLength(beatsOf(metre).length);
      }),
    );
  });
});

describe('beats later', () => {
  it('goes by unequal beats, over bar lines, and keeps its place in the beat', () => {
    const [bar] = writtenBars(songIn({ numerator: 7, denominator: 8 }, 0));
    expect([1, 2, 3, 4].map((count) => beatsLater(bar, 0, count))).toEqual([960, 1920, 3360, 4320]);
    expect([1, 2, 3].map((count) => beatsLater(bar, 3360, -count))).toEqual([1920, 960, 0]);
    expect(beatsLater(bar, 480, 1)).toBe(1440);
  });

  it('is undone by as many beats the other way, from a beat of any metre', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...METRES),
        fc.nat(),
        fc.integer({ min: -9, max: 9 }),
        (metre, at, count) => {
          const [bar] = writtenBars(songIn(metre, 0));
          const beats = beatsOf(metre);
          const tick = beats[at % beats.length].at;
          expect(beatsLater(bar, beatsLater(bar, tick, count), -count)).toBe(tick);
        },
      ),
    );
  });
});
