import { type Letter, LETTERS, movedBy, movedSymbol, type Pitch, type PitchClass } from '../music';
import { childText, type Element } from './xmlTree';

/** From what a transposing instrument has written to what sounds, in staff steps and half steps. */
interface Transposition {
  readonly steps: number;
  readonly semitones: number;
}

/** What is written sounds. */
export const AS_WRITTEN: Transposition = { steps: 0, semitones: 0 };

/** The transposition that `<transpose>` tells; null where it is impossible. */
export function transpositionOf(element: Element): Transposition | null {
  const chromatic = Number(childText(element, 'chromatic') ?? 0);
  const octaves = Number(childText(element, 'octave-change') ?? 0);
  const diatonic = Number(childText(element, 'diatonic') ?? Math.round((chromatic * 7) / 12));
  if (![chromatic, octaves, diatonic].every((n) => Number.isInteger(n) && Math.abs(n) <= 48)) return null;
  return { steps: diatonic + 7 * octaves, semitones: chromatic + 12 * octaves };
}

function isAsWritten({ steps, semitones }: Transposition): boolean {
  return steps === 0 && semitones === 0;
}

/** What sounds where a note of this name is written. */
export function soundingClass(written: PitchClass, by: Transposition): PitchClass {
  return isAsWritten(by) ? written : movedBy(written, by.steps, by.semitones);
}

/** What sounds where a chord is written. */
export function soundingSymbol(symbol: string, by: Transposition): string {
  return isAsWritten(by) ? symbol : movedSymbol(symbol, (root) => soundingClass(root, by));
}

/** The sounding pitch of `<pitch>`; null where none is possible. */
export function soundingPitch(element: Element, by: Transposition): Pitch | null {
  const letter = childText(element, 'step')?.trim().toUpperCase() ?? '';
  const octave = Number(childText(element, 'octave'));
  const alter = Math.round(Number(childText(element, 'alter') ?? 0));
  const isPossible =
    /^[A-G]$/.test(letter) && Number.isInteger(octave) && octave >= -1 && octave <= 9 && Math.abs(alter) <= 2;
  if (!isPossible) return null;
  const written = { letter: letter as Letter, alter, octave };
  if (isAsWritten(by)) return written;
  const step = 7 * octave + LETTERS.indexOf(written.letter) + by.steps;
  return { ...soundingClass(written, by), octave: Math.floor(step / 7) };
}
