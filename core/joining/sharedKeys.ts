import type { HandNote } from '../hands';
import type { Sounding } from '../voicing';

/**
 * The left hand without the keys the right hand plays for both: it leaves a key to the right hand that strikes or holds
 * it already, and lets it go where the right hand strikes it later. `melody` is as struck; other keys stay as they are.
 */
export function withSharedKeys(
  left: readonly HandNote[],
  melody: readonly Sounding[],
  shares: (changeId: string) => boolean,
): HandNote[] {
  return left.flatMap((note) => {
    if (!shares(note.from)) return [note];
    const same = melody.filter(
      ({ midi, tick, length }) =>
        midi === note.midi && tick < note.tick + note.length && tick + length > note.tick,
    );
    if (same.length === 0) return [note];
    const until = Math.min(...same.map(({ tick }) => tick)) - note.tick;
    return until > 0 ? [{ ...note, length: until }] : [];
  });
}
