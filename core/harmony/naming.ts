import { type Chord, membersOf, symbolOf } from '../music/chord';
import { CHORD_TYPES } from '../music/chordTypes';
import { type Key, spellInKey } from '../music/key';
import { classAbove, chroma } from '../music/pitch';
import { inversionName, inversionOf } from './inversion';

/** One name a set of keys can bear. */
export interface ChordName {
  readonly chord: Chord;
  /** "Em6, third inversion" in ASCII. */
  readonly name: string;
  readonly inversion: number;
  /** Members of the chord that the keys leave out. */
  readonly leftOut: readonly string[];
}

/** Members that may be absent from a chord that still bears the name. */
const MAY_BE_ABSENT = new Set(['5P', '1P', '11P']);

/**
 * Every usual name of a set of keys, spelled in the key, the fewest left-out members first.
 * `nameKeys([61,64,67,71], C major) // => C#m7b5, Em6 (sixth lowest), A9 without its root`
 */
export function nameKeys(keys: readonly number[], key: Key): ChordName[] {
  const sorted = [...keys].sort((a, b) => a - b);
  const sounding = new Set(sorted.map((k) => k % 12));
  const names: ChordName[] = [];
  for (let root = 0; root < 12; root++) {
    for (const type of CHORD_TYPES) {
      const chromas = type.semitones.map((s) => (root + s) % 12);
      if (chromas.length < 2 || ![...sounding].every((c) => chromas.includes(c))) continue;
      const leftOut = type.members.filter((_, i) => !sounding.has(chromas[i]));
      if (!leftOut.every((m) => MAY_BE_ABSENT.has(m)) || leftOut.length > 1 || sounding.size < 2) continue;
      const chord: Chord = { root: rootSpelling(root, sounding, key), type, bass: null };
      const inversion = inversionOf(sorted, chord) as number;
      names.push({ chord, name: `${symbolOf(chord)}, ${inversionName(inversion)}`, inversion, leftOut });
    }
  }
  return names.sort((a, b) => rank(a) - rank(b));
}

function rank(name: ChordName): number {
  const rootless = name.leftOut.includes('1P') ? 40 : 0;
  return (
    20 * name.leftOut.length + rootless + name.inversion + 2 * Math.max(0, name.chord.type.members.length - 4)
  );
}

function rootSpelling(root: number, sounding: ReadonlySet<number>, key: Key): Chord['root'] {
  const { letter, alter } = spellInKey(60 + root, key);
  const inKey = { letter, alter };
  if (sounding.has(root)) return inKey;
  // A root that is not struck is spelled a third below the lowest chord third that is.
  const third = [...sounding]
    .map((c) => spellInKey(60 + c, key))
    .find((p) => chroma(classAbove(p, '-3M')) === root);
  return third ? classAbove(third, '-3M') : inKey;
}

/** Every name of a chord in a given order of keys, the given one first: "which inversion is that, and why". */
export function inversionReason(keys: readonly number[], chord: Chord): string {
  const lowest = keys[0] % 12;
  const member = membersOf(chord).find((m) => m.chroma === lowest);
  if (!member) return 'a bass foreign to the chord lies lowest';
  const ordinal: Record<number, string> = {
    1: 'root',
    2: '2nd',
    3: '3rd',
    4: '4th',
    5: '5th',
    6: '6th',
    7: '7th',
    9: '9th',
    11: '11th',
    13: '13th',
  };
  const inversion = inversionOf(keys, chord);
  return `${inversionName(inversion)}: its ${ordinal[member.number]} lies lowest`;
}
