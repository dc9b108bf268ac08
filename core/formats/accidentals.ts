import { type Key, type Pitch, scaleOf } from '../music';

/** MusicXML's names of accidentals, by how far the letter is altered. */
const NAMES: Readonly<Record<number, string>> = {
  [-2]: 'flat-flat',
  [-1]: 'flat',
  0: 'natural',
  1: 'sharp',
  2: 'double-sharp',
};

/** A note of one staff in one bar that is struck or goes on. */
interface OnStaff {
  readonly pitch: Pitch;
  /** Goes on from the bar before: its accidental is not written again. */
  readonly isHeldOn: boolean;
}

/**
 * The accidental written before each note of one staff in one bar, in the order they are read: where the letter in that
 * octave is not as the key, or as the last accidental of the bar, has it. Null where none is written.
 */
export function accidentalsIn(notes: readonly OnStaff[], key: Key): (string | null)[] {
  const signature = new Map(scaleOf(key).map(({ letter, alter }) => [letter, alter]));
  const inForce = new Map<string, number>();
  return notes.map(({ pitch, isHeldOn }) => {
    const place = `${pitch.letter}${pitch.octave}`;
    const known = inForce.get(place) ?? signature.get(pitch.letter) ?? 0;
    if (isHeldOn) return null;
    inForce.set(place, pitch.alter);
    return known === pitch.alter ? null : NAMES[pitch.alter];
  });
}
