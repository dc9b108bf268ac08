import type { HandNote } from '../hands';
import { type Reach, reachMm, spanMm } from '../music';

/** Keys struck together that the hand does not span are rolled from below. */
export function withRolls(notes: readonly HandNote[], widest: Reach): HandNote[] {
  const reach = reachMm(widest);
  const byTick = new Map<number, number[]>();
  for (const { tick, midi, grace } of notes)
    if (!grace) byTick.set(tick, [...(byTick.get(tick) ?? []), midi]);
  return notes.map((note) => {
    if (note.grace) return note;
    const keys = (byTick.get(note.tick) ?? []).sort((a, b) => a - b);
    if (spanMm(keys[0], keys[keys.length - 1]) <= reach) return note;
    return { ...note, rolled: keys.indexOf(note.midi) };
  });
}
