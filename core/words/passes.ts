import { type Hand, type HandNote, isPass } from '../hands';
import { classNameOf, typeset } from '../music';

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
    if (!last || isLaidAnew(last, note) || !isPass(last, note, hand)) return [];
    const letter = typeset(classNameOf(note.pitch));
    return [
      note.finger === 1 ? `thumb under to ${letter}` : `${FINGERS[note.finger ?? 0]} over to ${letter}`,
    ];
  });
}

function isLaidAnew(from: HandNote, to: HandNote): boolean {
  return to.tick - (from.tick + from.length) >= LEISURE_TICKS;
}
