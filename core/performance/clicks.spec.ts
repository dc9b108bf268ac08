import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { TUNES_APART } from '../../demo/kept-apart';
import { arrange } from '../arrange';
import { beatsOf, TICKS_PER_QUARTER } from '../music';
import { barAt, beatsOfBar, DEFAULT_PROFILE, lastAtOrBefore } from '../song';
import { clicksAlong, countIn } from './clicks';
import { Clock } from './clock';

describe('the click', () => {
  it('falls on the beats of each part of every song, and the count-in leads to it in time', () => {
    for (const song of [...DEMO_SONGS, ...TUNES_APART]) {
      const { played, parts } = arrange(song, DEFAULT_PROFILE);
      const clock = new Clock(played.tempoMap, song.feel);
      const { bars } = played;
      for (const { fromTick, toTick, number } of parts) {
        const start = clock.secondsAt(fromTick);
        const clicks = clicksAlong({ bars, fromTick, toTick }, (tick) => clock.secondsAt(tick));
        const beats = bars.flatMap(beatsOfBar).filter((tick) => tick >= fromTick && tick < toTick);
        const name = `${song.title} ${number}`;
        expect([name, clicks.map(({ seconds }) => seconds)]).toEqual([
          name,
          beats.map((tick) => clock.secondsAt(tick) - start),
        ]);
        expect(clicks.map(({ bar }) => bar)).toEqual(beats.map((tick) => barAt(bars, tick).number));
        const { quartersPerMinute } = lastAtOrBefore(played.tempoMap, fromTick);
        const perTick = 60 / (quartersPerMinute * TICKS_PER_QUARTER);
        const before = countIn({ bars, fromTick }, perTick);
        expect(before.clicks[0].seconds).toBeCloseTo(-before.seconds, 9);
        // Counted are the beats of a whole bar at the least; the last before the first beat of the music is one beat off.
        const { metre } = barAt(bars, fromTick);
        expect(before.clicks.length).toBeGreaterThanOrEqual(beatsOf(metre).length);
        const all = [...before.clicks, ...clicks].map(({ beat }) => beat);
        all.slice(1, before.clicks.length + 1).forEach((beat, i) => {
          expect([name, beat]).toEqual([name, (all[i] % beatsOf(metre).length) + 1]);
        });
      }
    }
  });

  it('goes on in bars like the last, for who plays more than there is', () => {
    const bar = { number: 1, tick: 0, length: 2880, metre: { numerator: 3, denominator: 4 } };
    const clicks = clicksAlong({ bars: [bar], fromTick: 0, toTick: 3 * 2880 }, (tick) => tick);
    expect(clicks.map(({ bar: number, beat }) => [number, beat])).toEqual([
      ...[1, 2, 3].flatMap((number) => [1, 2, 3].map((beat) => [number, beat])),
    ]);
  });
});
