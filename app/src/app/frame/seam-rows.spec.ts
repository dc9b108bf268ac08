import { DEFAULT_PROFILE } from '@joined-hands/core/song';
import { arrange } from '@joined-hands/core/arrange';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { placeLyrics, wordWidth } from './seam-lyrics';
import { type BarSpan, barSpans, between, rowsOf, usableWidth } from './seam-rows';
import { type SungWord, viewOf } from './seam-view';

const word = (tick: number, text: string, syllabic: SungWord['syllabic'] = 'single'): SungWord => ({
  tick,
  text,
  syllabic,
});

describe('words under the seam', () => {
  it('take up their letters, a hyphen where they go on, and a gap', () => {
    expect(wordWidth(word(0, 'tide'))).toBeCloseTo(4 * 9.4 + 6, 9);
    expect(wordWidth(word(0, 'tur', 'begin'))).toBeCloseTo(4 * 9.4 + 6, 9);
    expect(wordWidth(word(0, 'ning', 'end'))).toBeCloseTo(4 * 9.4 + 6, 9);
  });

  it('stand in from their note, after the word before, and end inside the row', () => {
    const placed = placeLyrics(
      [word(0, 'the'), word(10, 'tide'), word(100, 'tur', 'begin'), word(190, 'ning', 'end')],
      (tick) => tick,
      50,
      220,
    );
    expect(placed.map(({ text }) => text)).toEqual(['the', 'tide', 'tur-', 'ning']);
    expect(placed.map(({ x }) => Math.round(10 * x) / 10)).toEqual([11, 45.2, 111, 182.4]);
    expect(placed.every(({ y }) => y === 67)).toBe(true);
  });
});

describe('the rows of the seam', () => {
  const span = (from: number, to: number, perTick: number): BarSpan => ({
    from,
    to,
    perTick,
    bar: {} as never,
  });
  const lengths = (rows: readonly (readonly BarSpan[])[]): number[] => rows.map((row) => row.length);

  it('are as few as the densest bar allows, and about equally full', () => {
    const bars = (count: number, perTick: number): BarSpan[] =>
      Array.from({ length: count }, (_, i) => span(100 * i, 100 * (i + 1), perTick));
    expect(lengths(rowsOf(bars(4, 1), 400))).toEqual([4]);
    expect(lengths(rowsOf(bars(4, 1), 300))).toEqual([2, 2]);
    expect(lengths(rowsOf(bars(5, 1), 300))).toEqual([3, 2]);
    expect(lengths(rowsOf(bars(4, 4), 400))).toEqual([1, 1, 1, 1]);
    expect(lengths(rowsOf([...bars(3, 1), span(300, 400, 2)], 400))).toEqual([2, 2]);
    // Two hundredths too many are drawn closer, three are not.
    expect(lengths(rowsOf(bars(1, 4.08), 400))).toEqual([1]);
    expect(lengths(rowsOf(bars(4, 1.02), 400))).toEqual([4]);
    expect(lengths(rowsOf(bars(4, 1.03), 400))).toEqual([2, 2]);
    expect(rowsOf([], 400)).toEqual([[]]);
  });

  it('take a bar that is wider than a row in pieces, at its beats', () => {
    const view = viewOf(arrange(DEMO_SONGS[1], DEFAULT_PROFILE, { withoutFingers: true }), 0);
    const told = (width: number): number[][] =>
      barSpans(view, width)
        .filter(({ bar }) => bar.number === 1)
        .map(({ from, to, bar }) => [(from - bar.tick) / 960, (to - bar.tick) / 960]);
    expect(told(700)).toEqual([[0, 4]]);
    expect(told(200)).toEqual([
      [0, 2],
      [2, 4],
    ]);
    expect(told(90).map(([from, to]) => to - from)).toEqual([1, 1, 1, 1]);
  });

  it('are as wide as the room without its margins', () => {
    expect(usableWidth(740)).toBe(714);
    expect(between([{ tick: 0 }, { tick: 5 }, { tick: 10 }], 5, 10)).toEqual([{ tick: 5 }]);
  });
});
