import type { Part } from '../parts';
import type { ArrangedChange } from './arrangement';

/** The chords that begin in a part, of all in time: found, not looked for one by one. */
export function changesIn(
  changes: readonly ArrangedChange[],
  { fromTick, toTick }: Pick<Part, 'fromTick' | 'toTick'>,
): readonly ArrangedChange[] {
  return changes.slice(changeIndex(changes, fromTick), changeIndex(changes, toTick));
}

/** Index of the first chord at or after a tick. */
export function changeIndex(changes: readonly ArrangedChange[], tick: number): number {
  let [low, high] = [0, changes.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (changes[middle].change.tick < tick) low = middle + 1;
    else high = middle;
  }
  return low;
}
