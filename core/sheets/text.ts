import { SIGNS, WIDTHS } from './widths';

/** The faces sheets are set in. */
export type Face = keyof typeof WIDTHS;

/** Sizes of letters in units. */
export const SIZE = { small: 3.2, body: 3.9, large: 5, head: 6.2, title: 11 } as const;
/** From one line of text to the next, in sizes of its letters. */
export const LEADING = 1.35;

const PLACES = new Map([...SIGNS].map((sign, i) => [sign, i]));

/** How wide a text is, in units; a sign that was not measured counts as the widest. */
export function widthOf(text: string, face: Face, size: number): number {
  const widths: readonly number[] = WIDTHS[face];
  let sum = 0;
  for (const sign of text) {
    const place = PLACES.get(sign);
    sum += place === undefined ? 1000 : widths[place];
  }
  return (sum * size) / 1000;
}

/** A text in lines no wider than so many units; a word that is longer than a line is broken where the line ends. */
export function wrapped(text: string, face: Face, size: number, width: number): string[] {
  const lines: string[] = [];
  let line = '';
  const fits = (longer: string): boolean => widthOf(longer, face, size) <= width;
  for (const word of text.split(/\s+/).filter(Boolean)) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (fits(longer)) {
      line = longer;
      continue;
    }
    if (line !== '') lines.push(line);
    line = '';
    for (const sign of word) {
      if (line !== '' && !fits(line + sign)) {
        lines.push(line);
        line = '';
      }
      line += sign;
    }
  }
  if (line !== '') lines.push(line);
  return lines;
}

/** As much of a text as fits, with an ellipsis where some is left out. */
export function cutTo(text: string, face: Face, size: number, width: number): string {
  if (widthOf(text, face, size) <= width) return text;
  const signs = [...text];
  while (signs.length > 0 && widthOf(`${signs.join('')}…`, face, size) > width) signs.pop();
  return signs.length === 0 ? '' : `${signs.join('').trimEnd()}…`;
}

/** The size of letters at which a text that may not be broken fits: as given, or smaller. */
export function sizeWithin(text: string, face: Face, size: number, width: number): number {
  return size * Math.min(1, width / Math.max(widthOf(text, face, size), 1e-9));
}
