import { Injectable } from '@angular/core';
import type { Arrangement } from '@joined-hands/core/arrangement';
import type { Profile, Song, SongEdit } from '@joined-hands/core/song';
import { proxy, type Remote, wrap } from 'comlink';
import { Observable, type Subscriber } from 'rxjs';
import type { Arranger } from './arranging';
import { SongNumbers } from './songs-known';
import { Receiver, type Sent } from './travelling';

/** What a job is arranged for, and who waits for it. */
interface Job {
  readonly song: Song;
  readonly profile: Profile;
  readonly subscriber: Subscriber<Arrangement>;
}

/** The worker that arranges the open song, so that the interface never waits for it. */
@Injectable({ providedIn: 'root' })
export class ArrangerClient {
  private remote: Remote<Arranger> | null = null;
  private lastJob = 0;
  private readonly jobs = new Map<number, Job>();
  private readonly receiver = new Receiver();
  readonly numbers = new SongNumbers();
  private lastSong: Song | null = null;

  private get worker(): Remote<Arranger> {
    if (!this.remote) {
      this.remote = wrap<Arranger>(
        new Worker(new URL('./arrange.worker', import.meta.url), { type: 'module' }),
      );
      void this.remote.listen(proxy((job: number, sent: Sent) => this.came(job, sent)));
    }
    return this.remote;
  }

  /** Starts the worker before a song is there: it loads while a file is read. */
  warm(): void {
    void this.worker;
  }

  /**
   * Emits the part on screen, then the whole arrangement; completes early when a newer job wins. `edit` made the song
   * of the one asked for before.
   */
  arrange(song: Song, profile: Profile, firstPart: number, edit: SongEdit | null): Observable<Arrangement> {
    const job = ++this.lastJob;
    if (edit && this.lastSong) this.numbers.edited(this.lastSong, edit, song);
    this.lastSong = song;
    return new Observable((subscriber) => {
      this.jobs.set(job, { song, profile, subscriber });
      const ask = async (isWhole: boolean): Promise<void> => {
        const isKnown = await this.worker.arrange(
          job,
          this.numbers.message(song, isWhole),
          profile,
          firstPart,
        );
        if (!isKnown) await ask(true);
        else if (job !== this.lastJob) subscriber.complete();
      };
      ask(false).catch((error: unknown) => subscriber.error(error));
    });
  }

  /** What is left out next time counts on all that was sent: it is put together whether it is still wanted or not. */
  private came(job: number, sent: Sent): void {
    const waiting = this.jobs.get(job);
    // A newer job stopped those before it.
    for (const older of this.jobs.keys()) if (older < job) this.jobs.delete(older);
    if (!waiting) return;
    const { song, profile, subscriber } = waiting;
    try {
      const arrangement = this.receiver.unpack(sent, song, profile);
      if (job === this.lastJob) subscriber.next(arrangement);
      if (!sent.isPartial) subscriber.complete();
    } catch (error) {
      subscriber.error(error);
    }
  }
}
