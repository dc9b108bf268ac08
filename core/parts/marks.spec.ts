import { describe, expect, it } from 'vitest';
import { TUNES_APART } from '../../demo/kept-apart';
import { UNSEEN_TUNES } from '../../demo/unseen';
import { markedCuts } from '../../demo/marked';
import { DEMO_SONGS } from '../../demo/songs';
import { LATER_TUNES, TEST_TUNES } from '../../demo/tunes';
import { transposePitch } from '../music';
import { type Song, type PlayedSong, unfold } from '../song';
import { divide } from './divide';

const MARKED = [...DEMO_SONGS, ...TEST_TUNES, ...LATER_TUNES];

const cutTicks = (played: PlayedSong): number[] =>
  divide(played)
    .map(({ tick }) => tick)
    .filter((tick) => tick > 0);

/** Harmonic mean of precision and recall of the cuts over some songs. */
function f1(songs: readonly Song[]): number {
  let [right, found, marked] = [0, 0, 0];
  for (const song of songs) {
    const played = unfold(song);
    const [marks, cuts] = [markedCuts(song, played), cutTicks(played)];
    right += cuts.filter((tick) => marks.includes(tick)).length;
    found += cuts.length;
    marked += marks.length;
  }
  return (2 * right) / (found + marked);
}

/** The same song with every length doubled and the metre's unit halved: 3/4 becomes 3/2. */
function doubled(song: Song): Song {
  const twice = <T extends { readonly tick: number; readonly length?: number }>(list: readonly T[]): T[] =>
    list.map((item) => ({
      ...item,
      tick: 2 * item.tick,
      ...(item.length === undefined ? {} : { length: 2 * item.length }),
    }));
  return {
    ...song,
    pickup: 2 * song.pickup,
    melody: twice(song.melody),
    changes: twice(song.changes),
    sections: twice(song.sections),
    keyMap: twice(song.keyMap),
    tempoMap: twice(song.tempoMap),
    metreMap: twice(song.metreMap).map((m) => ({
      ...m,
      denominator: (m.denominator / 2) as Song['metreMap'][number]['denominator'],
    })),
  };
}

describe('cuts beside those a teacher marked', () => {
  it('agree: F1 of at least 0.90 over all songs, and over the tunes that no section helps', () => {
    expect(f1(MARKED)).toBeGreaterThanOrEqual(0.9);
    expect(f1(TEST_TUNES)).toBeGreaterThanOrEqual(0.9);
    // Composed and marked after the weights were set.
    expect(f1(LATER_TUNES)).toBeGreaterThanOrEqual(0.9);
  });

  const bare = (songs: readonly Song[]): Song[] => songs.map((song) => ({ ...song, changes: [] }));

  it('agree without the chords too', () => {
    expect(f1(bare(MARKED))).toBeGreaterThanOrEqual(0.9);
  });

  it('agree on tunes of many kinds that no weight was set by, with and without their chords', () => {
    expect(TUNES_APART.length).toBeGreaterThanOrEqual(12);
    expect(f1(TUNES_APART)).toBeGreaterThanOrEqual(0.9);
    expect(f1(bare(TUNES_APART))).toBeGreaterThanOrEqual(0.9);
  });

  it('agree on tunes nobody had in sight when the rules were made, with and without their chords', () => {
    expect(UNSEEN_TUNES.length).toBeGreaterThanOrEqual(12);
    expect(f1(UNSEEN_TUNES)).toBeGreaterThanOrEqual(0.95);
    expect(f1(bare(UNSEEN_TUNES))).toBeGreaterThanOrEqual(0.95);
  });

  it.each([...MARKED, ...TUNES_APART, ...UNSEEN_TUNES].map((song) => [song.title, song] as const))(
    'stand in every key: %s',
    (_, song) => {
      const up = (interval: string): Song => ({
        ...song,
        melody: song.melody.map((n) => ({ ...n, pitch: transposePitch(n.pitch, interval) })),
        keyMap: song.keyMap.map((key) => {
          const { letter, alter } = transposePitch({ ...key.tonic, octave: 4 }, interval);
          return { ...key, tonic: { letter, alter } };
        }),
        changes: [],
      });
      const here = cutTicks(unfold({ ...song, changes: [] }));
      for (const interval of ['2m', '3m', '4A', '-5P']) expect(cutTicks(unfold(up(interval)))).toEqual(here);
    },
  );

  it.each([...MARKED, ...TUNES_APART, ...UNSEEN_TUNES].map((song) => [song.title, song] as const))(
    'stand in longer notes: %s',
    (_, song) => {
      const twice = cutTicks(unfold(doubled(song)));
      expect(twice).toEqual(cutTicks(unfold(song)).map((tick) => 2 * tick));
    },
  );
});
