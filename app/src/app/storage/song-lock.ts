import { Injectable } from '@angular/core';

/** One tab at a time edits a song: a Web Lock per song, which another tab can take over. */
@Injectable({ providedIn: 'root' })
export class SongLock {
  private release: (() => void) | null = null;

  /** Asks for a song; false when another tab has it. `lost` is called when another tab takes it over. */
  async take(songId: string, lost: () => void, steal = false): Promise<boolean> {
    this.free();
    if (!('locks' in navigator)) return true;
    return new Promise((resolve) => {
      const options = steal ? { steal: true } : { ifAvailable: true };
      const held = navigator.locks.request(`joined-hands:${songId}`, options, (lock) => {
        resolve(lock !== null);
        if (!lock) return undefined;
        return new Promise<void>((done) => (this.release = done));
      });
      // A stolen lock ends the request with an AbortError: that is how this tab learns of it.
      held.catch((error: unknown) => {
        if (error instanceof DOMException && error.name === 'AbortError') lost();
        else throw error;
      });
    });
  }

  free(): void {
    this.release?.();
    this.release = null;
  }
}
