import '@angular/compiler';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type Holder, SongLock } from './song-lock';

/** Locks as a browser gives them: one holder at a time; who steals one is told to the holder. */
function locks() {
  const holders = new Map<string, { fail: (error: unknown) => void }>();
  let stolen = 0;
  return {
    stolen: () => stolen,
    held: () => [...holders.keys()],
    request: (
      name: string,
      options: { steal?: boolean },
      work: (lock: object | null) => Promise<void> | undefined,
    ): Promise<void> => {
      const holder = holders.get(name);
      if (holder && !options.steal) return Promise.resolve(work(null));
      if (holder) stolen++;
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

const nobody: Holder = { handOver: async () => undefined, lost: () => undefined };

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
    expect(await here.take('a', nobody)).toBe(true);
    expect(await there.take('a', nobody)).toBe(false);
    here.free('a');
    await settled();
    expect(await there.take('a', nobody)).toBe(true);
  });

  it('is let go when another song is taken, and that one stays held when the first is left late', async () => {
    const lock = new SongLock();
    await lock.take('a', nobody);
    await lock.take('b', nobody);
    await settled();
    expect(given.held()).toEqual(['joined-hands:b']);
    lock.free('a');
    await settled();
    expect(given.held()).toEqual(['joined-hands:b']);
    lock.free('b');
    await settled();
    expect(given.held()).toEqual([]);
  });

  it('asks the tab that holds it to store what it has first, and tells it that it is lost', async () => {
    const order: string[] = [];
    const [here, there] = [new SongLock(), new SongLock()];
    const holder = {
      handOver: async () => {
        await settled();
        order.push('stored');
      },
      lost: () => void order.push('lost'),
    };
    await here.take('tide', holder);
    expect(await there.take('tide', nobody, true)).toBe(true);
    order.push('taken');
    expect(order).toEqual(['stored', 'lost', 'taken']);
    expect(given.stolen()).toBe(0);
    here.free('tide');
    await settled();
    expect(given.held()).toEqual(['joined-hands:tide']);
  });

  it('takes it from a tab that does not answer, once patience is at an end, and tells that tab', async () => {
    const lost = vi.fn();
    const frozen = { handOver: () => new Promise<void>(() => undefined), lost };
    await new SongLock().take('ebb', frozen);
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const taking = new SongLock().take('ebb', nobody, true);
    await vi.advanceTimersByTimeAsync(4000);
    vi.useRealTimers();
    expect(await taking).toBe(true);
    await settled();
    expect(lost).toHaveBeenCalledOnce();
    expect(given.stolen()).toBe(1);
  });

  it('that was let go while the tab stored stays let go, and nothing is told twice', async () => {
    const lost = vi.fn();
    let stored: () => void = () => undefined;
    const here = new SongLock();
    const storing = { handOver: () => new Promise<void>((resolve) => (stored = resolve)), lost };
    await here.take('flood', storing);
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const messages = async (): Promise<void> => {
      for (let i = 0; i < 20; i++) await new Promise((resolve) => setImmediate(resolve));
    };
    const taking = new SongLock().take('flood', nobody, true);
    await messages();
    here.free('flood');
    await here.take('other', nobody);
    stored();
    await messages();
    expect(given.held()).toEqual(['joined-hands:other']);
    expect(lost).not.toHaveBeenCalled();
    // Who waits for it finds it free once patience is at an end.
    await vi.advanceTimersByTimeAsync(4000);
    vi.useRealTimers();
    expect(await taking).toBe(true);
    expect(given.stolen()).toBe(0);
  });

  it('is always given where the browser knows no locks', async () => {
    vi.stubGlobal('navigator', {});
    expect(await new SongLock().take('a', nobody)).toBe(true);
    expect(await new SongLock().take('a', nobody)).toBe(true);
  });

  it('is not asked of a tab that holds another song', async () => {
    const handOver = vi.fn(async () => undefined);
    await new SongLock().take('ebb', { handOver, lost: () => undefined });
    expect(await new SongLock().take('b', nobody, true)).toBe(true);
    await settled();
    expect(handOver).not.toHaveBeenCalled();
  });
});
