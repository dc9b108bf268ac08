import type { HandNote } from '../hands';
import { isBlack } from '../music';

/** The five keys a hand lies over, by its outer white keys (MIDI). */
interface Lie {
  readonly low: number;
  readonly high: number;
}

/** White keys of an octave, in half steps from C. */
const WHITE = [0, 2, 4, 5, 7, 9, 11];
const FINGERS = 5;

/**
 * The five neighbouring white keys under the fingers of a hand when one of them is on a key; a black key is taken for the
 * white one below it. Null where the finger is not known. `lieOf(E4 with 3, right) // C4 to G4`
 */
export function lieOf({ midi, finger, hand }: Pick<HandNote, 'midi' | 'finger' | 'hand'>): Lie | null {
  if (finger === null) return null;
  const at = whiteIndex(isBlack(midi) ? midi - 1 : midi);
  const low = hand === 'right' ? at - (finger - 1) : at - (FINGERS - finger);
  return { low: whiteKey(low), high: whiteKey(low + FINGERS - 1) };
}

/** Which white key a key is, counted up the keyboard. */
function whiteIndex(midi: number): number {
  return 7 * Math.floor(midi / 12) + WHITE.indexOf(midi % 12);
}

function whiteKey(index: number): number {
  return 12 * Math.floor(index / 7) + WHITE[((index % 7) + 7) % 7];
}
