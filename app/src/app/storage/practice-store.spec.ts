import '@angular/compiler';
import {
  beginning,
  GOAL,
  PRACTISE_SETTINGS,
  readRecord,
  reviewed,
  type Turn,
} from '@joined-hands/core/practice';
import { afterEach, describe, expect, it } from 'vitest';
import { aTurn } from '../../../../core/testing';
import { stored } from '../testing/stored';
import { Database } from './database';
import { PracticeStore } from './practice-store';

const turn = (songId: string, at: number, card = 'c'): Turn => aTurn({ songId, at, card });

describe('the practice store', () => {
  afterEach(async () => {
    const database = new Database();
    await Promise.all(
      ['turns', 'standings', 'takes', 'jottings', 'recordings', 'settings'].map((name) =>
        database.table(name).clear(),
      ),
    );
    database.close();
  });

  it('keeps turns in time, song by song, and the last standing of each card', async () => {
    const store = stored(PracticeStore);
    const standing = beginning(GOAL);
    await store.keep(turn('a', 2), { standing, review: null }, null);
    await store.keep(
      turn('a', 1),
      { standing: { ...standing, clean: 2 }, review: reviewed(null, true, 5) },
      null,
    );
    await store.keep(turn('b', 3), { standing, review: null }, null);
    expect((await store.turnsOf('a')).map(({ at }) => at)).toEqual([1, 2]);
    expect((await store.turnsOf('b')).map(({ at }) => at)).toEqual([3]);
    const [own, ...others] = await store.standingsOf('a');
    expect(others).toEqual([]);
    expect(own).toMatchObject({ card: 'c', standing: { clean: 2 }, review: { reps: 1 } });
    expect(await store.standingsOf('nowhere')).toEqual([]);
  });

  it('keeps the last thirty takes of a song, each with its turn or not at all', async () => {
    const store = stored(PracticeStore);
    const standing = beginning(GOAL);
    const take = (songId: string, at: number) => ({
      songId,
      at,
      events: [{ seconds: 0, midi: 60, velocity: 80 }],
    });
    for (let at = 1; at <= 32; at++)
      await store.keep(turn('a', at), { standing, review: null }, take('a', at));
    await store.keep(turn('b', 99), { standing, review: null }, take('b', 99));
    await store.keep(turn('a', 100), { standing, review: null }, null);
    expect((await store.takesOf('a')).map(({ at }) => at)).toEqual(
      Array.from({ length: 30 }, (_, i) => i + 3),
    );
    expect((await store.takesOf('b')).map(({ at }) => at)).toEqual([99]);
    expect(await store.turnsOf('a')).toHaveLength(33);
    expect((await store.turnsSince(99)).map(({ songId, at }) => [songId, at])).toEqual([
      ['b', 99],
      ['a', 100],
    ]);
  });

  it('gives what was practised to go along, and takes it under another song once, leaving where one stands here', async () => {
    const store = stored(PracticeStore);
    const standing = beginning(GOAL);
    expect(await store.recordOf('a')).toBeUndefined();
    await store.keep(
      turn('a', 1),
      { standing: { ...standing, clean: 2 }, review: reviewed(null, true, 5) },
      null,
    );
    await store.keep(turn('a', 2, 'd'), { standing, review: null }, null);
    await store.jot('a', { at: 3, text: 'Slower.' });
    const record = await store.recordOf('a');
    if (!record) throw new Error('nothing was kept');
    expect(record.turns).toEqual([turn('a', 1), turn('a', 2, 'd')]);
    expect(record.standings.map(({ card }) => card)).toEqual(['c', 'd']);
    const read = readRecord(JSON.parse(JSON.stringify(record)));
    expect(read).toEqual({ record, refused: 0 });
    await store.keep(turn('b', 2, 'd'), { standing: { ...standing, clean: 9 }, review: null }, null);
    expect(await store.take('b', record)).toBe(1);
    expect(await store.take('b', record)).toBe(0);
    expect((await store.turnsOf('b')).map(({ songId, at }) => [songId, at])).toEqual([
      ['b', 1],
      ['b', 2],
    ]);
    const own = await store.standingsOf('b');
    expect(own.map(({ card, standing: { clean } }) => [card, clean]).sort()).toEqual([
      ['c', 2],
      ['d', 9],
    ]);
    expect(await store.jottingsOf('b')).toEqual([{ at: 3, text: 'Slower.' }]);
  });

  it('keeps how one wants to practise, until when, and a recording', async () => {
    const store = stored(PracticeStore);
    expect(await store.settings()).toEqual(PRACTISE_SETTINGS);
    await store.saveSettings({ ...PRACTISE_SETTINGS, minutes: 40, restAfter: null });
    expect(await store.settings()).toEqual({ ...PRACTISE_SETTINGS, minutes: 40, restAfter: null });
    expect(await store.readyBy('a')).toBeNull();
    await store.setReadyBy('a', 5);
    expect([await store.readyBy('a'), await store.readyBy('b')]).toEqual([5, null]);
    await store.setReadyBy('a', null);
    expect(await store.readyBy('a')).toBeNull();
    const recording = { songId: 'a', name: 'x.wav', audio: new Blob(['x']), bars: [1, 2] };
    await store.keepRecording(recording);
    expect(await store.recordingOf('a')).toMatchObject({ name: 'x.wav', bars: [1, 2] });
    await store.dropRecording('a');
    expect(await store.recordingOf('a')).toBeNull();
  });
});
