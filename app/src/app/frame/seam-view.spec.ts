import { arrange } from '@joined-hands/core/arrange';
import { applyEdit, DEFAULT_PROFILE, type Song } from '@joined-hands/core/song';
import { staffStep } from '@joined-hands/core/music';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { wholeBars } from '../../../../core/testing';
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

  it('hold the tune, and what lies beside it where the right hand is fuller', () => {
    expect(view({ rung: 4 }).rightRange).toEqual([C5, C5 + 4]);
    const beside = (fuller: Song['choices']['fuller']): readonly number[] =>
      view({ rung: 6, fuller }).rightRange;
    expect(beside('under')).toEqual([C5 - 5, C5 + 4]);
    expect(beside('two-under')).toEqual([C5 - 6, C5 + 4]);
    expect(beside('chord')).toEqual([C5 - 6, C5 + 4]);
    expect(beside('above')).toEqual([C5, C5 + 10]);
    expect(beside('octave')).toEqual([C5 - 7, C5 + 11]);
    expect(beside('frame')).toEqual([C5 - 7, C5 + 11]);
    expect(beside('none')).toEqual([C5, C5 + 4]);
  });

  it('go along with an octave, and hold both where it is learned elsewhere', () => {
    expect(view({ rung: 4, octaveShift: 1 }).rightRange).toEqual([C5 + 7, C5 + 11]);
    const lower = view({ rung: 4, shownOctave: -1 });
    expect(lower.rightRange).toEqual([C5 - 7, C5 + 4]);
    expect([lower.elsewhere, view({ rung: 4, shownOctave: 1 }).elsewhere]).toEqual([
      'shown an octave lower',
      'shown an octave higher',
    ]);
    expect(view({ rung: 4 }).elsewhere).toBe('');
  });

  it('hold the chords of the left hand, and ten steps below and five above where it moves', () => {
    const still = view({ rung: 4 });
    const lowest = Math.min(...still.changes.map(({ pitches }) => staffStep(pitches[0])));
    const moving = view({ rung: 5 });
    expect(still.leftRange[0]).toBe(lowest);
    const moves = moving.changes.map(({ pitches }) => pitches.map(staffStep));
    expect(moving.leftRange).toEqual([
      Math.min(...moves.map(([low]) => low - 10)),
      Math.max(...moves.map((steps) => Math.max(steps[0] + 5, ...steps))),
    ]);
    expect([still.byPitch, moving.byPitch]).toEqual([false, true]);
  });

  it('are four and a half lines where there is nothing yet', () => {
    expect(view({ rung: 4 }, { ...tune, melody: [], changes: [] }).rightRange).toEqual([28, 36]);
  });

  it('stack what is struck together: of an accompaniment the chord, of the left hand as many as the fullest chord', () => {
    const [bass, octave, block, under] = [
      view({ layout: 'singing', rung: 4 }),
      view({ layout: 'singing', rung: 5 }),
      view({ rung: 4 }, { ...tune, changes: [tune.changes[0], { ...tune.changes[1], symbol: 'F7' }] }),
      view({ layout: 'under-melody', rung: 4 }),
    ];
    expect([bass.leftMost, octave.leftMost, block.leftMost]).toEqual([1, 2, 4]);
    expect(view({ layout: 'fifth', rung: 4 }).leftMost).toBe(3);
    expect([bass.rightMost, under.rightMost, block.rightMost]).toEqual([
      3,
      Math.max(...under.changes.map(({ voicing }) => voicing.keys.length)),
      1,
    ]);
    expect([bass, under, block].map(({ isUnderMelody }) => isUnderMelody)).toEqual([false, true, false]);
    expect(view({ layout: 'under-melody', rung: 4 }, tune, true)).toMatchObject({
      isUnderMelody: false,
      rightMost: 1,
      hasLeft: false,
    });
  });

  it('have a left hand where chords are played, and words where some are sung', () => {
    expect([1, 2, 4].map((rung) => view({ rung }).hasLeft)).toEqual([false, true, true]);
    expect(view({ rung: 4 }).hasLyrics).toBe(false);
    const sung: Song = {
      ...tune,
      melody: tune.melody.map((n, i) => ({
        ...n,
        lyric: i === 1 ? { text: 'la', syllabic: 'single' } : null,
      })),
    };
    expect(view({ rung: 4 }, sung).hasLyrics).toBe(true);
    expect(view({ rung: 4 }, sung).words).toEqual([{ tick: 3840, text: 'la', syllabic: 'single' }]);
  });

  it('show the tune alone on the Tune bench, even where it is only sung', () => {
    const sung = view({ layout: 'singing', rung: 4 }, tune, true);
    expect(sung.right.map(({ tick, midi, source }) => [tick, midi, source])).toEqual([
      [0, 72, 'melody'],
      [3840, 79, 'melody'],
    ]);
    const fuller = view({ rung: 6, fuller: 'chord' }, tune, true);
    expect(fuller.right.map(({ source }) => source)).toEqual(['melody', 'melody']);
  });
});
