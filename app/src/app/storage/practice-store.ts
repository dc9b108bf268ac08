import { Injectable } from '@angular/core';
import type { Standing, StoredCard, Turn } from '@joined-hands/core/practice';
import { Database } from './database';
import type { StoredStanding } from './stored';

/** Keeps what was practised: every turn, and where one stands. Nothing leaves the browser. */
@Injectable({ providedIn: 'root' })
export class PracticeStore {
  private readonly database = new Database();

  /** All turns at a song, the oldest first. */
  turnsOf(songId: string): Promise<Turn[]> {
    return this.database.turns.where('songId').equals(songId).sortBy('at');
  }

  async standingsOf(songId: string): Promise<StoredStanding[]> {
    return this.database.standings.where('songId').equals(songId).toArray();
  }

  /** A turn and where one stands after it: both or neither. */
  async keep(turn: Turn, standing: Standing, review: StoredCard | null): Promise<void> {
    const { songId, card } = turn;
    const { turns, standings } = this.database;
    await this.database.transaction('rw', turns, standings, async () => {
      await turns.add(turn);
      await standings.put({ key: `${songId} ${card}`, songId, card, standing, review });
    });
  }
}
