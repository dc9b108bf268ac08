import { because, type Phrase } from '../sentences';
import {
  type Chord,
  CHORD_TYPES,
  type ChordType,
  chroma,
  classAbove,
  classNameOf,
  type Key,
  keyName,
  membersOf,
  scaleOf,
  symbolOf,
  typeOfSuffix,
  typeset,
} from '../music';
import { rootInKey } from './naming';
import { qualityOf } from './roles';

/** The ladder of sevenths, each one change from the last; source: common practice of teaching chords. */
const LADDER = ['maj7', '7', 'm7', 'm7b5', 'dim7'] as const;
/** Where chords that are not on the ladder stand beside it. */
const BESIDE: Record<string, (typeof LADDER)[number]> = {
  '': 'maj7',
  '6': 'maj7',
  m: 'm7',
  m6: 'm7',
  dim: 'dim7',
  aug: '7',
  '9': '7',
};

function typed(suffix: string): ChordType {
  const type = typeOfSuffix(suffix);
  if (!type) throw new RangeError(`There is no chord type "${suffix}".`);
  return type;
}

/** The chord one step down the ladder of sevenths (towards dim7) or up; null at its ends. */
export function onLadder(chord: Chord, by: 1 | -1): Chord | null {
  const suffix = chord.type.suffix;
  const at = LADDER.indexOf((BESIDE[suffix] ?? suffix) as (typeof LADDER)[number]);
  if (at < 0) return null;
  // A chord beside the ladder first steps onto it.
  const isOn = LADDER.includes(suffix as (typeof LADDER)[number]);
  const to = isOn ? at + by : at;
  return LADDER[to] ? { ...chord, type: typed(LADDER[to]) } : null;
}

/** The whole chord a half step up or down, spelled as the key would. */
export function byHalfStep(chord: Chord, by: 1 | -1, key: Key): Chord {
  const at = (c: Chord['root']): number => (chroma(c) + by + 12) % 12;
  const root = rootInKey(at(chord.root), chord.type, key);
  return { ...chord, root, bass: chord.bass && rootInKey(at(chord.bass), chord.type, key) };
}

/** A chord that could stand in the place of another, with the reason. */
export interface Neighbour {
  readonly chord: Chord;
  readonly symbol: string;
  readonly why: Phrase;
  /** It does the same in the key. */
  readonly isSameRole: boolean;
}

/**
 * What could stand for a chord: its relative of the same role, the tritone substitute of a dominant, a secondary
 * dominant or a half step that leads to the next, a passing diminished chord. Source: functional and jazz harmony.
 */
export function neighboursOf(chord: Chord, next: Chord | null, key: Key): Neighbour[] {
  const degree = (chroma(chord.root) - chroma(key.tonic) + 12) % 12;
  const found: Neighbour[] = [];
  const add = (root: number, suffix: string, why: Phrase, isSameRole = true): void => {
    const type = typed(suffix);
    const made: Chord = { root: rootInKey(((root % 12) + 12) % 12, type, key), type, bass: null };
    found.push({ chord: made, symbol: symbolOf(made), why, isSameRole });
  };
  const tonic = chroma(key.tonic);
  const isMajor = key.mode === 'major';
  const isMinor = key.mode === 'minor';
  const { third, isDominant } = qualityOf(chord);
  const isPlain = !isDominant;
  if (degree === 5 && isPlain && (isMajor || isMinor))
    add(tonic + 2, isMajor ? 'm7' : 'm7b5', because.standsInFor('ii', isMajor ? 'IV' : 'iv'));
  if (degree === 2 && third === 'minor' && (isMajor || isMinor))
    add(tonic + 5, isMajor ? 'maj7' : 'm7', because.standsInFor(isMajor ? 'IV' : 'iv', 'ii'));
  if (degree === 0 && isMajor && isPlain) add(tonic + 9, 'm7', because.standsInFor('vi', 'I'));
  if (degree === 0 && isMinor) add(tonic + 8, 'maj7', because.standsInFor('VI', 'i'));
  if (degree === 9 && isMajor && third === 'minor') add(tonic, 'maj7', because.standsInFor('I', 'vi'));
  if (degree === 4 && isMajor && third === 'minor') {
    const third = classAbove(key.tonic, '3M');
    const made: Chord = { root: key.tonic, type: typed(''), bass: third };
    found.push({
      chord: made,
      symbol: symbolOf(made),
      why: because.thirdInBassFor('I', 'iii'),
      isSameRole: true,
    });
  }
  if (degree === 7 && third === 'major') add(tonic + 7, '7sus4', because.suspended('V'));
  if (degree === 11 && isMajor && third === 'minor') {
    const five = classAbove(key.tonic, '5P');
    const made: Chord = { root: five, type: typed('7'), bass: classAbove(five, '3M') };
    found.push({
      chord: made,
      symbol: symbolOf(made),
      why: because.thirdInBassFor('V', 'vii'),
      isSameRole: true,
    });
  }
  if (qualityOf(chord).isDominant) add(chroma(chord.root) + 6, '7', because.tritone(), false);
  if (next) {
    const to = chroma(next.root);
    add(to + 7, '7', because.dominantOf(typeset(symbolOf(next))), false);
    add(to + 1, next.type.suffix, because.halfStepBeside('above', typeset(symbolOf(next))), false);
    add(to - 1, next.type.suffix, because.halfStepBeside('below', typeset(symbolOf(next))), false);
    add(to - 1, 'dim7', because.passingTo(typeset(symbolOf(next))), false);
  }
  const own = symbolOf(chord);
  return [...new Map(found.map((n) => [n.symbol, n])).values()].filter(({ symbol }) => symbol !== own);
}

