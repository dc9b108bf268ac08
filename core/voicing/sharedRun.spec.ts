import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Chord, parseChord, reachMm } from '../music';
import { candidatesFor } from './candidates';
import { solveRun } from './sharedRun';
import { solve, type Spot } from './solver';
import { DEFAULT_WEIGHTS, PURE_WEIGHTS } from './weights';

const SYMBOLS = ['C', 'Dm7', 'G7', 'Am', 'F', 'E7', 'Bm7b5', 'Ebmaj7'];
const bounds = { low: 40, high: 67, reachMm: reachMm(8) };

/** A few candidates of a chord, always the same list for the same chord and sample. */
function someOf(symbol: string, most: number, skip: number): Spot['candidates'] {
  const all = candidatesFor(parseChord(symbol) as Chord, 'block', bounds);
  return all.filter((_, i) => i % 3 === skip % 3).slice(0, most);
}

const songs = fc.record({
  run: fc.array(fc.constantFrom(...SYMBOLS), { minLength: 1, maxLength: 3 }),
  gaps: fc.array(fc.array(fc.constantFrom(...SYMBOLS), { maxLength: 2 }), { minLength: 3, maxLength: 4 }),
  skip: fc.nat(2),
  pure: fc.boolean(),
});

/** Gap, run, gap, run, gap …: the spots, and where the run begins each time. */
function laidOut({ run, gaps, skip }: { run: string[]; gaps: string[][]; skip: number }) {
  const lists = run.map((symbol) => someOf(symbol, 3, skip));
  const line: Spot['candidates'][] = [];
  const starts: number[] = [];
  gaps.forEach((gap, i) => {
    line.push(...gap.map((symbol) => someOf(symbol, 3, skip + 1)));
    if (i === gaps.length - 1) return;
    starts.push(line.length);
    line.push(...lists);
  });
  const spots = line.map((candidates, i): Spot => ({
    candidates,
    place: {
      firstOrLast: i === 0 || i === line.length - 1,
      register: 0,
      leadingNote: 11,
      reachMm: reachMm(8),
    },
  }));
  return { spots, starts };
}

describe('a run played alike each time', () => {
  it('costs what the best of all ways to play it costs', () => {
    fc.assert(
      fc.property(songs, (song) => {
        const { spots, starts } = laidOut(song);
        const weights = song.pure ? PURE_WEIGHTS : DEFAULT_WEIGHTS;
        const { length } = song.run;
        const costWith = (run: Spot['candidates']): number => {
          const tied = spots.map((spot, i) => {
            const start = starts.find((s) => i >= s && i < s + length);
            return start === undefined ? spot : { ...spot, candidates: [run[i - start]] };
          });
          return solve(tied, weights).cost;
        };
        const ways = song.run.reduce<Spot['candidates'][]>(
          (all, _, i) => all.flatMap((way) => spots[starts[0] + i].candidates.map((c) => [...way, c])),
          [[]],
        );
        const best = Math.min(...ways.map(costWith));
        const found = solveRun(spots, starts, length, weights);
        expect(found).toHaveLength(length);
        expect(costWith(found ?? [])).toBe(best);
      }),
      { numRuns: 300 },
    );
  });

  it('is not looked for where that would take too long', () => {
    const { spots } = laidOut({ run: ['C'], gaps: [[], [], []], skip: 0 });
    const [wide] = spots;
    const many = { ...wide, candidates: Array.from({ length: 400 }, () => wide.candidates[0]) };
    expect(solveRun([many, many], [0, 1], 1, PURE_WEIGHTS)).toBeNull();
  });
});
