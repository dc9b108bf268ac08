import type { Hand, HandNote } from '../hands';
import { classNameOf, typeset } from '../music';

/** A pass reaches no further, in half steps: beyond it the hand moves. */
const WIDEST_PASS = 6;
/** After a rest of a beat the hand is laid anew. */
const LEISURE_TICKS = 960;

const FINGERS = ['', 'thumb', 'second finger', 'third finger', 'fourth finger', 'fifth finger'];

/**
 * Where the thumb passes under, or a finger over it, at its note: "thumb under to C", "third finger over to E". Single
 * notes of one hand in time; `before` is the note the hand comes from.
 */
export function passesInWords(notes: readonly HandNote[], before: HandNote | null, hand: Hand): string[] {
  const line = before ? [before, ...notes] : notes;
  return line.flatMap((note, i) => {
    const last = line[i - 1];
    if (!last || !isPass(last, note, hand)) return [];
    const letter = typeset(classNameOf(note.pitch));
    return [
      note.finger === 1 ? `thumb under to ${letter}` : `${FINGERS[note.finger ?? 0]} over to ${letter}`,
    ];
  });
}

function isPass(from: HandNote, to: HandNote, hand: Hand): boolean {
  const [a, b] = [from.finger ?? 0, to.finger ?? 0];
  const away = (to.midi - from.midi) * (hand === 'right' ? 1 : -1);
  if (a === 0 || b === 0 || a === b || away === 0 || Math.abs(away) > WIDEST_PASS) return false;
  if (to.tick - (from.tick + from.length) >= LEISURE_TICKS) return false;
  return away > 0 ? b === 1 : a === 1;
}
