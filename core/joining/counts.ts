import { type Bar, beatAt } from '../song';

const PARTS_OF_BEAT: readonly (readonly [fraction: number, label: string])[] = [
  [0, ''],
  [1 / 4, 'e'],
  [1 / 3, 'trip'],
  [1 / 2, '&'],
  [2 / 3, 'let'],
  [3 / 4, 'a'],
];
/** Onsets this close (in beats) to a counted place are counted there: triplets in rounded ticks. */
const NEAR = 0.02;

/**
 * The count said at a tick: "2", "2 &", "2 e", "2 a", "2 trip", "2 let"; the denominator's unit is the beat,
 * so 6/8 counts 1 to 6. Onsets between these are told by the beat they follow: "2 +".
 */
export function countAt(bar: Bar, tick: number): string {
  const beat = beatAt(bar, tick);
  const whole = Math.floor(beat + NEAR);
  const fraction = beat - whole;
  const part = PARTS_OF_BEAT.find(([place]) => Math.abs(place - fraction) < NEAR);
  if (!part) return `${whole} +`;
  return part[1] ? `${whole} ${part[1]}` : `${whole}`;
}
