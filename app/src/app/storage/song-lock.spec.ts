import '@angular/compiler';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { SongLock } from './song-lock';

/** Locks as a browser gives them: one holder at a time; who steals one is told to the holder. */
function locks() {
  const holders = new Map<string, { fail: (error: unknown) => void }>();
  return {
    held: () => [...holders.keys()],
    request: (
      name: string,
      options: { steal?: boolean },
      work: (lock: object | null) => Promise<void> | undefined,
    ): Promise<void> => {
      const holder = holders.get(name);
      if (holder && !options.steal) return Promise.resolve(work(null));
      holder?.fail(new DOMException('stolen', 'AbortError'));
      return new Promise<void>((resolve, reject) => {
        const own = { fail: reject };
        holders.set(name, own);
        void work({})?.then(() => {
          if (holders.get(name) === own) holders.delete(name);
          resolve();
        });
      });
    },
  };
}

describe('the lock of a song', () => {
  let given: ReturnType<typeof locks>;
  beforeEach(() => {
    given = locks();
    vi.stubGlobal('navigator', { locks: given });
  });
  afterEach(() => vi.unstubAllGlobals());
  const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

  it('is one tab’s, until that lets it go', async () => {
    const [here, there] = [new SongLock(), new SongLock()];
    expect(await here.take('a', () => undefined)).toBe(true);
    expect(await there.take('a', () => undefined)).toBe(false);
    here.free('a');
    await settled();
    expect(await there.take('a', () => undefined)).toBe(true);
  });

  it('is let go when another song is taken, and that one stays held when the first is left late', async () => {
    const lock = new SongLock();
    await lock.take('a', () => undefined);
    await lock.take('b', () => undefined);
    await settled();
    expect(given.held()).toEqual(['joined-hands:b']);
    lock.free('a');
    await settled();
    expect(given.held()).toEqual(['joined-hands:b']);
    lock.free('b');
    await settled();
    expect(given.held()).toEqual([]);
  });

  it('tells the tab it is taken from', async () => {
    const lost = vi.fn();
    await new SongLock().take('a', lost);
    expect(await new SongLock().take('a', () => undefined, true)).toBe(true);
    await settled();
    expect(lost).toHaveBeenCalledOnce();
  });
});
