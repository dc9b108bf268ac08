import { barTicks, beatTicks, type Metre } from '../music';
import type { Song } from './schema';

export interface Bar {
  /** 1 is the first full bar, 0 the pick-up. */
  readonly number: number;
  readonly tick: number;
  readonly length: number;
  readonly metre: Metre;
}

/** The last entry of a map (sorted by tick) that is in force at a tick. */
export function inForceAt<T extends { readonly tick: number }>(map: readonly T[], tick: number): T {
  return map[indexAt(map, tick)];
}

/** Index of the entry in force at a tick; 0 before the first. */
export function indexAt(map: readonly { readonly tick: number }[], tick: number): number {
  let low = 0;
  let high = map.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (map[middle].tick <= tick) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** The written bars with their ticks, the pick-up first when there is one. */
export function writtenBars(song: Pick<Song, 'metreMap' | 'pickup' | 'barCount'>): Bar[] {
  const bars: Bar[] = [];
  let tick = 0;
  if (song.pickup > 0) {
    bars.push({ number: 0, tick: 0, length: song.pickup, metre: song.metreMap[0] });
    tick = song.pickup;
  }
  for (let number = 1; number <= song.barCount; number++) {
    const metre = inForceAt(song.metreMap, tick);
    bars.push({ number, tick, length: barTicks(metre), metre });
    tick += barTicks(metre);
  }
  return bars;
}

/** The bar a tick lies in; ticks after the end belong to the last bar. */
export function barAt(bars: readonly Bar[], tick: number): Bar {
  return inForceAt(bars, tick);
}

/** Beat within the bar in the denominator's unit, 1 = on the bar line; a pick-up counts up to its bar line. */
export function beatAt(bar: Bar, tick: number): number {
  const missing = bar.number === 0 ? barTicks(bar.metre) - bar.length : 0;
  return 1 + (tick - bar.tick + missing) / beatTicks(bar.metre);
}

/** Those of a list in time that begin in a stretch: O(log n) to find, not a look at every one. */
export function within<T extends { readonly tick: number }>(
  list: readonly T[],
  from: number,
  to: number,
): T[] {
  if (list.length === 0) return [];
  let first = indexAt(list, from);
  while (first > 0 && list[first - 1].tick >= from) first--;
  while (first < list.length && list[first].tick < from) first++;
  let end = first;
  while (end < list.length && list[end].tick < to) end++;
  return list.slice(first, end);
}
