import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { clearWritten, writeDown, writtenDown } from './journal';

const [lanterns, sluicegate] = DEMO_SONGS;

describe('what is written down when the page has to go', () => {
  const kept = new Map<string, string>();
  let isBlocked = false;
  let room = Infinity;
  beforeEach(() => {
    kept.clear();
    room = Infinity;
    isBlocked = false;
    const guarded = <T>(act: () => T): T => {
      if (isBlocked) throw new DOMException('blocked', 'QuotaExceededError');
      return act();
    };
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => guarded(() => kept.get(key) ?? null),
      setItem: (key: string, value: string) =>
        guarded(() => {
          if (value.length > room) throw new DOMException('full', 'QuotaExceededError');
          kept.set(key, value);
        }),
      removeItem: (key: string) => guarded(() => void kept.delete(key)),
    });
  });
  afterEach(() => vi.unstubAllGlobals());

  it('is there again, song by song, until the song is stored', () => {
    expect(writtenDown(lanterns.id)).toBeNull();
    expect(writeDown({ song: lanterns, revision: 4, isWriting: false })).toBe(true);
    expect(writeDown({ song: sluicegate, revision: 9, isWriting: true })).toBe(true);
    expect(writtenDown(lanterns.id)).toEqual({ song: lanterns, revision: 4, isWriting: false });
    expect(writtenDown(sluicegate.id)).toEqual({ song: sluicegate, revision: 9, isWriting: true });
    clearWritten(lanterns.id);
    expect(writtenDown(lanterns.id)).toBeNull();
    expect(writtenDown(sluicegate.id)).toMatchObject({ revision: 9 });
  });

  it('is what differs, where the song is too long for it: from what the store has, or is about to have', () => {
    room = 500;
    const [first, writing, now] = ['A', 'B', 'C'].map((title) => ({ ...lanterns, title }));
    const known = [
      { song: first, revision: 4 },
      { song: writing, revision: 5 },
    ];
    expect(writeDown({ song: now, revision: 4, isWriting: true })).toBe(false);
    expect(writeDown({ song: now, revision: 4, isWriting: true }, known)).toBe(true);
    for (const stored of known)
      expect(writtenDown(now.id, stored)).toEqual({ song: now, revision: stored.revision, isWriting: false });
    // Another tab has stored since, or nothing was ever stored.
    expect(writtenDown(now.id, { song: first, revision: 6 })).toBe('lost');
    expect(writtenDown(now.id)).toBe('lost');
    room = 10;
    expect(writeDown({ song: now, revision: 4, isWriting: true }, known)).toBe(false);
  });

  it('is the last of a song', () => {
    writeDown({ song: lanterns, revision: 4, isWriting: false });
    writeDown({ song: { ...lanterns, title: 'Lamps' }, revision: 5, isWriting: false });
    expect(writtenDown(lanterns.id)).toMatchObject({ song: { title: 'Lamps' }, revision: 5 });
  });

  it.each([
    ['half a note', '{"song": {"id":'],
    ['no song', JSON.stringify({ revision: 1, isWriting: false })],
    ['no revision', JSON.stringify({ song: lanterns })],
    ['another kind of revision', JSON.stringify({ song: lanterns, revision: '4' })],
    ['nothing at all', 'null'],
  ])('is nothing where it cannot be read: %s', (_, text) => {
    writeDown({ song: lanterns, revision: 4, isWriting: false });
    const [key] = kept.keys();
    kept.set(key, text);
    expect(writtenDown(lanterns.id)).toBeNull();
  });

  it('takes it that nothing was being written where that is not said', () => {
    writeDown({ song: lanterns, revision: 4, isWriting: false });
    const [key] = kept.keys();
    kept.set(key, JSON.stringify({ song: lanterns, revision: 4, isWriting: 'yes' }));
    expect(writtenDown(lanterns.id)).toMatchObject({ isWriting: false });
  });

  it('says that it was not, where the browser keeps no more, and hinders nothing', () => {
    isBlocked = true;
    expect(writeDown({ song: lanterns, revision: 4, isWriting: false })).toBe(false);
    expect(writtenDown(lanterns.id)).toBeNull();
    expect(() => clearWritten(lanterns.id)).not.toThrow();
  });
});
