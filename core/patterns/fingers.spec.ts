import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import { type HandNote, type Strike, strikesOf } from '../hands';
import { type Chord, parseChord, CHORD_TYPES, reachMm } from '../music';
import { DEFAULT_PROFILE, type Song } from '../song';
import { some, wholeBars } from '../testing';
import { candidatesFor } from '../voicing';
import { PATTERNS } from './rows';

const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
const METRES = {
  waltz: [3, 4],
  'waltz-in-place': [3, 4],
  rocking: [4, 4],
  jig: [6, 8],
  stride: [4, 4],
  'low-then-chord': [4, 4],
  'root-and-low-fifth': [4, 4],
  fifths: [4, 4],
  pulse: [4, 4],
  'after-beat': [4, 4],
  'octave-bounce': [4, 4],
  rising: [4, 4],
  'root-and-fifth-walking': [4, 4],
  'crossing-six': [6, 8],
  'rolling-tenth': [4, 4],
  'open-tenth': [4, 4],
  lift: [4, 4],
} as const;
/** Patterns whose fingers were the hardest to find are tried on every fifth inversion, the others on every tenth. */
const HARD = new Set(['waltz', 'waltz-in-place', 'rocking', 'jig', 'crossing-six', 'rolling-tenth']);
const BOUNDS = { low: 48, high: 67, reachMm: reachMm(8) };

/** Three bars of one chord, so that a whole figure is played before the end, its keys pinned to an inversion. */
function played(symbol: string, keys: readonly number[], pattern: keyof typeof METRES): HandNote[] {
  const [numerator, denominator] = METRES[pattern];
  const bar = (3840 * numerator) / denominator;
  const base = wholeBars(['C7', 'C7', 'C7', 'C7'], [symbol, symbol, symbol, symbol]);
  const song: Song = {
    ...base,
    metreMap: [{ tick: 0, numerator, denominator }],
    melody: base.melody.map((n, i) => ({ ...n, tick: i * bar, length: bar })),
    changes: base.changes.map((c, i) => ({ ...c, tick: i * bar, length: bar })),
    choices: { ...base.choices, level: 5, pattern },
    pins: base.changes.map((c) => ({ changeId: c.id, keys: [...keys], fingers: null })),
  };
  return [...arrange(song, DEFAULT_PROFILE).left].filter((n) => n.tick < 3 * bar);
}

describe.each(Object.keys(METRES) as (keyof typeof METRES)[])('fingers of %s', (pattern) => {
  it.each(some(CHORD_TYPES.filter(({ members }) => members.length > 1)).map(({ suffix }) => suffix))(
    'take no finger twice in a row for other keys on any root and inversion of …%s',
    (suffix) => {
      // Root and fifth alone swing up to the same two keys: the little finger falls back by an octave with the hand.
      const isOpenLift = pattern === 'lift' && suffix === '5';
      const sparing = HARD.has(pattern) ? 5 : 10;
      for (const [at, root] of ROOTS.entries()) {
        const symbol = root + suffix;
        // Each inversion on some roots: all on all take two minutes, and were right when this was written.
        const all = candidatesFor(parseChord(symbol) as Chord, 'block', BOUNDS);
        const inversions = all.filter((_, i) => i % sparing === at % sparing);
        for (const { keys } of inversions) {
          const strikes = strikesOf(played(symbol, keys, pattern));
          const told = [symbol, keys.join()];
          const slides = strikes.slice(1).flatMap((now, i) => {
            const before = strikes[i];
            if (now.length > 1 && before.length > 1) return [];
            const [bass, chord] = now.length === 1 ? [now, before] : [before, now];
            // To and from a chord of three above a low bass the whole hand leaps.
            const leaps = chord.length > 2 && bass[0].midi < chord[0].midi;
            return now.filter((n) =>
              before.some(
                (b) =>
                  b.finger === n.finger &&
                  b.midi !== n.midi &&
                  !(leaps && n.finger === 5) &&
                  !(isOpenLift && n.finger === 5 && b.midi - n.midi === 12),
              ),
            );
          });
          expect([...told, slides.map(({ midi, finger }) => `${midi} by ${finger}`)]).toEqual([...told, []]);
          if (pattern === 'waltz') expect([...told, waltzFingers(strikes)]).toEqual([...told, true]);
        }
      }
    },
  );

  it('is one of the rows', () => {
    expect(PATTERNS.map(({ id }) => id)).toContain(pattern);
  });
});

/** The little finger on each low bass; on two notes above it 2-1 or 3-1. */
function waltzFingers(strikes: readonly Strike[]): boolean {
  return strikes.every((keys, i) => {
    const next = strikes[i + 1];
    if (keys.length !== 1 || next?.length !== 2 || keys[0].midi >= next[0].midi) return true;
    const [low, top] = next.map(({ finger }) => finger);
    return keys[0].finger === 5 && top === 1 && (low === 2 || low === 3);
  });
}
