import {
  type Chord,
  CHORD_TYPES,
  type ChordType,
  chroma,
  classAbove,
  fifthsOf,
  type Key,
  LETTERS,
  memberNumber,
  membersOf,
  type PitchClass,
  scaleOf,
  spellInKey,
  symbolOf,
} from '../music';
import { listed } from '../sentences';
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

/** Members that may be absent from a chord that still bears the name, one at a time. */
const MAY_BE_ABSENT = new Set(['5P', '1P', '11P']);
/** Of an eleventh or thirteenth chord the two hands seldom play all: these may be absent together, third and seventh not. */
const SELDOM_PLAYED = new Set(['5P', '9M', '11P']);

/** Whether a chord of which these members are left out still bears its name. Source: common practice of jazz voicing. */
function isStillNamed(type: ChordType, leftOut: readonly string[]): boolean {
  if (leftOut.length <= 1) return leftOut.every((member) => MAY_BE_ABSENT.has(member));
  const top = type.members[type.members.length - 1];
  return memberNumber(top) >= 11 && leftOut.every((member) => SELDOM_PLAYED.has(member) && member !== top);
}

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
      if (!isStillNamed(type, leftOut) || sounding.size < 2) continue;
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
  // Where all the keys are one chord, none of them is a foreign bass.
  const isWhole = names.some(({ leftOut }) => leftOut.length === 0);
  return [...names, ...(isWhole ? [] : overForeignBass(sorted, key))].sort((a, b) => rank(a) - rank(b));
}

/** Whole chords over a lowest key that is none of theirs: "F#m/B". */
function overForeignBass([low, ...upper]: readonly number[], key: Key): ChordName[] {
  if (upper.length < 3 || upper.some((other) => other % 12 === low % 12)) return [];
  return nameKeys(upper, key)
    .filter(({ chord, leftOut }) => chord.bass === null && leftOut.length === 0)
    .map((name): ChordName => {
      const chord = { ...name.chord, bass: spellInKey(low, key) };
      const { letter, alter } = chord.bass;
      const over = { ...chord, bass: { letter, alter } };
      const reason = `${inversionReason([low, ...upper], over)}; above it ${name.reason}`;
      return { ...name, chord: over, name: `${symbolOf(over)}, ${inversionName(null)}`, reason };
    });
}

function reasonOf(
  keys: readonly number[],
  chord: Chord,
  leftOut: readonly string[],
  isDegree: boolean,
  outside: number,
): string {
  const missing: Record<string, string> = { '5P': 'fifth', '1P': 'root', '9M': 'ninth', '11P': '11' };
  const names = leftOut.map((member) => missing[member]);
  const whole = names.length === 0 ? 'every note of it' : `without its ${listed(names)}`;
  const place = isDegree && outside === 0 ? ', in the key' : isDegree ? ', on a note of the key' : '';
  return `${whole}; ${inversionReason(keys, chord)}${place}`;
}

/** A bass that is none of the chord comes after every name that needs none. */
const FOREIGN_BASS = 70;

function rank(name: ChordName): number {
  const rootless = name.leftOut.includes('1P') ? 40 : 0;
  const foreign = name.chord.bass === null ? 0 : FOREIGN_BASS;
  const size = 2 * Math.max(0, name.chord.type.members.length - 4);
  return 20 * name.leftOut.length + rootless + foreign + name.inversion + size;
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
