import '@angular/compiler';
import { Injector } from '@angular/core';
import { applyEdit, type Song, type SongEdit } from '@joined-hands/core/song';
import { type Action, Store } from '@ngrx/store';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { SongActions } from '../state/actions';
import { EMPTY_WORKBENCH, type WorkbenchState } from '../state/model';
import { workbench } from '../state/reducer';
import { writtenDown } from '../storage/journal';
import { FIRST_PLACE } from '../storage/place';
import { SongStore, StaleRevisionError } from '../storage/song-store';
import { Problems } from '../ui/problems';
import { Saver } from './saver';

const [lanterns] = DEMO_SONGS;
const renamed = (title: string): SongEdit => ({ kind: 'rename', title });

describe('storing the open song', () => {
  let state: WorkbenchState;
  let saver: Saver;
  /** What the store took: title and the revision it was written over. */
  let taken: { title: string; over: number; at: number }[];
  let writing: (song: Song, over: number) => Promise<number>;
  const kept = new Map<string, string>();

  beforeEach(() => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance', 'Date'] });
    kept.clear();
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
    });
    state = EMPTY_WORKBENCH;
    taken = [];
    writing = async (song, over) => {
      taken.push({ title: song.title, over, at: performance.now() });
      return over + 1;
    };
    const reduce = (action: Action): void => {
      state = workbench.reducer(state, action);
    };
    const injector = Injector.create({
      providers: [
        { provide: Saver },
        Problems,
        {
          provide: SongStore,
          useValue: { save: (song: Song, _: unknown, over: number) => writing(song, over) },
        },
        { provide: Store, useValue: { selectSignal: () => () => state, dispatch: reduce } },
      ],
    });
    saver = injector.get(Saver);
    reduce(SongActions.opened({ song: lanterns, revision: 7, place: FIRST_PLACE, isReadOnly: false }));
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });
  const edit = (title: string): void => {
    state = workbench.reducer(state, SongActions.edited({ edit: renamed(title) }));
    saver.soon();
  };
  const wait = (ms: number) => vi.advanceTimersByTimeAsync(ms);

  it('writes an edit within a quarter of a second, over the revision that was read', async () => {
    edit('One');
    await wait(250);
    expect(taken.map(({ title, over }) => [title, over])).toEqual([['One', 7]]);
    expect(state).toMatchObject({ revision: 8, isDirty: false });
  });

  it('cannot be kept from it by edits that follow one another quickly', async () => {
    for (let i = 1; i <= 200; i++) {
      edit(`Edit ${i}`);
      await wait(20);
      // Nothing older than half a second is ever without a copy in the store.
      const last = taken.at(-1);
      expect(performance.now() - (last?.at ?? 0)).toBeLessThanOrEqual(500);
    }
    await wait(250);
    expect(taken.at(-1)?.title).toBe('Edit 200');
    expect(taken.map((t) => t.over)).toEqual(taken.map((_, i) => 7 + i));
  });

  it('writes one at a time, each over the revision the one before made, whoever asks', async () => {
    let isBusy = false;
    writing = async (song, over) => {
      expect(isBusy).toBe(false);
      isBusy = true;
      await new Promise((resolve) => setTimeout(resolve, 300));
      isBusy = false;
      taken.push({ title: song.title, over, at: 0 });
      return over + 1;
    };
    edit('One');
    void saver.now();
    edit('Two');
    saver.pageGoes();
    const left = saver.now();
    edit('Three');
    saver.pageGoes();
    await wait(2000);
    await left;
    expect(taken.map((t) => t.over)).toEqual([7, 8].slice(0, taken.length));
    expect(taken.at(-1)?.title).toBe('Three');
    expect(state.isDirty).toBe(false);
  });

  it('tries again after a second, two, five and ten, and every ten from then on', async () => {
    const at: number[] = [];
    writing = async () => {
      at.push(performance.now());
      throw new Error('no room');
    };
    edit('One');
    await wait(45_000);
    const waits = at.slice(1).map((time, i) => Math.round((time - at[i]) / 100) / 10);
    expect(waits.slice(0, 6)).toEqual([1, 2, 5, 10, 10, 10]);
    expect(state.unsaved).toContain('no room');
    // What failed is written down as what it is: not under way, so that no other tab's next revision is taken for it.
    expect(writtenDown(lanterns.id)).toMatchObject({ revision: 7, isWriting: false });
  });

  it('writes down at once what the page would take with it, and strikes it out when it is stored', async () => {
    edit('One');
    saver.pageGoes();
    expect(writtenDown(lanterns.id)).toEqual({
      song: applyEdit(lanterns, renamed('One')),
      revision: 7,
      isWriting: false,
    });
    await wait(10);
    expect(writtenDown(lanterns.id)).toBeNull();
  });

  it('notes that a write was under way when the page went', async () => {
    writing = () => new Promise(() => undefined);
    edit('One');
    await wait(200);
    edit('Two');
    saver.pageGoes();
    expect(writtenDown(lanterns.id)).toMatchObject({ song: { title: 'Two' }, revision: 7, isWriting: true });
  });

  it('says that it failed until it succeeds, and tries again by itself', async () => {
    let isFull = true;
    const write = writing;
    writing = (song, over) =>
      isFull ? Promise.reject(new DOMException('no room', 'QuotaExceededError')) : write(song, over);
    edit('One');
    await wait(250);
    expect(state.unsaved).toMatch(/^Your last changes are not stored: the browser has no room left/);
    await wait(3000);
    expect(state.unsaved).not.toBeNull();
    isFull = false;
    await wait(10_000);
    expect(state).toMatchObject({ unsaved: null, isDirty: false, revision: 8 });
    expect(taken.map((t) => t.title)).toEqual(['One']);
  });

  it('gives the song up when another tab stored it, and keeps what is here', async () => {
    writing = () => Promise.reject(new StaleRevisionError());
    edit('Mine');
    await wait(250);
    expect(state).toMatchObject({ isReadOnly: true, isDirty: true, song: { title: 'Mine' } });
    await wait(60_000);
    expect(taken).toEqual([]);
  });

  it('writes nothing for a song that is only looked at', async () => {
    state = { ...state, isReadOnly: true, isDirty: true };
    saver.soon();
    saver.pageGoes();
    await wait(1000);
    expect(taken).toEqual([]);
    expect(kept.size).toBe(0);
  });
});
