import { migrateSong, type Song } from '@joined-hands/core/song';

const PREFIX = 'joined-hands draft ';
/** Where the browser keeps nothing for the tab, drafts live as long as the page. */
const here = new Map<string, string>();

/** A song that was begun and has neither note nor chord yet: kept with the tab, not put on the shelf. */
export function isEmptySong(song: Song): boolean {
  return song.melody.length + song.changes.length + song.words.length === 0;
}

export function keepDraft(song: Song): void {
  const text = JSON.stringify(song);
  here.set(song.id, text);
  withTab((tab) => tab.setItem(PREFIX + song.id, text));
}

/** The song begun in this tab under an id; undefined when there is none. */
export function draftOf(id: string): Song | undefined {
  const stored = withTab((tab) => tab.getItem(PREFIX + id)) ?? here.get(id);
  return stored === undefined ? undefined : migrateSong(JSON.parse(stored));
}

export function dropDraft(id: string): void {
  here.delete(id);
  withTab((tab) => tab.removeItem(PREFIX + id));
}

/** Asks what the browser keeps for the tab; undefined where it may not be asked or is full. */
function withTab<T>(ask: (tab: Storage) => T): T | undefined {
  try {
    return ask(sessionStorage);
  } catch {
    // Blocked or full: the draft is in memory, and is stored with its first note.
    return undefined;
  }
}
