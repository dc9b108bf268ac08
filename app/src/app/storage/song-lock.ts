import { Injectable } from '@angular/core';

/** What a tab does when another wants the song it holds. */
export interface Holder {
  /** Stores what is not stored yet; then the song is let go. */
  handOver(): Promise<void>;
  /** The song belongs to another tab now. */
  lost(): void;
}

interface Message {
  readonly asked?: string;
  readonly freed?: string;
}

/** A tab that does not let go after so long is not waited for, in milliseconds: it may be frozen or gone. */
const PATIENCE_MS = 3000;

/** One tab at a time edits a song: a Web Lock per song, which another tab can ask for and, if need be, take. */
@Injectable({ providedIn: 'root' })
export class SongLock {
  private held: { readonly songId: string; readonly release: () => void; readonly holder: Holder } | null =
    null;
  private readonly tabs =
    'BroadcastChannel' in globalThis ? new BroadcastChannel('joined-hands songs') : null;
  private readonly waiting = new Map<string, () => void>();

  constructor() {
    this.tabs?.addEventListener('message', ({ data }: MessageEvent<Message>) => {
      if (data.freed) this.waiting.get(data.freed)?.();
      if (data.asked && this.held?.songId === data.asked) void this.handOver(data.asked);
    });
  }

  /**
   * Asks for a song; false when another tab has it. With `takeOver` that tab is asked to store what it has and to let
   * the song go; where it does not answer, the lock is taken from it.
   */
  async take(songId: string, holder: Holder, takeOver = false): Promise<boolean> {
    if (this.held) this.free(this.held.songId);
    if (!('locks' in navigator)) return true;
    if (await this.request(songId, holder, { ifAvailable: true })) return true;
    if (!takeOver) return false;
    await this.asked(songId);
    return (
      (await this.request(songId, holder, { ifAvailable: true })) ||
      this.request(songId, holder, { steal: true })
    );
  }

  private request(
    songId: string,
    holder: Holder,
    options: { readonly steal?: true; readonly ifAvailable?: true },
  ): Promise<boolean> {
    return new Promise((resolve) => {
      const held = navigator.locks.request(`joined-hands:${songId}`, options, (lock) => {
        resolve(lock !== null);
        if (!lock) return undefined;
        return new Promise<void>((release) => (this.held = { songId, release, holder }));
      });
      // A stolen lock ends the request with an AbortError: that is how this tab learns of it.
      held.catch((error: unknown) => {
        if (!(error instanceof DOMException && error.name === 'AbortError')) throw error;
        if (this.held?.songId === songId) this.held = null;
        holder.lost();
      });
    });
  }

  /** Asks the tab that holds a song for it, and waits until it has let go, or for as long as patience lasts. */
  private asked(songId: string): Promise<void> {
    return new Promise((resolve) => {
      const done = (): void => {
        clearTimeout(timer);
        this.waiting.delete(songId);
        resolve();
      };
      const timer = setTimeout(done, PATIENCE_MS);
      this.waiting.set(songId, done);
      this.tabs?.postMessage({ asked: songId } satisfies Message);
    });
  }

  private async handOver(songId: string): Promise<void> {
    const { held } = this;
    if (held?.songId !== songId) return;
    await held.holder.handOver();
    if (this.held !== held) return;
    this.free(songId);
    held.holder.lost();
    this.tabs?.postMessage({ freed: songId } satisfies Message);
  }

  /** Lets a song go; another that was taken since stays held. */
  free(songId: string): void {
    if (this.held?.songId !== songId) return;
    this.held.release();
    this.held = null;
  }
}
