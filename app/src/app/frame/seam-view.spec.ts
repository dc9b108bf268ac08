import { arrange } from '@joined-hands/core/arrange';
import { FULLER_MANNERS } from '@joined-hands/core/fuller';
import { applyEdit, DEFAULT_PROFILE, type Song } from '@joined-hands/core/song';
import { staffStep } from '@joined-hands/core/music';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { wholeBars } from '../../../../core/testing';
import { sameView, stretchView, viewOf } from './seam-view';

describe('what the seam shows of a part', () => {
  it('is the same picture where the very same things are shown, and another where one more or another is', () => {
    const a = arrange(DEMO_SONGS[0], DEFAULT_PROFILE, { withoutFingers: true });
    const view = viewOf(a, 0);
    expect(sameView(view, viewOf(a, 0))).toBe(true);
    expect(sameView(view, viewOf(a, 1))).toBe(false);
    expect(sameView(view, { ...view, right: [...view.right, view.right[0]] })).toBe(false);
    expect(sameView({ ...view, right: [...view.right, view.right[0]] }, view)).toBe(false);
    expect(sameView(view, { ...view, right: [...view.right].reverse() })).toBe(false);
    expect(sameView(view, { ...view, rightRange: [...view.rightRange] })).toBe(true);
    expect([sameView(null, null), sameView(view, null), sameView(null, view)]).toEqual([true, false, false]);
  });

  it('knows the same picture again', () => {
    const of = (song: Song) => viewOf(arrange(song, DEFAULT_PROFILE), 0);
    expect(sameView(of(DEMO_SONGS[0]), of(DEMO_SONGS[0]))).toBe(true);
    expect(
      sameView(
        of(DEMO_SONGS[0]),
        of(applyEdit(DEMO_SONGS[0], { kind: 'choose', choices: { layout: 'root' } })),
      ),
    ).toBe(false);
  });

  it('has room for the tune of the part and no more; a note far away does not widen it beyond three octaves', () => {
    const [song] = DEMO_SONGS;
    const view = (melody: Song['melody']) =>
      viewOf(arrange({ ...song, melody }, DEFAULT_PROFILE, { withoutFingers: true }), 0, true);
    const { right, rightRange } = view(song.melody);
    const steps = right.map(({ pitch }) => staffStep(pitch));
    const [low, high] = [Math.min(...steps), Math.max(...steps)];
    expect(rightRange).toEqual([low, high]);
    const far = (octaves: number): readonly [number, number] =>
      view(
        song.melody.map((note, i) =>
          i === 3 ? { ...note, pitch: { ...note.pitch, octave: note.pitch.octave + octaves } } : note,
        ),
      ).rightRange;
    expect(far(2)).toEqual([low, steps[3] + 14]);
    expect(far(4)).toEqual([low, low + 21]);
  });

  it('shows of a stretch the tune, its chords and words from its first tick to before its last', () => {
    const a = arrange(DEMO_SONGS[1], DEFAULT_PROFILE, { withoutFingers: true });
    const [whole, { fromTick }] = [viewOf(a, 0, true), a.parts[0]];
    const [from, to] = [whole.bars[1].tick, whole.bars[3].tick];
    const shown = stretchView(a, 0, from, to);
    const ticks = (list: readonly { readonly tick: number }[]): number[] =>
      list.map(({ tick }) => tick).filter((tick) => tick >= from && tick < to);
    expect([shown.part.fromTick, shown.part.toTick, fromTick < from]).toEqual([from, to, true]);
    expect(shown.bars).toEqual([whole.bars[1], whole.bars[2]]);
    expect(shown.right.map(({ tick }) => tick)).toEqual(ticks(whole.right));
    expect(shown.words.map(({ tick }) => tick)).toEqual(ticks(whole.words));
    expect(shown.changes.map(({ change }) => change.tick)).toEqual(
      ticks(whole.changes.map(({ change }) => change)),
    );
    expect([shown.right.length, shown.words.length, shown.changes.length].every((n) => n > 0)).toBe(true);
    expect([shown.left, shown.meetings]).toEqual([[], []]);
  });

  it('is all of the part: its bars, keys, chords and words, and nothing of another', () => {
    for (const song of DEMO_SONGS) {
      const a = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
      a.parts.forEach((part, i) => {
        const view = viewOf(a, i);
        expect(view.right).toEqual(a.arranged[i]?.right);
        expect(view.left).toEqual(a.arranged[i]?.left);
        expect(view.meetings).toEqual(a.arranged[i]?.meetings);
        expect(view.bars[0].tick).toBeLessThanOrEqual(part.fromTick);
        const last = view.bars[view.bars.length - 1];
        expect(last.tick + last.length).toBeGreaterThanOrEqual(part.toTick);
        const inPart = (tick: number): boolean => tick >= part.fromTick && tick < part.toTick;
        expect(view.changes).toEqual(a.changes.filter(({ change }) => inPart(change.tick)));
        expect([view.elsewhere, view.isMelodyOnly]).toEqual(['', false]);
      });
    }
  });
});

