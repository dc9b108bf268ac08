import '@angular/compiler';
import { DEFAULT_PROFILE, type Song } from '@joined-hands/core/song';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { aTurn } from '../../../../core/testing';
import { DEMO_SONGS } from '../../../../demo/songs';
import { stored } from '../testing/stored';
import { Backups, type Restored, restoredInWords } from './backups';
import { Database } from './database';
import { FIRST_PLACE } from './place';
import { PracticeStore } from './practice-store';
import { SongStore } from './song-store';

const [lanterns, sluicegate, rain] = DEMO_SONGS;
const NONE: Restored = { added: 0, known: 0, beside: 0, profiles: 0, refused: [] };
const turn = aTurn({ at: 5 });

describe('backups', () => {
  let songs: SongStore;
  let practice: PracticeStore;
  let backups: Backups;
  const empty = async (): Promise<void> => {
    const database = new Database();
    await Promise.all(database.tables.map((table) => table.clear()));
    // The demo songs are there already: no server gives them here.
    await database.settings.put({ key: 'demo-songs', value: true });
    database.close();
  };
  const onShelf = async (...all: Song[]): Promise<void> => {
    for (const song of all) await songs.add(song);
  };
  const titles = async (): Promise<string[]> => (await songs.all()).map(({ title }) => title).sort();

  beforeEach(async () => {
    await empty();
    [songs, practice, backups] = [stored(SongStore), stored(PracticeStore), stored(Backups)];
  });
  afterEach(empty);

  it('go out song by song, and come back whole on an empty shelf: songs, practice, profile', async () => {
    await onShelf(lanterns, sluicegate, rain);
    await practice.take(sluicegate.id, {
      turns: [{ ...turn, songId: sluicegate.id }],
      standings: [],
      jottings: [],
    });
    await songs.saveProfiles([{ ...DEFAULT_PROFILE, keyboard: 61 }]);
    const told: string[] = [];
    const { bytes, leftOut } = await backups.write((done, of) => void told.push(`${done} of ${of}`));
    expect([told, leftOut]).toEqual([['1 of 3', '2 of 3', '3 of 3'], []]);
    await empty();
    expect(await backups.restore(bytes, () => undefined)).toEqual({ ...NONE, added: 3, profiles: 1 });
    for (const song of [lanterns, sluicegate, rain]) expect((await songs.get(song.id))?.song).toEqual(song);
    expect((await practice.turnsOf(sluicegate.id)).map(({ at }) => at)).toEqual([5]);
    expect((await songs.profiles())[0].keyboard).toBe(61);
  });

  it('change nothing when they are restored once more, and leave the profile here', async () => {
    await onShelf(lanterns, sluicegate);
    await practice.take(lanterns.id, {
      turns: [{ ...turn, songId: lanterns.id }],
      standings: [],
      jottings: [],
    });
    await songs.saveProfiles([{ ...DEFAULT_PROFILE, keyboard: 49 }]);
    const { bytes } = await backups.write(() => undefined);
    await songs.saveProfiles([{ ...DEFAULT_PROFILE, keyboard: 73 }]);
    for (let i = 0; i < 2; i++)
      expect(await backups.restore(bytes, () => undefined)).toEqual({ ...NONE, known: 2 });
    expect(await titles()).toEqual(['Lanterns at Low Water', 'Sluicegate Song']);
    expect(await practice.turnsOf(lanterns.id)).toHaveLength(1);
    expect((await songs.profiles())[0].keyboard).toBe(73);
  });

  it('bring the profiles that are not here, beside those that are', async () => {
    const ann = { ...DEFAULT_PROFILE, id: 'ann', name: 'Ann' };
    await songs.saveProfiles([DEFAULT_PROFILE, ann]);
    const { bytes } = await backups.write(() => undefined);
    await songs.saveProfiles([{ ...DEFAULT_PROFILE, keyboard: 49 }]);
    expect(await backups.restore(bytes, () => undefined)).toMatchObject({ profiles: 1 });
    expect((await songs.profiles()).map(({ name, keyboard }) => [name, keyboard])).toEqual([
      ['Me', 49],
      ['Ann', 88],
    ]);
  });

  it('lose neither state of a song that is another here: that of the backup stands beside, once', async () => {
    await onShelf(lanterns);
    const { bytes } = await backups.write(() => undefined);
    await songs.save({ ...lanterns, subtitle: 'Edited since' }, FIRST_PLACE, 1);
    expect(await backups.restore(bytes, () => undefined)).toMatchObject({ added: 0, known: 0, beside: 1 });
    expect(await titles()).toEqual(['Lanterns at Low Water', 'Lanterns at Low Water (from a backup)']);
    expect((await songs.get(lanterns.id))?.song.subtitle).toBe('Edited since');
    expect(await backups.restore(bytes, () => undefined)).toMatchObject({ added: 0, known: 1, beside: 0 });
    expect(await titles()).toHaveLength(2);
  });

  it('leave out a song that cannot be read, and say which', async () => {
    await onShelf(lanterns, sluicegate);
    const database = new Database();
    await database.songs.put({ id: sluicegate.id, revision: 2, song: { title: 'no song' } });
    database.close();
    const { bytes, leftOut } = await backups.write(() => undefined);
    expect(leftOut).toEqual(['Sluicegate Song']);
    await empty();
    expect(await backups.restore(bytes, () => undefined)).toMatchObject({ added: 1 });
  });

  it('restore what can be read of a file of which one song is damaged', async () => {
    await onShelf(lanterns, rain, sluicegate);
    const { bytes } = await backups.write(() => undefined);
    const entries = unzipSync(bytes);
    await empty();
    const told: number[] = [];
    const damaged = zipSync({ ...entries, 'songs/0002.joined.json': strToU8('{"format":') });
    const restored = await backups.restore(damaged, (done) => void told.push(done));
    expect([restored.added, told]).toEqual([2, [1, 2, 3]]);
    expect(restored.refused).toEqual([expect.stringMatching(/^Song 2: The project file is damaged/)]);
    expect(await titles()).toHaveLength(2);
  });

  it('say what came of it', () => {
    expect(restoredInWords({ ...NONE, added: 2, known: 1, profiles: 1 })).toBe(
      '2 songs were added; 1 was here already. 1 profile came too.',
    );
    expect(restoredInWords({ ...NONE, beside: 1, refused: ['Song 3 is missing from the file.'] })).toBe(
      '0 songs were added; 1 was here in another state and stands beside. The profiles here were left as they are. 1 song could not be read: Song 3 is missing from the file.',
    );
  });
});
