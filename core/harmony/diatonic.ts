import { type Chord, type Key, modeSteps, scaleOf, typeOfSuffix } from '../music';

/** Chords of scale notes by the half steps of their third, fifth and seventh. */
const TRIADS: Readonly<Record<string, string>> = { '4 7': '', '3 7': 'm', '3 6': 'dim', '4 8': 'aug' };
const SEVENTHS: Readonly<Record<string, string>> = {
  '4 7 11': 'maj7',
  '4 7 10': '7',
  '3 7 10': 'm7',
  '3 6 10': 'm7b5',
};

/**
 * The seven chords of a key; in minor V is major, with the raised leading note (common practice).
 * `diatonicChords(C major, 'sevenths') // => Cmaj7 Dm7 Em7 Fmaj7 G7 Am7 Bm7♭5`
 */
export function diatonicChords(key: Key, kind: 'triads' | 'sevenths'): Chord[] {
  const steps = modeSteps(key.mode);
  return scaleOf(key).map((root, degree) => {
    const over = (by: number): number => (steps[(degree + by) % 7] - steps[degree] + 12) % 12;
    const raisesLeadingNote = key.mode === 'minor' && degree === 4;
    const third = raisesLeadingNote ? 4 : over(2);
    const suffix =
      kind === 'triads' ? TRIADS[`${third} ${over(4)}`] : SEVENTHS[`${third} ${over(4)} ${over(6)}`];
    const type = typeOfSuffix(suffix);
    if (!type) throw new RangeError(`There is no chord type "${suffix}".`);
    return { root, type, bass: null };
  });
}
