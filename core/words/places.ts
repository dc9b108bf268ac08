/** "Bar 3", "Pick-up": where a line of words belongs. */
export function barInWords(number: number): string {
  return number === 0 ? 'Pick-up' : `Bar ${number}`;
}
