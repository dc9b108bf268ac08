import { type Chord, chroma, classNameOf, type Key, membersOf, typeset } from '../music';

const NUMERALS = ['I', '♭II', 'II', '♭III', 'III', 'IV', '♯IV', 'V', '♭VI', 'VI', '♭VII', 'VII'];
const NUMERALS_MINOR = ['I', '♭II', 'II', 'III', '♯III', 'IV', '♯IV', 'V', 'VI', '♯VI', 'VII', '♯VII'];
/** Triads of the key by semitones above the tonic: m minor, d diminished, M major. Minor with V major and vii°. */
const DIATONIC: Record<Key['mode'], Record<number, string>> = {
  major: { 0: 'M', 2: 'm', 4: 'm', 5: 'M', 7: 'M', 9: 'm', 11: 'd' },
  minor: { 0: 'm', 2: 'd', 3: 'M', 5: 'm', 7: 'M', 8: 'M', 10: 'M', 11: 'd' },
};

/** Degree of a chord in a key and its job where it stands. */
export interface Degree {
  /** Roman numeral with quality: "ii7", "V7", "vi". */
  readonly numeral: string;
  /** The job in words: "tonic", "V of ii", "♭II for V", "ii–V of IV". */
  readonly job: string;
  /** The same as a teacher says it: "vi made dominant, leading to ii". */
  readonly told: string;
}

function quality(chord: Chord): 'M' | 'm' | 'd' | 'a' | 's' {
  const semitones = chord.type.semitones;
  if (semitones.includes(3)) return semitones.includes(6) ? 'd' : 'm';
  if (semitones.includes(4)) return semitones.includes(8) ? 'a' : 'M';
  return 's';
}

function above(key: Key, chord: Chord): number {
  return (chroma(chord.root) - chroma(key.tonic) + 12) % 12;
}

/** Half steps of each degree of the scale above its tonic. */
const SCALES: Record<Key['mode'], readonly number[]> = {
  major: [0, 2, 4, 5, 7, 9, 11],
  minor: [0, 2, 3, 5, 7, 8, 10],
};
const DEGREES = ['I', 'II', 'III', 'IV', 'V', 'VI', 'VII'];
const LETTERS = 'CDEFGAB';

/** The degree a root is written as, raised or lowered: B in B♭ major is ♯I, C♭ is ♭II. */
function degreeWritten({ root }: Chord, key: Key): string {
  const step = (LETTERS.indexOf(root.letter) - LETTERS.indexOf(key.tonic.letter) + 7) % 7;
  const by = ((chroma(root) - chroma(key.tonic) - SCALES[key.mode][step] + 30) % 12) - 6;
  const numerals = key.mode === 'major' ? NUMERALS : NUMERALS_MINOR;
  // Two accidentals come from a chord written in another key's spelling: the usual name is clearer.
  if (Math.abs(by) > 1) return numerals[(chroma(root) - chroma(key.tonic) + 12) % 12];
  return ['♭', '', '♯'][by + 1] + DEGREES[step];
}

/** `numeralOf(Fm7 in E♭ major) // => "ii7"` · `numeralOf(Bdim7 in B♭ major) // => "♯i°7"` */
export function numeralOf(chord: Chord, key: Key): string {
  const upper = degreeWritten(chord, key);
  const kind = quality(chord);
  const base = kind === 'm' || kind === 'd' ? upper.toLowerCase() : upper;
  return base + suffixFor(chord, kind);
}

function suffixFor(chord: Chord, kind: string): string {
  const { suffix } = chord.type;
  if (kind === 'd') return suffix === 'm7b5' ? 'ø7' : suffix === 'dim7' ? '°7' : '°';
  const shown = kind === 'm' ? suffix.replace(/^m(?!aj)/, '') : suffix;
  return typeset(shown === 'aug' ? '+' : shown);
}

function isDominant(chord: Chord): boolean {
  const s = chord.type.semitones;
  return s.includes(4) && (s.includes(10) || s.length === 3);
}

/**
 * Names the job of a chord by its key and the chord that follows. Source: functional harmony as taught in
 * jazz and classical practice (secondary dominants, tritone substitutes, passing diminished chords).
 * `degreeOf(A7, Dm, C major) // => { numeral: "VI7", job: "V of ii", told: "vi made dominant, leading to ii" }`
 */
export function degreeOf(
  chord: Chord,
  next: Chord | null,
  key: Key,
  neighbours: { readonly before?: Chord | null; readonly afterNext?: Chord | null } = {},
): Degree {
  const numeral = numeralOf(chord, key);
  const job =
    pairJob(chord, next, neighbours.afterNext ?? null, key) ??
    (neighbours.before && pairJob(neighbours.before, chord, next, key)) ??
    jobOf(chord, next, key, above(key, chord));
  return { numeral, job, told: toldOf(chord, job, key) };
}

