import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { triedInWords } from '@joined-hands/core/words';
import { HEARD_BY_MICROPHONE, microphoneKeys } from '../../input/microphone';
import { PlayOn } from '../../input/play-on';
import type { Way } from '../../input/ways';
import { Judge } from '../../workers/judge';

/** What a microphone does here, and whether it hears the whole piano: tried with the lowest and the highest C. */
@Component({
  selector: 'jh-microphone-check',
  imports: [PlayOn],
  template: `
    <details>
      <summary>With a microphone</summary>
      <p>
        {{ about }} Wear headphones when the program plays along: then the microphone hears your piano alone.
      </p>
      <p>To try it, play your lowest and your highest C.</p>
      <jh-play-on
        label="Try the microphone"
        [ways]="ways"
        [goesOn]="true"
        otherwise="Say how it went, or use other keys."
        (struck)="hear($event.midi)"
      />
      <p aria-live="polite">{{ said() }}</p>
    </details>
  `,
  styleUrls: ['../../ui/panel.less', './practise.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MicrophoneCheck {
  private readonly judge = inject(Judge);
  protected readonly about = HEARD_BY_MICROPHONE;
  /** Keys that were heard since it was begun; null before that. */
  protected readonly heard = signal<readonly number[] | null>(null);
  protected readonly said = computed(() => {
    const heard = this.heard();
    return heard === null ? '' : triedInWords(heard);
  });
  protected readonly ways: readonly Way[] = [
    {
      label: 'Try it',
      keys: async () => {
        const keys = await microphoneKeys(this.judge, null);
        this.heard.set([]);
        return keys;
      },
    },
  ];

  protected hear(midi: number): void {
    this.heard.update((keys) => [...(keys ?? []), midi]);
  }
}
