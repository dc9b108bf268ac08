import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { clearWritten, writeDown, writtenDown } from './journal';

const [lanterns, sluicegate] = DEMO_SONGS;

describe('what is written down when the page has to go', () => {
  const kept = new Map<string, string>();
  let isBlocked = false;
  beforeEach(() => {
    kept.clear();
    isBlocked = false;
    const guarded = <T>(act: () => T): T => {
      if (isBlocked) throw new DOMException('blocked', 'QuotaExceededError');
      return act();
    };
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => guarded(() => kept.get(key) ?? null),
      setItem: (key: string, value: string) => guarded(() => void kept.set(key, value)),
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
    expect(writtenDown(sluicegate.id)?.revision).toBe(9);
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
    expect(writtenDown(lanterns.id)?.isWriting).toBe(false);
  });

  it('says that it was not, where the browser keeps no more, and hinders nothing', () => {
    isBlocked = true;
    expect(writeDown({ song: lanterns, revision: 4, isWriting: false })).toBe(false);
    expect(writtenDown(lanterns.id)).toBeNull();
    expect(() => clearWritten(lanterns.id)).not.toThrow();
  });
});
