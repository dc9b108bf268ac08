import { type Profile } from '@joined-hands/core/song';
import Dexie, { type Table } from 'dexie';
import type { Turn } from '@joined-hands/core/practice';
import { cardFrom } from './card';
import type { ShelfCard, StoredSong, StoredStanding } from './stored';

/** The browser's store: songs, their cards, and the pianist's profile. */
export class Database extends Dexie {
  readonly songs!: Table<StoredSong, string>;
  readonly cards!: Table<ShelfCard, string>;
  /** Every turn at something practised. */
  readonly turns!: Table<Turn & { readonly id?: number }, number>;
  /** Where one stands with each card of each song. */
  readonly standings!: Table<StoredStanding, string>;
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
    this.version(3).stores({ turns: '++id, songId, at', standings: 'key, songId' });
  }
}
