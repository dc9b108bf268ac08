import {
  type Difference,
  differenceOf,
  migrateSong,
  type Song,
  withDifference,
} from '@joined-hands/core/song';

const PREFIX = 'joined-hands unsaved ';

/** A song as it was when the page had to go before it could be stored. */
interface Unsaved {
  readonly song: Song;
  /** The revision it was made from. */
  readonly revision: number;
  /** A write of an earlier state was under way, and may have made the next revision. */
  readonly isWriting: boolean;
}

/** A song as the store has it, or is about to have it. */
export interface StoredState {
  readonly song: Song;
  readonly revision: number;
}

/**
 * Writes down at once what is not stored yet: a page that goes away cannot wait for the store. Of a song too long for it
 * only what differs from what the store has, or is writing, is written down. False where the browser keeps no more.
 */
export function writeDown(unsaved: Unsaved, known: readonly StoredState[] = []): boolean {
  const { song } = unsaved;
  return (
    put(song.id, unsaved) ||
    (known.length > 0 &&
      put(song.id, {
        differences: known.map((state) => ({
          revision: state.revision,
          difference: differenceOf(state.song, song),
        })),
      }))
  );
}

function put(id: string, note: unknown): boolean {
  try {
    localStorage.setItem(PREFIX + id, JSON.stringify(note));
    return true;
  } catch {
    // Full or blocked; the store itself is asked as well.
    return false;
  }
}

/**
 * What was written down of a song and not stored since; null when nothing was, or nothing that can be read; "lost" where
 * only a difference was, to a state that the store does not have.
 */
export function writtenDown(
  id: string,
  stored: StoredState | undefined = undefined,
): Unsaved | 'lost' | null {
  try {
    const text = localStorage.getItem(PREFIX + id);
    if (text === null) return null;
    const note = JSON.parse(text) as Partial<Record<keyof Unsaved | 'differences', unknown>>;
    if (Array.isArray(note.differences)) return applied(note.differences as Noted[], stored);
    const { song, revision, isWriting } = note;
    if (typeof revision !== 'number') return null;
    return { song: migrateSong(song), revision, isWriting: isWriting === true };
  } catch {
    // Half a note is no note: what the store holds is opened.
    return null;
  }
}

interface Noted {
  readonly revision: number;
  readonly difference: Difference;
}

function applied(differences: readonly Noted[], stored: StoredState | undefined): Unsaved | 'lost' {
  const noted = differences.find(({ revision }) => revision === stored?.revision);
  if (!stored || !noted) return 'lost';
  const song = migrateSong(withDifference(stored.song, noted.difference));
  return { song, revision: stored.revision, isWriting: false };
}

/** The song is stored: what was written down of it is not needed any more. */
export function clearWritten(id: string): void {
  try {
    localStorage.removeItem(PREFIX + id);
  } catch {
    // Blocked: then nothing was written down either.
  }
}
