import { capital } from '@joined-hands/core/words';
import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  inject,
  input,
  linkedSignal,
  output,
  signal,
} from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { messageOf } from '../ui/message';
import type { KeySource } from './recorder';
import type { Way } from './ways';

/** Keys that can be listened to, and the way they are played. */
export interface Playable {
  readonly way: Way;
  readonly keys: KeySource;
}

/**
 * What one plays on: a button for each way there is. Where `goesOn` is set, the way pressed is listened to, key by key,
 * until it is pressed again; otherwise its keys are handed on for a take.
 */
@Component({
  selector: 'jh-play-on',
  imports: [NzButtonComponent],
  template: `
    <div class="line" role="group" [attr.aria-label]="label()">
      @for (way of ways(); track way.label) {
        <button
          nz-button
          nzSize="small"
          type="button"
          [class.toggle]="goesOn()"
          [attr.aria-pressed]="goesOn() ? on() === way : null"
          (click)="choose(way)"
        >
          {{ way.label }}
        </button>
      }
    </div>
    @if (on()?.note; as note) {
      <p class="note">{{ note }}</p>
    }
    @if (problem()) {
      <p class="problem" role="alert">{{ problem() }}</p>
    }
  `,
  styleUrl: '../ui/panel.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlayOn {
  readonly label = input('What you play on');
  readonly ways = input.required<readonly Way[]>();
  readonly goesOn = input(false);
  /** What it is played for: what was wrong with another is not said any more. */
  readonly about = input<unknown>();
  /** What to do where a way cannot be heard. */
  readonly otherwise = input('Use the keys on the screen.');
  /** Keys for a take. */
  readonly begun = output<Playable>();
  /** A key struck on the way that is listened to. */
  readonly struck = output<{ readonly midi: number; readonly way: Way }>();

  /** The way that is listened to. */
  protected readonly on = signal<Way | null>(null);
  protected readonly problem = linkedSignal({ source: this.about, computation: () => '' });
  private listening: KeySource | null = null;
  /** The way pressed last, until something else is. */
  private asked: Way | null = null;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.stop());
  }

  protected async choose(way: Way): Promise<void> {
    const wasOn = this.on() === way;
    this.stop();
    this.problem.set('');
    if (wasOn) return;
    this.asked = way;
    try {
      const keys = await way.keys();
      // Who was asked to let a microphone be heard may have gone on meanwhile: it is let go.
      if (this.asked !== way) keys.stop();
      else if (this.goesOn()) this.listen(way, keys);
      else this.begun.emit({ way, keys });
    } catch (error) {
      if (this.asked === way) this.problem.set(`${messageOf(error)}. ${this.otherwise()}`);
    }
  }

  private listen(way: Way, keys: KeySource): void {
    this.listening = keys;
    this.on.set(way);
    keys.start(
      ({ midi, velocity }) => {
        if (velocity > 0) this.struck.emit({ midi, way });
      },
      () => performance.now() / 1000,
      (problem) => {
        this.stop();
        this.problem.set(`${capital(problem)}.`);
      },
    );
  }

  private stop(): void {
    this.asked = null;
    this.listening?.stop();
    this.listening = null;
    this.on.set(null);
  }
}
