import { type HandNote, strikesOf } from '../hands';
import { staffStep } from '../music';

/**
 * Fingers a player needs: where a stretch begins and where the hand leaves its place; between those one finger a key tells
 * the rest. Source: common practice of printing fingers. `starts`: ticks at which stretches begin, in time.
 */
export function fewerFingers(notes: readonly HandNote[], starts: readonly number[]): HandNote[] {
  const needed = new Set<HandNote>();
  let before: HandNote | null = null;
  let next = 0;
  for (const strike of strikesOf(notes)) {
    let begins = before === null;
    while (next < starts.length && starts[next] <= strike[0].tick) {
      begins = true;
      next++;
    }
    if (begins || before === null || strike.some((note) => !liesInPlace(before as HandNote, note)))
      strike.forEach((note) => needed.add(note));
    before = strike[strike.length - 1];
  }
  return notes.map((note) => (needed.has(note) || note.grace ? note : { ...note, finger: null }));
}

/** As many white keys on as fingers on: the hand has not moved. */
function liesInPlace(from: HandNote, to: HandNote): boolean {
  if (from.finger === null || to.finger === null) return true;
  const outwards = to.hand === 'right' ? 1 : -1;
  return (staffStep(to.pitch) - staffStep(from.pitch)) * outwards === to.finger - from.finger;
}
