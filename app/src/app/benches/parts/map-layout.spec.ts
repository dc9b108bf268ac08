import { partsOf } from '@joined-hands/core/parts';
import { unfold } from '@joined-hands/core/song';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { randomSong, runs } from '../../../../../core/testing';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { layoutMap, ROW_HEIGHT, tickUnder } from './map-layout';

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
