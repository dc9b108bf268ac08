import type { Hand } from '../hands';
import { isBlack } from '../music';
import type { Line } from './runs';

/** Half steps of a fifth: five fingers lie over so much. */
const WIDEST = 7;
/** Fingers above the lowest key, by half steps: neighbouring fingers a step apart, thirds two. */
const FINGERS_ABOVE = [0, 1, 1, 2, 2, 3, 3, 4];

/** Fingers of a stretch of single notes that lies under five fingers, the thumb's side first; all ways to lay the hand. */
export interface Place {
  readonly from: number;
  readonly ways: readonly (readonly number[])[];
}

/** The ways a whole stretch is played with one finger a key, the hand staying; none where it does not lie so. */
export function waysUnderFive(keys: readonly number[], hand: Hand): number[][] {
  const [low, high] = [Math.min(...keys), Math.max(...keys)];
  if (high - low > WIDEST) return [];
  const above = keys.map((key) => FINGERS_ABOVE[key - low]);
  const keyOf = new Map<number, number>();
  // Two keys under one finger: a chromatic turn, which is no place of five fingers.
  const isOneEach = keys.every((key, i) => (keyOf.get(above[i]) ?? key) === key && keyOf.set(above[i], key));
  if (!isOneEach) return [];
  const most = Math.max(...above);
  const ways = Array.from({ length: 5 - most }, (_, base) =>
    above.map((finger) => (hand === 'right' ? base + 1 + finger : 5 - base - finger)),
  );
  // The thumb lies on a black key only where the hand cannot lie otherwise.
  const isEasy = (way: readonly number[]): boolean =>
    !way.some((finger, i) => finger === 1 && isBlack(keys[i]));
  return ways.some(isEasy) ? ways.filter(isEasy) : ways;
}

/** Fewer keys are no place, fewer notes no stretch. */
const FEWEST_KEYS = 3;
const FEWEST_NOTES = 4;

/** The longest stretches of a phrase that lie under five fingers. */
export function placesIn(phrase: Line, hand: Hand): Place[] {
  const { keys } = phrase;
  const places: Place[] = [];
  let last = 0;
  for (let from = 0; from < keys.length; from++) {
    let to = from;
    while (to < keys.length && waysUnderFive(keys.slice(from, to + 1), hand).length > 0) to++;
    const own = keys.slice(from, to);
    const ways = waysUnderFive(own, hand).filter((way) => !way.some((f, i) => f === 1 && isBlack(own[i])));
    if (to > last && own.length >= FEWEST_NOTES && new Set(own).size >= FEWEST_KEYS)
      places.push({ from: phrase.from + from, ways });
    last = Math.max(last, to);
  }
  return places;
}
