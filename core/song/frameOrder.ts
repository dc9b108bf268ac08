import { type Bar, writtenBars } from './bars';
import type { FramePiece } from './framePiece';
import type { Song } from './schema';

type Order = Song['playingOrder'];
type Ordered = Pick<Song, 'playingOrder' | 'barCount' | 'pickup' | 'metreMap'>;

/** The written bars in the order they are played, each with the played tick it begins at. */
function barsInOrder(song: Ordered): { readonly bar: Bar; readonly tick: number }[] {
  const bars = writtenBars(song);
  const spans = song.playingOrder.length > 0 ? song.playingOrder : [{ fromBar: 0, toBar: song.barCount }];
  let at = 0;
  return spans
    .flatMap(({ fromBar, toBar }) => bars.filter(({ number }) => number >= fromBar && number <= toBar))
    .map((bar) => {
      const tick = at;
      at += bar.length;
      return { bar, tick };
    });
}

/** Ticks of the whole song as it is played. */
export function playedLength(song: Ordered): number {
  const last = barsInOrder(song).at(-1);
  return last ? last.tick + last.bar.length : 0;
}

/** The written bar that is played last; null in a song without bars. */
export function lastPlayed(song: Ordered): Bar | null {
  return barsInOrder(song).at(-1)?.bar ?? null;
}

/** The written bar that begins at a played tick; null where none does, and where the song begins. */
export function barPlayedFrom(song: Ordered, tick: number): Bar | null {
  return (tick > 0 && barsInOrder(song).find((played) => played.tick === tick)?.bar) || null;
}

/** The played ticks at which a written tick sounds, in order: as often as its bar is played. */
export function playedTicks(song: Ordered, written: number): number[] {
  return barsInOrder(song).flatMap(({ bar, tick }) =>
    written >= bar.tick && written < bar.tick + bar.length ? [tick + written - bar.tick] : [],
  );
}

/** The order in which written bars are played once a piece is put in, and whether a span is in two halves for it. */
export function orderWith(
  song: Ordered,
  { bars, before }: Pick<FramePiece, 'bars' | 'before'>,
): { readonly spans: Order; readonly isSplit: boolean } {
  if (song.playingOrder.length === 0) return { spans: [], isSplit: false };
  const own = { fromBar: song.barCount + 1, toBar: song.barCount + bars };
  if (before === null) return { spans: [...song.playingOrder, own], isSplit: false };
  if (before === 0) {
    const moved = song.playingOrder.map((span) => movedBy(span, bars));
    const first = { fromBar: 1, toBar: song.pickup > 0 ? bars - 1 : bars };
    return { spans: [first, ...moved].filter(({ fromBar, toBar }) => toBar >= fromBar), isSplit: false };
  }
  const at = barPlayedFrom(song, before);
  const index = at ? spanFrom(song, before) : -1;
  const span = song.playingOrder[index];
  if (!at || !span) return { spans: song.playingOrder, isSplit: false };
  const isSplit = span.fromBar < at.number;
  const halves = isSplit
    ? [{ ...span, toBar: at.number - 1 }, own, { ...span, fromBar: at.number }]
    : [own, span];
  return { spans: song.playingOrder.toSpliced(index, 1, ...halves), isSplit };
}

/** Which span of the order the bar that begins at a played tick belongs to. */
function spanFrom(song: Ordered, tick: number): number {
  return song.playingOrder.findIndex((_, i) => {
    const upTo = (count: number): number =>
      count === 0 ? 0 : playedLength({ ...song, playingOrder: song.playingOrder.slice(0, count) });
    return tick >= upTo(i) && tick < upTo(i + 1);
  });
}

function movedBy({ fromBar, toBar }: Order[number], by: number): Order[number] {
  return { fromBar: fromBar + by, toBar: toBar + by };
}

/** The order once an intro is taken out again: so many bars, the last of them shared with a pick-up where there is one. */
export function orderWithoutIntro({ playingOrder }: Ordered, bars: number, pickup: number): Order {
  const own = pickup > 0 ? bars - 1 : bars;
  return (own > 0 ? playingOrder.slice(1) : playingOrder).map((span) => movedBy(span, -bars));
}

/**
 * The order once written bars are taken out; the halves of a span that was in two for them are one again. Where something
 * else still stands between the halves, the bar it begins with is told: it keeps them apart from now on.
 */
export function orderWithout(
  { playingOrder }: Ordered,
  first: number,
  bars: number,
  wasSplit: boolean,
): { readonly spans: Order; readonly apart: readonly number[] } {
  const after = first + bars;
  const less = ({ fromBar, toBar }: Order[number]): Order => {
    const from = fromBar >= after ? fromBar - bars : Math.min(fromBar, first);
    const to = toBar >= after ? toBar - bars : Math.min(toBar, first - 1);
    return to >= from ? [{ fromBar: from, toBar: to }] : [];
  };
  const gap = playingOrder.findIndex((span) => less(span).length === 0);
  const spans = playingOrder.flatMap(less);
  const [before, next] = [spans[gap - 1], spans[gap]];
  if (!wasSplit || !before || !next) return { spans, apart: [] };
  if (before.toBar + 1 !== next.fromBar) return { spans, apart: [before.fromBar, next.fromBar] };
  return {
    spans: spans.toSpliced(gap - 1, 2, { fromBar: before.fromBar, toBar: next.toBar }),
    apart: [],
  };
}
