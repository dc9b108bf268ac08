import { Injectable } from '@angular/core';
import type { Drawn } from '@joined-hands/core/sheets';
import { proxy, type Remote, wrap } from 'comlink';
import type { Engraver, Look } from './engraving';

/** The engraver takes much room: after so long without anything to draw it is let go, in milliseconds. */
const IDLE_MS = 60_000;

/** Draws scores in a worker of its own, one after the other; loaded when the first is asked for. */
@Injectable({ providedIn: 'root' })
export class EngraverClient implements Engraver {
  private loaded: { readonly worker: Worker; readonly remote: Remote<Engraver> } | null = null;
  private rest: ReturnType<typeof setTimeout> | undefined;
  private last: Promise<unknown> = Promise.resolve();

  /** The systems of a score. Fails where it cannot be read, or the engraver not be loaded. */
  systems(score: string, look: Look, drawn: (count: number) => void = () => undefined): Promise<Drawn[]> {
    const own = this.last.then(() => this.draw(score, look, drawn));
    this.last = own.catch(() => undefined);
    return own;
  }

  private async draw(score: string, look: Look, drawn: (count: number) => void): Promise<Drawn[]> {
    clearTimeout(this.rest);
    const { worker, remote } = (this.loaded ??= load());
    try {
      return await new Promise<Drawn[]>((resolve, reject) => {
        worker.onerror = () => reject(new Error('the engraver could not be loaded'));
        remote.systems(score, look, proxy(drawn)).then(resolve, reject);
      });
    } catch (error) {
      // What failed once may have left it half made.
      this.letGo();
      throw error;
    } finally {
      this.rest = setTimeout(() => this.letGo(), IDLE_MS);
    }
  }

  private letGo(): void {
    this.loaded?.worker.terminate();
    this.loaded = null;
  }
}

/** What is wrapped is held as long as its worker: let go, it would stop listening. */
function load(): { readonly worker: Worker; readonly remote: Remote<Engraver> } {
  const worker = new Worker('/engraver/worker.js', { type: 'module' });
  return { worker, remote: wrap<Engraver>(worker) };
}
