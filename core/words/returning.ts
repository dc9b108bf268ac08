import type { Arrangement } from '../arrangement';
import type { Hand } from '../hands';

/** What the left hand does where the melody of an earlier part comes back: the same as there, nothing, or something else. */
export type LeftThen = 'same' | 'rests' | 'differs';

/** What the left hand of a part does beside that of the part its melody comes from, key by key; the same where it is not known. */
export function leftThen({ parts, relations }: Arrangement, index: number): LeftThen {
  const left = relations.left[index];
  if (!left) return 'same';
  const from = (parts[index].relatedTo ?? 0) - 1;
  if (left.relation === 'silent') return relations.left[from]?.relation === 'silent' ? 'same' : 'rests';
  return left.relation === 'same' && left.to === from ? 'same' : 'differs';
}

/** Whether a part is an earlier one again, tune, chords and left hand. */
export function comesBackWhole(arrangement: Arrangement, index: number): boolean {
  const { relation, sameChords } = arrangement.parts[index];
  return relation === 'same' && sameChords && leftThen(arrangement, index) === 'same';
}

/** Whether a hand strikes anything in a part; true where it is not worked out yet. */
export function plays({ arranged }: Arrangement, index: number, hand: Hand): boolean {
  return arranged[index]?.[hand].length !== 0;
}
