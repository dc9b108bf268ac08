import { inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { SongActions } from '../state/actions';
import { workbench } from '../state/reducer';
import type { Song } from '@joined-hands/core/song';
import { clearWritten, type StoredState, writeDown } from '../storage/journal';
import { Problems } from '../ui/problems';
import { SongStore, StaleRevisionError } from '../storage/song-store';

/** An edit waits at most this long before it is written, in milliseconds: others that follow at once go with it. */
const SOON_MS = 120;
/** Writing a long song takes a while; it takes at most half of the time. */
const MOST_WAIT_MS = 240;
/** After a failure the store is asked again, later each time, in milliseconds. */
const RETRY_MS = [1000, 2000, 5000, 10_000] as const;

/**
 * Stores the open song: one write at a time, each with the revision the one before it made, so that this tab never
 * meets itself. The first edit starts the clock and no later one puts it back: typing cannot keep a song from being
 * stored.
 */
@Injectable({ providedIn: 'root' })
export class Saver {
  private readonly store = inject(Store);
  private readonly songs = inject(SongStore);
  private readonly problems = inject(Problems);
  private readonly state = this.store.selectSignal(workbench.selectWorkbenchState);
  private last: Promise<void> = Promise.resolve();
  private timer: ReturnType<typeof setTimeout> | null = null;
  private wait = SOON_MS;
  private failures = 0;
  /** What is being written. */
  private writing: Song | null = null;

  /** Something changed. */
  soon(): void {
    this.timer ??= setTimeout(() => void this.now(), this.wait);
  }

  /** Writes what is not stored, after whatever is being written; resolves when that is done, well or not. */
  now(): Promise<void> {
    if (this.timer !== null) clearTimeout(this.timer);
    this.timer = null;
    this.last = this.last.then(() => this.write());
    return this.last;
  }

  /**
   * The page may go away at any moment: what is not stored is written down at once, and stored if there is time. False
   * where it could not be written down: who leaves now may lose it.
   */
  pageGoes(): boolean {
    const { isDirty, isReadOnly } = this.state();
    if (!isDirty || isReadOnly) return true;
    const isKept = this.noteDown();
    void this.now();
    return isKept;
  }

  /** Writes the song down as it is; false where the browser keeps no more. */
  private noteDown(): boolean {
    const { song, stored, revision } = this.state();
    if (!song) return true;
    const known: StoredState[] = stored ? [{ song: stored, revision }] : [];
    if (this.writing) known.push({ song: this.writing, revision: revision + 1 });
    return writeDown({ song, revision, isWriting: this.writing !== null }, known);
  }

  private async write(): Promise<void> {
    const { song, place, revision, isDirty, isReadOnly } = this.state();
    if (!song || !isDirty || isReadOnly) return;
    const begun = performance.now();
    this.writing = song;
    try {
      const next = await this.songs.save(song, place, revision);
      this.failures = 0;
      this.store.dispatch(SongActions.saved({ song, revision: next }));
      if (!this.state().isDirty) clearWritten(song.id);
    } catch (error) {
      // What failed is no revision: another tab that makes the next one must not be taken for this one.
      this.writing = null;
      if (error instanceof StaleRevisionError) this.lost();
      else this.failed(error);
    } finally {
      this.writing = null;
      this.wait = Math.min(MOST_WAIT_MS, Math.max(SOON_MS, performance.now() - begun));
    }
  }

  /** Another tab has the song: what is here and not stored is written down, to be kept as a copy, and edited no more. */
  lost(): void {
    const { song, revision, isDirty, isReadOnly } = this.state();
    if (!song) return;
    // The whole of it: what it was made from is no longer what the store has. Where it is too long it is a song at once.
    if (isDirty && !isReadOnly && !writeDown({ song, revision, isWriting: false }))
      this.problems.guard('What was not stored could not be kept', this.songs.addNotStored(song));
    this.store.dispatch(SongActions.overtaken({ id: song.id }));
  }

  /** Said until it succeeds, and tried again. */
  private failed(error: unknown): void {
    this.noteDown();
    this.store.dispatch(SongActions.saveFailed({ problem: whyNotStored(error) }));
    const wait = RETRY_MS[Math.min(this.failures++, RETRY_MS.length - 1)];
    this.timer ??= setTimeout(() => void this.now(), wait);
  }
}

function whyNotStored(error: unknown): string {
  const name = error instanceof Error ? error.name : '';
  const cause = error instanceof Error ? error.message.split('\n')[0].slice(0, 160) : String(error);
  if (/quota/i.test(`${name} ${cause}`))
    return 'Your last changes are not stored: the browser has no room left. Make room (Shelf, Bin and storage: empty the bin), or download a copy; the program keeps trying.';
  return `Your last changes are not stored: ${cause}. Download a copy to be safe; the program keeps trying.`;
}
