import '@angular/compiler';
import { beginning, GATE, reviewed, type Turn } from '@joined-hands/core/practice';
import { afterEach, describe, expect, it } from 'vitest';
import { Database } from './database';
import { PracticeStore } from './practice-store';

const turn = (songId: string, at: number, card = 'c'): Turn => ({
  songId,
  at,
  card,
  kind: 'right',
  what: 'Part 1',
  hands: 'right',
  rung: 4,
  tempoPercent: 60,
  isClean: true,
  cleanShare: 1,
  apart: null,
  seconds: 10,
});

describe('the practice store', () => {
  afterEach(async () => {
    const database = new Database();
    await Promise.all([database.turns.clear(), database.standings.clear()]);
    database.close();
  });

  it('keeps turns in time, song by song, and the last standing of each card', async () => {
    const store = new PracticeStore();
    const standing = beginning(GATE);
    await store.keep(turn('a', 2), standing, null);
    await store.keep(turn('a', 1), { ...standing, clean: 2 }, reviewed(null, true, 5));
    await store.keep(turn('b', 3), standing, null);
    expect((await store.turnsOf('a')).map(({ at }) => at)).toEqual([1, 2]);
    expect((await store.turnsOf('b')).map(({ at }) => at)).toEqual([3]);
    const [own, ...others] = await store.standingsOf('a');
    expect(others).toEqual([]);
    expect(own).toMatchObject({ card: 'c', standing: { clean: 2 }, review: { reps: 1 } });
    expect(await store.standingsOf('nowhere')).toEqual([]);
  });
});
