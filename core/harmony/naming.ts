import {
  type Chord,
  CHORD_TYPES,
  type ChordType,
  chroma,
  classAbove,
  fifthsOf,
  type Key,
  LETTERS,
  membersOf,
  type PitchClass,
  scaleOf,
  spellInKey,
  symbolOf,
} from '../music';
import { inversionName, inversionOf } from './inversion';

/** One name a set of keys can bear. */
interface ChordName {
  readonly chord: Chord;
  /** "Em6, third inversion" in ASCII. */
  readonly name: string;
  readonly inversion: number;
  /** Members of the chord that the keys leave out. */
  readonly leftOut: readonly string[];
  /** Why it may be called that: "every note of it, the root lowest, in the key". */
  readonly reason: string;
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
  // In minor the raised seventh belongs to the key: III+ and vii°7 are chords of it.
  const leading = key.mode === 'minor' ? [classAbove(key.tonic, '7M')] : [];
  const scale = new Set([...scaleOf(key), ...leading].map(chroma));
  for (let root = 0; root < 12; root++) {
    for (const type of CHORD_TYPES) {
      const chromas = type.semitones.map((s) => (root + s) % 12);
      if (chromas.length < 2 || ![...sounding].every((c) => chromas.includes(c))) continue;
      const leftOut = type.members.filter((_, i) => !sounding.has(chromas[i]));
      if (!leftOut.every((m) => MAY_BE_ABSENT.has(m)) || leftOut.length > 1 || sounding.size < 2) continue;
      const chord: Chord = { root: rootInKey(root, type, key), type, bass: null };
      const inversion = inversionOf(sorted, chord) as number;
      const outside = membersOf(chord).filter((m) => sounding.has(m.chroma) && !scale.has(m.chroma)).length;
      const reason = reasonOf(sorted, chord, leftOut, scale.has(root), outside);
      names.push({
        chord,
        name: `${symbolOf(chord)}, ${inversionName(inversion)}`,
        inversion,
        leftOut,
        reason,
      });
    }
  }
  return names.sort((a, b) => rank(a) - rank(b));
}

function reasonOf(
  keys: readonly number[],
  chord: Chord,
  leftOut: readonly string[],
  isDegree: boolean,
  outside: number,
): string {
  const missing = { '5P': 'without its fifth', '1P': 'without its root', '11P': 'without its 11' };
  const whole = leftOut.length === 0 ? 'every note of it' : missing[leftOut[0] as '5P'];
  const place = isDegree && outside === 0 ? ', in the key' : isDegree ? ', on a note of the key' : '';
  return `${whole}; ${inversionReason(keys, chord)}${place}`;
}

function rank(name: ChordName): number {
  const rootless = name.leftOut.includes('1P') ? 40 : 0;
  return (
    20 * name.leftOut.length + rootless + name.inversion + 2 * Math.max(0, name.chord.type.members.length - 4)
  );
}

/**
 * The spelling of a root: as the scale of the key has it; a white key outside the scale by its plain letter; a black one
 * as spells its chord with few accidentals, or as the key spells it, the more so the more sharps or flats it has.
 */
export function rootInKey(root: number, type: ChordType, key: Key): PitchClass {
  const inScale = scaleOf(key).find((c) => chroma(c) === root);
  if (inScale) return inScale;
  const inKey = spellInKey(60 + root, key);
  const plain = LETTERS.map((letter) => ({ letter, alter: 0 })).find((c) => chroma(c) === root);
  if (plain) return plain;
  const candidates = LETTERS.flatMap((letter) => [-1, 1].map((alter) => ({ letter, alter }))).filter(
    (c) => chroma(c) === root,
  );
  const cost = (candidate: PitchClass): number => {
    const accidentals = type.members.reduce((sum, m) => sum + classAbove(candidate, m).alter ** 2, 0);
    return 2 * accidentals + (candidate.letter === inKey.letter ? 0 : 1 + Math.abs(fifthsOf(key)));
  };
  return candidates.reduce((best, candidate) => (cost(candidate) < cost(best) ? candidate : best));
}

/** Which inversion an order of keys is, and why it is called that. */
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
