import {
  type Key,
  type Letter,
  LETTERS,
  midiOf,
  noteNames,
  parseLandmark,
  readName,
  ownName,
  type Pitch,
  type PitchClass,
  scaleOf,
  staffStep,
} from '../music';

/** A letter or count that cannot be read, with its place in the text. */
export class EntryError extends Error {
  constructor(
    message: string,
    /** First character, from 0. */
    readonly at: number,
    /** Characters it takes up. */
    readonly length: number,
  ) {
    super(message);
    this.name = 'EntryError';
  }
}

/** One key told by its letter. */
export interface TypedKey {
  readonly pitch: Pitch;
  /** Struck quickly before the next; it takes no count. */
  readonly grace: boolean;
  /** Struck together with the key before it: "C+E". */
  readonly joins: boolean;
  /** Where its letter stands in the text. */
  readonly at: number;
  readonly length: number;
}

/** Middle C, where a tune begins that does not say where. */
const MIDDLE_C: Pitch = { letter: 'C', alter: 0, octave: 4 };
/** Stands before a grace note; the one that songs were typed with before still reads. */
const GRACE_SIGN = ';';
const BEFORE_LETTER = /^(\+?)([;~]?)([/\\]*)/;
const AFTER_LETTER = /^(##|#|bb|b|n)?(-?\d+)?(?:\*(\d+))?/;
const MOST_REPEATS = 64;
const LOWEST_KEY = 21;
const HIGHEST_KEY = 108;

/**
 * Reads a tune told in letters; spaces, commas and bar strokes between them say nothing, and none is needed. Each is the nearest key of its letter (up to a fourth away);
 * "/" in front: upwards, "\" downwards, doubled an octave more; a plain letter is as the key signature has it, "n"
 * makes it natural; "*3" strikes it three times; ";" makes it a grace note. The first key stands near `start`, or
 * names its octave ("A3"), or follows a landmark: "A below middle C:". "+" strikes a key together with the one before,
 * the first of its letter above it: "C+E+G"; what comes after is near the first of them. Throws {@link EntryError}.
 * `readLetters('A4 C B*2 \\A', A minor) // => A4 C5 B4 B4 A4`
 */
export function readLetters(text: string, key: Key, start: Pitch = MIDDLE_C): TypedKey[] {
  const { rest, from, first } = landmarkIn(text, start);
  const keys: TypedKey[] = [];
  let before: Pitch = first ?? from;
  let above: Pitch | null = null;
  for (const match of rest.text.matchAll(/[^\s|,]+/g)) {
    const [word] = match;
    // Letters may stand together: "CDEF".
    for (let from = 0; from < word.length;) {
      const at = rest.offset + match.index + from;
      const { token, joins, grace, strokes, letter, alter, octave, times } = letterAt(
        word.slice(from),
        key,
        at,
      );
      if (joins && !above)
        throw new EntryError(`"${token}" has no key before it to be struck with.`, at, token.length);
      if (strokes.includes('/') && strokes.includes('\\'))
        throw new EntryError(`"${token}" goes up and down at once: keep "/" or "\\".`, at, token.length);
      const pitch: Pitch =
        joins && above
          ? placedAbove({ letter, alter }, octave, strokes.length, above)
          : placed({ letter, alter }, octave, strokes, before);
      const midi = midiOf(pitch);
      if (midi < LOWEST_KEY || midi > HIGHEST_KEY)
        throw new EntryError(`"${token}" lies beyond the keys of a piano.`, at, token.length);
      const count = times === undefined ? 1 : Number(times);
      if (count < 1 || count > MOST_REPEATS)
        throw new EntryError(
          `"${token}" repeats ${count} times; 1 to ${MOST_REPEATS} can be read.`,
          at,
          token.length,
        );
      if (joins && count > 1)
        throw new EntryError(`"${token}": a chord is written out each time it is struck.`, at, token.length);
      const isGrace = joins ? (keys.at(-1)?.grace ?? false) : grace !== '';
      for (let i = 0; i < count; i++) keys.push({ pitch, grace: isGrace, joins, at, length: token.length });
      if (!joins) before = pitch;
      above = pitch;
      from += token.length;
    }
  }
  return keys;
}

/** One letter with its signs at the head of a word. Throws {@link EntryError}, `at` its first character. */
function letterAt(word: string, key: Key, at: number): ReadLetter {
  const [head, plus, grace, strokes] = BEFORE_LETTER.exec(word) ?? ['', '', '', ''];
  const name = readName(word.slice(head.length));
  if (!name) throw new EntryError(wrongLetter(word), at, word.length);
  const [signs, accidental, octave, times] = AFTER_LETTER.exec(word.slice(head.length + name.length)) ?? [''];
  const alter = accidental === undefined ? (name.alter ?? keyAlter(name.letter, key)) : ALTERS[accidental];
  const token = word.slice(0, head.length + name.length + signs.length);
  return { token, joins: plus !== '', grace, strokes, letter: name.letter, alter, octave, times };
}

interface ReadLetter extends PitchClass {
  /** As it is typed. */
  readonly token: string;
  readonly joins: boolean;
  readonly grace: string;
  readonly strokes: string;
  readonly octave: string | undefined;
  readonly times: string | undefined;
}

/** A landmark before a colon says where the tune begins. */
function landmarkIn(
  text: string,
  start: Pitch,
): { rest: { text: string; offset: number }; from: Pitch; first: Pitch | null } {
  const colon = text.indexOf(':');
  if (colon < 0) return { rest: { text, offset: 0 }, from: start, first: null };
  const phrase = text.slice(0, colon);
  const first = parseLandmark(phrase);
  if (!first) {
    const at = phrase.length - phrase.trimStart().length;
    throw new EntryError(
      `"${phrase.trim()}" is not a place on the keyboard: say "A below middle C", or leave it out and write A3.`,
      at,
      Math.max(1, phrase.trim().length),
    );
  }
  return { rest: { text: text.slice(colon + 1), offset: colon + 1 }, from: start, first };
}

function wrongLetter(token: string): string {
  if (/^h/i.test(token) && noteNames() === 'english')
    return `"${token}" is no letter here: H is B, and the German B is Bb. Settings have German names.`;
  const names = {
    english: 'a letter of the keyboard: A to G, then # or b, as in F# or Bb',
    solfege: 'a note: do re mi fa sol la si, then # or b, as in fa# or sib',
    german: 'a note: C D E F G A H, or B for H flat, then # or b, as in F#',
  };
  return `"${token}" is not ${names[noteNames()]}.`;
}

function placed(
  { letter, alter }: PitchClass,
  octave: string | undefined,
  strokes: string,
  before: Pitch,
): Pitch {
  if (octave !== undefined) return { letter, alter, octave: Number(octave) };
  const step = staffStep(before) + distance(LETTERS.indexOf(before.letter), LETTERS.indexOf(letter), strokes);
  return { letter, alter, octave: Math.floor(step / 7) };
}

/** The first key of a letter above another, so many octaves higher. */
function placedAbove(
  { letter, alter }: PitchClass,
  octave: string | undefined,
  octaves: number,
  below: Pitch,
): Pitch {
  if (octave !== undefined) return { letter, alter, octave: Number(octave) };
  const near = { letter, alter, octave: below.octave - 1 + octaves };
  while (midiOf(near) - 12 * octaves <= midiOf(below)) near.octave++;
  return near;
}

const ALTERS: Record<string, number> = { '##': 2, '#': 1, bb: -2, b: -1, n: 0 };

function keyAlter(letter: Letter, key: Key): number {
  return scaleOf(key).find((p) => p.letter === letter)?.alter ?? 0;
}

/** Staff steps to the letter meant: the nearest, or the first upwards or downwards, octaves more by more strokes. */
function distance(from: number, to: number, strokes: string): number {
  const up = (to - from + 7) % 7;
  if (strokes === '') return up <= 3 ? up : up - 7;
  const more = 7 * (strokes.length - 1);
  return strokes.startsWith('/') ? (up === 0 ? 7 : up) + more : (up === 0 ? -7 : up - 7) - more;
}

/** A tune in letters: the inverse of {@link readLetters}. The first letter carries its octave. */
export function writeLetters(notes: readonly Struck[], key: Key): string {
  const words: string[] = [];
  let before: Pitch | null = null;
  for (let i = 0; i < notes.length;) {
    const { pitch, grace, keys } = notes[i];
    if (keys) {
      words.push(writeStrike(keys, grace, key));
      before = keys[0];
      i++;
      continue;
    }
    let times = 1;
    while (i + times < notes.length && isSame(notes[i], notes[i + times])) times++;
    const place: string = before ? strokesOf(staffStep(pitch) - staffStep(before)) : '';
    const octave = before ? '' : String(pitch.octave);
    const name = nameIn(pitch, key);
    const word = (grace ? GRACE_SIGN : '') + place + name + octave;
    if (times > 2) words.push(`${word}*${times}`);
    else {
      words.push(word);
      if (times === 2) words.push((grace ? GRACE_SIGN : '') + name);
    }
    before = pitch;
    i += times;
  }
  return words.join(' ');
}

interface Struck {
  readonly pitch: Pitch;
  readonly grace: boolean;
  /** All that is struck with it and itself, lowest first, where that is told too. */
  readonly keys?: readonly Pitch[];
}

function isSame(a: Struck, b: Struck): boolean {
  const [p, q] = [a.pitch, b.pitch];
  return (
    a.grace === b.grace && !b.keys && p.letter === q.letter && p.alter === q.alter && p.octave === q.octave
  );
}

/** Keys struck together in letters, each with its octave: "C3+E3"; a grace note with its sign before it. */
export function writeStrike(pitches: readonly Pitch[], isGrace: boolean, key: Key): string {
  return (isGrace ? GRACE_SIGN : '') + pitches.map((pitch) => nameIn(pitch, key) + pitch.octave).join('+');
}

/** A note's name with the sign it needs in this key. */
function nameIn({ letter, alter }: Pitch, key: Key): string {
  const signs = alter < 0 ? 'b'.repeat(-alter) : '#'.repeat(alter);
  // In German the name itself says whether it is flat.
  if (noteNames() === 'german' && letter === 'B') return alter === -1 ? 'B' : `H${signs}`;
  const name = ownName({ letter, alter: 0 });
  if (alter === keyAlter(letter, key)) return name;
  return name + (alter === 0 ? 'n' : signs);
}

function strokesOf(steps: number): string {
  if (Math.abs(steps) <= 3) return '';
  return (steps > 0 ? '/' : '\\').repeat(Math.ceil(Math.abs(steps) / 7));
}
