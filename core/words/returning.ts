import type { Arrangement } from '../arrangement';
import type { Hand } from '../hands';

/**
 * What the hands do where the melody of an earlier part comes back: the same as there; the left hand nothing, or something
 * else; or the left hand the same, and the right hand something else with the melody.
 */
export type HandsThen = 'same' | 'rests' | 'differs' | 'right-differs';

/** What the hands of a part do beside those of the part its melody comes from, key by key; the same where it is not known. */
export function handsThen({ parts, relations }: Arrangement, index: number): HandsThen {
  const [left, right] = [relations.left[index], relations.right[index]];
  if (!left) return 'same';
  const from = (parts[index].relatedTo ?? 0) - 1;
  const isSilent = left.relation === 'silent';
  if (isSilent && relations.left[from]?.relation !== 'silent') return 'rests';
  if (!isSilent && !(left.relation === 'same' && left.to === from)) return 'differs';
  const isSameRight =
    !right || right.relation === 'silent' || (right.relation === 'same' && right.to === from);
  return isSameRight ? 'same' : 'right-differs';
}

/** Whether a part is an earlier one again, tune, chords and left hand. */
export function comesBackWhole(arrangement: Arrangement, index: number): boolean {
  const { relation, sameChords } = arrangement.parts[index];
  return relation === 'same' && sameChords && handsThen(arrangement, index) === 'same';
}

/** Whether a hand strikes anything in a part; true where it is not worked out yet. */
export function plays({ arranged }: Arrangement, index: number, hand: Hand): boolean {
  return arranged[index]?.[hand].length !== 0;
}
