// Least movement beside the greedy voicing of a general music library, on the same candidate sets: part of npm run bench.
import { search, sequence } from '@tonaljs/voicing';
import VoicingDictionary from '@tonaljs/voicing-dictionary';
import { seeded } from '../core/chance';
import { type Chord, parseChord, reachMm, midiOf, parsePitch } from '../core/music';
import { semitonesBetween } from '../core/voicing/movement';
import { solve, type Spot } from '../core/voicing/solver';
import { type Voicing, voicingOf } from '../core/voicing';
import { DEFAULT_WEIGHTS, PURE_WEIGHTS, type VoicingWeights } from '../core/voicing/weights';

const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
/** The library as it ships: its own dictionary of voicings and its own range. */
const DICTIONARY: Record<string, string[]> = VoicingDictionary.all;
const SUFFIXES = Object.keys(DICTIONARY);
const RANGE = ['C3', 'C5'];
const CHANGES = 16;
/** Suffixes the library writes in its own way. */
const OURS: Record<string, string> = {
  M: '',
  o: 'dim',
  o7: 'dim7',
  '^7': 'maj7',
  '69': '6/9',
  mM7: 'm(maj7)',
  '7b13': '7b13',
};

/** Semitones of one progression: the library's greedy line, ours free, and ours from the library's first chord. */
export interface Beside {
  readonly greedy: number;
  readonly pure: number;
  readonly sameStart: number;
  readonly weighted: number;
}

interface Named {
  readonly library: string;
  readonly chord: Chord;
}

function progression(seed: number): Named[] {
  const chance = seeded(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(chance() * list.length)];
  return Array.from({ length: CHANGES }, () => {
    const suffix = pick(SUFFIXES);
    const root = pick(ROOTS);
    return { library: root + suffix, chord: parseChord(root + (OURS[suffix] ?? suffix)) as Chord };
  });
}

const keysOf = (notes: readonly string[]): number[] => notes.map((name) => midiOf(parsePitch(name)));

function total(line: readonly (readonly number[])[]): number {
  return line.slice(1).reduce((sum, keys, i) => sum + semitonesBetween(line[i], keys), 0);
}

function bestLine(candidates: readonly (readonly Voicing[])[], weights: VoicingWeights): number[][] {
  const spots = candidates.map((list, i): Spot => ({
    candidates: list,
    place: {
      firstOrLast: i === 0 || i === candidates.length - 1,
      register: 0,
      leadingNote: 11,
      reachMm: reachMm(10),
    },
  }));
  return solve(spots, weights).chosen.map((c, i) => [...candidates[i][c].keys]);
}

/** One random progression, voiced by both from the same candidates. */
export function beside(seed: number): Beside {
  const chords = progression(seed);
  const greedy = sequence(
    chords.map((c) => c.library),
    RANGE,
    DICTIONARY,
  ).map(keysOf);
  const candidates = chords.map(({ library, chord }) =>
    search(library, RANGE, DICTIONARY).map((notes) => voicingOf(keysOf(notes), chord)),
  );
  const fromTheSame = [[voicingOf(greedy[0], chords[0].chord)], ...candidates.slice(1)];
  return {
    greedy: total(greedy),
    pure: total(bestLine(candidates, PURE_WEIGHTS)),
    sameStart: total(bestLine(fromTheSame, PURE_WEIGHTS)),
    weighted: total(bestLine(candidates, DEFAULT_WEIGHTS)),
  };
}

/** The middle of the shares saved over greedy, in percent. */
export function medianSaved(rows: readonly Beside[], which: 'pure' | 'sameStart' | 'weighted'): number {
  const saved = rows.map((row) => 100 * (1 - row[which] / row.greedy)).sort((a, b) => a - b);
  return saved[saved.length >> 1];
}

/** Prints how a hundred random progressions compare. */
export function voicingFigures(): void {
  const rows = Array.from({ length: 100 }, (_, seed) => beside(seed));
  const sum = (which: keyof Beside): number => rows.reduce((all, row) => all + row[which], 0);
  const higher = rows.filter((row) => row.pure > row.greedy).length;
  console.log(
    `\n100 progressions of ${CHANGES} changes, the same candidates: greedy library ${sum('greedy')} half steps, ours pure ${sum('pure')} (${sum('sameStart')} from its first chord), weighted ${sum('weighted')}`,
  );
  console.log(
    `pure higher than greedy in ${higher}; median saved ${medianSaved(rows, 'pure').toFixed(1)} % pure, ${medianSaved(rows, 'sameStart').toFixed(1)} % from its first chord, ${medianSaved(rows, 'weighted').toFixed(1)} % weighted`,
  );
}
