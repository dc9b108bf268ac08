import { type Profile } from '@joined-hands/core/song';
import Dexie, { type Table } from 'dexie';
import { cardFrom } from './card';
import type { ShelfCard, StoredSong } from './stored';

/** The browser's store: songs, their cards, and the pianist's profile. */
export class Database extends Dexie {
  readonly songs!: Table<StoredSong, string>;
  readonly cards!: Table<ShelfCard, string>;
  readonly settings!: Table<{ key: string; value: Profile | boolean }, string>;

  constructor(name = 'joined-hands') {
    // What is read is used at once and never written to: copies of it would only cost time.
    super(name, { cache: 'disabled' });
    this.version(1).stores({ songs: 'id, openedAt', settings: 'key' });
    this.version(2)
      .stores({ songs: 'id', cards: 'id', settings: 'key' })
      .upgrade(async (transaction) => {
        const old = await transaction.table('songs').toArray();
        for (const { id, revision, song, ...about } of old) {
          await transaction.table('cards').put(cardFrom({ id, revision, song }, about));
          await transaction.table('songs').put({ id, revision, song });
        }
      });
  }
}
