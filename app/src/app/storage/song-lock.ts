import { Injectable } from '@angular/core';

/** One tab at a time edits a song: a Web Lock per song, which another tab can take over. */
@Injectable({ providedIn: 'root' })
export class SongLock {
  private held: { readonly songId: string; readonly release: () => void } | null = null;

  /** Asks for a song; false when another tab has it. `lost` is called when another tab takes it over. */
  async take(songId: string, lost: () => void, steal = false): Promise<boolean> {
    if (this.held) this.free(this.held.songId);
    if (!('locks' in navigator)) return true;
    return new Promise((resolve) => {
      const options = steal ? { steal: true } : { ifAvailable: true };
      const held = navigator.locks.request(`joined-hands:${songId}`, options, (lock) => {
        resolve(lock !== null);
        if (!lock) return undefined;
        return new Promise<void>((release) => (this.held = { songId, release }));
      });
      // A stolen lock ends the request with an AbortError: that is how this tab learns of it.
      held.catch((error: unknown) => {
        if (error instanceof DOMException && error.name === 'AbortError') lost();
        else throw error;
      });
    });
  }

  /** Lets a song go; another that was taken since stays held. */
  free(songId: string): void {
    if (this.held?.songId !== songId) return;
    this.held.release();
    this.held = null;
  }
}
