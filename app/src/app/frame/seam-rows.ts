import { barTicks, unitTicks } from '@joined-hands/core/music';
import type { PlayedBar } from '@joined-hands/core/song';
import { wordWidth } from './seam-lyrics';
import type { SeamView } from './seam-view';

export const LEFT_MARGIN = 14;
const RIGHT_MARGIN = 12;
/** Narrowest room for a letter, and for one with an accidental; letters are never shrunk. */
export const LETTER_ROOM = 21;
const ACCIDENTAL_ROOM = 29;
const LEAST_BAR_WIDTH = 110;

export function usableWidth(width: number): number {
  return width - LEFT_MARGIN - RIGHT_MARGIN;
}

export interface BarSpan {
  readonly from: number;
  readonly to: number;
  readonly bar: PlayedBar;
  /** Pixels a tick needs so that neither letters nor words touch. */
  readonly perTick: number;
}

/** The bars of a part; one that needs more than a row is taken in pieces, at its beats. */
export function barSpans(view: SeamView, width: number): BarSpan[] {
  const { fromTick, toTick } = view.part;
  return view.bars
    .filter((bar) => bar.tick < toTick && bar.tick + bar.length > fromTick)
    .flatMap((bar) => {
      const [from, to] = [Math.max(fromTick, bar.tick), Math.min(toTick, bar.tick + bar.length)];
      const whole = spanOf(view, bar, from, to);
      const pieces = Math.ceil(((to - from) * whole.perTick) / usableWidth(width) - 0.02);
      const beat = unitTicks(bar.metre);
      const piece = Math.max(beat, Math.ceil((to - from) / Math.max(1, pieces) / beat) * beat);
      if (pieces <= 1 || piece >= to - from) return [whole];
      return Array.from({ length: Math.ceil((to - from) / piece) }, (_, i) =>
        spanOf(view, bar, from + i * piece, Math.min(to, from + (i + 1) * piece)),
      );
    });
}

function spanOf(view: SeamView, bar: PlayedBar, from: number, to: number): BarSpan {
  return { from, to, bar, perTick: leastPerTick(view, bar, from, to) };
}

/** As many bars a row as their densest allows, the rows about equally full. */
export function rowsOf(spans: readonly BarSpan[], usable: number): BarSpan[][] {
  const perTick = Math.max(...spans.map((span) => span.perTick), 0.01);
  const total = spans.reduce((sum, s) => sum + s.to - s.from, 0);
  const rowCount = Math.max(1, Math.ceil((total * perTick) / usable - 0.02));
  const perRow = total / rowCount;
  const rows: BarSpan[][] = [[]];
  let filled = 0;
  for (const span of spans) {
    const length = span.to - span.from;
    const row = rows[rows.length - 1];
    const inRow = row.reduce((sum, s) => sum + s.to - s.from, 0);
    const isFull = row.length > 0 && filled + length / 2 > perRow * rows.length;
    const isTooFull = row.length > 0 && (inRow + length) * perTick > usable * 1.02;
    if (isFull || isTooFull) rows.push([span]);
    else row.push(span);
    filled += length;
  }
  return rows;
}

/** Pixels a tick needs so that neighbouring letters of a hand, and neighbouring words, do not touch. */
function leastPerTick(view: SeamView, bar: PlayedBar, from: number, to: number): number {
  let least = LEAST_BAR_WIDTH / barTicks(bar.metre);
  for (const notes of [view.right, view.left]) {
    const inSpan = between(notes, from, to).filter((n) => !n.grace);
    const ticks = [...new Set(inSpan.map((n) => n.tick))];
    const room = inSpan.some((n) => n.pitch.alter !== 0) ? ACCIDENTAL_ROOM : LETTER_ROOM;
    for (let i = 1; i < ticks.length; i++) least = Math.max(least, room / (ticks[i] - ticks[i - 1]));
  }
  const words = between(view.words, from, to);
  words.forEach((word, i) => {
    const next = words[i + 1]?.tick ?? to;
    // The last word may end as near the edge as it likes, if the one before leaves it room.
    if (words[i + 1]) least = Math.max(least, wordWidth(word) / Math.max(1, next - word.tick));
  });
  return least;
}

/** Those of a list in time that begin in a stretch. */
export function between<T extends { readonly tick: number }>(
  list: readonly T[],
  from: number,
  to: number,
): T[] {
  return list.filter(({ tick }) => tick >= from && tick < to);
}
