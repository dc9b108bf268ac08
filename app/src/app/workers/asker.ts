import { noteNames } from '@joined-hands/core/music';
import { inject, Injectable } from '@angular/core';
import type { Arrangement } from '@joined-hands/core/arrangement';
import type { Profile, Song } from '@joined-hands/core/song';
import { Store } from '@ngrx/store';
import { type Remote, wrap } from 'comlink';
import { workbench } from '../state/reducer';
import { Problems } from '../ui/problems';
import { ArrangerClient } from './arranger';
import type { Answers, Question } from './answers';
import type { Asked } from './asking';
import { Receiver } from './travelling';

/**
 * Questions about a song, answered in a worker of their own: arranging never waits for them. It is started when the
 * first is asked. Each answer is that of the song it was asked for; the asker compares it with the song it shows.
 */
@Injectable({ providedIn: 'root' })
export class Asker {
  private readonly arranger = inject(ArrangerClient);
  private readonly problems = inject(Problems);
  private readonly shown = inject(Store).selectSignal(workbench.selectSong);
  private remote: Remote<Asked> | null = null;

  private get worker(): Remote<Asked> {
    this.remote ??= wrap<Asked>(
      new Worker(new URL('./ask.worker', import.meta.url), { type: 'module', name: noteNames() }),
    );
    return this.remote;
  }

  /**
   * Asks about the song on screen; `came` gets the answer only while that song is still the one shown. What fails is
   * said.
   */
  answer<K extends keyof Answers>(
    { song, profile }: { readonly song: Song; readonly profile: Profile },
    question: Extract<Question, { readonly kind: K }>,
    came: (answer: Answers[K]) => void,
  ): void {
    const asked = this.ask<K>(song, profile, question).then((answer) => {
      if (this.shown() === song) came(answer);
    });
    this.problems.guard('A question about the song could not be answered', asked);
  }

  async ask<K extends keyof Answers>(
    song: Song,
    profile: Profile,
    question: Extract<Question, { readonly kind: K }>,
  ): Promise<Answers[K]> {
    const { numbers } = this.arranger;
    let reply = await this.worker.ask(numbers.message(song), profile, question);
    if ('isUnknown' in reply) reply = await this.worker.ask(numbers.message(song, true), profile, question);
    if ('isUnknown' in reply) throw new Error('The song did not reach the worker.');
    return reply.answer as Answers[K];
  }

  /** A song, or what an edit would make of it, ready to be played; without fingers. */
  async heard(
    song: Song,
    profile: Profile,
    question: Extract<Question, { readonly kind: 'trial' | 'preview' }>,
  ): Promise<Arrangement> {
    const sent = await this.ask(song, profile, question);
    return new Receiver().unpack(sent, song, profile);
  }
}
