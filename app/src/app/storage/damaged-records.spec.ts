import '@angular/compiler';
import { beginning, GOAL, PRACTISE_SETTINGS, reviewed, rowOf } from '@joined-hands/core/practice';
import { DEFAULT_PROFILE } from '@joined-hands/core/song';
import { formatDistanceToNow } from 'date-fns';
import { afterEach, describe, expect, it } from 'vitest';
import { aTurn, pathsIn, some, wholeBars, withValue, WRONG } from '../../../../core/testing';
import { Problems } from '../ui/problems';
import { Injector, ɵINJECTOR_SCOPE } from '@angular/core';
import { cardOf } from './card';
import { Database } from './database';
import { HandoutStore } from './handout-store';
import { PracticeStore } from './practice-store';
import { SongStore } from './song-store';

const SONG = wholeBars(['C5'], ['C']);
const OTHER = { ...SONG, id: 'other', title: 'Other' };
const ID = SONG.id;
type Row = Readonly<Record<string, unknown>>;

/** A good record of each table, all of one song. */
const GOOD: Readonly<Record<string, Row>> = {
  cards: { ...cardOf(SONG, 1, { openedAt: 5, facts: { parts: 6, seconds: 45 } }) },
  songs: { id: ID, revision: 1, song: SONG },
  turns: {
    ...aTurn({ songId: ID, at: 5 }),
    slips: [{ from: 'n1', after: 0, midi: 60, hand: 'right', kind: 'wrong' }],
  },
  standings: {
    key: `${ID} c`,
    songId: ID,
    card: 'c',
    standing: beginning(GOAL),
    review: reviewed(null, true, 5),
  },
  takes: { songId: ID, at: 5, events: [{ seconds: 0, midi: 60, velocity: 80 }] },
  jottings: { songId: ID, at: 5, text: 'slower' },
  recordings: { songId: ID, name: 'a.wav', audio: new Blob(['x']), bars: [0, 1.5] },
  profile: { key: 'profile', value: DEFAULT_PROFILE },
  practise: { key: 'practise', value: PRACTISE_SETTINGS },
  ready: { key: `ready ${ID}`, value: 5 },
  handout: { key: `handout ${ID}`, value: { sheets: ['title'], size: 'a4' } },
};
const KEYS: Readonly<Record<string, string>> = {
  songs: 'id',
  cards: 'id',
  standings: 'key',
  recordings: 'songId',
};

/** Every table, every field, every wrong value; of a song, which has a check of its own, the fields at its top. */
const CASES = Object.entries(GOOD).flatMap(([table, row]) =>
  pathsIn(table === 'songs' ? { revision: 1, song: 1 } : row)
    .filter(([first, ...rest]) => rest.length > 0 || first !== (KEYS[table] ?? 'key'))
    .flatMap((path) =>
      WRONG.map((wrong) => ({ table, row: withValue(row, path, wrong) as Row, path, wrong })),
    ),
);

/** A moment of 1970 is one: a song can have been deleted then. */
const isWrong = ({ path, wrong }: { readonly path: readonly string[]; readonly wrong: unknown }): boolean =>
  !(path.includes('deletedAt') && wrong === 7.5);

describe('a stored record that is not what it should be', () => {
  const database = new Database();
  afterEach(async () => {
    await Promise.all(database.tables.map((table) => table.clear()));
  });

  /** All that the views read, as they use it; how many of each were read. */
  async function allRead(): Promise<{ readonly told: string | null; readonly counts: readonly number[] }> {
    const injector = Injector.create({ providers: [{ provide: ɵINJECTOR_SCOPE, useValue: 'root' }] });
    const [songs, practice] = [injector.get(SongStore), injector.get(PracticeStore)];
    const cards = await songs.all();
    for (const { openedAt, place } of cards) {
      if (openedAt !== null) formatDistanceToNow(openedAt);
      expect(place.part).toBeGreaterThanOrEqual(0);
    }
    const opened = await songs.get(ID).catch(() => null);
    expect(opened === null || opened?.place.tempoPercent).not.toBeNaN();
    expect((await songs.get(OTHER.id))?.song.title).toBe(OTHER.title);
    const turns = await practice.turnsOf(ID);
    for (const turn of turns) rowOf(turn, '');
    const standings = await practice.standingsOf(ID);
    for (const { review } of standings) if (review) new Date(review.due).toISOString();
    const takes = await practice.takesOf(ID);
    for (const { events } of takes) for (const { seconds } of events) expect(seconds).not.toBeNaN();
    const recording = await practice.recordingOf(ID);
    if (recording) expect(recording.bars.every((at) => Number.isFinite(at))).toBe(true);
    const jottings = await practice.jottingsOf(ID);
    await practice.turnsSince(0);
    await practice.recordOf(ID);
    await practice.settings();
    await practice.readyBy(ID);
    await injector.get(HandoutStore).get(ID);
    await songs.profiles();
    const counts = [cards, turns, standings, takes, jottings].map(({ length }) => length);
    return { told: injector.get(Problems).sentence(), counts };
  }

  it(`costs itself alone and is said (${CASES.length} records)`, async () => {
    const put = async (table: string, row: Row): Promise<void> => {
      await database.table(table in KEYS || table.endsWith('s') ? table : 'settings').put(row);
    };
    await put('settings', { key: 'demo-songs', value: true });
    for (const song of [SONG, OTHER]) {
      await put('songs', { id: song.id, revision: 1, song });
      await put('cards', { ...cardOf(song, 1, {}) });
    }
    for (const [table, row] of Object.entries(GOOD)) await put(table, row);
    expect(await allRead()).toEqual({ told: null, counts: [2, 1, 1, 1, 1] });
    for (const { table, row, path, wrong } of some(CASES.filter(isWrong))) {
      const name = table.endsWith('s') ? table : 'settings';
      const key = await database.table(name).put(row);
      // Beside the good one; else in its place.
      const isBad = ['turns', 'takes', 'jottings'].includes(table);
      const { told, counts } = await allRead();
      // Both songs, and the good records that stand beside this one.
      const about = `${table} ${path.join('.')} ${JSON.stringify(wrong)}`;
      expect([about, counts[0]]).toEqual([about, 2]);
      if (isBad) {
        const at = ['cards', 'turns', 'standings', 'takes', 'jottings'].indexOf(table);
        expect([about, counts[at] >= 1]).toEqual([about, true]);
        const mine = (row as { songId?: unknown }).songId === ID;
        if (mine && counts[at] === 1) expect([about, told]).not.toEqual([about, null]);
        await database.table(name).delete(key);
      } else await put(table, GOOD[table]);
    }
  });
});
