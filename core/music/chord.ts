import { memberNumber } from './chordNames';
import type { ChordType } from './chordType';
import { typeOfSuffix } from './chordTypes';
import { chroma, classAbove, classNameOf, parsePitchClass, type PitchClass, PitchNameError } from './pitch';

export interface Chord {
  readonly root: PitchClass;
  readonly type: ChordType;
  /** The bass of a slash chord, else null. */
  readonly bass: PitchClass | null;
}

export interface Member {
  /** Interval from the root, "7m". */
  readonly interval: string;
  /** 1, 3, 5, 7, 9 …; 0 for a slash bass that is no member. */
  readonly number: number;
  readonly pitchClass: PitchClass;
  readonly chroma: number;
}

/** A chord symbol that cannot be read; `at` is the first character not understood, from 0. */
export class ChordSymbolError extends Error {
  constructor(
    readonly symbol: string,
    readonly at: number,
  ) {
    super(
      at === 0
        ? `"${symbol}" is not a chord: it should begin with a letter A to G.`
        : `"${symbol}" is not a chord: "${symbol.slice(at)}" is not a known quality.`,
    );
    this.name = 'ChordSymbolError';
  }
}

const NO_CHORD = /^(n\.?\s?c\.?|-)$/i;
const parsed = new Map<string, Chord | null>();

/**
 * Reads a chord symbol in any usual spelling; "N.C." gives null (no chord). Throws {@link ChordSymbolError}.
 * `parseChord('C-7') // => C m7`, `parseChord('Bbmaj7/D')`
 */
export function parseChord(symbol: string): Chord | null {
  const known = parsed.get(symbol);
  if (known !== undefined) return known;
  const chord = readSymbol(symbol);
  parsed.set(symbol, chord);
  return chord;
}

/** No chord has a longer symbol. */
const LONGEST = 40;

function readSymbol(symbol: string): Chord | null {
  if (symbol.length > LONGEST) throw new ChordSymbolError(symbol.slice(0, LONGEST), 0);
  const text = symbol.trim().replace(/♭/g, 'b').replace(/♯/g, '#').replace(/\s+/g, '');
  if (NO_CHORD.test(text)) return null;
  const rootText = /^[A-G](bb|##|b|#)?/.exec(text)?.[0];
  if (!rootText) throw new ChordSymbolError(symbol, 0);
  const rest = text.slice(rootText.length);
  const whole = typeOfSuffix(rest);
  if (whole) return { root: parsePitchClass(rootText), type: whole, bass: null };
  const slash = rest.lastIndexOf('/');
  const type = slash >= 0 ? typeOfSuffix(rest.slice(0, slash)) : undefined;
  if (!type) throw new ChordSymbolError(symbol, rootText.length + readable(rest));
  return {
    root: parsePitchClass(rootText),
    type,
    bass: readBass(symbol, rest.slice(slash + 1), rootText, slash),
  };
}

/** How many characters of a suffix can be read; a single letter more may be what is wrong. */
function readable(rest: string): number {
  for (let end = rest.length - 1; end > 0; end--) if (typeOfSuffix(rest.slice(0, end))) return end;
  return 0;
}

function readBass(symbol: string, text: string, rootText: string, slash: number): PitchClass {
  try {
    return parsePitchClass(text);
  } catch (error) {
    if (error instanceof PitchNameError) throw new ChordSymbolError(symbol, rootText.length + slash + 1);
    throw error;
  }
}

/** The symbol as this program writes it, ASCII: "Bbmaj7/D", "N.C.". Reading it gives the same chord. */
export function symbolOf(chord: Chord | null): string {
  if (!chord) return 'N.C.';
  const bass = chord.bass ? `/${classNameOf(chord.bass)}` : '';
  return classNameOf(chord.root) + chord.type.suffix + bass;
}

const members = new WeakMap<Chord, readonly Member[]>();

/**
 * The members from the root up, spelled by interval.
 * `membersOf(parseChord('Db7')) // => D♭ F A♭ C♭`
 */
export function membersOf(chord: Chord): readonly Member[] {
  let list = members.get(chord);
  if (!list) {
    list = chord.type.members.map((interval) => memberAt(chord.root, interval));
    members.set(chord, list);
  }
  return list;
}

function memberAt(root: PitchClass, interval: string): Member {
  const pitchClass = classAbove(root, interval);
  return { interval, number: memberNumber(interval), pitchClass, chroma: chroma(pitchClass) };
}

/** The lowest note the chord asks for: its slash bass, else its root. */
export function bassOf(chord: Chord): PitchClass {
  return chord.bass ?? chord.root;
}

/** How a key is spelled under a chord: as its member or slash bass, else undefined. */
export function spellingInChord(midi: number, chord: Chord): PitchClass | undefined {
  const wanted = ((midi % 12) + 12) % 12;
  const member = membersOf(chord).find((m) => m.chroma === wanted);
  if (member) return member.pitchClass;
  return chord.bass && chroma(chord.bass) === wanted ? chord.bass : undefined;
}

/**
 * A chord symbol with its root and bass moved. What cannot be read cannot be moved: it stays as given, and so does
 * "N.C.". `movedSymbol('Dm7/C', up a fourth) // => "Gm7/F"`
 */
export function movedSymbol(symbol: string, move: (pitchClass: PitchClass) => PitchClass): string {
  try {
    const chord = parseChord(symbol);
    if (!chord) return symbol;
    return symbolOf({ ...chord, root: move(chord.root), bass: chord.bass && move(chord.bass) });
  } catch (error) {
    if (error instanceof ChordSymbolError) return symbol;
    throw error;
  }
}
