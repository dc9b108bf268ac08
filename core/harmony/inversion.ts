import { type Chord, membersOf } from '../music';

const INVERSION_OF_MEMBER: Record<number, number> = {
  1: 0,
  2: 1,
  3: 1,
  4: 1,
  5: 2,
  6: 3,
  7: 3,
  9: 4,
  11: 5,
  13: 6,
};
const INVERSION_NAMES = [
  'root position',
  'first inversion',
  'second inversion',
  'third inversion',
  'ninth lowest',
  'eleventh lowest',
  'thirteenth lowest',
];

/** Which member lies lowest, as an inversion number; null for a bass foreign to the chord. */
export function inversionOf(keys: readonly number[], chord: Chord): number | null {
  const lowest = keys[0] % 12;
  const member = membersOf(chord).find((m) => m.chroma === lowest);
  return member ? INVERSION_OF_MEMBER[member.number] : null;
}

/** "second inversion"; "foreign bass" for null. */
export function inversionName(inversion: number | null): string {
  return inversion === null ? 'foreign bass' : INVERSION_NAMES[inversion];
}
