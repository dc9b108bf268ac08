import { noteNames } from '@joined-hands/core/music';
import { Injectable } from '@angular/core';
import type { Arrangement } from '@joined-hands/core/arrangement';
import { keptValue } from '@joined-hands/core/memory';
import type { Profile, Song, SongEdit } from '@joined-hands/core/song';
import { proxy, type Remote, wrap } from 'comlink';
import { map, type Observable, ReplaySubject } from 'rxjs';
import type { Arranger } from './arranging';
import { SongNumbers } from './songs-known';
import { Receiver, type Sent } from './travelling';

/** What a request is arranged for, and what came of it: the latest, for who asks late. */
interface Request {
  readonly song: Song;
  readonly profile: Profile;
  readonly firstPart: number;
  readonly arrangements: ReplaySubject<Arrangement>;
}

/** The worker that arranges the open song, so that the interface never waits for it. */
@Injectable({ providedIn: 'root' })
export class ArrangerClient {
  private remote: Remote<Arranger> | null = null;
  private lastRequest = 0;
  private readonly requests = new Map<number, Request>();
  private readonly receiver = new Receiver();
  readonly numbers = new SongNumbers();
  private lastSong: Song | null = null;
  /** Begun before it was asked for. */
  private begun: Request | null = null;

  private get worker(): Remote<Arranger> {
    if (!this.remote) {
      this.remote = wrap<Arranger>(
        new Worker(new URL('./arrange.worker', import.meta.url), { type: 'module', name: noteNames() }),
      );
      void this.remote.listen(proxy((request: number, sent: Sent) => this.receive(request, sent)));
    }
    return this.remote;
  }

  /** Starts the worker before a song is there: it loads while a file is read. */
  warm(): void {
    void this.worker;
  }

  /** Begins with a song that will be asked for next: it is arranged while it is stored and its view is made. */
  begin(song: Song, profile: Profile, firstPart: number): void {
    this.begun = this.started(song, profile, firstPart, null);
  }

  /**
   * Emits the part on screen, then the whole arrangement; completes early when a newer request wins. `edit` made the song
   * of the one asked for before.
   */
  arrange(song: Song, profile: Profile, firstPart: number, edit: SongEdit | null): Observable<Arrangement> {
    const { begun } = this;
    this.begun = null;
    const isBegun =
      begun?.song === song &&
      begun.firstPart === firstPart &&
      keptValue(begun.profile, profile) === begun.profile;
    if (!isBegun) return this.started(song, profile, firstPart, edit).arrangements;
    return begun.arrangements.pipe(map((arrangement) => ({ ...arrangement, profile })));
  }

  private started(song: Song, profile: Profile, firstPart: number, edit: SongEdit | null): Request {
    const number = ++this.lastRequest;
    if (edit && this.lastSong) this.numbers.edited(this.lastSong, edit, song);
    this.lastSong = song;
    const request: Request = { song, profile, firstPart, arrangements: new ReplaySubject(1) };
    this.requests.set(number, request);
    const ask = async (isWhole: boolean): Promise<void> => {
      const message = this.numbers.message(song, isWhole);
      const isKnown = await this.worker.arrange(number, message, profile, firstPart);
      if (!isKnown) await ask(true);
      else if (number !== this.lastRequest) request.arrangements.complete();
    };
    ask(false).catch((error: unknown) => request.arrangements.error(error));
    return request;
  }

  /** What is left out next time counts on all that was sent: it is put together whether it is still wanted or not. */
  private receive(number: number, sent: Sent): void {
    const request = this.requests.get(number);
    // A newer request stopped those before it.
    for (const older of this.requests.keys()) if (older < number) this.requests.delete(older);
    if (!request) return;
    const { song, profile, arrangements } = request;
    try {
      const arrangement = this.receiver.unpack(sent, song, profile);
      if (number === this.lastRequest) arrangements.next(arrangement);
      if (!sent.isPartial) arrangements.complete();
    } catch (error) {
      arrangements.error(error);
    }
  }
}
