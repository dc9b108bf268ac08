import { inject, Injectable } from '@angular/core';
import type { Arrangement } from '@joined-hands/core/arrangement';
import type { Profile, Song } from '@joined-hands/core/song';
import { type Remote, wrap } from 'comlink';
import { ArrangerClient } from './arranger';
import type { Answers, Asked, Question } from './ask.worker';
import { Receiver } from './travelling';

/**
 * Questions about a song, answered in a worker of their own: arranging never waits for them. It is started when the
 * first is asked. Each answer is that of the song it was asked for; the asker compares it with the song it shows.
 */
@Injectable({ providedIn: 'root' })
export class Asker {
  private readonly arranger = inject(ArrangerClient);
  private remote: Remote<Asked> | null = null;

  private get worker(): Remote<Asked> {
    this.remote ??= wrap<Asked>(new Worker(new URL('./ask.worker', import.meta.url), { type: 'module' }));
    return this.remote;
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
