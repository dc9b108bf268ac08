import { computed, Injectable, signal } from '@angular/core';
import { download } from './download';
import { messageOf } from './message';

/** A sentence, and what it is about as it lies in the store, to be taken away. */
interface Told {
  readonly sentence: string;
  readonly raw: unknown;
}

/** How long a notice stays: to be noticed, and for each of its letters, in milliseconds. */
const READ_MS = 10_000;
const LETTER_MS = 100;

/** What went wrong, said in a sentence on whatever view is open, until it is put away. */
@Injectable({ providedIn: 'root' })
export class Problems {
  private readonly told = signal<Told | null>(null);
  private timer: ReturnType<typeof setTimeout> | undefined;
  readonly sentence = computed(() => this.told()?.sentence ?? null);
  readonly hasRaw = computed(() => this.told()?.raw !== undefined);

  /** Says that something failed: "The profile could not be stored: …". */
  say(what: string, error: unknown): void {
    this.tell(`${what}: ${messageOf(error)}.`);
  }

  /** Something to know, said in the same place; `raw` may be taken away as it is. It goes by itself when it has been read. */
  tell(sentence: string, raw?: unknown): void {
    clearTimeout(this.timer);
    this.told.set({ sentence, raw });
    this.goesSoon();
  }

  /** It stays while it is looked at. */
  stays(): void {
    clearTimeout(this.timer);
  }

  goesSoon(): void {
    const told = this.told();
    // What can be taken away waits for that.
    if (told && told.raw === undefined)
      this.timer = setTimeout(() => this.putAway(), READ_MS + told.sentence.length * LETTER_MS);
  }

  /** Runs a promise whose failure is said; what it gives is not waited for. */
  guard(what: string, work: Promise<unknown>): void {
    work.catch((error: unknown) => this.say(what, error));
  }

  takeAwayRaw(): void {
    download('unreadable.raw.json', JSON.stringify(this.told()?.raw ?? null, null, 1), 'application/json');
  }

  putAway(): void {
    clearTimeout(this.timer);
    this.told.set(null);
  }
}
