import { Injectable, signal } from '@angular/core';
import { messageOf } from './message';

/** What went wrong, said in a sentence on whatever view is open, until it is put away. */
@Injectable({ providedIn: 'root' })
export class Problems {
  readonly sentence = signal<string | null>(null);

  /** Says that something failed: "The profile could not be stored: …". */
  say(what: string, error: unknown): void {
    this.sentence.set(`${what}: ${messageOf(error)}.`);
  }

  /** Something to know, said in the same place. */
  tell(sentence: string): void {
    this.sentence.set(sentence);
  }

  /** Runs a promise whose failure is said; what it gives is not waited for. */
  guard(what: string, work: Promise<unknown>): void {
    work.catch((error: unknown) => this.say(what, error));
  }

  putAway(): void {
    this.sentence.set(null);
  }
}
