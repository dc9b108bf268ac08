import '@angular/compiler';
import { beginning, GOAL } from '@joined-hands/core/practice';
import { applyEdit, type Song } from '@joined-hands/core/song';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { aTurn, runs } from '../../../../core/testing';
import { DEMO_SONGS } from '../../../../demo/songs';
import { stored } from '../testing/stored';
import { BIN_DAYS, Bin, daysLeft } from './bin';
import { Database } from './database';
import { FIRST_PLACE } from './place';
import { PracticeStore } from './practice-store';
import { SongStore } from './song-store';

const [lanterns, sluicegate] = DEMO_SONGS;
const DAY = 86_400_000;
const titled = (title: string): Song => applyEdit(lanterns, { kind: 'rename', title });

describe('the bin', () => {
  let [songs, bin, practice] = [stored(SongStore), stored(Bin), stored(PracticeStore)];
  const titles = async (): Promise<string[]> => (await songs.all()).map(({ title }) => title);
  const cardOf = async (id: string) => (await songs.cards()).find((card) => card.id === id) ?? null;
  const remove = async (id: string, now?: number): Promise<void> => {
    const card = await cardOf(id);
    if (card) await bin.delete(card, now);
  };

  beforeEach(async () => {
    [songs, bin, practice] = [stored(SongStore), stored(Bin), stored(PracticeStore)];
    await new Database().settings.put({ key: 'demo-songs', value: true });
    await songs.add(lanterns);
    await songs.add(sluicegate);
  });
  afterEach(async () => {
    const database = new Database();
    await Promise.all(database.tables.map((table) => table.clear()));
    database.close();
  });

  /** A turn with its take, a note, a recording of 1,000 bytes, a day and sheets of a song. */
  async function practised(songId: string): Promise<void> {
    const known = { standing: beginning(GOAL), review: null };
    await practice.keep(aTurn({ songId, at: 5 }), known, {
      songId,
      at: 5,
      events: [{ seconds: 0, midi: 60, velocity: 80 }],
    });
    await practice.jot(songId, { at: 5, text: 'slower' });
    await practice.keepRecording({ songId, name: 'a.wav', audio: new Blob(['x'.repeat(1000)]), bars: [0] });
    await practice.setReadyBy(songId, 7);
  }
  const rowsOf = async (songId: string): Promise<number[]> => {
    const { turns, standings, takes, jottings, recordings } = new Database();
    const lists = [turns, standings, takes, jottings, recordings];
    return Promise.all(lists.map((table) => table.where('songId').equals(songId).count()));
  };

  it('holds a song with all that belongs to it, and gives it back as it is by then', async () => {
    await practised(lanterns.id);
    await remove(lanterns.id);
    expect(await titles()).toEqual([sluicegate.title]);
    // Another tab has it open and writes on: nothing of that is lost, and it is no deleted song any more.
    await songs.save(titled('Lamps'), FIRST_PLACE, 1);
    expect(await titles()).toContain('Lamps');
    await remove(lanterns.id);
    expect(await bin.putBack(lanterns.id)).toBe(true);
    expect(await titles()).toContain('Lamps');
    expect((await songs.get(lanterns.id))?.revision).toBe(2);
    expect(await rowsOf(lanterns.id)).toEqual([1, 1, 1, 1, 1]);
  });

  it('frees what it held when it is emptied, and touches nothing of other songs', async () => {
    for (const id of [lanterns.id, sluicegate.id]) await practised(id);
    const size = await bin.sizeOf(lanterns.id);
    expect(size.recording).toBe(1000);
    expect(size.all).toBeGreaterThan(1000 + JSON.stringify(lanterns).length);
    await bin.empty([lanterns.id]);
    // What is on the shelf is not emptied.
    expect(await rowsOf(lanterns.id)).toEqual([1, 1, 1, 1, 1]);
    await remove(lanterns.id);
    await bin.empty([lanterns.id]);
    expect(await rowsOf(lanterns.id)).toEqual([0, 0, 0, 0, 0]);
    expect(await bin.sizeOf(lanterns.id)).toEqual({ all: 0, recording: 0 });
    expect(await practice.readyBy(lanterns.id)).toBeNull();
    expect(await bin.putBack(lanterns.id)).toBe(false);
    expect(await rowsOf(sluicegate.id)).toEqual([1, 1, 1, 1, 1]);
    expect(await titles()).toEqual([sluicegate.title]);
  });

  it('keeps a song for thirty days', async () => {
    const now = 100 * DAY;
    await remove(lanterns.id, now);
    await bin.purge(now + BIN_DAYS * DAY);
    expect(await cardOf(lanterns.id)).not.toBeNull();
    await bin.purge(now + BIN_DAYS * DAY + 1);
    expect(await cardOf(lanterns.id)).toBeNull();
    expect([now, now + 1, now + 29.5 * DAY, now + 40 * DAY].map((at) => daysLeft(now, at))).toEqual([
      30, 30, 1, 0,
    ]);
  });

  it('never brings back an older song, whatever two tabs do in whatever order', async () => {
    const step = fc.constantFrom('edit', 'delete', 'put-back', 'place', 'purge');
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 12 }), async (steps) => {
        const song = { ...titled('0'), id: crypto.randomUUID() };
        await songs.add(song);
        let [revision, isDeleted] = [1, false];
        for (const [i, what] of steps.entries()) {
          if (what === 'edit')
            [revision, isDeleted] = [
              await songs.save({ ...song, title: `${i + 1}` }, FIRST_PLACE, revision),
              false,
            ];
          if (what === 'delete') [, isDeleted] = [await remove(song.id), true];
          if (what === 'put-back') [, isDeleted] = [await bin.putBack(song.id), false];
          if (what === 'place') await songs.savePlace(song.id, { ...FIRST_PLACE, part: 1 });
          if (what === 'purge') await bin.purge();
          expect((await songs.all()).some(({ id }) => id === song.id)).toBe(!isDeleted);
        }
        const last = steps.lastIndexOf('edit') + 1;
        expect(await songs.get(song.id)).toMatchObject({ revision, song: { title: `${last}` } });
      }),
      { numRuns: runs(60) },
    );
  });
});
