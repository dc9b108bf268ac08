import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Chord, parseChord, KEYBOARDS, type KeyboardSize, reachMm, spanMm } from '../music';
import { candidatesFor } from './candidates';
import { type Place, stepCost, voicingCost } from './cost';
import type { SolvedLayout } from './members';
import { movesBetween, semitonesBetween } from './movement';
import { leastCost, solve, type Spot } from './solver';
import { DEFAULT_WEIGHTS, PURE_WEIGHTS, type VoicingWeights } from './weights';

const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
const SUFFIXES = [
  '',
  'm',
  'dim',
  'sus4',
  '6',
  'maj7',
  '7',
  'm7',
  'm7b5',
  'dim7',
  '9',
  'm9',
  '13',
  '7b9',
  'add9',
];

const symbols = fc
  .tuple(fc.constantFrom(...ROOTS), fc.constantFrom(...SUFFIXES))
  .map(([root, suffix]) => root + suffix);
const layouts = fc.constantFrom<SolvedLayout>('block', 'three', 'root');
const weightings = fc.constantFrom<VoicingWeights>(DEFAULT_WEIGHTS, PURE_WEIGHTS);
const circumstances = fc.record({
  layout: layouts,
  weights: weightings,
  reach: fc.constantFrom(7, 8, 9, 10),
  keyboard: fc.constantFrom<KeyboardSize>(49, 61, 73, 88),
  register: fc.integer({ min: -6, max: 6 }),
});

type Circumstances = {
  layout: SolvedLayout;
  weights: VoicingWeights;
  reach: number;
  keyboard: KeyboardSize;
  register: number;
};

/** Spots with a ceiling of the melody each; `pick` thins the candidates, keeping at least one. */
function spotsFor(
  chords: readonly (readonly [string, number])[],
  at: Circumstances,
  pick: (i: number, count: number) => number[],
): Spot[] {
  const { low } = KEYBOARDS[at.keyboard];
  const spots = chords.map(([symbol, ceiling], i): Spot => {
    const all = candidatesFor(parseChord(symbol) as Chord, at.layout, {
      low,
      high: ceiling - 1,
      reachMm: reachMm(at.reach),
    });
    const place: Place = {
      firstOrLast: i === 0 || i === chords.length - 1,
      register: at.register,
      leadingNote: 11,
      reachMm: reachMm(at.reach),
    };
    return { candidates: pick(i, all.length).map((c) => all[c]), place };
  });
  return spots.filter((spot) => spot.candidates.length > 0);
}

/** Every choice there is, added up one by one. */
function bruteForce(spots: readonly Spot[], weights: VoicingWeights): number {
  let best = Infinity;
  const walk = (i: number, cost: number, before: Spot['candidates'][number] | null): void => {
    if (i === spots.length) {
      best = Math.min(best, cost);
      return;
    }
    for (const candidate of spots[i].candidates) {
      const own = voicingCost(candidate, spots[i].place, weights);
      walk(i + 1, cost + own + (before ? stepCost(before, candidate, weights) : 0), candidate);
    }
  };
  walk(0, 0, null);
  return best;
}

function costOf(spots: readonly Spot[], chosen: readonly number[], weights: VoicingWeights): number {
  return spots.reduce((sum, spot, i) => {
    const voicing = spot.candidates[chosen[i]];
    const step = i > 0 ? stepCost(spots[i - 1].candidates[chosen[i - 1]], voicing, weights) : 0;
    return sum + step + voicingCost(voicing, spot.place, weights);
  }, 0);
}

