import { isBlack } from './keyboard';
import { inEnglish, inOwnNames } from './noteNames';
import { classNameOf, type Letter, midiOf, parsePitchClass, type Pitch, pitchAt, typeset } from './pitch';

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
  const cName = inOwnNames(C_NAMES[octave] ?? `C${octave}`);
  if (midi === c) return cName;
  return `the ${typeset(classNameOf(pitch))} ${midi < c ? 'below' : 'above'} ${cName}`;
}

/** Where a white key lies among the groups of two and three black keys. */
const BESIDE_BLACKS: Record<Letter, string> = {
  C: 'just left of the two black keys',
  D: 'between the two black keys',
  E: 'just right of the two black keys',
  F: 'just left of the three black keys',
  G: 'between the first and second of the three black keys',
  A: 'between the second and third of the three black keys',
  B: 'just right of the three black keys',
};
const AMONG_BLACKS: Record<number, string> = {
  1: 'the first of the two black keys',
  3: 'the second of the two black keys',
  6: 'the first of the three black keys',
  8: 'the second of the three black keys',
  10: 'the third of the three black keys',
};
const WHITE_LETTERS: Record<number, Letter> = { 0: 'C', 2: 'D', 4: 'E', 5: 'F', 7: 'G', 9: 'A', 11: 'B' };

/**
 * Where a key is by the groups of black keys, for those who do not read the C's.
 * `besideBlacks(E4) // => "E, just right of the two black keys, in the octave from middle C up"`
 */
export function besideBlacks(pitch: Pitch): string {
  const midi = midiOf(pitch);
  const inOctave = midi % 12;
  const place = isBlack(midi) ? AMONG_BLACKS[inOctave] : BESIDE_BLACKS[WHITE_LETTERS[inOctave]];
  const octave = Math.floor(midi / 12) - 1;
  const c = inOwnNames(C_NAMES[octave] ?? `C${octave}`);
  return `${typeset(classNameOf(pitch))}, ${place}, in the octave from ${c} up`;
}

/**
 * The key a landmark names, or null. `parseLandmark('A below middle C') // => A3`
 */
export function parseLandmark(text: string): Pitch | null {
  const phrase = text.trim().replace(/^the /i, '').replace(/\s+/g, ' ');
  const named = Object.entries(C_NAMES).find(
    ([, name]) => inOwnNames(name).replace(/^the /, '').toLowerCase() === phrase.toLowerCase(),
  );
  if (named) return { letter: 'C', alter: 0, octave: Number(named[0]) };
  const match = /^(\S+) (above|below) (.+)$/i.exec(phrase);
  const name = match && inEnglish(match[1]);
  if (!name || !/^[A-G](?:#|b|♯|♭)?$/i.test(name)) return null;
  const c = parseLandmark(match[3]);
  if (!c || c.letter !== 'C') return null;
  const spelling = parsePitchClass(name);
  const from = midiOf(c);
  const away = (((midiOf({ ...spelling, octave: 4 }) - 60) % 12) + 12) % 12;
  const midi = match[2].toLowerCase() === 'above' ? from + (away || 12) : from - ((12 - away) % 12 || 12);
  return pitchAt(midi, spelling);
}
