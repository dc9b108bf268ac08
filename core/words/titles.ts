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

/** "1 turn", "3 turns": a whole number of things. */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}
