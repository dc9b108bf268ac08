import { because, type Phrase } from '../sentences';
import { diatonicChords, numeralOf, qualityOf, rootInKey } from '../harmony';
import {
  type Chord,
  chroma,
  classAbove,
  hasMinorThird,
  type Key,
  leadingSteps,
  modeSteps,
  symbolOf,
  typeOfSuffix,
} from '../music';
import { gotOrMade } from '../memory';

/** Which chords may be suggested. */
export type Taste = 'three' | 'sevenths' | 'colourful';

export const TASTES: readonly { readonly taste: Taste; readonly name: string; readonly says: string }[] = [
  { taste: 'three', name: 'Three chords', says: 'I, IV and V are enough' },
  { taste: 'sevenths', name: "The key's sevenths", says: 'the seven chords of the key' },
  { taste: 'colourful', name: 'Colourful', says: 'secondary dominants, borrowed and chromatic chords too' },
];

/** What a chord does in a key: at home, away, or leading home. */
export type Work = 'home' | 'away' | 'leads';

/** A chord that may be suggested, with what it costs to be chosen at all. */
export interface Candidate {
  readonly chord: Chord;
  readonly symbol: string;
  /** Half steps of its root above the tonic. */
  readonly degree: number;
  readonly work: Work;
  /** Points against it: the further from the key the more. */
  readonly colour: number;
  /** Its notes are not all of the key's own chords. */
  readonly isForeign: boolean;
  /** The root it wants to fall to, half steps above the tonic; null for chords that lead nowhere in particular. */
  readonly leadsTo: number | null;
  /** What it is: "V of ii". */
  readonly why: Phrase;
}

type Row = readonly [
  degree: number,
  suffix: string,
  work: Work,
  colour: number,
  tastes: string,
  leadsTo: number | null,
  why: Phrase,
];

/** t three chords, s sevenths, c colourful. Triads stand where the seventh would lie outside the style. */
const MAJOR: readonly Row[] = [
  [0, '', 'home', 0, 't', null, because.degree('I')],
  [5, '', 'away', 0, 't', null, because.degree('IV')],
  [7, '7', 'leads', 0, 't', 0, because.degree('V')],
  [0, 'maj7', 'home', 0, 'sc', null, because.degree('I')],
  [2, 'm7', 'away', 2, 'sc', 7, because.degree('ii')],
  [4, 'm7', 'home', 7, 'sc', 9, because.degree('iii')],
  [5, 'maj7', 'away', 0, 'sc', null, because.degree('IV')],
  [7, '7', 'leads', 0, 'sc', 0, because.degree('V')],
  [9, 'm7', 'home', 3, 'sc', 2, because.degree('vi')],
  [11, 'm7b5', 'leads', 18, 'sc', 0, because.degree('vii')],
  [9, '7', 'away', 14, 'c', 2, because.dominantOf('ii')],
  [11, '7', 'leads', 16, 'c', 4, because.dominantOf('iii')],
  [0, '7', 'away', 14, 'c', 5, because.dominantOf('IV')],
  [2, '7', 'leads', 10, 'c', 7, because.dominantOf('V')],
  [4, '7', 'leads', 13, 'c', 9, because.dominantOf('vi')],
  [5, 'm6', 'away', 15, 'c', 0, because.borrowed('iv')],
  [8, 'maj7', 'away', 19, 'c', 7, because.borrowed('♭VI')],
  [10, '7', 'away', 19, 'c', 0, because.borrowed('♭VII')],
  [1, '7', 'leads', 20, 'c', 0, because.tritoneForV()],
  [1, 'dim7', 'leads', 17, 'c', 2, because.passingDiminished()],
  [6, 'dim7', 'leads', 17, 'c', 7, because.passingDiminished()],
];
const MINOR: readonly Row[] = [
  [0, 'm', 'home', 0, 't', null, because.degree('i')],
  [5, 'm', 'away', 0, 't', null, because.degree('iv')],
  [7, '7', 'leads', 0, 't', 0, because.degree('V')],
  [0, 'm7', 'home', 0, 'sc', null, because.degree('i')],
  [2, 'm7b5', 'away', 6, 'sc', 7, because.degree('ii')],
  [3, 'maj7', 'home', 3, 'sc', null, because.degree('III')],
  [5, 'm7', 'away', 1, 'sc', null, because.degree('iv')],
  [7, '7', 'leads', 0, 'sc', 0, because.degree('V')],
  [8, 'maj7', 'home', 4, 'sc', null, because.degree('VI')],
  [10, '7', 'leads', 5, 'sc', 3, because.degree('VII')],
  [0, '7', 'away', 15, 'c', 5, because.dominantOf('iv')],
  [2, '7', 'leads', 14, 'c', 7, because.dominantOf('V')],
  [3, '7', 'away', 16, 'c', 8, because.dominantOf('VI')],
  [5, '7', 'away', 17, 'c', 10, because.dominantOf('VII')],
  [11, 'dim7', 'leads', 9, 'c', 0, because.diminishedOnSeventh()],
  [1, 'maj7', 'away', 20, 'c', 7, because.degree('♭II')],
  [6, 'dim7', 'leads', 18, 'c', 7, because.passingDiminished()],
];

