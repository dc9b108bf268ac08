import { type Pitch, classNameOf, midiOf, typeset } from './pitch';

const NEXT_TO_BLACKS: Record<string, string> = {
  C: 'just left of the two black keys',
  D: 'between the two black keys',
  E: 'just right of the two black keys',
  F: 'just left of the three black keys',
  G: 'between the first and second of the three black keys',
  A: 'between the second and third of the three black keys',
  B: 'just right of the three black keys',
};
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

/** Where a white key lies among the black ones; a black key by its group. */
export function besideBlacks(pitch: Pitch): string {
  if (pitch.alter === 0) return NEXT_TO_BLACKS[pitch.letter];
  const place = ((midiOf(pitch) % 12) + 12) % 12;
  const within: Record<number, string> = {
    1: 'the first of the two black keys',
    3: 'the second of the two black keys',
    6: 'the first of the three black keys',
    8: 'the middle one of the three black keys',
    10: 'the last of the three black keys',
  };
  return within[place] ?? `the white key also called ${whiteName(place)}`;
}

function whiteName(place: number): string {
  return { 0: 'C', 2: 'D', 4: 'E', 5: 'F', 7: 'G', 9: 'A', 11: 'B' }[place] ?? 'C';
}
