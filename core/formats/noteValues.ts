import { TICKS_PER_QUARTER } from '../music';

/** One written note value: a type, dots, and three in the time of two for triplets. */
export interface NoteValue {
  readonly ticks: number;
  /** MusicXML name; null for lengths off every usual grid. */
  readonly type: string | null;
  readonly dots: number;
  readonly triplet: boolean;
}

const TYPES: readonly (readonly [type: string, ticks: number])[] = [
  ['whole', 4 * TICKS_PER_QUARTER],
  ['half', 2 * TICKS_PER_QUARTER],
  ['quarter', TICKS_PER_QUARTER],
  ['eighth', TICKS_PER_QUARTER / 2],
  ['16th', TICKS_PER_QUARTER / 4],
  ['32nd', TICKS_PER_QUARTER / 8],
  ['64th', TICKS_PER_QUARTER / 16],
];

const PLAIN: readonly NoteValue[] = TYPES.flatMap(([type, ticks]) => [
  { ticks: ticks * 1.75, type, dots: 2, triplet: false },
  { ticks: ticks * 1.5, type, dots: 1, triplet: false },
  { ticks, type, dots: 0, triplet: false },
]).filter((value) => Number.isInteger(value.ticks));
const TRIPLETS: readonly NoteValue[] = TYPES.map(([type, ticks]) => ({
  ticks: (ticks * 2) / 3,
  type,
  dots: 0,
  triplet: true,
})).filter((value) => Number.isInteger(value.ticks));
/** Longest first. */
const SPLITTING = PLAIN.filter((value) => value.dots < 2).sort((a, b) => b.ticks - a.ticks);
const GRID = SPLITTING[SPLITTING.length - 1].ticks;

/** Note values, to be tied, that make up a length of ticks: one where possible, else the longest first. */
export function valuesOf(ticks: number): NoteValue[] {
  const whole = [...PLAIN, ...TRIPLETS].find((value) => value.ticks === ticks);
  if (whole) return [whole];
  const values: NoteValue[] = [];
  let rest = ticks;
  while (rest >= GRID) {
    const value = SPLITTING.find((v) => v.ticks <= rest) as NoteValue;
    values.push(value);
    rest -= value.ticks;
  }
  // What is left is off the grid: as one value without a type, its duration exact.
  return rest === 0 ? values : [{ ticks, type: null, dots: 0, triplet: false }];
}
