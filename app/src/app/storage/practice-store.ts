import { inject, Injectable } from '@angular/core';
import {
  type Jotting,
  type Known,
  newTurns,
  type PracticeRecord,
  type PractiseSettings,
  readSettings,
  type Turn,
} from '@joined-hands/core/practice';
import { Database } from './database';
import type { StoredRecording, StoredStanding, StoredTake } from './stored';

/** Takes kept of one song: the last so many. */
const MOST_TAKES = 30;
const SETTINGS = 'practise';

/** Keeps what was practised: every turn, and where one stands. Nothing leaves the browser. */
@Injectable({ providedIn: 'root' })
export class PracticeStore {
  private readonly database = inject(Database);

  /** All turns at a song, the oldest first. */
  turnsOf(songId: string): Promise<Turn[]> {
    return this.database.turns.where('songId').equals(songId).sortBy('at');
  }

  /** Turns at any song since a time, the oldest first. */
  turnsSince(at: number): Promise<Turn[]> {
    return this.database.turns.where('at').aboveOrEqual(at).sortBy('at');
  }

  standingsOf(songId: string): Promise<StoredStanding[]> {
    return this.database.standings.where('songId').equals(songId).toArray();
  }

  /** A turn, where one stands after it, and the take it was judged by: all or nothing. */
  async keep(turn: Turn, known: Known, take: StoredTake | null): Promise<void> {
    const { songId, card } = turn;
    const { turns, standings, takes } = this.database;
    await this.database.transaction('rw', turns, standings, takes, async () => {
      await turns.add(turn);
      await standings.put({ key: `${songId} ${card}`, songId, card, ...known });
      if (!take) return;
      await takes.add(take);
      const own = await takes.where('songId').equals(songId).primaryKeys();
      if (own.length > MOST_TAKES) await takes.bulkDelete(own.slice(0, own.length - MOST_TAKES));
    });
  }

  /** The takes kept of a song, the oldest first. */
  takesOf(songId: string): Promise<StoredTake[]> {
    return this.database.takes.where('songId').equals(songId).sortBy('at');
  }

  async jottingsOf(songId: string): Promise<Jotting[]> {
    const own = await this.database.jottings.where('songId').equals(songId).sortBy('at');
    return own.map(({ at, text }) => ({ at, text }));
  }

  async jot(songId: string, jotting: Jotting): Promise<void> {
    await this.database.jottings.add({ songId, ...jotting });
  }

  /** All that was practised of a song, to go along with it; undefined where nothing was. */
  async recordOf(songId: string): Promise<PracticeRecord | undefined> {
    const [turns, standings, jottings] = await Promise.all([
      this.turnsOf(songId),
      this.standingsOf(songId),
      this.jottingsOf(songId),
    ]);
    if (turns.length + standings.length + jottings.length === 0) return undefined;
    return {
      turns: turns.map(({ id: _id, ...turn }: Turn & { readonly id?: number }) => turn),
      standings: standings.map(({ card, standing, review }) => ({ card, standing, review })),
      jottings,
    };
  }

  /**
   * What a file says was practised, under a song of this browser; what is known already is there once, and where one
   * stands here is left. Gives how many turns are new.
   */
  async take(songId: string, { turns, standings, jottings }: PracticeRecord): Promise<number> {
    const { database } = this;
    return database.transaction('rw', database.turns, database.standings, database.jottings, async () => {
      const own = turns.map((turn) => ({ ...turn, songId }));
      const added = newTurns(own, await this.turnsOf(songId));
      await database.turns.bulkAdd(added);
      const known = new Set((await this.standingsOf(songId)).map(({ card }) => card));
      const others = standings.filter(({ card }) => !known.has(card));
      await database.standings.bulkPut(
        others.map((row) => ({ key: `${songId} ${row.card}`, songId, ...row })),
      );
      const said = new Set((await this.jottingsOf(songId)).map(({ at, text }) => `${at} ${text}`));
      const unsaid = jottings.filter(({ at, text }) => !said.has(`${at} ${text}`));
      await database.jottings.bulkAdd(unsaid.map((jotting) => ({ songId, ...jotting })));
      return added.length;
    });
  }

  async settings(): Promise<PractiseSettings> {
    return readSettings((await this.database.settings.get(SETTINGS))?.value);
  }

  async saveSettings(settings: PractiseSettings): Promise<void> {
    await this.database.settings.put({ key: SETTINGS, value: settings });
  }

  /** The day a song should be ready, in milliseconds; null: none is set. */
  async readyBy(songId: string): Promise<number | null> {
    const value = (await this.database.settings.get(`ready ${songId}`))?.value;
    return typeof value === 'number' ? value : null;
  }

  async setReadyBy(songId: string, day: number | null): Promise<void> {
    if (day === null) await this.database.settings.delete(`ready ${songId}`);
    else await this.database.settings.put({ key: `ready ${songId}`, value: day });
  }

  async recordingOf(songId: string): Promise<StoredRecording | null> {
    return (await this.database.recordings.get(songId)) ?? null;
  }

  async keepRecording(recording: StoredRecording): Promise<void> {
    await this.database.recordings.put(recording);
  }

  async dropRecording(songId: string): Promise<void> {
    await this.database.recordings.delete(songId);
  }
}
