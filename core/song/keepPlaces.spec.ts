import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { wholeBars } from '../testing';
import { applyEdit } from './edits';
import type { Song } from './schema';
import { unfold } from './unfold';

const [lanterns, , , mudflat] = DEMO_SONGS;
const withCuts = (song: Song, ...ticks: number[]): Song => ({
  ...song,
  cuts: ticks.map((tick) => ({ id: `at${tick}`, tick, locked: false })),
});
const cutTicks = (song: Song): number[] => song.cuts.map((cut) => cut.tick);

describe('places of a song whose bars move', () => {
  it('a cut in the second pass of a repeat goes with its bar', () => {
    // Bar 2 of the second pass is the tenth played bar.
    const cut = withCuts(mudflat, 0, 9 * 3840);
    const later = applyEdit(cut, { kind: 'bars-inserted', before: 1, count: 1 });
    const bars = unfold(later).bars;
    const at = bars.find((bar) => bar.tick === cutTicks(later)[1]);
    expect([at?.written, at?.pass]).toEqual([3, 2]);
  });

  it('a cut in a bar that is removed goes with it; the one at the beginning stays', () => {
    const cut = withCuts(wholeBars(['C4', 'D4', 'E4'], ['C', 'G', 'C']), 0, 3840, 7680);
    expect(cutTicks(applyEdit(cut, { kind: 'bar-removed', bar: 2 }))).toEqual([0, 3840]);
    expect(cutTicks(applyEdit(cut, { kind: 'bar-removed', bar: 1 }))).toEqual([0, 0, 3840]);
  });

  it('cuts and settings of a repeat that is taken out are those of its first pass', () => {
    const cut = withCuts(mudflat, 0, 4 * 3840, 8 * 3840, 12 * 3840);
    const plain = applyEdit(cut, { kind: 'repeats-cleared' });
    expect(cutTicks(plain)).toEqual([0, 4 * 3840]);
  });

  it('a cut that was placed keeps its name, and with it what was chosen there', () => {
    const cut = {
      ...lanterns,
      cuts: [0, 11520].map((tick) => ({ id: `cut${tick}`, tick, locked: true })),
      partSettings: { cut11520: { name: 'Bridge', sameAs: 'cut0', choices: {} } },
    };
    const moved = applyEdit(cut, { kind: 'bars-inserted', before: 2, count: 1 });
    expect(moved.cuts.map(({ id, tick }) => [id, tick])).toEqual([
      ['cut0', 0],
      ['cut11520', 14400],
    ]);
    expect(moved.partSettings).toEqual(cut.partSettings);
  });

  it('a part declared the same keeps its model by the new name', () => {
    const declared = applyEdit(lanterns, { kind: 'same-as', cutId: 'cut23040', sameAs: 'cut11520' });
    const moved = applyEdit(declared, { kind: 'bars-inserted', before: 2, count: 1 });
    expect(moved.partSettings).toEqual({
      cut25920: { name: null, sameAs: 'cut14400', choices: {} },
    });
  });

  it('settled parts are found again under the cut proposed there', () => {
    const settled = applyEdit(lanterns, {
      kind: 'settle',
      choices: null,
      isRaised: false,
      keys: null,
      fills: [],
      cuts: [],
      cutId: 'cut11520',
      voicings: [{ changeId: 'c5', keys: [52, 57, 60], fingers: null }],
      fingers: [],
    });
    const moved = applyEdit(settled, { kind: 'bar-removed', bar: 1 });
    expect(moved.settled.map((s) => s.cutId)).toEqual(['cut8640']);
  });

  it('inserted anywhere, no cut is lost and their order stays', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 25 }),
        fc.integer({ min: 1, max: 3 }),
        fc.uniqueArray(fc.integer({ min: 1, max: 23 }), { maxLength: 6 }),
        (before, count, barsCut) => {
          const ticks = [0, ...barsCut.sort((a, b) => a - b).map((bar) => bar * 2880)];
          const after = cutTicks(
            applyEdit(withCuts(lanterns, ...ticks), { kind: 'bars-inserted', before, count }),
          );
          expect(after).toHaveLength(ticks.length);
          expect(after).toEqual([...after].sort((a, b) => a - b));
          ticks.forEach((tick, i) => {
            const isLater = tick > 0 && tick / 2880 + 1 >= before;
            expect(after[i]).toBe(isLater ? tick + count * 2880 : tick);
          });
        },
      ),
    );
  });
});

describe('jumps', () => {
  it('let go what was held over the place where the music jumps', () => {
    const held = wholeBars(['C4', 'D4', 'E4'], ['C', 'G', 'C']);
    const long: Song = { ...held, melody: held.melody.map((n, i) => (i === 1 ? { ...n, length: 5760 } : n)) };
    const order: Song = {
      ...long,
      melody: long.melody.slice(0, 2),
      playingOrder: [
        { fromBar: 1, toBar: 2 },
        { fromBar: 1, toBar: 3 },
      ],
    };
    expect(unfold(order).melody.map((n) => n.length)).toEqual([3840, 3840, 3840, 5760]);
  });

  it('say the words of a song without notes in every pass', () => {
    const song: Song = {
      ...wholeBars(['C4', 'D4'], ['C', 'G']),
      melody: [],
      words: [{ tick: 3840, text: 'low', syllabic: 'single' }],
      playingOrder: [
        { fromBar: 1, toBar: 2 },
        { fromBar: 2, toBar: 2 },
      ],
    };
    expect(unfold(song).words.map((w) => w.tick)).toEqual([3840, 7680]);
  });

  it('to bars that are not there play nothing', () => {
    const song: Song = { ...wholeBars(['C4', 'D4'], ['C', 'G']), playingOrder: [{ fromBar: 3, toBar: 4 }] };
    expect(unfold(song)).toMatchObject({ bars: [], melody: [], changes: [], endTick: 0 });
    const some = unfold({ ...song, playingOrder: [...song.playingOrder, { fromBar: 2, toBar: 2 }] });
    expect(some.bars.map(({ number, written, tick }) => [number, written, tick])).toEqual([[1, 2, 0]]);
  });
});
