import type { Hand } from '../hands';
import type { Line } from './runs';

/** Half steps above the first key, by the number of the chord member: fifths and tenths come in more than one size. */
const SIZES: Readonly<Record<number, readonly number[]>> = {
  1: [0],
  3: [3, 4],
  5: [6, 7, 8],
  8: [12],
  9: [13, 14, 15],
  10: [14, 15, 16, 17],
  12: [18, 19, 20],
  14: [21, 22, 23],
  15: [24],
};

/** Accompanying figures of the left hand by chord members, longest first, and their printed fingers. */
const FIGURES: readonly (readonly [members: readonly number[], fingers: readonly number[]])[] = [
  // The hand lies once from the root and once, the third finger over the thumb, from the tenth.
  [
    [1, 5, 9, 10, 12, 14, 12, 10],
    [5, 2, 1, 3, 2, 1, 2, 3],
  ],
  [
    [1, 5, 8, 10, 12, 14, 12, 10],
    [5, 2, 1, 3, 2, 1, 2, 3],
  ],
  [
    [1, 5, 9, 10, 12, 15, 12, 10],
    [5, 2, 1, 3, 2, 1, 2, 3],
  ],
  [
    [1, 5, 8, 10, 12, 15, 12, 10],
    [5, 2, 1, 3, 2, 1, 2, 3],
  ],
  [
    [1, 5, 8, 8, 12, 15, 12, 8],
    [5, 2, 1, 3, 2, 1, 2, 3],
  ],
  // The second finger crosses over the thumb for the tenth.
  [
    [1, 5, 8, 10, 8, 5],
    [5, 2, 1, 2, 1, 2],
  ],
  [
    [1, 5, 8, 5],
    [5, 2, 1, 2],
  ],
  [
    [1, 5, 10, 5],
    [5, 2, 1, 2],
  ],
  [
    [1, 5, 3, 5],
    [5, 1, 3, 1],
  ],
  [
    [1, 5, 8, 10],
    [5, 2, 1, 2],
  ],
  [
    [1, 5, 8],
    [5, 2, 1],
  ],
];

/** The figures a left-hand phrase is made of, by index of their first event, with their usual fingers. */
export function brokenFigures(
  { from, keys }: Line,
  hand: Hand,
): { from: number; fingers: readonly number[] }[] {
  if (hand !== 'left') return [];
  const found: { from: number; fingers: readonly number[] }[] = [];
  for (let at = 0; at < keys.length;) {
    const figure = FIGURES.find(([members]) =>
      members.every((member, i) => SIZES[member].includes(keys[at + i] - keys[at])),
    );
    if (figure) found.push({ from: from + at, fingers: figure[1] });
    at += figure ? figure[1].length : 1;
  }
  return found;
}
