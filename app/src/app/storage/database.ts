import type { SongFacts } from '@joined-hands/core/arrangement';
import { type Profile, type Song } from '@joined-hands/core/song';
import Dexie, { type Table } from 'dexie';
import type { Place } from './place';

export interface StoredSong {
  readonly id: string;
  /** Raised by one with each write; a writer must name the revision it saw. */
  readonly revision: number;
  readonly song: Song;
  readonly place: Place;
  /** Milliseconds since 1970. */
  readonly openedAt: number | null;
  readonly savedAt: number;
  /** What the shelf tells of it beside the song; absent until it is known. */
  readonly facts?: SongFacts | null;
}

/** The browser's store: songs and the pianist's profile. */
export class Database extends Dexie {
  readonly songs!: Table<StoredSong, string>;
  readonly settings!: Table<{ key: string; value: Profile | boolean }, string>;

  constructor(name = 'joined-hands') {
    super(name);
    this.version(1).stores({ songs: 'id, openedAt', settings: 'key' });
  }
}
