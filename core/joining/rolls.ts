import type { HandNote } from '../hands';
import { reachMm, spanMm } from '../music';
import type { Profile } from '../song';

/** Keys struck together that the hand does not span are rolled from below. */
export function withRolls(notes: readonly HandNote[], profile: Profile): HandNote[] {
  const reach = reachMm(profile.leftReach);
  const byTick = new Map<number, number[]>();
  for (const { tick, midi } of notes) byTick.set(tick, [...(byTick.get(tick) ?? []), midi]);
  return notes.map((note) => {
    const keys = (byTick.get(note.tick) ?? []).sort((a, b) => a - b);
    if (spanMm(keys[0], keys[keys.length - 1]) <= reach) return note;
    return { ...note, rolled: keys.indexOf(note.midi) };
  });
}
