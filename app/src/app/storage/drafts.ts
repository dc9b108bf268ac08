import { migrateSong, type Song } from '@joined-hands/core/song';

const PREFIX = 'joined-hands draft ';

/** A song that was begun and has neither note nor chord yet: kept with the tab, not put on the shelf. */
export function isEmptySong(song: Song): boolean {
  return song.melody.length + song.changes.length + song.words.length === 0;
}

export function keepDraft(song: Song): void {
  sessionStorage.setItem(PREFIX + song.id, JSON.stringify(song));
}

/** The song begun in this tab under an id; undefined when there is none. */
export function draftOf(id: string): Song | undefined {
  const stored = sessionStorage.getItem(PREFIX + id);
  return stored === null ? undefined : migrateSong(JSON.parse(stored));
}

export function dropDraft(id: string): void {
  sessionStorage.removeItem(PREFIX + id);
}
