import {
  type Chord,
  chroma,
  classNameOf,
  hasMinorThird,
  isModal,
  type Key,
  leadingSteps,
  membersOf,
  type Mode,
  modeSteps,
  typeset,
} from '../music';
import type { DegreeFunction, ChordFunction } from '../sentences';

type Triad = 'M' | 'm' | 'd' | 'a' | 's';

/** Degree of a chord in a key and its function where it stands. */
export interface Degree {
  /** Roman numeral with quality: "ii7", "V7", "vi". */
  readonly numeral: string;
  readonly chordFunction: ChordFunction;
}

function quality(chord: Chord): Triad {
  const semitones = chord.type.semitones;
  if (semitones.includes(3)) return semitones.includes(6) ? 'd' : 'm';
  if (semitones.includes(4)) return semitones.includes(8) ? 'a' : 'M';
  return 's';
}

function above(key: Key, chord: Chord): number {
  return (chroma(chord.root) - chroma(key.tonic) + 12) % 12;
}

const DEGREES = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII'];
const LETTERS = 'CDEFGAB';
/** The degree a root is counted as that lies outside the scale, by its half steps above the tonic. */
const DEGREE_OF_STEP = [0, 1, 1, 2, 2, 3, 3, 4, 5, 5, 6, 6];

/** The degree that lies so many half steps above the tonic: "♭III" in major is "III" in minor. */
function degreeAt(mode: Mode, step: number): string {
  const scale = modeSteps(mode);
  const own = scale.indexOf(step);
  const degree = own >= 0 ? own : DEGREE_OF_STEP[step];
  return ['♭', '', '♯'][step - scale[degree] + 1] + DEGREES[degree];
}

/** The degree a root is written as, raised or lowered: B in B♭ major is ♯I, C♭ is ♭II. */
function degreeWritten({ root }: Chord, key: Key): string {
  const step = (LETTERS.indexOf(root.letter) - LETTERS.indexOf(key.tonic.letter) + 7) % 7;
  const by = ((chroma(root) - chroma(key.tonic) - modeSteps(key.mode)[step] + 30) % 12) - 6;
  // Two accidentals come from a chord written in another key's spelling: the usual name is clearer.
  if (Math.abs(by) > 1) return degreeAt(key.mode, (chroma(root) - chroma(key.tonic) + 12) % 12);
  return ['♭', '', '♯'][by + 1] + DEGREES[step];
}

/** `numeralOf(Fm7 in E♭ major) // => "ii7"` · `numeralOf(Bdim7 in B♭ major) // => "♯i°7"` */
export function numeralOf(chord: Chord, key: Key): string {
  const upper = degreeWritten(chord, key);
  const kind = quality(chord);
  const base = kind === 'm' || kind === 'd' ? upper.toLowerCase() : upper;
  return base + suffixFor(chord, kind);
}

function suffixFor(chord: Chord, kind: Triad): string {
  const { suffix } = chord.type;
  if (kind === 'd') return suffix === 'm7b5' ? 'ø7' : suffix === 'dim7' ? '°7' : '°';
  const shown = kind === 'm' ? suffix.replace(/^m(?!aj)/, '') : suffix;
  return typeset(shown === 'aug' ? '+' : shown);
}

/** The triad the key has so many half steps above its tonic; undefined where it has none. In minor V and vii take the raised leading note. */
function triadOfKey(mode: Mode, step: number): Triad | undefined {
  if (mode === 'minor' && (step === 7 || step === 11)) return step === 7 ? 'M' : 'd';
  const steps = modeSteps(mode);
  const degree = steps.indexOf(step);
  if (degree < 0) return undefined;
  const over = (by: number): number => (steps[(degree + by) % 7] - step + 12) % 12;
  if (over(4) === 6) return 'd';
  return over(2) === 4 ? 'M' : 'm';
}

/** The numeral of the key's own chord on a degree, in its case. */
function ownNumeral(mode: Mode, step: number): string {
  const numeral = degreeAt(mode, step);
  return triadOfKey(mode, step) === 'M' ? numeral : numeral.toLowerCase();
}

function isDominant(chord: Chord): boolean {
  const s = chord.type.semitones;
  return s.includes(4) && (s.includes(10) || s.length === 3);
}

function isSeventh(chord: Chord): boolean {
  return chord.type.semitones.includes(4) && chord.type.semitones.includes(10);
}

/**
 * Names the role of a chord by its key and the chord that follows. Source: functional harmony as taught in
 * jazz and classical practice (secondary dominants, tritone substitutes, passing diminished chords); of a mode its own
 * cadences. `degreeOf(A7, Dm, C major) // => { numeral: "VI7", chordFunction: dominant of ii }`
 */
