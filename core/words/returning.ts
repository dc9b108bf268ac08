import type { Arrangement } from '../arrangement';

/** Whether the left hand of a part is, key by key, that of the part its melody comes from; true where it is not known. */
export function leftComesBack({ parts, relations }: Arrangement, index: number): boolean {
  const left = relations.left[index];
  return !left || (left.relation === 'same' && left.to === (parts[index].relatedTo ?? 0) - 1);
}
