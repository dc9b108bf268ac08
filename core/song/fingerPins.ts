import type { FingerPin } from './schema';

/** Whether two fingers are pinned on the same key: of one hand, at one place, one pitch. */
export function isOnSameKey(a: Omit<FingerPin, 'finger'>, b: Omit<FingerPin, 'finger'>): boolean {
  return a.hand === b.hand && a.from === b.from && a.after === b.after && a.midi === b.midi;
}