export function degreeOf(
  chord: Chord,
  next: Chord | null,
  key: Key,
  neighbours: { readonly before?: Chord | null; readonly afterNext?: Chord | null } = {},
): Degree {
  const numeral = numeralOf(chord, key);
  const chordFunction =
    pairFunction(chord, next, neighbours.afterNext ?? null, key) ??
    (neighbours.before && pairFunction(neighbours.before, chord, next, key)) ??
    functionOf(chord, next, key, above(key, chord));
  return { numeral, chordFunction };
}

/**
 * "ii–V of IV": a minor (or half-diminished) chord and the dominant a fourth above it that together lead to a degree
 * of the key other than I; null for any other pair. What follows must be that degree, or the pair itself foreign.
 */
function pairFunction(ii: Chord, five: Chord | null, after: Chord | null, key: Key): ChordFunction | null {
  if (!five || !isSeventh(five) || !['m', 'd'].includes(quality(ii))) return null;
  if ((chroma(ii.root) - chroma(five.root) + 12) % 12 !== 7) return null;
  const goal = (chroma(five.root) + 5) % 12;
  const step = (goal - chroma(key.tonic) + 12) % 12;
  const isOfKey = triadOfKey(key.mode, step) !== undefined;
  if (step === 0 || !isOfKey || !after || chroma(after.root) !== goal) return null;
  return { kind: 'pair', goal: numeralOf({ ...after, type: triadLike(after) }, key) };
}

function functionOf(chord: Chord, next: Chord | null, key: Key, step: number): ChordFunction {
  const { mode } = key;
  const fall = next ? (chroma(chord.root) - chroma(next.root) + 12) % 12 : -1;
  const triad = quality(chord);
  const own = triadOfKey(mode, step);
  const diatonic = own === triad;
  const isHome = next !== null && chroma(next.root) === chroma(key.tonic);
  if (isModal(mode) && diatonic && isHome && leadingSteps(mode).includes(step))
    return { kind: 'cadence-of-the-mode', mode };
  const leads = next && isDominant(chord) && !isHome;
  if (leads && fall === 7 && !(diatonic && !isSeventh(chord)) && step !== 7)
    return {
      kind: 'dominant-of',
      goal: numeralOf({ ...next, type: triadLike(next) }, key),
      own: own === undefined || own === 'M' ? null : ownNumeral(mode, step),
    };
  if (next && isDominant(chord) && !diatonic && fall === 1) return { kind: 'half-step-above' };
  if (triad === 'd' && !diatonic && next && [1, 11].includes(fall)) return { kind: 'passing-diminished' };
  if (step === 7 && isDominant(chord))
    return next && fall === 7
      ? { kind: 'dominant-leads-home' }
      : { kind: 'of-the-degree', degree: 'dominant' };
  const goal = (step + 5) % 12;
  if (isSeventh(chord) && triadOfKey(mode, goal)) return { kind: 'would-lead', goal: ownNumeral(mode, goal) };
  if (step === 7 && triad === 's') return { kind: 'dominant-suspended' };
  if (mode === 'minor' && step === 3 && triad === 'a') return { kind: 'harmonic-minor' };
  if (mode === 'minor' && step === 10 && diatonic)
    return next && above(key, next) === 3 ? { kind: 'leads-to-the-relative-major' } : { kind: 'subtonic' };
  if (diatonic || triad === 's')
    return { kind: 'of-the-degree', degree: BY_DEGREE[mode]?.[step] ?? byDefault(step) };
  const parallel = hasMinorThird(mode) ? 'major' : 'minor';
  return triadOfKey(parallel, step) === triad
    ? { kind: 'borrowed', tonic: typeset(classNameOf(key.tonic)), mode: parallel }
    : { kind: 'outside-the-key' };
}

function byDefault(step: number): DegreeFunction {
  return step === 0 ? 'home' : 'of-the-key';
}

const BY_DEGREE: Partial<Record<Mode, Readonly<Record<number, DegreeFunction>>>> = {
  major: {
    0: 'home',
    2: 'prepares-the-dominant',
    4: 'stands-in-for-the-tonic',
    5: 'subdominant',
    7: 'dominant',
    9: 'relative-minor',
    11: 'stands-in-for-the-dominant',
  },
  minor: {
    0: 'home',
    2: 'prepares-the-dominant',
    3: 'relative-major',
    5: 'subdominant',
    7: 'dominant',
    8: 'tonic-or-subdominant',
    11: 'stands-in-for-the-dominant',
  },
};

/** The next chord without its seventh, so that "V of ii" does not become "V of ii7". */
function triadLike(chord: Chord): Chord['type'] {
  const members = membersOf(chord);
  const { type } = chord;
  const keep = members.map((m, i) => ({ m, i })).filter(({ m }) => m.number <= 5);
  return {
    ...type,
    suffix: quality(chord) === 'm' ? 'm' : quality(chord) === 'd' ? 'dim' : '',
    semitones: keep.map(({ i }) => type.semitones[i]),
  };
}
