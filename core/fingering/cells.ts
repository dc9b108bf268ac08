import type { Line } from './runs';

/** Notes of the shortest and the longest cell that is looked for. */
const SHORTEST = 2;
const LONGEST = 8;

/** A figure that comes again at once, on the same keys. */
export interface Cell {
  /** Index of its first event. */
  readonly from: number;
  /** Once through. */
  readonly keys: readonly number[];
  /** Notes for which it goes on, at least twice through. */
  readonly length: number;
}

/** The figures of a phrase that come again at once: the shortest that explains a stretch, from its first note on. */
export function cellsIn({ from, keys }: Line): Cell[] {
  const cells: Cell[] = [];
  for (let start = 0; start < keys.length - 1;) {
    start = pastRepeats(keys, start);
    const cell = cellAt(keys, start);
    if (cell)
      cells.push({ from: from + start, keys: keys.slice(start, start + cell.size), length: cell.length });
    start += cell ? cell.length : 1;
  }
  return cells;
}

/** Of a key struck over and over only the last few strikes can begin a cell. */
function pastRepeats(keys: readonly number[], start: number): number {
  let end = start;
  while (keys[end] === keys[start]) end++;
  return Math.max(start, end - LONGEST);
}

function cellAt(
  keys: readonly number[],
  start: number,
): { readonly size: number; readonly length: number } | null {
  for (let size = SHORTEST; size <= LONGEST; size++) {
    let end = start + size;
    while (end < keys.length && keys[end] === keys[end - size]) end++;
    const once = keys.slice(start, start + size);
    if (end - start >= 2 * size && new Set(once).size > 1) return { size, length: end - start };
  }
  return null;
}