/** In a blues every chord is a dominant seventh. */
const BLUES: readonly Row[] = [
  [0, '7', 'home', 0, 'tsc', null, because.degree('I')],
  [5, '7', 'away', 0, 'tsc', null, because.degree('IV')],
  [7, '7', 'leads', 0, 'tsc', 0, because.degree('V')],
  [2, 'm7', 'away', 4, 'sc', 7, because.degree('ii')],
  [9, 'm7', 'home', 6, 's', 2, because.degree('vi')],
  [9, '7', 'away', 6, 'c', 2, because.dominantOf('ii')],
  [2, '7', 'leads', 8, 'c', 7, because.dominantOf('V')],
  [6, 'dim7', 'leads', 9, 'c', 0, because.passingDiminished()],
];

/** What a chord of a mode costs where it neither is home nor leads there, and one with a diminished triad. */
const OF_MODE = 4;
const DIMINISHED = 18;

/** The chords of a key: of a mode its own seven, those of its cadences foremost, and in colour what leads to the fourth and fifth. */
function rowsOf(key: Key, blues: boolean): readonly Row[] {
  const { mode } = key;
  if (blues) return BLUES;
  if (mode === 'major') return MAJOR;
  if (mode === 'minor') return MINOR;
  const steps = modeSteps(mode);
  const leading = leadingSteps(mode);
  const three = new Set([0, 5, ...leading].slice(0, 3));
  const rowsIn = (kind: 'triads' | 'sevenths'): Row[] =>
    diatonicChords(key, kind).map((chord, i): Row => {
      const step = steps[i];
      const works: Work = step === 0 ? 'home' : leading.includes(step) ? 'leads' : 'away';
      const isDim = chord.type.semitones.includes(6) && chord.type.semitones.includes(3);
      const colour = isDim ? DIMINISHED : works === 'away' && step !== 5 ? OF_MODE : 0;
      const tastes = kind === 'sevenths' ? 'sc' : three.has(step) ? 't' : '';
      return [
        step,
        chord.type.suffix,
        works,
        colour,
        tastes,
        works === 'leads' ? 0 : null,
        because.degree(numeralOf(chord, key)),
      ];
    });
  return [
    ...rowsIn('triads').filter((row) => row[4] !== ''),
    ...rowsIn('sevenths'),
    [0, '7', 'away', 16, 'c', 5, because.dominantOf('IV')],
    [2, '7', 'leads', 16, 'c', 7, because.dominantOf('V')],
  ];
}

const lists = new Map<string, readonly Candidate[]>();

/**
 * The chords of a key that a taste allows. With `triads` sevenths are left off those that stand at rest; chords from
 * outside the key cost `share` of what they do; a blues has dominant sevenths.
 */
export function candidatesIn(
  key: Key,
  taste: Taste,
  triads = false,
  share = 1,
  blues = false,
): readonly Candidate[] {
  const name = `${chroma(key.tonic)}${key.tonic.letter}${key.mode}${taste}${triads}${share}${blues}`;
  return gotOrMade(lists, name, () =>
    rowsOf(key, blues)
      .filter((row) => row[4].includes(taste[0]))
      .map((row) => candidateOf(row, key, triads))
      .map((one) => (one.isForeign ? { ...one, colour: Math.round(one.colour * share) } : one)),
  );
}

/** A seventh at rest as its triad: "Am7" as "Am". Dominants and half-diminished chords keep theirs. */
const AS_TRIAD: Record<string, string> = { maj7: '', m7: 'm', m6: 'm' };

function candidateOf(
  [degree, suffix, work, colour, tastes, leadsTo, why]: Row,
  key: Key,
  triads: boolean,
): Candidate {
  const type = typeOfSuffix(triads ? (AS_TRIAD[suffix] ?? suffix) : suffix);
  if (!type) throw new RangeError(`There is no chord type "${suffix}".`);
  const root = (chroma(key.tonic) + degree) % 12;
  const chord: Chord = { root: spelledAs(degree, why, key) ?? rootInKey(root, type, key), type, bass: null };
  const isForeign = !tastes.includes('s') && !tastes.includes('t');
  return { chord, symbol: symbolOf(chord), degree, work, colour, isForeign, leadsTo, why };
}

/** Lowered degrees by their half steps, and raised ones: what a chord is called says how its root is written. */
const LOWERED: Record<number, string> = { 1: '2m', 3: '3m', 8: '6m', 10: '7m' };
const RAISED: Record<number, string> = { 1: '1A', 6: '4A' };

/** Chords whose root is written as a lowered degree, where it lies on one. */
const WRITTEN_LOW: readonly Phrase['code'][] = ['borrowed', 'tritoneForV', 'degree'];

/** The root of a chord named by a lowered degree, or passing upwards; null for others, and past one sharp or flat. */
function spelledAs(degree: number, why: Phrase, key: Key): Chord['root'] | null {
  const interval = WRITTEN_LOW.includes(why.code)
    ? LOWERED[degree]
    : why.code === 'passingDiminished'
      ? RAISED[degree]
      : undefined;
  const root = interval === undefined ? null : classAbove(key.tonic, interval);
  return root && Math.abs(root.alter) <= 1 ? root : null;
}

/** What any chord does in a key: by its degree, a dominant by where it leads. */
export function workOf(chord: Chord, key: Key): Work {
  const degree = (chroma(chord.root) - chroma(key.tonic) + 12) % 12;
  const { isDominant } = qualityOf(chord);
  const home = hasMinorThird(key.mode) ? [0, 3, 8] : [0, 4, 9];
  const away = [2, 5];
  if (degree !== 0 && key.mode !== 'minor' && leadingSteps(key.mode).includes(degree)) return 'leads';
  if (isDominant && degree !== 0 && degree !== 5) return degree === 9 ? 'away' : 'leads';
  if (home.includes(degree)) return isDominant ? 'away' : 'home';
  return away.includes(degree) ? 'away' : 'leads';
}
