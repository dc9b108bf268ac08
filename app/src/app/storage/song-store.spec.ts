import '@angular/compiler';
import { applyEdit, DEFAULT_PROFILE, emptySong, SCHEMA_VERSION, type Song } from '@joined-hands/core/song';
import Dexie from 'dexie';
import { readFileSync } from 'node:fs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { stored } from '../testing/stored';
import { Bin } from './bin';
import { Database } from './database';
import { FIRST_PLACE } from './place';
import { SilentStoreError, SongStore, StaleRevisionError, UnreadableSongError } from './song-store';
import type { ShelfCard } from './stored';

const [lanterns] = DEMO_SONGS;
const renamed = (title: string): Song => applyEdit(lanterns, { kind: 'rename', title });

describe('the song store', () => {
  let store: SongStore;

  beforeEach(() => {
    const kept = new Map<string, string>();
    vi.stubGlobal('sessionStorage', {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => void kept.set(key, value),
      removeItem: (key: string) => void kept.delete(key),
    });
    vi.stubGlobal('fetch', (path: string) => {
      const file = new URL(`../../../../demo/files/${path.replace('/demo/', '')}`, import.meta.url);
      return Promise.resolve({ text: () => Promise.resolve(readFileSync(file, 'utf8')) });
    });
    store = stored(SongStore);
  });

  afterEach(async () => {
    vi.unstubAllGlobals();
    const database = new Database();
    await Promise.all([database.songs.clear(), database.cards.clear(), database.settings.clear()]);
    database.close();
  });

  it('opens a song just put on the shelf as it is, once; then, and where it was written since, as it is stored', async () => {
    await store.add(lanterns);
    const first = await store.get(lanterns.id);
    expect(first?.song).toBe(lanterns);
    expect(first).toMatchObject({ revision: 1, place: FIRST_PLACE });
    const second = await store.get(lanterns.id);
    expect(second?.song).toEqual(lanterns);
    expect(second?.song).not.toBe(lanterns);
    const other = { ...lanterns, id: 'other' };
    await store.add(other);
    await stored(SongStore).save({ ...other, title: 'Written since' }, FIRST_PLACE, 1);
    expect((await store.get('other'))?.song.title).toBe('Written since');
    await store.add({ ...lanterns, id: 'third' });
    expect((await store.get(lanterns.id))?.song).toEqual(lanterns);
    expect((await store.get('third'))?.song.id).toBe('third');
  });

  it('puts the demo songs on the shelf once, not again after they were taken off', async () => {
    expect((await store.all()).map((s) => s.title)).toEqual([
      'Boathouse Jig',
      'Lanterns at Low Water',
      'Mudflat Evening',
      'Rain on the Net Loft',
      'Sluicegate Song',
      'Snow on the Slipway',
    ]);
    for (const card of await store.all()) await stored(Bin).delete(card);
    expect(await store.all()).toEqual([]);
    // Asked for, they come back.
    expect(await store.addDemoSongs()).toBe('demo-lanterns');
    expect(await store.all()).toHaveLength(6);
  });

  it('gives a song that is in the bin, and knows that it is there', async () => {
    await store.all();
    const isInBin = async () => (await store.get(lanterns.id))?.isInBin;
    expect(await isInBin()).toBe(false);
    await stored(Bin).delete((await store.all()).find(({ id }) => id === lanterns.id) as ShelfCard);
    expect(await isInBin()).toBe(true);
  });

  it('gives a song back as it was saved, with its place', async () => {
    await store.add(lanterns);
    const place = { ...FIRST_PLACE, part: 3, selected: 'c5', tempoPercent: 70 };
    await store.save(renamed('Lamps'), place, 1);
    expect(await store.get(lanterns.id)).toMatchObject({ song: { title: 'Lamps' }, place, revision: 2 });
  });

  it('refuses a write over a revision the writer has not seen, and keeps what is there', async () => {
    await store.add(lanterns);
    const first = await store.save(renamed('First tab'), FIRST_PLACE, 1);
    await expect(store.save(renamed('Second tab'), FIRST_PLACE, 1)).rejects.toThrow(StaleRevisionError);
    expect((await store.get(lanterns.id))?.song.title).toBe('First tab');
    expect(await store.save(renamed('First again'), FIRST_PLACE, first)).toBe(3);
  });

  it('lets two writers at the same moment not both win', async () => {
    await store.add(lanterns);
    const results = await Promise.allSettled(
      [1, 2, 3].map((n) => store.save(renamed(`Tab ${n}`), FIRST_PLACE, 1)),
    );
    expect(results.filter((r) => r.status === 'fulfilled')).toHaveLength(1);
  });

  it('finds the patterns of all songs but the one that asks, and passes over what is no song', async () => {
    const pattern = {
      id: 'own1',
      name: 'Sway',
      base: 'root' as const,
      beats: 3,
      events: [{ onset: 0, length: 3, members: [1] }],
    };
    await store.add({ ...lanterns, id: 'a', title: 'One', patterns: [pattern] });
    await store.add({ ...lanterns, id: 'b', title: 'Two', patterns: [{ ...pattern, name: 'Other' }] });
    await new Database().songs.put({ id: 'c', revision: 1, song: { title: 7 } as never });
    expect(await store.patternsElsewhere('b')).toEqual([{ song: 'One', pattern }]);
    expect((await store.patternsElsewhere('')).map(({ song }) => song)).toEqual(['One', 'Two']);
  });

  it('remembers the place without touching the revision', async () => {
    await store.add(lanterns);
    await store.savePlace(lanterns.id, { ...FIRST_PLACE, part: 2 });
    expect(await store.get(lanterns.id)).toMatchObject({ revision: 1, place: { part: 2 } });
  });

  it('puts the song opened last first', async () => {
    const [, second] = await store.all();
    await store.opened(second.id);
    expect((await store.all())[0].id).toBe(second.id);
  });

  it('keeps profiles and key switch, and takes nothing broken for a profile', async () => {
    const keyboards = async (): Promise<[string, number][]> =>
      (await store.profiles()).map(({ name, keyboard }) => [name, keyboard]);
    expect([await store.storedProfiles(), await keyboards()]).toEqual([[], [['Me', 88]]]);
    // Before there were several, one lay alone, and said "level" for how long one has played.
    const { id: _id, name: _name, experience, ...alone } = { ...DEFAULT_PROFILE, keyboard: 49 as const };
    const { settings } = new Database();
    await settings.put({ key: 'profile', value: { ...alone, level: experience } as never });
    expect(await keyboards()).toEqual([['Me', 49]]);
    const ann = { ...DEFAULT_PROFILE, id: 'ann', name: 'Ann', keyboard: 61 as const };
    await store.saveProfiles([DEFAULT_PROFILE, ann]);
    expect(await keyboards()).toEqual([
      ['Me', 88],
      ['Ann', 61],
    ]);
    expect(await store.keysAreOn()).toBe(true);
    await store.saveKeysAreOn(false);
    expect(await store.keysAreOn()).toBe(false);
    await settings.put({ key: 'profiles', value: [{ keyboard: 12 }, ann] as never });
    expect(await keyboards()).toEqual([['Ann', 61]]);
    await settings.put({ key: 'profiles', value: 7 });
    expect(await keyboards()).toEqual([['Me', 88]]);
  });

  it('brings a song of an older version up to date when it is opened', async () => {
    const { imported: _i, thinningRefused: _t, ...rest } = lanterns;
    await new Database().songs.put({
      id: 'old',
      revision: 1,
      song: { ...rest, id: 'old', schemaVersion: 0 },
    });
    expect((await store.get('old'))?.song).toMatchObject({
      schemaVersion: SCHEMA_VERSION,
      imported: [],
      words: [],
    });
  });

  it('keeps a song that was begun with its tab until it has a note or a chord', async () => {
    const begun = { ...emptySong('begun', 'Tide Table'), barCount: 4 };
    store.begin(begun);
    expect(await store.get('begun')).toMatchObject({ song: { title: 'Tide Table' }, revision: 0 });
    const titles = async () => (await store.all()).map(({ title }) => title);
    expect(await store.save({ ...begun, title: 'Ebb' }, FIRST_PLACE, 0)).toBe(0);
    expect(await titles()).not.toContain('Ebb');
    expect((await store.get('begun'))?.song.title).toBe('Ebb');
    expect(await store.save({ ...begun, melody: lanterns.melody }, FIRST_PLACE, 0)).toBe(1);
    expect(await titles()).toContain('Tide Table');
    expect(sessionStorage.getItem('joined-hands draft begun')).toBeNull();
  });

  it('finds a demo song by its address in a browser that never saw the shelf', async () => {
    expect((await store.get('demo-lanterns'))?.song.title).toBe('Lanterns at Low Water');
    expect(await store.get('nowhere')).toBeUndefined();
  });

  it('stores the facts of a song with it, without touching its revision', async () => {
    await store.add(lanterns);
    await store.saveFacts(lanterns.id, { parts: 6, seconds: 45 });
    expect((await store.get(lanterns.id))?.revision).toBe(1);
    const card = (await store.all()).find(({ id }) => id === lanterns.id);
    expect(card).toMatchObject({ revision: 1, facts: { parts: 6, seconds: 45 } });
  });

  /** Records that are no song of any version, and one of a version to come. */
  const BAD: readonly (readonly [string, unknown, RegExp])[] = [
    ['nothing', null, /no song/],
    ['a number', 7, /no song/],
    ['no version', {}, /of which version/],
    [
      'a song without notes',
      { ...lanterns, melody: 'la la' },
      /^The list of what is called “note”: it should be a list/,
    ],
    [
      'an order that runs backwards',
      { ...lanterns, playingOrder: [{ fromBar: 9, toBar: 2 }] },
      /playing order 1: it goes from bar 9 back to bar 2/,
    ],
    ['a newer version', { ...lanterns, schemaVersion: SCHEMA_VERSION + 1 }, /newer version/],
  ];

  it.each(BAD)('one bad record (%s) costs that record alone', async (_, song, says) => {
    const before = await store.all();
    await new Database().songs.put({ id: 'bad', revision: 3, song });
    const cards = await store.all();
    expect(cards).toHaveLength(before.length + 1);
    const bad = cards.find(({ id }) => id === 'bad');
    expect(bad?.trouble).toMatch(says);
    await expect(store.get('bad')).rejects.toThrow(UnreadableSongError);
    await expect(store.get('bad')).rejects.toThrow(says);
    expect(JSON.parse(await store.raw('bad'))).toEqual(
      JSON.parse(JSON.stringify({ id: 'bad', revision: 3, song })),
    );
    expect((await store.get('demo-lanterns'))?.song.title).toBe('Lanterns at Low Water');
    await stored(Bin).delete(bad as ShelfCard);
    expect(await store.all()).toEqual(before);
  });

  it('marks the card of a song that turns out to be damaged when it is opened', async () => {
    await store.all();
    await new Database().songs.put({ id: 'demo-rain', revision: 1, song: { ...lanterns, changes: [{}] } });
    await expect(store.get('demo-rain')).rejects.toThrow(/^Chord 1/);
    const card = (await store.all()).find(({ id }) => id === 'demo-rain');
    expect(card).toMatchObject({ title: 'Rain on the Net Loft', trouble: expect.stringMatching(/^Chord 1/) });
  });

  it('makes a damaged or missing card anew', async () => {
    await store.all();
    await new Database().cards.put({ id: 'demo-rain' } as never);
    await new Database().cards.delete('demo-jig');
    const titles = (await store.all()).map(({ title }) => title);
    expect(titles).toContain('Rain on the Net Loft');
    expect(titles).toContain('Boathouse Jig');
    expect((await store.get('demo-rain'))?.place).toEqual(FIRST_PLACE);
  });

  it('takes over what the version before stored, its places and facts with it', async () => {
    const old = new Dexie('joined-hands before');
    old.version(1).stores({ songs: 'id, openedAt', settings: 'key' });
    const place = { ...FIRST_PLACE, part: 2 };
    await old.table('songs').put({
      id: 'kept',
      revision: 4,
      song: { ...lanterns, id: 'kept' },
      place,
      openedAt: 5,
      savedAt: 6,
      facts: { parts: 6, seconds: 45 },
    });
    await old.table('songs').put({ id: 'bad', revision: 1, song: 'no song' });
    old.close();
    const now = new Database('joined-hands before');
    expect(await now.songs.get('kept')).toEqual({
      id: 'kept',
      revision: 4,
      song: { ...lanterns, id: 'kept' },
    });
    expect(await now.cards.get('kept')).toMatchObject({
      title: lanterns.title,
      revision: 4,
      place,
      openedAt: 5,
      savedAt: 6,
      facts: { parts: 6, seconds: 45 },
      trouble: null,
    });
    expect((await now.cards.get('bad'))?.trouble).toMatch(/no song/);
    await now.delete();
  });

  it('says so when the browser does not answer', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
    const silent = stored(SongStore);
    Object.assign(silent, { database: { songs: { get: () => new Promise(() => undefined) } } });
    const asked = expect(silent.get('any')).rejects.toThrow(SilentStoreError);
    await vi.advanceTimersByTimeAsync(10_000);
    await asked;
    vi.useRealTimers();
  });
});
