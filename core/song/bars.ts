import { barTicks, beatsOf, type Metre, type Place, placeAt, unitTicks } from '../music';
import type { Song } from './schema';

export interface Bar {
  /** 1 is the first full bar, 0 the pick-up. */
  readonly number: number;
  readonly tick: number;
  readonly length: number;
  readonly metre: Metre;
}

/** The last entry of a map (sorted by tick) that is in force at a tick. */
export function lastAtOrBefore<T extends { readonly tick: number }>(map: readonly T[], tick: number): T {
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
    const metre = lastAtOrBefore(song.metreMap, tick);
    bars.push({ number, tick, length: barTicks(metre), metre });
    tick += barTicks(metre);
  }
  return bars;
}

/** The bar a tick lies in; ticks after the end belong to the last bar. */
export function barAt(bars: readonly Bar[], tick: number): Bar {
  return lastAtOrBefore(bars, tick);
}

/** Ticks from the bar line of a whole bar: a pick-up is the end of one, in every pass. */
export function offsetInBar(
  { tick, length, metre }: Pick<Bar, 'tick' | 'length' | 'metre'>,
  at: number,
): number {
  return at - tick + barTicks(metre) - length;
}

/** Where a tick lies in its bar: what is asked by all that depends on the metre. */
export function placeInBar(bar: Pick<Bar, 'tick' | 'length' | 'metre'>, tick: number): Place {
  return placeAt(bar.metre, offsetInBar(bar, tick));
}

/** Where a tick lies among bars. */
export function placeIn(bars: readonly Bar[], tick: number): Place {
  return placeInBar(barAt(bars, tick), tick);
}

/** The count of a tick in its bar, in the denominator's unit, 1 = on the bar line; a pick-up counts up to its bar line. */
export function beatAt(bar: Bar, tick: number): number {
  return 1 + offsetInBar(bar, tick) / unitTicks(bar.metre);
}

/** The ticks on which the beats of a bar fall; of a pick-up those it has. */
export function beatsOfBar(bar: Pick<Bar, 'tick' | 'length' | 'metre'>): number[] {
  const missing = barTicks(bar.metre) - bar.length;
  return beatsOf(bar.metre).flatMap(({ at }) => (at >= missing ? [bar.tick + at - missing] : []));
}

/** The tick so many beats after one (before it, when negative), which keeps its place in the beat as far as that is long enough; counted on in the metre of the tick's bar. */
export function beatsLater(bar: Pick<Bar, 'tick' | 'length' | 'metre'>, tick: number, count: number): number {
  const beats = beatsOf(bar.metre);
  const { beat, inBeat, offset } = placeInBar(bar, tick);
  const wanted = beat + count;
  const bars = Math.floor(wanted / beats.length);
  const { at, length } = beats[wanted - bars * beats.length];
  return tick - offset + bars * barTicks(bar.metre) + at + Math.min(inBeat, length - 1);
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

/** The bars a stretch touches, in time. */
export function barsIn<T extends Bar>(bars: readonly T[], from: number, to: number): T[] {
  const first = indexAt(bars, from);
  let last = first;
  while (last + 1 < bars.length && bars[last + 1].tick < to) last++;
  return bars.slice(first, last + 1);
}
