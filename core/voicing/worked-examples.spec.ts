import { describe, expect, it } from 'vitest';
import { inversionName } from '../harmony';
import {
  type Chord,
  parseChord,
  keyFromFifths,
  reachMm,
  classNameOf,
  midiOf,
  parsePitch,
  parsePitchClass,
  transposePitch,
} from '../music';
import { candidatesFor } from './candidates';
import type { SolvedLayout } from './members';
import { solve, type Spot } from './solver';
import { spell, type Step, stepFrom } from './voiced';
import { voicingOf } from './voicing';
import { DEFAULT_WEIGHTS } from './weights';

// The worked examples hold in all twelve keys, the first voicing given and the register weight off.
const WEIGHTS = { ...DEFAULT_WEIGHTS, register: 0 };
/** To each of the twelve keys; the second way is taken where the first needs double accidentals. */
const TO_ALL_KEYS = [
  ['1P'],
  ['2m', '1A'],
  ['2M'],
  ['3m', '2A'],
  ['3M', '4d'],
  ['4P'],
  ['4A', '5d'],
  ['-4P'],
  ['-3M', '-4d'],
  ['-3m'],
  ['-2M'],
  ['-2m', '-1A'],
];
const C_MAJOR = keyFromFifths(0, 'major');

interface Example {
  readonly chords: readonly string[];
  readonly first: string;
  readonly layout: SolvedLayout;
  readonly tops?: readonly string[];
  readonly results: readonly {
    readonly notes: string;
    readonly inversion?: string;
    readonly semitones: number;
    readonly kept: number;
  }[];
}

const EXAMPLES: Record<string, Example> = {
  'ii–V–I in E♭': {
    chords: ['Fm7', 'Bb7', 'Ebmaj7'],
    first: 'F3 Ab3 C4 Eb4',
    layout: 'block',
    results: [
      { notes: 'F Ab Bb D', inversion: 'second inversion', semitones: 3, kept: 2 },
      { notes: 'Eb G Bb D', inversion: 'root position', semitones: 3, kept: 2 },
    ],
  },
  'triads: Dm to Gm': {
    chords: ['Dm', 'Gm'],
    first: 'D3 F3 A3',
    layout: 'block',
    results: [{ notes: 'D G Bb', inversion: 'second inversion', semitones: 3, kept: 1 }],
  },
  'a seventh without its fifth: Dm to A7': {
    chords: ['Dm', 'A7'],
    first: 'D3 F3 A3',
    layout: 'three',
    results: [{ notes: 'C# G A', inversion: 'first inversion', semitones: 3, kept: 1 }],
  },
  'chords in the right hand under F': {
    chords: ['Dm7', 'G7'],
    first: 'A3 C4 D4 F4',
    layout: 'block',
    tops: ['F4', 'F4'],
    results: [{ notes: 'G B D F', semitones: 3, kept: 2 }],
  },
  'closing formula on F': {
    chords: ['Fsus4', 'Fsus2', 'F'],
    first: 'F3 Bb3 C4',
    layout: 'block',
    results: [
      { notes: 'F G C', semitones: 3, kept: 2 },
      { notes: 'F A C', inversion: 'root position', semitones: 2, kept: 2 },
    ],
  },
};

function moved(symbol: string, interval: string): string {
  const root = /^[A-G][b#]?/.exec(symbol)?.[0] as string;
  const to = transposePitch({ ...parsePitchClass(root), octave: 4 }, interval);
  // A root with a double accidental: the enharmonic key is meant.
  return Math.abs(to.alter) > 1 ? '' : classNameOf(to) + symbol.slice(root.length);
}

function playThrough(
  example: Example,
  interval: string,
): { notes: string; inversion: string; step: Step }[] | null {
  const chords = example.chords.map((symbol) => moved(symbol, interval));
  if (chords.includes('')) return null;
  const shift = (name: string): number => midiOf(transposePitch(parsePitch(name), interval));
  const parsed = chords.map((symbol) => parseChord(symbol) as Chord);
  const first = voicingOf(example.first.split(' ').map(shift), parsed[0]);
  const spots = parsed.map((chord, i): Spot => {
    const top = example.tops ? shift(example.tops[i]) : undefined;
    const bounds = { low: 21, high: 108, reachMm: reachMm(8), top };
    const candidates = i === 0 ? [first] : candidatesFor(chord, example.layout, bounds);
    return {
      candidates,
      place: {
        firstOrLast: i === 0 || i === parsed.length - 1,
        register: 0,
        leadingNote: 0,
        reachMm: reachMm(8),
      },
    };
  });
  const { chosen } = solve(spots, WEIGHTS);
  const line = spots.map((spot, i) => spot.candidates[chosen[i]]);
  return line.slice(1).map((voicing, i) => ({
    notes: spell(voicing.keys, parsed[i + 1], C_MAJOR)
      .map(classNameOf)
      .join(' '),
    inversion: inversionName(voicing.inversion),
    step: stepFrom(line[i], voicing),
  }));
}

describe('worked examples', () => {
  for (const [name, example] of Object.entries(EXAMPLES)) {
    it(`${name}: exact as given, and the same movement in all twelve keys`, () => {
      const home = playThrough(example, '1P');
      example.results.forEach((wanted, i) => {
        expect(home?.[i].notes).toBe(wanted.notes);
      });
      let keys = 0;
      for (const ways of TO_ALL_KEYS) {
        const interval = ways.find((way) => playThrough(example, way) !== null) as string;
        const played = playThrough(example, interval) ?? [];
        keys++;
        example.results.forEach((wanted, i) => {
          const { step, inversion } = played[i];
          expect([step.semitones, step.kept], `${name} ${interval}`).toEqual([wanted.semitones, wanted.kept]);
          if (wanted.inversion) expect(inversion).toBe(wanted.inversion);
        });
      }
      expect(keys).toBe(12);
    });
  }
});