/**
 * "ii–V of IV": a minor (or half-diminished) chord and the dominant a fourth above it that together lead to a degree
 * of the key other than I; null for any other pair. What follows must be that degree, or the pair itself foreign.
 */
function pairJob(ii: Chord, five: Chord | null, after: Chord | null, key: Key): string | null {
  if (!five || !isSeventh(five) || !['m', 'd'].includes(quality(ii))) return null;
  if ((chroma(ii.root) - chroma(five.root) + 12) % 12 !== 7) return null;
  const goal = (chroma(five.root) + 5) % 12;
  const step = (goal - chroma(key.tonic) + 12) % 12;
  const triad = DIATONIC[key.mode][step];
  if (step === 0 || triad === undefined || !after || chroma(after.root) !== goal) return null;
  return `ii–V of ${numeralOf({ ...after, type: triadLike(after) }, key)}`;
}

/** Numerals by half steps above the tonic, in the case of the chord the key has there. */
const NUMERALS_OF: Record<Key['mode'], Record<number, string>> = { major: {}, minor: {} };
for (const mode of ['major', 'minor'] as const)
  for (const [step, kind] of Object.entries(DIATONIC[mode])) {
    const numeral = (mode === 'major' ? NUMERALS : NUMERALS_MINOR)[Number(step)];
    NUMERALS_OF[mode][Number(step)] = kind === 'M' ? numeral : numeral.toLowerCase();
  }

function isSeventh(chord: Chord): boolean {
  return chord.type.semitones.includes(4) && chord.type.semitones.includes(10);
}

/** "V of ii" where the key has a minor chord on that degree: "vi made dominant, leading to ii". */
function toldOf(chord: Chord, job: string, key: Key): string {
  const goal = /^V of (.+)$/.exec(job)?.[1];
  const own = DIATONIC[key.mode][above(key, chord)];
  if (goal === undefined || own === undefined || own === 'M') return job;
  const numerals = key.mode === 'major' ? NUMERALS : NUMERALS_MINOR;
  return `${numerals[above(key, chord)].toLowerCase()} made dominant, leading to ${goal}`;
}

function jobOf(chord: Chord, next: Chord | null, key: Key, step: number): string {
  const fall = next ? (chroma(chord.root) - chroma(next.root) + 12) % 12 : -1;
  const diatonic = DIATONIC[key.mode][step] === quality(chord);
  const leads = next && isDominant(chord) && chroma(next.root) !== chroma(key.tonic);
  if (leads && fall === 7 && !(diatonic && !chord.type.semitones.includes(10)) && step !== 7) {
    return `V of ${numeralOf({ ...next, type: triadLike(next) }, key)}`;
  }
  if (next && isDominant(chord) && !diatonic && fall === 1) return 'a half step above the next: ♭II for V';
  if (quality(chord) === 'd' && !diatonic && next && [1, 11].includes(fall)) return 'passing diminished';
  if (step === 7 && isDominant(chord)) return next && fall === 7 ? 'dominant, leads home' : 'dominant';
  const goal = (step + 5) % 12;
  if (isSeventh(chord) && DIATONIC[key.mode][goal]) return `would lead to ${NUMERALS_OF[key.mode][goal]}`;
  if (step === 7 && quality(chord) === 's') return 'dominant, suspended';
  if (isOfHarmonicMinor(chord, key, step)) return 'of harmonic minor, leads home by its raised seventh';
  if (key.mode === 'minor' && step === 10 && diatonic)
    return next && above(key, next) === 3 ? 'leads to the relative major' : 'subtonic';
  if (diatonic || quality(chord) === 's') return DIATONIC_JOBS[key.mode][step] ?? 'of the key';
  const borrowed = DIATONIC[key.mode === 'major' ? 'minor' : 'major'][step] === quality(chord);
  return borrowed
    ? `borrowed from ${typeset(classNameOf(key.tonic))} ${key.mode === 'major' ? 'minor' : 'major'}`
    : 'colour outside the key';
}

const DIATONIC_JOBS: Record<Key['mode'], Record<number, string>> = {
  major: {
    0: 'tonic, home',
    2: 'prepares the dominant',
    4: 'stands in for the tonic',
    5: 'subdominant',
    7: 'dominant',
    9: 'relative minor of the tonic',
    11: 'stands in for the dominant',
  },
  minor: {
    0: 'tonic, home',
    2: 'prepares the dominant',
    3: 'relative major',
    5: 'subdominant',
    7: 'dominant',
    8: 'stands in for the tonic or subdominant',
    11: 'stands in for the dominant',
  },
};

/** III+ and the chords of the raised seventh degree are made of the notes of harmonic minor. */
function isOfHarmonicMinor(chord: Chord, key: Key, step: number): boolean {
  return key.mode === 'minor' && step === 3 && quality(chord) === 'a';
}

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
