import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { WarmUpNote } from '@joined-hands/core/fingering';
import { classNameOf, type Key, TICKS_PER_QUARTER, typeset } from '@joined-hands/core/music';
import { warmUpsOf } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Keyboard } from '../keyboard/keyboard';
import { Piano } from '../sound/piano';
import { messageOf } from '../ui/message';

const TICKS = TICKS_PER_QUARTER / 2;
const BEATS_PER_MINUTE = 84;

/** The scale and the broken tonic triad of a key, each hand, with their usual fingers. */
@Component({
  selector: 'jh-warm-up-tab',
  imports: [Keyboard, NzButtonComponent],
  template: `
    @if (problem()) {
      <p role="alert">{{ problem() }}</p>
    }
    <div class="all">
      @for (item of items(); track item.name) {
        <section>
          <h2>{{ item.name }}</h2>
          <p class="notes">
            @for (note of item.notes; track $index) {
              <span
                ><b>{{ letter(note) }}</b
                ><small>{{ note.finger }}</small></span
              >
            }
          </p>
          <jh-keyboard [size]="88" [held]="item.held" [used]="item.used" [isNarrow]="true" />
          <button
            nz-button
            nzSize="small"
            type="button"
            [attr.aria-label]="'Hear ' + item.name"
            (click)="hear(item.notes)"
          >
            Hear
          </button>
        </section>
      }
    </div>
  `,
  styles: `
    .all {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(min(460px, 100%), 1fr));
      gap: var(--space-9) 30px;
    }
    section {
      min-width: 0;
    }
    h2 {
      font-size: var(--type-heading);
    }
    .notes {
      display: flex;
      flex-wrap: wrap;
      gap: var(--space-2) var(--space-6);
      margin: var(--space-3) 0;
    }
    .notes span {
      display: flex;
      flex-direction: column;
      align-items: center;
      line-height: 1.15;
    }
    small {
      color: var(--ink-soft);
      font-size: var(--type-label);
    }
    button {
      margin-top: var(--space-3);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WarmUpTab {
  readonly key = input.required<Key>();
  private readonly piano = inject(Piano);
  protected readonly problem = signal('');

  protected readonly items = computed(() =>
    warmUpsOf(this.key()).map((item) => ({
      ...item,
      held: item.notes.map((n) => ({
        midi: n.midi,
        hand: item.hand,
        letter: this.letter(n),
        finger: n.finger,
      })),
      used: item.notes.map((n) => n.midi),
    })),
  );

  protected letter({ pitch }: WarmUpNote): string {
    return typeset(classNameOf(pitch));
  }

  protected async hear(notes: readonly WarmUpNote[]): Promise<void> {
    try {
      this.problem.set('');
      const line = notes.map((n, i) => ({ tick: i * TICKS, length: TICKS, midi: n.midi }));
      await this.piano.hearLine(line, BEATS_PER_MINUTE);
    } catch (error) {
      this.problem.set(`The piano could not be started: ${messageOf(error)}.`);
    }
  }
}
