import { type Pitch, classNameOf, midiOf, typeset } from './pitch';

const C_NAMES: Record<number, string> = {
  1: 'the lowest C of a full keyboard',
  2: 'the second C below middle C',
  3: 'the C below middle C',
  4: 'middle C',
  5: 'the C above middle C',
  6: 'the second C above middle C',
  7: 'the third C above middle C',
  8: 'the highest C of a full keyboard',
};

/**
 * Where a key is, the way pianists tell each other: within an octave of middle C from there, else from the
 * nearest C. `landmarkOf(A3) // => "the A below middle C"`
 */
export function landmarkOf(pitch: Pitch): string {
  const midi = midiOf(pitch);
  const octave = Math.abs(midi - 60) < 12 ? 4 : Math.round(midi / 12) - 1;
  const c = 12 * (octave + 1);
  const cName = C_NAMES[octave] ?? `C${octave}`;
  if (midi === c) return cName;
  return `the ${typeset(classNameOf(pitch))} ${midi < c ? 'below' : 'above'} ${cName}`;
}
