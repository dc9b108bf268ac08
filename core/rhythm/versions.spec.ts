import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { parsePitch } from '../music';
import { applyEdit, DEFAULT_PROFILE, emptySong, type Song, unfold } from '../song';
import { songs } from '../testing';
import { RHYTHMS, type RhythmVersion } from './versions';

const tune = (...spans: readonly (readonly [beat: number, beats: number])[]): Song => ({
  ...emptySong('r', 'R'),
  barCount: 2,
  melody: spans.map(([beat, beats], i) => ({
    id: `n${i}`,
    tick: beat * 960,
    length: beats * 960,
    pitch: parsePitch('C4'),
    tiedToNext: false,
    lyric: null,
    grace: false,
  })),
});
const played = (song: Song, rhythm: RhythmVersion): number[][] =>
  arrange(
    applyEdit(song, { kind: 'choose', choices: { rhythm, level: 1 } }),
    DEFAULT_PROFILE,
  ).played.melody.map((n) => [n.tick / 960, n.length / 960]);

describe('rhythm versions', () => {
  it('straight: a note held over the beat waits for it, off-beat sixteenths go to the half beat', () => {
    expect(played(tune([0, 0.5], [0.5, 1], [1.5, 0.5], [2, 2]), 'straight')).toEqual([
      [0, 1],
      [1, 0.5],
      [1.5, 0.5],
      [2, 2],
    ]);
    expect(played(tune([0, 0.75], [0.75, 0.25], [1, 3]), 'straight')).toEqual([
      [0, 0.5],
      [0.5, 0.5],
      [1, 3],
    ]);
  });

  it('anticipated: a long note on a strong beat comes half a beat early', () => {
    expect(played(tune([0, 2], [2, 2], [4, 4]), 'anticipated')).toEqual([
      [0, 1.5],
      [1.5, 2],
      [3.5, 4.5],
    ]);
  });

  it('dotted and swung: even pairs become three to one and two to one', () => {
    const even = tune([0, 0.5], [0.5, 0.5], [1, 1]);
    expect(played(even, 'dotted').map(([t]) => t)).toEqual([0, 0.75, 1]);
    expect(played(even, 'swung').map(([t]) => Math.round(t * 960))).toEqual([0, 640, 960]);
    expect(played(tune([0, 1], [1, 1]), 'swung').map(([t]) => t)).toEqual([0, 1]);
  });

  it('is chosen for one part and leaves the others and the written song alone', () => {
    const [, , rain] = DEMO_SONGS;
    // Part 5 comes once: no other part follows it.
    const first = arrange(rain, DEFAULT_PROFILE).parts[4];
    const edited = applyEdit(rain, {
      kind: 'choose-for-part',
      cutId: first.cutId,
      choices: { rhythm: 'straight' },
    });
    expect(edited.melody).toBe(rain.melody);
    const [before, after] = [unfold(rain).melody, arrange(edited, DEFAULT_PROFILE).played.melody];
    const moved = after.filter((n, i) => n.tick !== before[i].tick);
    expect(moved.length).toBeGreaterThan(1);
    expect(moved.every((n) => n.tick >= first.fromTick && n.tick < first.toTick)).toBe(true);
    const back = applyEdit(edited, {
      kind: 'choose-for-part',
      cutId: first.cutId,
      choices: { rhythm: 'real' },
    });
    expect(arrange(back, DEFAULT_PROFILE).played.melody).toEqual(before);
  });

  it('keeps every note, in order, without overlaps, inside its part', () => {
    fc.assert(
      fc.property(songs, fc.constantFrom(...RHYTHMS.map((r) => r.value)), (song, rhythm) => {
        const edited = applyEdit(song, { kind: 'choose', choices: { rhythm, level: 1 } });
        const a = arrange(edited, DEFAULT_PROFILE, { withoutFingers: true });
        expect(a.played.melody.map((n) => n.id)).toEqual(unfold(song).melody.map((n) => n.id));
        a.played.melody.forEach((n, i) => {
          const next = a.played.melody[i + 1];
          expect(n.length).toBeGreaterThan(0);
          if (next) expect(n.tick + n.length).toBeLessThanOrEqual(next.tick);
        });
      }),
    );
  });
});