/** Chord types tried for a held note, the plainest first. */
const HOLDING = [
  '',
  'm',
  '7',
  'maj7',
  'm7',
  '6',
  'm6',
  'm7b5',
  'dim7',
  'sus4',
  'add9',
  '9',
  'maj9',
  'm9',
  '7b9',
  'aug',
];

/** A chord that holds a note, with how far it lies from the key. */
interface Holding extends Neighbour {
  /** Notes of the chord that the key does not have; 0 lies in the key. */
  readonly outside: number;
}

/**
 * All chords that hold a note, on each of the twelve roots, sorted by their distance from the key: notes outside it,
 * then the plainer chord. `chordsHolding(64, C major)[0] // => C, E is its third`
 */
export function chordsHolding(midi: number, key: Key): readonly Holding[] {
  const name = `${midi % 12}@${keyName(key)}`;
  let list = holdings.get(name);
  if (!list) holdings.set(name, (list = holdingOf(midi % 12, key)));
  return list;
}

const holdings = new Map<string, readonly Holding[]>();

function holdingOf(note: number, key: Key): Holding[] {
  // By name, not by key: the A♭ of F minor is no note of A minor, though its G♯ is.
  const leading = key.mode === 'minor' ? [classAbove(key.tonic, '7M')] : [];
  const scale = new Set([...scaleOf(key), ...leading].map(classNameOf));
  const found: (Holding & { readonly rank: number })[] = [];
  for (let root = 0; root < 12; root++) {
    HOLDING.forEach((suffix, rank) => {
      const type = typed(suffix);
      const chord: Chord = { root: rootInKey(root, type, key), type, bass: null };
      const member = membersOf(chord).find((m) => m.chroma === note);
      if (!member) return;
      const classes = type.members.map((interval) => classNameOf(classAbove(chord.root, interval)));
      const outside = classes.filter((name) => !scale.has(name)).length;
      const why = because.memberOf(member.number);
      found.push({ chord, symbol: symbolOf(chord), why, isSameRole: false, outside, rank });
    });
  }
  return found
    .sort((a, b) => a.outside - b.outside || a.rank - b.rank || chroma(a.chord.root) - chroma(b.chord.root))
    .map(({ rank: _rank, ...holding }) => holding);
}

/** Types that only leave the third out are no other quality. */
const WITHOUT_THIRD = ['pedal', '5'];

/** Other qualities on the same root with which a note no longer rubs, the least changed first. */
export function otherQualities(chord: Chord, isGood: (candidate: Chord) => boolean): Chord[] {
  const own = new Set(membersOf(chord).map((m) => m.chroma));
  const change = (candidate: Chord): number => {
    const notes = membersOf(candidate).map((m) => m.chroma);
    return notes.filter((c) => !own.has(c)).length + [...own].filter((c) => !notes.includes(c)).length;
  };
  return CHORD_TYPES.filter((type) => !WITHOUT_THIRD.includes(type.suffix))
    .map((type) => ({ ...chord, type }))
    .filter((candidate) => candidate.type !== chord.type && isGood(candidate))
    .sort((a, b) => change(a) - change(b) || a.type.members.length - b.type.members.length);
}
