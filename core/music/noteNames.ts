// How notes are named: the one choice the whole program speaks and reads by, like the language of a computer. Files,
// stored songs and MIDI keep the English letters.

export type Letter = 'C' | 'D' | 'E' | 'F' | 'G' | 'A' | 'B';

/** A letter with its accidental, without an octave: the B♭ of "B♭ major". */
export interface PitchClass {
  readonly letter: Letter;
  /** −2 … 2: double flat … double sharp. */
  readonly alter: number;
}

/** C D E F G A B; do re mi, where do is always C; or German, where B is H and B♭ is B. */
export const NOTE_NAMES = ['english', 'solfege', 'german'] as const;
export type NoteNames = (typeof NOTE_NAMES)[number];

const SOLFEGE: Record<Letter, string> = {
  C: 'Do',
  D: 'Re',
  E: 'Mi',
  F: 'Fa',
  G: 'Sol',
  A: 'La',
  B: 'Si',
};
const BY_SYLLABLE: Readonly<Record<string, Letter>> = {
  do: 'C',
  re: 'D',
  ré: 'D',
  mi: 'E',
  fa: 'F',
  sol: 'G',
  la: 'A',
  si: 'B',
};

let names: NoteNames = 'english';

/** From now on notes are named so: said once, before anything is told or read. */
export function useNoteNames(chosen: NoteNames): void {
  names = chosen;
}

/** How notes are named now. */
export function noteNames(): NoteNames {
  return names;
}

/** A note as it is named now, with ♭ and ♯. `ownName(B♭) // => "B♭", "Si♭" or, in German, "B"` */
export function ownName({ letter, alter }: PitchClass): string {
  const signs = alter < 0 ? '♭'.repeat(-alter) : '♯'.repeat(alter);
  if (names === 'solfege') return SOLFEGE[letter] + signs;
  if (names === 'german' && letter === 'B') return alter < 0 ? `B${signs.slice(1)}` : `H${signs}`;
  return letter + signs;
}

/** A note's name at the head of a text. */
interface ReadName {
  readonly letter: Letter;
  /** What the name itself says of its alteration: −1 for the German B, 0 for H; null: as the signs after it, or the key, have it. */
  readonly alter: number | null;
  readonly length: number;
}

const ENDINGS: readonly (readonly [RegExp, number])[] = [
  [/^isis/, 2],
  [/^is/, 1],
  [/^(?:eses|ses)/, -2],
  // "Es" and "As", but not the suspended chords on E and A.
  [/^(?:es|s)(?!us)/, -1],
];

/** The note named at the head of a text, as notes are named now; null where none is. Capital or not. */
export function readName(text: string): ReadName | null {
  if (names === 'solfege') {
    const syllable = /^(?:sol|do|r[eé]|mi|fa|la|si)/i.exec(text)?.[0];
    if (syllable)
      return { letter: BY_SYLLABLE[syllable.toLowerCase()], alter: null, length: syllable.length };
  }
  const first = text.charAt(0).toUpperCase();
  if (names !== 'german') return isLetter(first) ? { letter: first, alter: null, length: 1 } : null;
  if (first === 'B') {
    // "Bb" is written for B♭ as well.
    const isDouble = /^.(?:b|♭)(?:b|♭)/.test(text);
    return { letter: 'B', alter: isDouble ? -2 : -1, length: /^.(?:b|♭)*/.exec(text)?.[0].length ?? 1 };
  }
  const letter = first === 'H' ? 'B' : first;
  if (!isLetter(letter)) return null;
  const rest = text.slice(1);
  for (const [ending, alter] of ENDINGS) {
    const match = ending.exec(rest);
    // "s" alone flattens E and A only.
    if (match && (match[0].startsWith('s') ? letter === 'E' || letter === 'A' : true))
      return { letter, alter, length: 1 + match[0].length };
  }
  // H is never flat, whatever the key says; a sign after it is its own.
  return { letter, alter: first === 'H' && !/^[#b♯♭]/.test(rest) ? 0 : null, length: 1 };
}

function isLetter(text: string): text is Letter {
  return /^[A-G]$/.test(text);
}

/**
 * A chord symbol or the name of a note as the pianist typed it, in English letters; what is no such name stays as it is.
 * `inEnglish('Lam7/Sol') // => "Am7/G"`; in German `inEnglish('H7') // => "B7"`
 */
export function inEnglish(symbol: string): string {
  if (names === 'english') return symbol;
  return symbol
    .split('/')
    .map((part, i) => {
      const read = readName(part);
      // After the stroke stands a note, or the ninth of "6/9".
      if (!read || (i === 0 && /^n\.?c/i.test(part))) return part;
      const signs =
        read.alter === null ? '' : read.alter < 0 ? 'b'.repeat(-read.alter) : '#'.repeat(read.alter);
      return read.letter + signs + part.slice(read.length);
    })
    .join('/');
}

/** Names in a text of note names or chord symbols, typeset in English, as they are named now. */
export function inOwnNames(text: string): string {
  if (names === 'english') return text;
  return text.replace(/(?<![A-Za-z.])([A-G])([♭♯]*)(?!\.)/g, (_, letter: Letter, signs: string) => {
    const flats = signs.split('♭').length - 1;
    return ownName({ letter, alter: signs.length - 2 * flats });
  });
}
