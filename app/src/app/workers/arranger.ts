import { Injectable } from '@angular/core';
import { type LayoutCost, timelineOf } from '@joined-hands/core/arrange';
import type { Arrangement } from '@joined-hands/core/arrangement';
import type { KeyChoice } from '@joined-hands/core/effort';
import type { Timeline } from '@joined-hands/core/performance';
import { type Profile, type Song, type SongEdit } from '@joined-hands/core/song';
import { type Scope, type Suggestion, type Taste } from '@joined-hands/core/suggesting';
import type { Alternative } from '@joined-hands/core/voicing';
import { proxy, type Remote, wrap } from 'comlink';
import { Observable } from 'rxjs';
import { type Arranger, type ReadResult } from './arrange.worker';
import { NOTHING_KEPT, type Sent, type Travelling, unpacked } from './travelling';

/** The worker that does the arithmetic, so that the interface never waits for it. */
@Injectable({ providedIn: 'root' })
export class ArrangerClient {
  private remote: Remote<Arranger> | null = null;
  private lastJob = 0;
  /** The arrangement that came last: what it shares with the next is not sent again. */
  private kept = NOTHING_KEPT;

  private get worker(): Remote<Arranger> {
    this.remote ??= wrap<Arranger>(newWorker());
    return this.remote;
  }

  /** Emits the part on screen, then the whole arrangement; completes early when a newer job wins. */
  arrange(song: Song, profile: Profile, firstPart: number): Observable<Arrangement> {
    const job = ++this.lastJob;
    let kept = this.kept;
    return new Observable((subscriber) => {
      this.worker
        .arrange(
          job,
          song,
          profile,
          firstPart,
          kept.numbers,
          proxy((sent: Sent) => {
            const whole = unpacked(sent, kept);
            kept = this.kept = whole;
            if (job === this.lastJob) subscriber.next(arrived(whole.came, song, profile));
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

  compareLayouts(cutId: string | null): Promise<LayoutCost[]> {
    return this.worker.compareLayouts(cutId);
  }

  suggestionsAt(changeId: string, taste: Taste, triads: boolean): Promise<Suggestion[]> {
    return this.worker.suggestionsAt(changeId, taste, triads);
  }

  chordsFor(song: Song, taste: Taste, scope: Scope, triads: boolean): Promise<SongEdit | null> {
    return this.worker.chordsFor(song, taste, scope, triads);
  }

  easierKeys(song: Song, profile: Profile): Promise<KeyChoice[]> {
    return this.worker.easierKeys(song, profile);
  }

  /** A song as an edit would make it, ready to be played, without fingers. */
  async trial(song: Song, profile: Profile): Promise<Arrangement> {
    return arrived(await this.worker.trial(song, profile), song, profile);
  }

  /** The melody of a song alone, ready to be played. */
  async preview(song: Song, profile: Profile): Promise<Arrangement> {
    return arrived(await this.worker.preview(song, profile), song, profile);
  }

  private stopReading: (() => void) | null = null;

  /** Reads a file in a worker of its own, so that it can be called off. Null when it was. */
  read(name: string, bytes: Uint8Array, songId: string): Promise<ReadResult | null> {
    const worker = newWorker();
    return new Promise((resolve, reject) => {
      this.stopReading = () => resolve(null);
      wrap<Arranger>(worker).read(name, bytes, songId).then(resolve, reject);
    }).finally(() => {
      worker.terminate();
      this.stopReading = null;
    }) as Promise<ReadResult | null>;
  }

  /** Calls off the reading of a file; nothing of it is kept. */
  cancelReading(): void {
    this.stopReading?.();
  }
}

function newWorker(): Worker {
  return new Worker(new URL('./arrange.worker', import.meta.url), { type: 'module' });
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
