import { inject, Injectable } from '@angular/core';
import {
  type CardRecord,
  cardRecordSchema,
  type Jotting,
  jottingSchema,
  type Known,
  newTurns,
  type PracticeRecord,
  type PractiseSettings,
  readSettings,
  takeSchema,
  type Turn,
  turnSchema,
} from '@joined-hands/core/practice';
import type { Table } from 'dexie';
import { numberOf, recordOf, textOf, timeOf } from './believed';
import { Checked, type Schema } from './checked';
import { Database } from './database';
import type { StoredRecording, StoredTake } from './stored';

/** Takes kept of one song: the last so many. */
const MOST_TAKES = 30;
const SETTINGS = 'practise';

/** Keeps what was practised: every turn, and where one stands. Nothing leaves the browser. */
@Injectable({ providedIn: 'root' })
export class PracticeStore {
  private readonly database = inject(Database);
  private readonly checked = inject(Checked);

  /** All turns at a song, the oldest first. */
  async turnsOf(songId: string): Promise<Turn[]> {
    return this.inTime(turnSchema, await ofSong(this.database.turns, songId));
  }

  /** Turns at any song since a time, the oldest first. */
  async turnsSince(at: number): Promise<Turn[]> {
    return this.inTime(turnSchema, await this.database.turns.where('at').aboveOrEqual(at).toArray());
  }

  async standingsOf(songId: string): Promise<CardRecord[]> {
    return this.checked.good(cardRecordSchema, await ofSong(this.database.standings, songId));
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
  async takesOf(songId: string): Promise<StoredTake[]> {
    return this.inTime(takeSchema, await ofSong(this.database.takes, songId));
  }

  async jottingsOf(songId: string): Promise<Jotting[]> {
    return this.inTime(jottingSchema, await ofSong(this.database.jottings, songId));
  }

  private inTime<T extends { readonly at: number }>(schema: Schema<T>, records: readonly unknown[]): T[] {
    return this.checked.good(schema, records).sort((a, b) => a.at - b.at);
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
    return { turns, standings, jottings };
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
    return timeOf((await this.database.settings.get(`ready ${songId}`))?.value);
  }

  async setReadyBy(songId: string, day: number | null): Promise<void> {
    if (day === null) await this.database.settings.delete(`ready ${songId}`);
    else await this.database.settings.put({ key: `ready ${songId}`, value: day });
  }

  async recordingOf(songId: string): Promise<StoredRecording | null> {
    const stored: unknown = await this.database.recordings.get(songId);
    return stored === undefined ? null : (this.checked.good(recording, [stored])[0] ?? null);
  }

  async keepRecording(recording: StoredRecording): Promise<void> {
    await this.database.recordings.put(recording);
  }

  async dropRecording(songId: string): Promise<void> {
    await this.database.recordings.delete(songId);
  }
}

function ofSong<T>(table: Table<T, string> | Table<T, number>, songId: string): Promise<T[]> {
  return table.where('songId').equals(songId).toArray();
}

/** Seconds beyond which no recording lasts. */
const LONGEST = 86_400;

/** A recording as it is stored; where its bars begin is known as far as they go on in time. */
const recording = {
  safeParse(stored: unknown) {
    const { songId, name, audio, bars } = recordOf(stored);
    const [id, title] = [textOf(songId, 1000), textOf(name, 1000)];
    if (id === null || title === null || !(audio instanceof Blob)) return { success: false } as const;
    const all: unknown[] = Array.isArray(bars) ? bars : [];
    const end = all.findIndex((at, i) => numberOf(at, i > 0 ? Number(all[i - 1]) : 0, LONGEST) === null);
    const tapped = (end < 0 ? all : all.slice(0, end)) as number[];
    return { success: true, data: { songId: id, name: title, audio, bars: tapped } } as const;
  },
};
