import type { Hand } from '../hands';
import { isBlack } from '../music';
import type { Line } from './runs';

/** Half steps of a fifth: five fingers lie over so much. */
const WIDEST = 7;
/** Fingers above the lowest key, by half steps: neighbouring fingers a step apart, thirds two. */
const FINGERS_ABOVE = [0, 1, 1, 2, 2, 3, 3, 4];

/** A stretch of single notes that lies under five fingers: the finger on each note, for every way to lay the hand. */
export interface Place {
  readonly from: number;
  /** Notes it goes on for. */
  readonly length: number;
  readonly ways: readonly (readonly number[])[];
}

/** Fingers above the lowest of some keys, each key told once, for those that lie under five fingers; null for others. */
function fingersAbove(keys: Iterable<number>): ReadonlyMap<number, number> | null {
  const own = [...new Set(keys)];
  const low = Math.min(...own);
  if (Math.max(...own) - low > WIDEST) return null;
  const above = new Map(own.map((key) => [key, FINGERS_ABOVE[key - low]]));
  // Two keys under one finger: a chromatic turn, which is no place of five fingers.
  return new Set(above.values()).size === own.length ? above : null;
}

/** The ways a whole stretch is played with one finger a key, the hand staying; none where it does not lie so. */
export function waysUnderFive(keys: readonly number[], hand: Hand): number[][] {
  const above = fingersAbove(keys);
  if (!above) return [];
  const ways = Array.from({ length: 5 - Math.max(...above.values()) }, (_, base) =>
    keys.map((key) => {
      const finger = base + 1 + (above.get(key) ?? 0);
      return hand === 'right' ? finger : 6 - finger;
    }),
  );
  // The thumb lies on a black key only where the hand cannot lie otherwise.
  const easy = ways.filter((way) => !hasThumbOnBlack(way, keys));
  return easy.length > 0 ? easy : ways;
}

function hasThumbOnBlack(way: readonly number[], keys: readonly number[]): boolean {
  return way.some((finger, i) => finger === 1 && isBlack(keys[i]));
}

/** Fewer keys are no place, fewer notes no stretch. */
const FEWEST_KEYS = 3;
const FEWEST_NOTES = 4;

/** Stretches of a phrase that lie under five fingers, as long as they go on, the thumb off black keys: one pass. */
export function placesIn(phrase: Line, hand: Hand): Place[] {
  const { keys } = phrase;
  const places: Place[] = [];
  /** How often each key lies in the window. */
  const within = new Map<number, number>();
  let to = 0;
  for (let from = 0; from < keys.length; from++) {
    const before = to;
    for (; to < keys.length && fingersAbove([...within.keys(), keys[to]]); to++)
      within.set(keys[to], (within.get(keys[to]) ?? 0) + 1);
    if (to > before && to - from >= FEWEST_NOTES && within.size >= FEWEST_KEYS) {
      const own = keys.slice(from, to);
      const ways = waysUnderFive(own, hand).filter((way) => !hasThumbOnBlack(way, own));
      places.push({ from: phrase.from + from, length: own.length, ways });
    }
    const left = (within.get(keys[from]) ?? 0) - 1;
    if (left > 0) within.set(keys[from], left);
    else within.delete(keys[from]);
  }
  return places;
}