describe('the least-movement solver', () => {
  it('equals brute force on sampled candidates (up to 6 changes, 6 candidates each, 300 cases)', () => {
    const melody = fc.integer({ min: 55, max: 84 });
    const cases = fc.tuple(
      fc.array(fc.tuple(symbols, melody), { minLength: 1, maxLength: 6 }),
      circumstances,
      fc.integer({ min: 0, max: 1e6 }),
    );
    fc.assert(
      fc.property(cases, ([chords, at, seed]) => {
        const spots = spotsFor(chords, at, (i, count) =>
          Array.from({ length: count }, (_, c) => c)
            .sort((a, b) => ((a * 7919 + seed + i) % 101) - ((b * 7919 + seed + i) % 101))
            .slice(0, 6),
        );
        if (spots.length === 0) return;
        const { cost, chosen } = solve(spots, at.weights);
        expect(cost).toBe(bruteForce(spots, at.weights));
        expect(costOf(spots, chosen, at.weights)).toBe(cost);
      }),
      { numRuns: 300 },
    );
  });

  it('equals brute force on full candidate sets (up to 4 changes)', () => {
    const melody = fc.integer({ min: 60, max: 72 });
    const cases = fc.tuple(
      fc.array(fc.tuple(symbols, melody), { minLength: 2, maxLength: 4 }),
      circumstances,
    );
    fc.assert(
      fc.property(cases, ([chords, at]) => {
        const spots = spotsFor(chords, at, (_, count) => Array.from({ length: count }, (_2, c) => c));
        if (spots.length === 0) return;
        expect(solve(spots, at.weights).cost).toBe(bruteForce(spots, at.weights));
      }),
      { numRuns: 60 },
    );
  });

  it('tells for every candidate what the whole song would cost with it', () => {
    const cases = fc.tuple(
      fc.array(fc.tuple(symbols, fc.constant(72)), { minLength: 2, maxLength: 4 }),
      circumstances,
    );
    fc.assert(
      fc.property(cases, fc.nat(), ([chords, at], which) => {
        const spots = spotsFor(chords, at, (_, count) =>
          Array.from({ length: Math.min(5, count) }, (_2, c) => c),
        );
        if (spots.length === 0) return;
        const i = which % spots.length;
        const { through } = solve(spots, at.weights);
        spots[i].candidates.forEach((candidate, c) => {
          const only = spots.map((spot, s) => (s === i ? { ...spot, candidates: [candidate] } : spot));
          expect(through(i)[c]).toBe(bruteForce(only, at.weights));
        });
      }),
      { numRuns: 60 },
    );
  });

  it('costs among some of the candidates what the song costs by brute force with those alone', () => {
    const cases = fc.tuple(
      fc.array(fc.tuple(symbols, fc.constant(72)), { maxLength: 4 }),
      circumstances,
      fc.array(fc.integer({ min: 1, max: 31 }), { minLength: 4, maxLength: 4 }),
    );
    fc.assert(
      fc.property(cases, ([chords, at, masks]) => {
        const spots = spotsFor(chords, at, (_, count) =>
          Array.from({ length: Math.min(5, count) }, (_2, c) => c),
        );
        const among = spots.map(({ candidates }, i) => {
          const some = candidates.flatMap((_, c) => ((masks[i] >> c) & 1 ? [c] : []));
          return some.length > 0 ? some : [candidates.length - 1];
        });
        const only = spots.map((spot, i) => ({
          ...spot,
          candidates: among[i].map((c) => spot.candidates[c]),
        }));
        const least = spots.length === 0 ? 0 : bruteForce(only, at.weights);
        expect(leastCost(spots, at.weights, among)).toBe(least);
        expect(leastCost(only, at.weights)).toBe(least);
      }),
      { numRuns: 60 },
    );
  });

  it('offers only voicings inside reach, keyboard and melody', () => {
    fc.assert(
      fc.property(symbols, circumstances, fc.integer({ min: 50, max: 80 }), (symbol, at, ceiling) => {
        const [spot] = spotsFor([[symbol, ceiling]], at, (_, count) =>
          Array.from({ length: count }, (_2, c) => c),
        );
        for (const { keys } of spot?.candidates ?? []) {
          expect(spanMm(keys[0], keys[keys.length - 1])).toBeLessThanOrEqual(reachMm(at.reach));
          expect(keys[0]).toBeGreaterThanOrEqual(KEYBOARDS[at.keyboard].low);
          expect(keys[keys.length - 1]).toBeLessThan(ceiling);
        }
      }),
    );
  });
});

describe('movement between voicings', () => {
  const chord = fc
    .uniqueArray(fc.integer({ min: 36, max: 72 }), { minLength: 1, maxLength: 5 })
    .map((k) => k.sort((a, b) => a - b));

  it('is the least-cost matching, checked against every matching', () => {
    fc.assert(
      fc.property(chord, chord, (a, b) => {
        const [few, many] = a.length <= b.length ? [a, b] : [b, a];
        const extra = (key: number): number => Math.max(1, Math.min(...few.map((k) => Math.abs(k - key))));
        const best = (i: number, free: readonly number[]): number =>
          i === few.length
            ? free.reduce((sum, key) => sum + extra(key), 0)
            : Math.min(
                ...free.map(
                  (key, f) =>
                    Math.abs(key - few[i]) +
                    best(
                      i + 1,
                      free.filter((_, g) => g !== f),
                    ),
                ),
              );
        expect(semitonesBetween(a, b)).toBe(best(0, many));
      }),
    );
  });

  it('is told voice by voice and adds up', () => {
    fc.assert(
      fc.property(chord, chord, (a, b) => {
        const moves = movesBetween(a, b);
        expect(moves.reduce((sum, m) => sum + m.semitones, 0)).toBe(semitonesBetween(a, b));
        expect(moves.flatMap((m) => m.from ?? []).sort((x, y) => x - y)).toEqual(a);
        expect(moves.flatMap((m) => m.to ?? []).sort((x, y) => x - y)).toEqual(b);
      }),
    );
  });
});
