// @vitest-environment happy-dom
import { arrange } from '@joined-hands/core/arrange';
import type { Arrangement } from '@joined-hands/core/arrangement';
import type { System } from '@joined-hands/core/sheets';
import { DEFAULT_PROFILE, type Song } from '@joined-hands/core/song';
import { beforeAll, describe, expect, it } from 'vitest';
import { Element } from 'vexflow';
import { DEMO_SONGS } from '../../../../demo/songs';
import { FIRST_BAR_EXTRA, mostStrikes } from './draw-staff';
import { engrave } from './engrave';

const [lanterns, sluicegate, , , jig] = DEMO_SONGS;
const WIDTH = 180;
const drawn = (song: Song): Arrangement => arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
function engraved(a: Arrangement, which: 'lead' | 'grand', width = WIDTH): readonly System[] {
  const drawing = engrave(a, width, which);
  for (;;) {
    const system = drawing.next();
    if (system.done) return system.value;
  }
}

beforeAll(() => {
  // A page without fonts cannot measure: what is tested is what stands in which system.
  const measured = { width: 8, actualBoundingBoxAscent: 8, actualBoundingBoxDescent: 2 };
  const context = { font: '', measureText: () => measured };
  Element.setTextMeasurementCanvas({ getContext: () => context } as never);
});

describe('a song engraved in systems', () => {
  it.each([sluicegate, jig].map((song) => [song.title, song] as const))(
    '%s: every bar once and in order, a new system where a part begins, as many bars as have room',
    (_, song) => {
      const a = drawn(song);
      const { bars } = a.played;
      for (const which of ['lead', 'grand'] as const) {
        const systems = engraved(a, which);
        expect(systems.flatMap((system) => system.bars)).toEqual(bars);
        const firsts = systems.map((system) => system.bars[0].tick);
        for (const part of a.parts)
          expect(firsts).toContain(bars.find(({ tick }) => tick >= part.fromTick)?.tick);
      }
    },
  );

  it('never strikes closer than it can be read: each system has room for what is struck in it, or one bar', () => {
    const a = drawn(sluicegate);
    const counts = [60, 120, 180].map((width) => {
      const systems = engraved(a, 'lead', width);
      for (const { bars } of systems) {
        const struck = bars.reduce((sum, bar) => sum + 34 * mostStrikes(a, [bar]), 0);
        if (bars.length > 1) expect(struck).toBeLessThanOrEqual(width * 5 - 20 - FIRST_BAR_EXTRA);
      }
      return systems.length;
    });
    // A narrower sheet takes more of them.
    expect(counts[0]).toBeGreaterThan(counts[1]);
    expect(counts[1]).toBeGreaterThan(counts[2]);
  });

  it('is as high as its staves and its words, as wide as the sheet, with the fonts it was drawn with', () => {
    const heights = (song: Song, which: 'lead' | 'grand') =>
      engraved(drawn(song), which).map(({ height, viewBox }) => [height, viewBox]);
    const bare = {
      ...lanterns,
      melody: lanterns.melody.map((note) => ({ ...note, lyric: null })),
      words: [],
    };
    expect(new Set(heights(bare, 'lead').map(String))).toEqual(new Set(['25.6,0 0 900 128']));
    expect(new Set(heights(bare, 'grand').map(String))).toEqual(new Set(['46.4,0 0 900 232']));
    expect(new Set(heights(sluicegate, 'lead').map(String))).toEqual(new Set(['31.6,0 0 900 158']));
    expect(new Set(heights(sluicegate, 'grand').map(String))).toEqual(new Set(['52.4,0 0 900 262']));
    for (const { svg } of engraved(drawn(bare), 'lead')) {
      expect(svg.startsWith('<g ')).toBe(true);
      expect(svg.slice(0, svg.indexOf('>'))).toMatch(/font-family="[^"]+"/);
      expect(svg).not.toContain('<svg');
    }
  });

  it('a lead sheet has the tune alone: no left hand, and nothing of the right that is no tune', () => {
    const a = drawn({ ...lanterns, choices: { ...lanterns.choices, level: 7, fuller: 'octave' } } as Song);
    const heads = (list: readonly System[]): number =>
      list.reduce((sum, { svg }) => sum + (svg.match(/vf-notehead/g)?.length ?? 0), 0);
    const tune = a.right.filter(({ source }) => source === 'melody');
    const rests = (list: readonly System[]): number =>
      list.reduce((sum, { svg }) => sum + (svg.match(/vf-stavenote/g)?.length ?? 0), 0);
    const lead = engraved(a, 'lead');
    expect(heads(engraved(a, 'grand'))).toBeGreaterThan(heads(lead));
    expect(rests(lead)).toBeGreaterThanOrEqual(tune.length);
    expect(rests(lead)).toBeLessThan(2 * tune.length);
  });

  it('gives way after each system, and says nothing of them before the last', () => {
    const drawing = engrave(drawn(lanterns), WIDTH, 'grand');
    const steps: unknown[] = [];
    for (let step = drawing.next(); !step.done; step = drawing.next()) steps.push(step.value);
    expect(steps).toEqual(engraved(drawn(lanterns), 'grand').map(() => null));
  });
});
