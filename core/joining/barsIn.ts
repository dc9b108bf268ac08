import { indexAt, type PlayedBar } from '../song';

/** The bars a stretch touches, in time. */
export function barsIn(bars: readonly PlayedBar[], from: number, to: number): PlayedBar[] {
  const first = indexAt(bars, from);
  let last = first;
  while (last + 1 < bars.length && bars[last + 1].tick < to) last++;
  return bars.slice(first, last + 1);
}
