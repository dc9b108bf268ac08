import { Note } from 'tonal';
import { inOwnNames, type Letter, type PitchClass } from './noteNames';

export type { Letter, PitchClass };

/** A spelled pitch in scientific octaves: C4 is middle C. G♭4 is not F♯4. */
export interface Pitch extends PitchClass {
  readonly octave: number;
}

/** The text given is not the name of a pitch. */
export class PitchNameError extends Error {
  constructor(readonly text: string) {
    super(`"${text}" is not the name of a note: a letter A to G, then # or b, then an octave number.`);
    this.name = 'PitchNameError';
  }
}

export const LETTERS: readonly Letter[] = ['C', 'D', 'E', 'F', 'G', 'A', 'B'];
const LETTER_SEMITONES: Record<Letter, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

/** MIDI number of a pitch; middle C is 60. `midiOf({letter:'A',alter:-1,octave:3}) // => 56` */
export function midiOf(pitch: Pitch): number {
  return 12 * (pitch.octave + 1) + LETTER_SEMITONES[pitch.letter] + pitch.alter;
}

/** Semitones above C, 0–11, of a letter with accidental. */
export function chroma(pitch: PitchClass): number {
  return (LETTER_SEMITONES[pitch.letter] + pitch.alter + 24) % 12;
}

/** Letter steps from C0, used for height on a staff. */
export function staffStep(pitch: Pitch): number {
  return 7 * pitch.octave + LETTERS.indexOf(pitch.letter);
}

function accidentals(alter: number): string {
  return alter < 0 ? 'b'.repeat(-alter) : '#'.repeat(alter);
}

/** `classNameOf({letter:'B',alter:-1}) // => "Bb"` */
export function classNameOf(pitch: PitchClass): string {
  return pitch.letter + accidentals(pitch.alter);
}

/** `nameOf({letter:'A',alter:-1,octave:3}) // => "Ab3"` */
export function nameOf(pitch: Pitch): string {
  return classNameOf(pitch) + pitch.octave;
}

const NAME = /^([A-Ga-g])(bb|##|b|#|♭♭|♯♯|♭|♯|x)?(-?\d+)?$/;

/** Letter with accidental from text; accepts b, #, bb, ##, ♭, ♯. Throws {@link PitchNameError}. */
export function parsePitchClass(text: string): PitchClass {
  const match = NAME.exec(text.trim());
  if (!match || match[3] !== undefined) throw new PitchNameError(text);
  return { letter: match[1].toUpperCase() as Letter, alter: alterOf(match[2] ?? '') };
}

/** Pitch from text such as "Ab3". Throws {@link PitchNameError}. */
export function parsePitch(text: string): Pitch {
  const match = NAME.exec(text.trim());
  if (!match || match[3] === undefined) throw new PitchNameError(text);
  return {
    letter: match[1].toUpperCase() as Letter,
    alter: alterOf(match[2] ?? ''),
    octave: Number(match[3]),
  };
}

function alterOf(sign: string): number {
  if (sign === 'x') return 2;
  return [...sign].reduce((sum, c) => sum + (c === 'b' || c === '♭' ? -1 : 1), 0);
}

const transposed = new Map<string, PitchClass>();

/**
 * The letter an interval above another, spelled by interval (letter arithmetic by the tonal library).
 * Where that would need a triple accidental the simplest enharmonic letter is given instead.
 * `classAbove({letter:'D',alter:-1}, '7m') // => C♭`
 */
export function classAbove(from: PitchClass, interval: string): PitchClass {
  const id = `${classNameOf(from)} ${interval}`;
  let result = transposed.get(id);
  if (!result) {
    const name = Note.transpose(classNameOf(from), interval);
    result = parsePitchClass(/bbb|###/.test(name) ? Note.simplify(name) : name);
    transposed.set(id, result);
  }
  return result;
}

/** A pitch moved by an interval such as "3M" or "-2m", spelled by interval. */
export function transposePitch(pitch: Pitch, interval: string): Pitch {
  const name = Note.transpose(nameOf(pitch), interval);
  return parsePitch(/bbb|###/.test(name) ? Note.simplify(name) : name);
}

/**
 * A letter moved by staff steps and half steps, as a transposing instrument sounds. `movedBy(C, -1, -2) // => B♭`
 * Where that would need a triple accidental the simplest enharmonic letter is given instead.
 */
export function movedBy(from: PitchClass, steps: number, semitones: number): PitchClass {
  const letter = LETTERS[(((LETTERS.indexOf(from.letter) + steps) % 7) + 7) % 7];
  const wanted = (((chroma(from) + semitones) % 12) + 12) % 12;
  const alter = ((wanted - LETTER_SEMITONES[letter] + 18) % 12) - 6;
  if (Math.abs(alter) <= 2) return { letter, alter };
  return parsePitchClass(Note.pitchClass(Note.fromMidi(60 + wanted)));
}

/** The pitch that sounds as `midi` and is spelled with the given letter. */
export function pitchAt(midi: number, spelling: PitchClass): Pitch {
  const octave = Math.round((midi - LETTER_SEMITONES[spelling.letter] - spelling.alter) / 12) - 1;
  return { letter: spelling.letter, alter: spelling.alter, octave };
}

/**
 * Names of notes and chord symbols as they are shown: with ♭ and ♯, as notes are named now. `typeset('Ab3') // => "A♭3"`,
 * `typeset('Bm7b5') // => "Bm7♭5"`, or "Sim7♭5".
 */
export function typeset(text: string): string {
  return inOwnNames(withSigns(text));
}

/** The same in English letters, as it is stored. `withSigns('Bm7b5') // => "Bm7♭5"` */
export function withSigns(text: string): string {
  return text
    .replace(/([A-G])(b+|#+)/g, (_, letter: string, signs: string) => letter + signsOf(signs))
    .replace(/([b#])(?=\d)/g, signsOf);
}

/** Names and symbols as they are typed on a keyboard, as notes are named now. `asTyped('Bb') // => "Bb", "Sib"; "B"` */
export function asTyped(text: string): string {
  return typeset(text).replaceAll('♭', 'b').replaceAll('♯', '#');
}

function signsOf(signs: string): string {
  return signs.replace(/b/g, '♭').replace(/#/g, '♯');
}

/**
 * The other usual name of a key: D♭ for C♯, C for B♯, F♭ for E; null for D, G and A, whose others have two signs.
 * `otherNameOf(C♯) // => D♭`
 */
export function otherNameOf(pitchClass: PitchClass): PitchClass | null {
  const same = LETTERS.flatMap((letter) => [0, -1, 1].map((alter): PitchClass => ({ letter, alter }))).filter(
    (other) => chroma(other) === chroma(pitchClass) && other.letter !== pitchClass.letter,
  );
  return same.sort((a, b) => Math.abs(a.alter) - Math.abs(b.alter))[0] ?? null;
}

/** Keys MIDI can name. */
const KEYS = 128;

/** A number that only what strikes the same key (MIDI 0 … 127) at the same tick (up to 10¹³) shares: quicker to look up than words. */
export function strikeNumber({ tick, midi }: { readonly tick: number; readonly midi: number }): number {
  return tick * KEYS + midi;
}
