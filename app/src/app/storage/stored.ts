import type { Known } from '@joined-hands/core/practice';
import type { KeyEvent } from '@joined-hands/core/takes';
import type { SongFacts } from '@joined-hands/core/arrangement';
import type { Song } from '@joined-hands/core/song';
import type { Place } from './place';

/** A song as it lies in the store: nothing about it is believed until it has been checked. */
export interface StoredSong {
  readonly id: string;
  /** Raised by one with each write; a writer must name the revision it saw. */
  readonly revision: number;
  /** The song as JSON text: a long one is written and read five times as fast as by the browser's own copying. */
  readonly song: unknown;
}

/** A song as it is to be stored. */
export function storedSong(song: Song, revision: number): StoredSong {
  return { id: song.id, revision, song: JSON.stringify(song) };
}

/** What lies in the store as a song. Earlier versions stored it as it was, not as text. */
export function songIn({ song }: StoredSong): unknown {
  if (typeof song !== 'string') return song;
  try {
    return JSON.parse(song) as unknown;
  } catch {
    // No song: whoever wants one is told so when it is checked.
    return song;
  }
}

/** What the shelf shows of a song, stored apart: showing the shelf reads no song, and a bad song hides no other. */
export interface ShelfCard {
  readonly id: string;
  /** The revision of the song it tells of. */
  readonly revision: number;
  readonly title: string;
  readonly subtitle: string;
  readonly tags: readonly string[];
  readonly version: Song['version'];
  /** The first letters of its tune: "A B C B A F". */
  readonly opening: string;
  /** "A minor", "3/4"; empty where the song cannot be read. */
  readonly key: string;
  readonly metre: string;
  readonly bars: number;
  /** Absent until they are known. */
  readonly facts: SongFacts | null;
  /** Why the song cannot be read; null when it can. */
  readonly trouble: string | null;
  readonly place: Place;
  /** Milliseconds since 1970. */
  readonly openedAt: number | null;
  readonly savedAt: number;
  /** Which tune it has, and since when: of two versions the later is the corrected one. */
  readonly tune: { readonly print: string; readonly at: number };
  /** When the song was put in the bin; absent or null while it is on the shelf. */
  readonly deletedAt?: number | null;
}

/** Where one stands with one card of a song: its goal, and when it comes again once it was passed. */
export interface StoredStanding extends Known {
  /** Song and card. */
  readonly key: string;
  readonly songId: string;
  readonly card: string;
}

/** A take as it was played, to be heard again and compared. */
export interface StoredTake {
  readonly songId: string;
  /** When its turn ended: the turn of the same time is its own. */
  readonly at: number;
  /** A microphone heard it. */
  readonly bySound?: boolean;
  readonly events: readonly KeyEvent[];
}

/** The pianist's own recording of a song. It stays in this browser. */
export interface StoredRecording {
  readonly songId: string;
  readonly name: string;
  readonly audio: Blob;
  /** Seconds at which each played bar begins, in order, as far as they were tapped. */
  readonly bars: readonly number[];
}
