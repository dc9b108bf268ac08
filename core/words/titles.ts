import type { Song } from '../song';

/** The first letter as a capital: how a line or a button begins. */
export function capital(text: string): string {
  return `${text.slice(0, 1).toUpperCase()}${text.slice(1)}`;
}

const TIMES = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];

/** "the second time": the how-many-eth, from 1. */
export function timeInWords(time: number): string {
  return TIMES[time - 1] ? `the ${TIMES[time - 1]} time` : `time number ${time}`;
}

/** "part 2", or "parts 1–3" for several beside each other, by their numbers. */
export function partsInWords(numbers: readonly number[]): string {
  const [first, last] = [numbers[0], numbers[numbers.length - 1]];
  return first === last ? `part ${first}` : `parts ${first}–${last}`;
}

/** "Words: Ada Marsh · music: Tom Weir", "Words and music: Ada Marsh"; empty where nothing is known. */
export function creditsInWords({ words, music }: Song['credits']): string {
  if (words && words === music) return `Words and music: ${words}`;
  const known = [words && `words: ${words}`, music && `music: ${music}`].filter(Boolean);
  return capital(known.join(' · '));
}

/** "For Wanda, from Mr Teal"; empty where nobody is named. */
export function forWhomInWords({ for: whom, from }: Pick<Song['handout'], 'for' | 'from'>): string {
  return capital([whom && `for ${whom}`, from && `from ${from}`].filter(Boolean).join(', '));
}

/** "1 turn", "3 turns": a whole number of things. */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}
