import { arrange } from '@joined-hands/core/arrange';
import { LEVELS } from '@joined-hands/core/levels';
import { DEFAULT_PROFILE, type Song } from '@joined-hands/core/song';
import { describe, expect, it } from 'vitest';
import { wholeBars } from '../../../../core/testing';
import { onLevel } from '../../../../demo/arranged';
import { DEMO_SONGS } from '../../../../demo/songs';
import { fitSeam, heightOfRows, TURNER_HEIGHT } from './seam-layout';
import { viewOf } from './seam-view';

describe('rows of a part on a screen', () => {
  const rooms = [
    { width: 740, height: 530 },
    { width: 566, height: 530 },
    { width: 370, height: 380 },
    { width: 1250, height: 610, isAlone: true },
  ];

  it('fits the height where it can and is never smaller than four fifths of life', () => {
    const view = viewOf(arrange(DEMO_SONGS[0], DEFAULT_PROFILE), 0);
    const fitted = fitSeam(view, { width: 740, height: 540 });
    expect(fitted.scale).toBeGreaterThan(1);
    expect(fitted.layout.height * fitted.scale).toBeLessThanOrEqual(541);
    expect(fitSeam(view, { width: 340, height: 200 }).scale).toBe(0.8);
  });

  it('are all of a part of up to four bars at 1280 by 800, in letters of 18 pixels and more, on every level', () => {
    const bench = { width: 730, height: 600 };
    const fits = (song: Song, told: string): void => {
      for (const { number } of LEVELS) {
        const a = onLevel(song, number, true);
        a.parts.forEach((part, i) => {
          const view = viewOf(a, i);
          const isShort = view.bars.length <= 4 && part.toTick - part.fromTick <= 4 * 3840;
          const { layout, rowsShown, scale } = fitSeam(view, bench);
          if (isShort)
            expect([told, number, i, rowsShown, scale >= 1]).toEqual([
              told,
              number,
              i,
              layout.rows.length,
              true,
            ]);
        });
      }
    };
    for (const song of DEMO_SONGS) fits(song, song.title);
    const eighths = wholeBars(
      Array.from({ length: 4 }, () => 'C5'),
      ['C7', 'F', 'Bb7', 'Gm7'],
    );
    const names = ['C4', 'Eb5', 'G4', 'Bb4', 'F5', 'A4', 'Db5', 'E4'];
    const tune = names.flatMap((_, i) => wholeBars([names[i]], ['C']).melody[0].pitch);
    const melody = Array.from({ length: 32 }, (_, i) => ({
      ...eighths.melody[0],
      id: `e${i}`,
      tick: 480 * i,
      length: 480,
      pitch: tune[(3 * i) % 8],
      lyric: { text: 'la', syllabic: 'single' as const },
    }));
    fits({ ...eighths, melody }, 'eighths in 4/4 with words');
  });

  it('are seen whole: never half a row, in every song, at every level, in every room', () => {
    for (const room of rooms)
      for (const song of DEMO_SONGS)
        for (const { number } of LEVELS) {
          const a = onLevel(song, number, true);
          a.parts.forEach((_, i) => {
            const { layout, scale, rowsShown } = fitSeam(viewOf(a, i), room);
            const seen = heightOfRows(layout, rowsShown) * scale;
            const isWhole = rowsShown === layout.rows.length;
            const free = isWhole ? room.height : room.height - TURNER_HEIGHT;
            // A single row that is higher than a small room is scrolled through.
            const told = [song.title, number, i, room.width];
            expect([...told, seen <= free + 1 || rowsShown === 1]).toEqual([...told, true]);
            if (room.height > 500) expect([...told, seen <= free + 1]).toEqual([...told, true]);
            expect(rowsShown).toBeGreaterThan(0);
          });
        }
  });

  it('are drawn a little smaller on a telephone rather than cut: every level by itself, block chords under a line that speaks', () => {
    for (const song of DEMO_SONGS)
      for (const { number } of LEVELS) {
        const a = onLevel(song, number, true);
        for (const height of number <= 4 ? [372, 425] : [425])
          a.parts.forEach((_, i) => {
            const { layout, scale, rowsShown } = fitSeam(viewOf(a, i), { width: 374, height });
            const free = rowsShown === layout.rows.length ? height : height - TURNER_HEIGHT;
            const told = [song.title, number, i, height];
            const seen = heightOfRows(layout, rowsShown) * scale;
            expect([...told, seen <= free + 1, scale >= 0.8]).toEqual([...told, true, true]);
          });
      }
  });

  it('are all of the part in the desk view at 1280 by 800, larger than on the bench', () => {
    for (const song of DEMO_SONGS) {
      const a = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
      a.parts.forEach((_, i) => {
        const [bench, desk] = [rooms[0], rooms[3]].map((room) => fitSeam(viewOf(a, i), room));
        expect(desk.rowsShown).toBe(desk.layout.rows.length);
        expect(desk.scale).toBeGreaterThanOrEqual(
          bench.rowsShown === bench.layout.rows.length ? bench.scale : 1,
        );
      });
    }
  });
});
