import { writtenBars } from './bars';
import type { FramePiece } from './framePiece';
import type { Song } from './schema';

/** An ending is played after all passes; before and between nothing is repeated, or everything moves along. */
export function playedTick(song: Song, at: number): number {
  if (song.playingOrder.length === 0 || at === 0) return at;
  const bars = writtenBars(song);
  return song.playingOrder.reduce(
    (sum, { fromBar, toBar }) =>
      sum +
      bars
        .filter(({ number }) => number >= fromBar && number <= toBar)
        .reduce((length, bar) => length + bar.length, 0),
    0,
  );
}

/** The order in which written bars are played once a piece is put in. */
export function orderWith(song: Song, { bars, before }: FramePiece, isFirst: boolean): Song['playingOrder'] {
  if (song.playingOrder.length === 0) return [];
  if (before === null)
    return [...song.playingOrder, { fromBar: song.barCount + 1, toBar: song.barCount + bars }];
  if (!isFirst) return song.playingOrder;
  const moved = song.playingOrder.map(({ fromBar, toBar }) => ({
    fromBar: fromBar + bars,
    toBar: toBar + bars,
  }));
  return [{ fromBar: 1, toBar: song.pickup > 0 ? bars - 1 : bars }, ...moved].filter(
    ({ fromBar, toBar }) => toBar >= fromBar,
  );
}

/** The same once it is taken out again: so many bars at a written tick, its last one shared with so long a pick-up. */
export function orderWithout(song: Song, bars: number, at: number, pickup: number): Song['playingOrder'] {
  if (song.playingOrder.length === 0) return [];
  // A song in which bars are repeated is framed at its ends alone: what comes later is the ending, and last.
  if (at > 0) return song.playingOrder.filter(({ fromBar }) => fromBar <= song.barCount - bars);
  const [, ...rest] = bars - (pickup > 0 ? 1 : 0) > 0 ? song.playingOrder : [null, ...song.playingOrder];
  return rest.flatMap((span) => (span ? [{ fromBar: span.fromBar - bars, toBar: span.toBar - bars }] : []));
}
