import { partsOf } from '@joined-hands/core/parts';
import { type Song, unfold } from '@joined-hands/core/song';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { randomSong, runs, wholeBars } from '../../../../../core/testing';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { layoutMap, ROW_HEIGHT, type SongMap, tickUnder } from './map-layout';

const [lanterns] = DEMO_SONGS;

describe('the map of a song', () => {
  const played = unfold(lanterns);
  const parts = partsOf(lanterns, played);
  const map = layoutMap(played, parts, 760);

  it('puts a return on the row where it was first', () => {
    const [line] = map.lines;
    const y = line.parts.map((shape) => shape.y);
    expect(y[3]).toBe(y[0]);
    expect(y[4]).toBe(y[1]);
    expect(new Set(y).size).toBe(4);
    expect(y[1] - y[0]).toBe(ROW_HEIGHT);
    expect(line.sections.map((s) => s.name)).toEqual(['Verse', 'Middle', 'Verse', 'Close']);
  });

  it('has as few lines as hold the bars: no bar narrower than it can be read, thirty-three on a line at most, five at least', () => {
    const lines = (bars: number, width: number): number => {
      const of = unfold({ ...randomSong({ bars, changesPerBar: 1, seed: 3 }), pickup: 0 });
      return layoutMap(of, partsOf(lanterns, of).slice(0, 1), width).lines.length;
    };
    expect([330, 340, 760, 2000, 70].map((width) => lines(300, width))).toEqual([15, 14, 10, 10, 60]);
    expect([33, 34].map((bars) => lines(bars, 760))).toEqual([1, 2]);
    expect([5, 6].map((bars) => lines(bars, 70))).toEqual([1, 2]);
  });

  it('finds the tick under a point again', () => {
    const [line] = map.lines;
    for (const { x, tick } of line.bars) expect(Math.abs(tickUnder(line, x) - tick)).toBeLessThanOrEqual(1);
  });

  it('shows every part of any song, inside the width, cuts once each', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 300 }), fc.constantFrom(330, 520, 760, 1000), (bars, width) => {
        const song = randomSong({ bars, changesPerBar: 1, seed: bars });
        const of = unfold(song);
        const list = partsOf(song, of);
        const { lines } = layoutMap(of, list, width);
        expect(lines.flatMap((l) => l.cuts.map((c) => c.index))).toEqual(list.map((_, i) => i));
        expect(new Set(lines.flatMap((l) => l.parts.map((p) => p.index))).size).toBe(list.length);
        for (const shape of lines.flatMap((l) => l.parts)) {
          expect(shape.x).toBeGreaterThanOrEqual(0);
          expect(shape.x + shape.width).toBeLessThanOrEqual(width + 12);
        }
        lines.forEach((l, i) => expect(l.fromTick).toBe(lines[i - 1]?.toTick ?? 0));
      }),
      { numRuns: runs(40) },
    );
  });
});

