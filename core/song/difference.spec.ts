import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { runs, songs } from '../testing';
import { differenceOf, withDifference } from './difference';
import { applyEdit, type SongEdit } from './edits';
import type { Song } from './schema';

const stored = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

describe('how a song differs from an earlier state', () => {
  const edited =
    (edit: SongEdit) =>
    (song: Song): Song =>
      applyEdit(song, edit);
  const edits = fc.constantFrom<((song: Song) => Song)[]>(
    edited({ kind: 'rename', title: 'Other' }),
    edited({ kind: 'choose', choices: { level: 2 } }),
    edited({ kind: 'pin', pin: { changeId: 'c1', keys: [48, 52, 55], fingers: null } }),
    edited({ kind: 'unpin', changeId: 'c1' }),
    (song) => ({ ...song, melody: song.melody.slice(1) }),
    (song) => ({ ...song, melody: song.melody.map((note) => ({ ...note, lyric: null })) }),
    (song) => ({ ...song, changes: [...song.changes].reverse() }),
  );

  it('gives the later song from the earlier one as it is read from the store, after any edits', () => {
    fc.assert(
      fc.property(songs, fc.array(edits, { maxLength: 4 }), (song, all) => {
        const now = all.reduce((so, edit) => edit(so), song);
        expect(withDifference(stored(song), stored(differenceOf(song, now)))).toEqual(now);
        expect(withDifference(stored(now), stored(differenceOf(now, song)))).toEqual(song);
      }),
      { numRuns: runs(100) },
    );
  });

  it('is as small as the edit: the title of a song, one note of many', () => {
    const [song] = DEMO_SONGS;
    const renamed = applyEdit(song, { kind: 'rename', title: 'Lamps' });
    expect(differenceOf(song, renamed)).toEqual({ title: { value: 'Lamps' } });
    const [first, second, ...rest] = song.melody;
    const moved = { ...song, melody: [first, { ...second, length: 960 }, ...rest] };
    expect(differenceOf(song, moved)).toEqual({
      melody: { length: 2, from: 1, added: [{ ...second, length: 960 }] },
    });
    expect(differenceOf(song, { ...song, melody: [first, ...rest] })).toEqual({
      melody: { length: 2, from: 1, added: [] },
    });
  });
});
