import '@angular/compiler';
import { Injector, ɵINJECTOR_SCOPE } from '@angular/core';
import { writeProject } from '@joined-hands/core/formats';
import { DEFAULT_HANDOUT } from '@joined-hands/core/sheets';
import { DEFAULT_PROFILE } from '@joined-hands/core/song';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { Database } from '../storage/database';
import { HandoutStore } from '../storage/handout-store';
import { SongLock } from '../storage/song-lock';
import { SongStore } from '../storage/song-store';
import { CardWork } from './card-work';
import { found } from './find';

const [lanterns] = DEMO_SONGS;
const PLAIN = { credits: { words: '', music: '' }, profile: null, notes: '' };

describe('work on a card of the shelf', () => {
  let store: SongStore;
  let work: CardWork;
  let lock: SongLock;

  beforeEach(async () => {
    vi.stubGlobal('navigator', {});
    vi.stubGlobal('sessionStorage', {
      getItem: () => null,
      setItem: () => undefined,
      removeItem: () => undefined,
    });
    vi.stubGlobal('fetch', () =>
      Promise.resolve({
        text: () => Promise.resolve(writeProject({ song: lanterns, profile: DEFAULT_PROFILE })),
      }),
    );
    const page = Injector.create({ providers: [{ provide: ɵINJECTOR_SCOPE, useValue: 'root' }] });
    [store, work, lock] = [page.get(SongStore), page.get(CardWork), page.get(SongLock)];
    await store.add(lanterns);
  });

  afterEach(async () => {
    vi.unstubAllGlobals();
    const database = new Database();
    await Promise.all([database.songs.clear(), database.cards.clear(), database.settings.clear()]);
    database.close();
  });

  it('names a song: title and tags are stored with it, and it is found by them and by its letters', async () => {
    await work.name(lanterns.id, {
      title: 'Lamps',
      tags: ['Ann', 'winter evening'],
      version: null,
      ...PLAIN,
    });
    const { song, revision } = (await store.get(lanterns.id)) ?? {};
    expect(song).toEqual({ ...lanterns, title: 'Lamps', tags: ['Ann', 'winter evening'] });
    expect(revision).toBe(2);
    const cards = await store.cards();
    expect(cards).toMatchObject([
      { title: 'Lamps', tags: ['Ann', 'winter evening'], opening: 'A B C B A F A G♯ E C D A' },
    ]);
    const titles = (query: string): string[] => found(cards, query, 'opened').map(({ title }) => title);
    expect(
      ['ann', 'evening lamps', 'a b c b', 'a b c b a f a g#'].map((query) => titles(query).length),
    ).toEqual([1, 1, 1, 1]);
    expect(['b c b a', 'a b c d', 'sunday'].map((query) => titles(query).length)).toEqual([0, 0, 0]);
  });

  it('names nothing that another tab has open, and says so', async () => {
    vi.spyOn(lock, 'take').mockResolvedValue(false);
    const named = work.name(lanterns.id, { title: 'Lamps', tags: [], version: null, ...PLAIN });
    await expect(named).rejects.toThrow('it is open in another tab');
    expect((await store.get(lanterns.id))?.song).toEqual(lanterns);
    await expect(work.duplicate('nowhere')).rejects.toThrow('no longer on the shelf');
  });

  it('prints copies and versions on the sheets of the song', async () => {
    const page = Injector.create({ providers: [{ provide: ɵINJECTOR_SCOPE, useValue: 'root' }] });
    const [handouts, own] = [page.get(HandoutStore), page.get(CardWork)];
    await handouts.save(lanterns.id, { ...DEFAULT_HANDOUT, sheets: ['lead', 'plan'] });
    const version = { of: lanterns.id, name: 'first level' };
    const copy = await own.newVersion(lanterns.id, { title: lanterns.title, tags: [], version, ...PLAIN });
    expect((await handouts.get(copy)).sheets).toEqual(['lead', 'plan']);
    await own.duplicate(copy);
    const ids = (await store.cards()).map(({ id }) => id).filter((id) => id !== lanterns.id && id !== copy);
    expect((await handouts.get(ids[0])).sheets).toEqual(['lead', 'plan']);
    // From now on each has its own.
    await handouts.save(copy, DEFAULT_HANDOUT);
    expect((await handouts.get(lanterns.id)).sheets).toEqual(['lead', 'plan']);
  });

  it('makes copies that go their own way, and versions that belong together, of a version too', async () => {
    expect(await work.duplicate(lanterns.id)).toBe('Lanterns at Low Water (copy)');
    const named = (name: string) => ({
      title: lanterns.title,
      tags: [],
      version: { of: lanterns.id, name },
      ...PLAIN,
    });
    const easy = await work.newVersion(lanterns.id, named('first level'));
    const evening = await work.newVersion(easy, named('for the concert'));
    expect((await store.get(evening))?.song).toEqual({
      ...lanterns,
      id: evening,
      version: named('for the concert').version,
    });
    const versions = (await store.cards()).map(({ title, version }) => [
      title,
      version?.of ?? null,
      version?.name ?? null,
    ]);
    expect(versions.sort()).toEqual(
      [
        ['Lanterns at Low Water', null, null],
        ['Lanterns at Low Water', lanterns.id, 'first level'],
        ['Lanterns at Low Water', lanterns.id, 'for the concert'],
        ['Lanterns at Low Water (copy)', null, null],
      ].sort(),
    );
  });

  it('makes the card of earlier versions anew, with what it now tells; what was kept beside it stays', async () => {
    const database = new Database();
    const [card] = await database.cards.toArray();
    const { tags, version, opening, ...old } = card;
    await database.cards.put({ ...old, openedAt: 77 } as never);
    expect(await store.cards()).toEqual([{ ...card, openedAt: 77 }]);
    expect([tags, version, opening.slice(0, 3)]).toEqual([[], null, 'A B']);
    database.close();
  });
});