describe('the lanes of the seam', () => {
  const tune = wholeBars(['C5', 'G5'], ['C', 'F']);
  const view = (choices: Partial<Song['choices']>, song: Song = tune, isMelodyOnly = false) =>
    viewOf(
      arrange({ ...song, choices: { ...song.choices, ...choices } }, DEFAULT_PROFILE, {
        withoutFingers: true,
      }),
      0,
      isMelodyOnly,
    );
  const C5 = 35;

  it('have the range of what is played in the part: the tune, what lies beside it, an octave it is learned in', () => {
    expect(view({ level: 4 }).rightRange).toEqual([C5, C5 + 4]);
    for (const { id } of FULLER_MANNERS) {
      const { right, rightRange } = view({ level: 6, fuller: id });
      const steps = right.map(({ pitch }) => staffStep(pitch));
      expect([id, rightRange]).toEqual([id, [Math.min(...steps), Math.max(...steps)]]);
    }
    expect(view({ level: 6, fuller: 'octave' }).rightRange[0]).toBeLessThan(C5);
    expect(view({ level: 4, octaveShift: 1 }).rightRange).toEqual([C5 + 7, C5 + 11]);
    const [lower, higher] = [-1, 1].map((shownOctave) =>
      view({ level: 4, shownOctave } as Partial<Song['choices']>),
    );
    expect([lower.rightRange, higher.rightRange]).toEqual([
      [C5 - 7, C5 - 3],
      [C5 + 7, C5 + 11],
    ]);
    expect([lower.elsewhere, higher.elsewhere, view({ level: 4 }).elsewhere]).toEqual([
      'shown an octave lower',
      'shown an octave higher',
      '',
    ]);
  });

  it('of the left hand too: stacked by order until it moves', () => {
    const [still, moving] = [view({ level: 4 }), view({ level: 5 })];
    for (const { left, leftRange } of [still, moving]) {
      const steps = left.map(({ pitch }) => staffStep(pitch));
      expect(leftRange).toEqual([Math.min(...steps), Math.max(...steps)]);
    }
    expect([still.byPitch, moving.byPitch]).toEqual([false, true]);
  });

  it('are four and a half lines where there is nothing yet', () => {
    expect(view({ level: 4 }, { ...tune, melody: [], changes: [] }).rightRange).toEqual([28, 36]);
  });

  it('stack what is struck together, and know how many keys that is at the most', () => {
    const [bass, octave, block, under] = [
      view({ layout: 'singing', level: 4 }),
      view({ layout: 'singing', level: 5 }),
      view({ level: 4 }, { ...tune, changes: [tune.changes[0], { ...tune.changes[1], symbol: 'F7' }] }),
      view({ layout: 'under-melody', level: 4 }),
    ];
    expect([bass, octave, block].map(({ leftMost }) => leftMost)).toEqual([1, 2, 4]);
    expect(view({ layout: 'fifth', level: 4 }).leftMost).toBe(2);
    expect(bass.rightMost).toBe(3);
    expect(under.rightMost).toBeGreaterThan(2);
    expect([bass, under, block].map(({ rightStacks }) => rightStacks)).toEqual([true, true, false]);
    expect([bass, under, block].map(({ isUnderMelody }) => isUnderMelody)).toEqual([false, true, false]);
    expect(view({ layout: 'under-melody', level: 4 }, tune, true)).toMatchObject({
      isUnderMelody: false,
      rightStacks: false,
      rightMost: 1,
    });
  });

  it('have words under the tune where some are sung in the part', () => {
    expect(view({ level: 4 }).words).toEqual([]);
    const sung: Song = {
      ...tune,
      melody: tune.melody.map((n, i) => ({
        ...n,
        lyric: i === 1 ? { text: 'la', syllabic: 'single' } : null,
      })),
    };
    expect(view({ level: 4 }, sung).words).toEqual([{ tick: 3840, text: 'la', syllabic: 'single' }]);
  });

  it('show the tune alone on the Tune bench, even where it is only sung', () => {
    const sung = view({ layout: 'singing', level: 4 }, tune, true);
    expect(sung.right.map(({ tick, midi, source }) => [tick, midi, source])).toEqual([
      [0, 72, 'melody'],
      [3840, 79, 'melody'],
    ]);
    const fuller = view({ level: 6, fuller: 'chord' }, tune, true);
    expect(fuller.right.map(({ source }) => source)).toEqual(['melody', 'melody']);
  });
});
