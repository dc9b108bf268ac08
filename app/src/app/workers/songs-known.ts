import { keepIdentity, keptValue } from '@joined-hands/core/memory';
import { applyEdit, type Profile, type Song, type SongEdit } from '@joined-hands/core/song';

/**
 * A song on its way to a worker: by its number alone when the worker has it, as an edit of one that it has, or whole.
 * Both sides edit through the same pure function, so that an edit of a long song is a few bytes to send.
 */
export interface SongMessage {
  readonly number: number;
  readonly edited: { readonly from: number; readonly edit: SongEdit } | null;
  readonly whole: Song | null;
}

/** Songs either side remembers at most; undo goes back over those. */
const MOST_SONGS = 400;

/** On the interface's side: every song has a number for as long as it is remembered. */
export class SongNumbers {
  private readonly numbers = new WeakMap<Song, number>();
  private readonly edits = new WeakMap<Song, { readonly from: Song; readonly edit: SongEdit }>();
  private last = 0;

  /** Says that an edit made one song of another. */
  edited(from: Song, edit: SongEdit, to: Song): void {
    if (from !== to) this.edits.set(to, { from, edit });
  }

  numberOf(song: Song): number {
    let number = this.numbers.get(song);
    if (number === undefined) this.numbers.set(song, (number = ++this.last));
    return number;
  }

  /** The shortest message for a song; `isWhole` when the worker said that it could not follow. */
  message(song: Song, isWhole = false): SongMessage {
    const number = this.numberOf(song);
    if (isWhole) return { number, edited: null, whole: song };
    const made = this.edits.get(song);
    const from = made && this.numbers.get(made.from);
    return { number, edited: made && from !== undefined ? { from, edit: made.edit } : null, whole: null };
  }
}

/** On a worker's side: the songs it was sent, by number; what an edit did not touch keeps its identity. */
export class SongsKnown {
  private readonly songs = new Map<number, Song>();
  private last: Song | null = null;
  private profile: Profile | undefined;

  /** A profile that says what the last one said is that one: all that is remembered was made for it. */
  profileLike(sent: Profile): Profile {
    return (this.profile = keptValue(this.profile, sent));
  }

  /** The song of a message; null when it builds on one that is not here. */
  take({ number, edited, whole }: SongMessage): Song | null {
    const song = this.songs.get(number) ?? this.made(edited) ?? (whole && keepIdentity(this.last, whole));
    if (!song) return null;
    if (this.songs.size >= MOST_SONGS) this.songs.delete(this.songs.keys().next().value as number);
    this.songs.set(number, song);
    this.last = song;
    return song;
  }

  private made(edited: SongMessage['edited']): Song | null {
    const from = edited && this.songs.get(edited.from);
    return from ? applyEdit(from, edited.edit) : null;
  }
}
