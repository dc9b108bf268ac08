import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { SongNumbers } from './songs-known';

const [lanterns, sluicegate] = DEMO_SONGS;

describe('the songs another thread knows', () => {
  const edit = { kind: 'choose', choices: { level: 5 } } as const;

  it('are numbered one after the other, each once', () => {
    const known = new SongNumbers();
    expect([lanterns, sluicegate, lanterns].map((song) => known.numberOf(song))).toEqual([1, 2, 1]);
  });

  it('are told by the edit that made them of one that is known, whole where that is asked, else by number', () => {
    const known = new SongNumbers();
    const edited = { ...lanterns };
    known.edited(lanterns, edit, edited);
    known.edited(sluicegate, edit, sluicegate);
    expect(known.message(lanterns, true)).toEqual({ number: 1, edited: null, whole: lanterns });
    expect(known.message(edited)).toEqual({ number: 2, edited: { from: 1, edit }, whole: null });
    expect(known.message(edited, true)).toEqual({ number: 2, edited: null, whole: edited });
    // Made of one that was never told of.
    const other = { ...sluicegate };
    known.edited(sluicegate, edit, other);
    expect(known.message(other)).toEqual({ number: 3, edited: null, whole: null });
    expect(known.message(sluicegate)).toEqual({ number: 4, edited: null, whole: null });
  });
});
