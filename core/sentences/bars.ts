import { listed } from './listed';

/** "Bar 3", "Pick-up": where a line of words belongs. */
export function barInWords(number: number): string {
  return number === 0 ? 'Pick-up' : `Bar ${number}`;
}

/** "bar 3", "the pick-up": inside a sentence. */
export function theBar(number: number): string {
  return number === 0 ? 'the pick-up' : `bar ${number}`;
}

/** "the pick-up and bars 3 and 5", bars by number. */
export function theBars(numbers: readonly number[]): string {
  const numbered = numbers.filter((number) => number > 0).map(String);
  const bars = numbered.length === 0 ? [] : [`bar${numbered.length === 1 ? '' : 's'} ${listed(numbered)}`];
  return [...(numbers.includes(0) ? ['the pick-up'] : []), ...bars].join(' and ');
}
