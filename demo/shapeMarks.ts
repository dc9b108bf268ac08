import { Memory } from '../core/memory';
import { shapeOf } from '../core/shaping';
import { type Song, unfold } from '../core/song';
import type { Shaped } from './shaped';

/** How well the intensities of a song follow what a musician marked: rank correlation, −1 … 1. */
export function intensityFollows({ shape }: Shaped, song: Song): number {
  const played = unfold(song);
  const { phrases } = shapeOf(song, played, new Memory());
  const marks = shape.split(' ').map((mark) => mark.split(':').map(Number));
  const found = marks.map(([bar]) => {
    const tick = played.bars.find(({ number }) => number === bar)?.tick ?? 0;
    return phrases.findLast(({ fromTick }) => fromTick <= tick)?.intensity ?? 0;
  });
  return correlation(ranks(marks.map(([, mark]) => mark)), ranks(found));
}

/** How many songs are given a style that a musician would let stand. */
export function stylesFound(rows: readonly Shaped[], songs: readonly Song[]): number {
  return rows.filter(({ styles }, i) => {
    const { proposed } = shapeOf(songs[i], unfold(songs[i]), new Memory());
    return styles.split(' ').includes(proposed.style);
  }).length;
}

/** Places in order of size, equal ones sharing theirs. */
function ranks(values: readonly number[]): number[] {
  const sorted = [...values].sort((a, b) => a - b);
  return values.map((value) => (sorted.indexOf(value) + sorted.lastIndexOf(value)) / 2);
}

function correlation(a: readonly number[], b: readonly number[]): number {
  const mean = (list: readonly number[]): number => list.reduce((sum, one) => sum + one, 0) / list.length;
  const [ma, mb] = [mean(a), mean(b)];
  const sum = (of: (i: number) => number): number => a.reduce((all, _, i) => all + of(i), 0);
  const both = sum((i) => (a[i] - ma) * (b[i] - mb));
  return both / Math.sqrt(Math.max(1e-9, sum((i) => (a[i] - ma) ** 2) * sum((i) => (b[i] - mb) ** 2)));
}
