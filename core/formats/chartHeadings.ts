import { inEnglish, type Key, type Mode, MODES, parsePitchClass, PitchNameError } from '../music';
import { FileError } from './fileError';

/** What a line at the head of a chart may tell, by the words it begins with. */
const NAMES: Readonly<Record<string, Heading['name']>> = {
  title: 'title',
  song: 'title',
  t: 'title',
  subtitle: 'subtitle',
  st: 'subtitle',
  artist: 'subtitle',
  composer: 'music',
  lyricist: 'words',
  key: 'key',
  'key signature': 'key',
  metre: 'metre',
  meter: 'metre',
  time: 'metre',
  'time signature': 'metre',
  tempo: 'tempo',
  bpm: 'tempo',
};
const WRITTEN = Object.keys(NAMES)
  .filter((name) => name.length > 2)
  .sort((a, b) => b.length - a.length)
  .join('|');
const LINE = new RegExp(`^\\s*(${WRITTEN})\\s*(?::|=|–|—|-\\s)\\s*(.+)$`, 'i');
/** At the head of a chart a key, a metre and a tempo are known without a sign between: "Key of G", "Tempo 96". */
const PLAIN_LINE =
  /^\s*(key|metre|meter|time signature|time|tempo|bpm)\s+(?:of\s+)?((?:[A-G](?![a-z]*\s+[a-z]+\s)|\d).*)$/i;

/** A line of a chart that is no music and no words. */
export interface Heading {
  readonly name: 'title' | 'subtitle' | 'words' | 'music' | 'key' | 'metre' | 'tempo';
  readonly value: string;
}

/** "Title: …", "KEY = Bb minor", and before any bar "Key of G", "Tempo 96": the heading a line is, or null. */
export function headingIn(line: string, isHead: boolean): Heading | null {
  if (line.includes('|') || hasBrackets(line)) return null;
  const found = LINE.exec(line) ?? (isHead ? PLAIN_LINE.exec(line) : null);
  return found && headingNamed(found[1], found[2]);
}

/** Something stands in brackets. */
export function hasBrackets(line: string): boolean {
  return line
    .split('[')
    .slice(1)
    .some((piece) => piece.indexOf(']') > 0);
}

/** A heading by its name and value apart, as a directive has them; null for others. */
export function headingNamed(name: string, value: string): Heading | null {
  const known = NAMES[name.toLowerCase().replaceAll('_', ' ')];
  return known ? { name: known, value: value.trim() } : null;
}

const WORDS: readonly (readonly [RegExp, string])[] = [
  [/♭|[\s-]flat\b/gi, 'b'],
  [/♯|[\s-]sharp\b/gi, '#'],
];

const KEY = new RegExp(`^([A-Ga-g][#b]?)\\s*-?\\s*(m|min|maj|ionian|${MODES.join('|')})?\\.?$`, 'i');

function modeNamed(name: string): Mode {
  if (/^m(in)?$/.test(name)) return 'minor';
  return MODES.find((mode) => mode === name.toLowerCase()) ?? 'major';
}

/** "Am", "B flat major", "D dorian", "f♯ minor", "G": a key as it is written at the head of a chart. Throws {@link FileError}. */
export function keyFrom(text: string, line: number): Key {
  const plain = WORDS.reduce(
    (all, [pattern, sign]) => all.replace(pattern, sign),
    inEnglish(text.trim()).replace(/\s+/g, ' '),
  );
  const match = KEY.exec(plain);
  try {
    if (match) {
      const tonic = parsePitchClass(match[1].charAt(0).toUpperCase() + match[1].slice(1));
      return { tonic, mode: modeNamed(match[2] ?? '') };
    }
  } catch (error) {
    if (!(error instanceof PitchNameError)) throw error;
  }
  throw new FileError(`"${text}" is not a key`, `line ${line}`, 'Write it like Am, G or B flat major as Bb.');
}
