import { effect, inject, signal, type Signal, untracked } from '@angular/core';
import type { Profile, Song } from '@joined-hands/core/song';
import type { Answers, Question } from './answers';
import { Asker } from './asker';

/** A question, and the song it is about. */
export interface Asking<K extends keyof Answers> {
  readonly about: { readonly song: Song; readonly profile: Profile };
  readonly question: Extract<Question, { readonly kind: K }>;
}

/**
 * The answer to a question, asked anew whenever what it depends on changes; null until the first has come, and while
 * another question waits for its answer. After an edit the answer before stands until the new one has come, and so it does
 * while `asking` gives null: it is not the time to ask. Where it gives 'nothing' there is nothing to ask about, and no
 * answer. Called where things may be injected.
 */
export function answered<K extends keyof Answers>(
  asking: () => Asking<K> | 'nothing' | null,
): Signal<Answers[K] | null> {
  const asker = inject(Asker);
  const answer = signal<Answers[K] | null>(null);
  let latest = '';
  effect(() => {
    const now = asking();
    if (!now) return;
    const name = now === 'nothing' ? '' : JSON.stringify(now.question);
    untracked(() => {
      if (name !== latest) answer.set(null);
      latest = name;
      if (now === 'nothing') return;
      asker.answer(now.about, now.question, (came) => {
        if (name === latest) answer.set(came);
      });
    });
  });
  return answer.asReadonly();
}
