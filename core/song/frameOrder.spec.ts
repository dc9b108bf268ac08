import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import {
  barPlayedFrom,
  lastPlayed,
  orderWith,
  orderWithout,
  orderWithoutIntro,
  playedLength,
  playedTicks,
} from './frameOrder';
import { emptySong } from './emptySong';
import type { Song } from './schema';

type Spans = readonly (readonly [number, number])[];
const order = (spans: Spans): Song['playingOrder'] => spans.map(([fromBar, toBar]) => ({ fromBar, toBar }));
const told = (spans: Song['playingOrder']): Spans => spans.map(({ fromBar, toBar }) => [fromBar, toBar]);
const BAR = 3840;

/** Eight bars of 4/4 without a pick-up, bars 1 to 4 twice. */
function repeated(
  spans: Spans = [
    [1, 4],
    [1, 8],
  ],
): Song {
  return { ...emptySong('s', 'S'), pickup: 0, barCount: 8, playingOrder: order(spans) };
}

describe('the order in which bars are played', () => {
  it('tells how long it is, its last bar, and where written ticks sound', () => {
    const song = repeated();
    expect([playedLength(song), lastPlayed(song)?.number]).toEqual([12 * BAR, 8]);
    expect(
      [0, BAR - 1, 3 * BAR, 4 * BAR, 8 * BAR - 1, 8 * BAR].map((tick) => playedTicks(song, tick)),
    ).toEqual([[0, 4 * BAR], [BAR - 1, 5 * BAR - 1], [3 * BAR, 7 * BAR], [8 * BAR], [12 * BAR - 1], []]);
    expect(
      [0, BAR, BAR + 1, 4 * BAR, 8 * BAR, 12 * BAR].map((tick) => barPlayedFrom(song, tick)?.number),
    ).toEqual([undefined, 2, undefined, 1, 5, undefined]);
  });

  it('stays open where the song is played straight through', () => {
    const song = repeated([]);
    expect(orderWith(song, { bars: 4, before: 0 })).toEqual({ spans: [], isSplit: false });
    expect(orderWith(song, { bars: 4, before: null })).toEqual({ spans: [], isSplit: false });
  });

  it('has a piece at its end, its beginning, between two passes, or within one, which is in halves then', () => {
    const song = repeated();
    const put = (bars: number, before: number | null, own = song) => {
      const { spans, isSplit } = orderWith(own, { bars, before });
      return [told(spans), isSplit];
    };
    expect(put(2, null)).toEqual([
      [
        [1, 4],
        [1, 8],
        [9, 10],
      ],
      false,
    ]);
    expect(put(2, 0)).toEqual([
      [
        [1, 2],
        [3, 6],
        [3, 10],
      ],
      false,
    ]);
    // With a pick-up the last bar of an intro is shared; one bar is no span of its own then.
    const withPickUp = { ...song, pickup: 960 };
    expect(put(2, 0, withPickUp)[0]).toEqual([
      [1, 1],
      [3, 6],
      [3, 10],
    ]);
    expect(put(1, 0, withPickUp)[0]).toEqual([
      [2, 5],
      [2, 9],
    ]);
    expect(put(2, 4 * BAR)).toEqual([
      [
        [1, 4],
        [9, 10],
        [1, 8],
      ],
      false,
    ]);
    expect(put(2, 6 * BAR)).toEqual([
      [
        [1, 4],
        [1, 2],
        [9, 10],
        [3, 8],
      ],
      true,
    ]);
    expect(put(2, 2 * BAR)).toEqual([
      [
        [1, 2],
        [9, 10],
        [3, 4],
        [1, 8],
      ],
      true,
    ]);
    // No bar begins there.
    expect(put(2, 6 * BAR + 1)).toEqual([told(song.playingOrder), false]);
  });

  it('is as it was once an intro is taken out', () => {
    const withIntro = repeated([
      [1, 2],
      [3, 6],
      [3, 10],
    ]);
    expect(told(orderWithoutIntro(withIntro, 2, 0))).toEqual([
      [1, 4],
      [1, 8],
    ]);
    const shared = repeated([
      [2, 5],
      [2, 9],
    ]);
    expect(told(orderWithoutIntro(shared, 1, 960))).toEqual([
      [1, 4],
      [1, 8],
    ]);
  });

  it('has no hole once bars are taken out, and its halves are one again where nothing stands between them', () => {
    const out = (spans: Spans, first: number, bars: number, wasSplit: boolean) => {
      const { spans: left, apart } = orderWithout(repeated(spans), first, bars, wasSplit);
      return [told(left), apart];
    };
    const inHalves: Spans = [
      [1, 4],
      [1, 2],
      [9, 10],
      [3, 8],
    ];
    expect(out(inHalves, 9, 2, true)).toEqual([
      [
        [1, 4],
        [1, 8],
      ],
      [],
    ]);
    expect(out(inHalves, 9, 2, false)).toEqual([
      [
        [1, 4],
        [1, 2],
        [3, 8],
      ],
      [],
    ]);
    // Another piece still stands between the halves.
    expect(
      out(
        [
          [1, 2],
          [9, 10],
          [11, 12],
          [3, 8],
        ],
        9,
        2,
        true,
      ),
    ).toEqual([
      [
        [1, 2],
        [9, 10],
        [3, 8],
      ],
      [1, 9],
    ]);
    // Bars behind those taken out move up; a span over them gets shorter.
    expect(
      out(
        [
          [1, 6],
          [5, 8],
        ],
        3,
        2,
        false,
      ),
    ).toEqual([
      [
        [1, 4],
        [3, 6],
      ],
      [],
    ]);
    expect(out([[3, 4]], 3, 2, true)).toEqual([[], []]);
  });

  it('of a demo song with two endings is what its bars say', () => {
    const mudflat = DEMO_SONGS[3];
    expect(told(mudflat.playingOrder)).toEqual([
      [1, 8],
      [1, 6],
      [9, 26],
    ]);
    expect(lastPlayed(mudflat)?.number).toBe(26);
  });
});
