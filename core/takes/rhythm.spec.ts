import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { judgeRhythm, type Stroke, WINDOW_SECONDS } from './rhythm';

const right = (seconds: number): Stroke => ({ hand: 'right', seconds });
const left = (seconds: number): Stroke => ({ hand: 'left', seconds });
const ms = (seconds: number | null): number | null => (seconds === null ? null : Math.round(1000 * seconds));

describe('a rhythm tapped with both hands', () => {
  it('is judged strike by strike: late, early, missed, over', () => {
    const wanted = [right(0), left(0), left(0.5), right(1), left(1), right(1.5)];
    const taps = [right(0.03), left(0.05), left(0.46), right(1.02), left(1.1), left(2.2)];
    const judged = judgeRhythm(wanted, taps);
    expect(judged.strokes.map(({ late }) => ms(late))).toEqual([30, 50, -40, 20, 100, null]);
    expect(judged.extra).toEqual([left(2.2)]);
    expect([ms(judged.meanLate.right), ms(judged.meanLate.left)]).toEqual([25, 37]);
    // 20 ms apart at the first meeting, 80 at the second.
    expect(ms(judged.apart)).toBe(50);
  });

  it('goes on after a tap that was left out, and takes none for what is too far', () => {
    const wanted = [0, 0.5, 1, 1.5].map(right);
    const judged = judgeRhythm(wanted, [0.01, 1.01, 1.51].map(right));
    expect(judged.strokes.map(({ late }) => ms(late))).toEqual([10, null, 10, 10]);
    expect(judgeRhythm([right(0)], [right(WINDOW_SECONDS + 0.001)]).strokes[0].late).toBeNull();
    expect(judgeRhythm([right(0)], [right(WINDOW_SECONDS)]).strokes[0].late).toBe(WINDOW_SECONDS);
  });

  it('of nothing is nothing, and one hand does not stand in for the other', () => {
    expect(judgeRhythm([], [])).toEqual({
      strokes: [],
      extra: [],
      meanLate: { right: null, left: null },
      apart: null,
    });
    const judged = judgeRhythm([right(0)], [left(0)]);
    expect([judged.strokes[0].late, judged.extra]).toEqual([null, [left(0)]]);
  });

  it('is laid against what was wanted as well as any way of pairing them', () => {
    const times = fc.uniqueArray(fc.integer({ min: 0, max: 40 }), { maxLength: 5 });
    fc.assert(
      fc.property(times, times, (wantedAt, tappedAt) => {
        const wanted = [...wantedAt].sort((a, b) => a - b).map((at) => right(at / 20));
        const taps = [...tappedAt].sort((a, b) => a - b).map((at) => right(at / 20));
        const { strokes, extra } = judgeRhythm(wanted, taps);
        const missed = strokes.filter(({ late }) => late === null).length;
        const found =
          strokes.reduce((sum, { late }) => sum + Math.abs(late ?? 0), 0) +
          WINDOW_SECONDS * (missed + extra.length);
        expect(found).toBeCloseTo(leastOf(wanted, taps), 9);
      }),
      { numRuns: 300 },
    );
  });
});

/** The least of every way to pair, in order, by trying them all. */
function leastOf(wanted: readonly Stroke[], taps: readonly Stroke[]): number {
  if (wanted.length === 0 || taps.length === 0) return WINDOW_SECONDS * (wanted.length + taps.length);
  const off = Math.abs(wanted[0].seconds - taps[0].seconds);
  return Math.min(
    off > WINDOW_SECONDS ? Infinity : off + leastOf(wanted.slice(1), taps.slice(1)),
    WINDOW_SECONDS + leastOf(wanted.slice(1), taps),
    WINDOW_SECONDS + leastOf(wanted, taps.slice(1)),
  );
}
