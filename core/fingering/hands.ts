import { type Hand, type HandNote } from '../hands';
import { TICKS_PER_QUARTER } from '../music';
import { finger, type HandEvent } from './finger';

/** A rest this long lets the hand move at leisure. */
const LEISURE_TICKS = TICKS_PER_QUARTER;

/** Fingers decided elsewhere for keys struck together, lowest key first; null where the hand is free. */
export type FixedFingers = (group: readonly HandNote[]) => readonly number[] | null;

/**
 * The same notes with a finger on each. A new part is a new start for the hand: it was learned by itself.
 * `fixed` gives the fingers of keys struck together that were pinned or learned, lowest key first, or null.
 */
export function withFingers(
  notes: readonly HandNote[],
  hand: Hand,
  reach: number,
  partStarts: ReadonlySet<number>,
  fixed: FixedFingers,
): HandNote[] {
  const groups = together(notes);
  const events = groups.map((group, i): HandEvent => {
    const before = groups[i - 1]?.[0];
    return {
      keys: group.map((note) => note.midi),
      afterRest:
        before !== undefined &&
        (partStarts.has(group[0].tick) || group[0].tick - (before.tick + before.length) >= LEISURE_TICKS),
      pinned: fixed(group),
    };
  });
  const fingers = finger(events, hand, reach);
  return groups.flatMap((group, i) => group.map((note, n) => ({ ...note, finger: fingers[i][n] ?? null })));
}

/** Notes struck at the same tick, lowest first; grace notes stand alone. */
function together(notes: readonly HandNote[]): HandNote[][] {
  const groups: HandNote[][] = [];
  for (const note of notes) {
    const last = groups[groups.length - 1];
    if (last && last[0].tick === note.tick && !last[0].grace && !note.grace) last.push(note);
    else groups.push([note]);
  }
  return groups;
}
