import { type Profile } from '@joined-hands/core/song';
import { Injectable } from '@angular/core';
import Dexie, { type Table } from 'dexie';
import type { Jotting, PractiseSettings, Turn } from '@joined-hands/core/practice';
import type { Handout } from '@joined-hands/core/sheets';
import { cardFrom } from './card';
import type { ShelfCard, StoredRecording, StoredSong, StoredStanding, StoredTake } from './stored';

/** The browser's store: songs, their cards, and the pianist's profile; one for the whole application. */
@Injectable({ providedIn: 'root', useFactory: () => new Database() })
export class Database extends Dexie {
  readonly songs!: Table<StoredSong, string>;
  readonly cards!: Table<ShelfCard, string>;
  /** Every turn at something practised. */
  readonly turns!: Table<Turn & { readonly id?: number }, number>;
  /** Where one stands with each card of each song. */
  readonly standings!: Table<StoredStanding, string>;
  readonly settings!: Table<
    { key: string; value: readonly Profile[] | Profile | PractiseSettings | Handout | boolean | number },
    string
  >;
  /** Takes as they were played, the last of each song. */
  readonly takes!: Table<StoredTake & { readonly id?: number }, number>;
  /** What the pianist wrote down about practising a song. */
  readonly jottings!: Table<Jotting & { readonly songId: string; readonly id?: number }, number>;
  /** The pianist's own recording of a song, one at most. */
  readonly recordings!: Table<StoredRecording, string>;

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
    this.version(4).stores({
      takes: '++id, songId, at',
      jottings: '++id, songId',
      recordings: 'songId',
    });
  }
}
