import { Injectable } from '@angular/core';
import {
  type Alternative,
  type Arrangement,
  type Profile,
  type Song,
  type Timeline,
  timelineOf,
} from '@joined-hands/core';
import { type Remote, proxy, wrap } from 'comlink';
import { Observable } from 'rxjs';
import type { Arranger, ReadResult, Travelling } from './arrange.worker';

/** The worker that does the arithmetic, so that the interface never waits for it. */
@Injectable({ providedIn: 'root' })
export class ArrangerClient {
  private remote: Remote<Arranger> | null = null;
  private lastJob = 0;

  private get worker(): Remote<Arranger> {
    this.remote ??= wrap<Arranger>(
      new Worker(new URL('./arrange.worker', import.meta.url), { type: 'module' }),
    );
    return this.remote;
  }

  /** Emits the part on screen, then the whole arrangement; completes early when a newer job wins. */
  arrange(song: Song, profile: Profile, firstPart: number): Observable<Arrangement> {
    const job = ++this.lastJob;
    return new Observable((subscriber) => {
      this.worker
        .arrange(
          job,
          song,
          profile,
          firstPart,
          proxy((came: Travelling) => {
            if (job === this.lastJob) subscriber.next(arrived(came, song, profile));
            return Promise.resolve();
          }),
        )
        .then(
          () => subscriber.complete(),
          (error: unknown) => subscriber.error(error),
        );
    });
  }

  alternatives(changeId: string): Promise<Alternative[]> {
    return this.worker.alternatives(changeId);
  }

  read(name: string, text: string, songId: string): Promise<ReadResult> {
    return this.worker.read(name, text, songId);
  }
}

/** The arrangement whole again; its performance is worked out when first asked for. */
function arrived(came: Travelling, song: Song, profile: Profile): Arrangement {
  let timeline: Timeline | null = null;
  return {
    ...came,
    song,
    profile,
    get timeline() {
      return (timeline ??= timelineOf({ ...came, song }));
    },
  };
}
