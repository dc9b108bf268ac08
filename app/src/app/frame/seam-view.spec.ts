import { arrange } from '@joined-hands/core/arrange';
import { applyEdit, DEFAULT_PROFILE, type Song } from '@joined-hands/core/song';
import { staffStep } from '@joined-hands/core/music';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { sameView, stretchView, viewOf } from './seam-view';

describe('what the seam shows of a part', () => {
  it('is as high for every part of a song: its ranges are worked out once, and anew for another tune', () => {
    const [song] = DEMO_SONGS;
    const [a, higher] = [0, 1].map((octave) => {
      const melody = song.melody.map((note) => ({
        ...note,
        pitch: { ...note.pitch, octave: note.pitch.octave + octave },
      }));
      return arrange({ ...song, melody }, DEFAULT_PROFILE, { withoutFingers: true });
    });
    const [first, second] = [viewOf(a, 0), viewOf(a, 1)];
    expect(second.rightRange).toBe(first.rightRange);
    expect(second.leftRange).toBe(first.leftRange);
    expect(viewOf(higher, 0).rightRange).not.toEqual(first.rightRange);
    expect(viewOf(a, 2).rightRange).toEqual(first.rightRange);
  });

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

  it('has room for its tune and no more; a few notes far away do not widen it beyond sixteen steps', () => {
    const [song] = DEMO_SONGS;
    const view = (melody: Song['melody']) =>
      viewOf(arrange({ ...song, melody }, DEFAULT_PROFILE, { withoutFingers: true }), 0, true);
    const steps = song.melody.map(({ pitch }) => staffStep(pitch));
    expect(view(song.melody).rightRange).toEqual([Math.min(...steps), Math.max(...steps)]);
    const far = song.melody.map((note, i) =>
      i === 3 ? { ...note, pitch: { ...note.pitch, octave: note.pitch.octave + 2 } } : note,
    );
    const [low, high] = view(far).rightRange;
    expect(high - low).toBe(16);
    const middle = far.map(({ pitch }) => staffStep(pitch)).sort((x, y) => x - y)[far.length >> 1];
    expect(low).toBe(Math.max(Math.min(...steps), middle - 8));
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
    expect([shown.left, shown.meetings, shown.hasLeft]).toEqual([[], [], false]);
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
