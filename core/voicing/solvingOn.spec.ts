import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChord, reachMm } from '../music';
import { candidatesFor } from './candidates';
import { solve, type Solved, type Spot } from './solver';
import { DEFAULT_WEIGHTS } from './weights';

const SYMBOLS = ['C', 'Dm7', 'G7', 'Am', 'F', 'E7', 'Bb', 'A7', 'Dm', 'Cmaj7'];
const LISTS = SYMBOLS.map((symbol) => {
  const chord = parseChord(symbol);
  if (!chord) throw new Error(symbol);
  return candidatesFor(chord, 'block', { low: 36, high: 66, reachMm: reachMm(8) });
});
const ALONE = LISTS.map((list) => list.slice(2, 3));

/** A chord of the song: its list, whether it is pinned, the register it lies in. */
const spot = fc
  .record({
    symbol: fc.nat(SYMBOLS.length - 1),
    isPinned: fc.boolean(),
    register: fc.constantFrom(0, 0, 0, 5),
  })
  .map(({ symbol, isPinned, register }): Spot => ({
    candidates: (isPinned ? ALONE : LISTS)[symbol],
    place: { firstOrLast: false, register, leadingNote: 11, reachMm: reachMm(8) },
  }));
/** What an edit does: chords taken out at a place and others put in. */
const edit = fc.record({
  at: fc.nat(40),
  out: fc.nat(3),
  in: fc.array(spot, { minLength: 1, maxLength: 3 }),
});

function all({ chosen, cost, through, spots }: Solved) {
  return { chosen, cost, through: spots.map((_, i) => [...through(i)]) };
}

describe('solving on from the song before', () => {
  it('gives what solving the whole song gives, after one edit and after many', () => {
    const songs = fc.array(spot, { minLength: 1, maxLength: 40 });
    fc.assert(
      fc.property(songs, fc.array(edit, { minLength: 1, maxLength: 5 }), (first, edits) => {
        let spots = first;
        let solved = solve(spots, DEFAULT_WEIGHTS);
        for (const { at, out, in: put } of edits) {
          spots = [...spots];
          spots.splice(at % spots.length, out, ...put);
          solved = solve(spots, DEFAULT_WEIGHTS, solved);
          expect(all(solved)).toEqual(all(solve(spots, DEFAULT_WEIGHTS)));
        }
      }),
      { numRuns: 300 },
    );
  });

  it('keeps the very rows of what an edit in the middle does not reach', () => {
    const spots = Array.from({ length: 60 }, (_, i): Spot => ({
      candidates: LISTS[i % LISTS.length],
      place: { firstOrLast: i === 0, register: 0, leadingNote: 11, reachMm: reachMm(8) },
    }));
    const before = solve(spots, DEFAULT_WEIGHTS);
    const pinned = spots.with(30, { ...spots[30], candidates: ALONE[30 % ALONE.length] });
    const after = solve(pinned, DEFAULT_WEIGHTS, before);
    const kept = (a: Solved, b: Solved, side: 'forward' | 'backward'): number =>
      a[side].rows.filter((row, i) => row === b[side].rows[i]).length;
    // Thirty rows lie before the pin either way; more are kept where the tables agree again after it.
    expect(kept(before, after, 'forward')).toBeGreaterThan(35);
    expect(kept(before, after, 'backward')).toBeGreaterThan(35);
    expect(after.forward.rows[30]).not.toBe(before.forward.rows[30]);
  });

  it('begins anew with other weights', () => {
    const spots = LISTS.map((candidates): Spot => ({
      candidates,
      place: { firstOrLast: false, register: 0, leadingNote: 11, reachMm: reachMm(8) },
    }));
    const other = { ...DEFAULT_WEIGHTS, semitone: 3 };
    expect(all(solve(spots, other, solve(spots, DEFAULT_WEIGHTS)))).toEqual(all(solve(spots, other)));
  });
});