describe('a line of the map', () => {
  const bars = ['C5', 'D5', 'E5', 'F5', 'G5', 'F5', 'E5', 'C5'];
  const eight = wholeBars(
    bars,
    bars.map(() => 'C'),
  );
  const beat = 960;
  const cutAt = (...starts: number[]): Song => ({
    ...eight,
    division: { ...eight.division, method: 'own' },
    cuts: [1, ...starts].map((bar) => ({ id: `at${bar}`, tick: (bar - 1) * 4 * beat, locked: bar === 3 })),
  });
  const mapOf = (song: Song, width: number): SongMap => {
    const played = unfold(song);
    return layoutMap(played, partsOf(song, played), width);
  };

  it('shares the width among its bars, from ten pixels in; parts leave two pixels on either side', () => {
    const { lines, height } = mapOf(cutAt(3, 5), 340);
    expect(lines).toHaveLength(1);
    const [line] = lines;
    expect(line.bars.map(({ x, number }) => [x, number])).toEqual(
      [10, 50, 90, 130, 170, 210, 250, 290].map((x, i) => [x, i + 1]),
    );
    expect(line.parts.map(({ cutId, x, width, isBroken }) => [cutId, x, width, isBroken])).toEqual([
      ['at1', 12, 76, false],
      ['at3', 92, 76, false],
      ['at5', 172, 156, false],
    ]);
    expect(line.cuts).toEqual([
      { cutId: 'at1', index: 0, x: 10, isLocked: false },
      { cutId: 'at3', index: 1, x: 90, isLocked: true },
      { cutId: 'at5', index: 2, x: 170, isLocked: false },
    ]);
    expect(height).toBe(26 + 46 + 3 * 44);
    expect([line.top, line.fromTick, line.toTick]).toEqual([0, 0, 32 * beat]);
    expect(tickUnder(line, 10)).toBe(0);
    expect(tickUnder(line, 330)).toBe(32 * beat);
  });

  it('numbers every bar, every second, every fourth … as there is room, thirty pixels each', () => {
    const numbered = (width: number): number[] =>
      mapOf(eight, width).lines[0].bars.flatMap(({ number, isNumbered }) => (isNumbered ? [number] : []));
    expect(numbered(20 + 8 * 30)).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
    expect(numbered(20 + 8 * 29)).toEqual([1, 3, 5, 7]);
    expect(numbered(20 + 8 * 15)).toEqual([1, 3, 5, 7]);
  });

  it('is broken where a part begins, three bars from the even place at most, and goes on under the one before', () => {
    // Four bars a line at least, five at most: seven and a half pixels are too few for a bar.
    const lines = (song: Song): number[] => mapOf(song, 80).lines.map(({ bars: of }) => of.length);
    expect(lines(cutAt(4))).toEqual([3, 5]);
    expect(lines(cutAt(2))).toEqual([1, 7]);
    expect(lines(cutAt(7))).toEqual([6, 2]);
    expect(lines(cutAt(4, 6))).toEqual([3, 5]);
    expect(lines(cutAt(3, 5))).toEqual([4, 4]);
    const { lines: all, height } = mapOf(cutAt(3), 80);
    expect(all.map(({ bars: of }) => of.length)).toEqual([2, 6]);
    expect(all[1].top).toBe(all[0].height + 18);
    expect(height).toBe(all[1].top + all[1].height);
    // A bar is as wide on the short line as on the long one.
    expect(all[0].perTick).toBe(all[1].perTick);
    expect(all[1].bars[1].x - all[1].bars[0].x).toBeCloseTo(60 / 6, 9);
  });

  it('shows a part that is broken on both lines, its grip on the first', () => {
    const { lines } = mapOf(cutAt(), 80);
    expect(lines.map(({ parts }) => parts.map(({ index, isBroken }) => [index, isBroken]))).toEqual([
      [[0, true]],
      [[0, true]],
    ]);
    expect(lines.map(({ cuts }) => cuts.length)).toEqual([1, 0]);
  });

  it('has sections over the bars they last, each until the next, cut where the line ends', () => {
    const sections = [2, 6].map((bar, i) => ({
      id: `s${i}`,
      tick: (bar - 1) * 4 * beat,
      name: ['A', 'B'][i],
      energy: 2 + i,
      dynamics: 'even' as const,
    }));
    const told = (width: number) =>
      mapOf({ ...eight, sections }, width).lines.map((line) =>
        line.sections.map(({ x, width: wide, name, energy }) => [name, x, wide, energy]),
      );
    expect(told(340)).toEqual([
      [
        ['A', 50, 160, 2],
        ['B', 210, 120, 3],
      ],
    ]);
    expect(mapOf({ ...eight, sections: [] }, 340).lines[0].sections).toEqual([]);
  });

  it('has parts of one letter on one row, whatever strokes they have', () => {
    const song = cutAt(3, 5, 7);
    const played = unfold(song);
    const parts = partsOf(song, played).map((part, i) => ({ ...part, label: ['A', 'B', "A'", "B''"][i] }));
    const [line] = layoutMap(played, parts, 340).lines;
    expect(line.parts.map(({ y }) => (y - line.parts[0].y) / ROW_HEIGHT)).toEqual([0, 1, 0, 1]);
    expect(line.parts[0].y).toBe(26 + 46);
  });
});
