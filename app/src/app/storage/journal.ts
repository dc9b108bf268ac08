import { migrateSong, type Song } from '@joined-hands/core/song';

const PREFIX = 'joined-hands unsaved ';

/** A song as it was when the page had to go before it could be stored. */
interface Unsaved {
  readonly song: Song;
  /** The revision it was made from. */
  readonly revision: number;
  /** A write of an earlier state was under way, and may have made the next revision. */
  readonly isWriting: boolean;
}

/**
 * Writes down at once what is not stored yet: a page that goes away cannot wait for the store. False where the browser
 * keeps no more.
 */
export function writeDown(unsaved: Unsaved): boolean {
  try {
    localStorage.setItem(PREFIX + unsaved.song.id, JSON.stringify(unsaved));
    return true;
  } catch {
    // Full or blocked; the store itself is asked as well.
    return false;
  }
}

/** What was written down of a song and not stored since; null when nothing was, or nothing that can be read. */
export function writtenDown(id: string): Unsaved | null {
  try {
    const text = localStorage.getItem(PREFIX + id);
    if (text === null) return null;
    const { song, revision, isWriting } = JSON.parse(text) as Partial<Record<keyof Unsaved, unknown>>;
    if (typeof revision !== 'number') return null;
    return { song: migrateSong(song), revision, isWriting: isWriting === true };
  } catch {
    // Half a note is no note: what the store holds is opened.
    return null;
  }
}

/** The song is stored: what was written down of it is not needed any more. */
export function clearWritten(id: string): void {
  try {
    localStorage.removeItem(PREFIX + id);
  } catch {
    // Blocked: then nothing was written down either.
  }
}
