import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { stepInWords } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { ComputerKeys, firstMidiKeys, NO_MIDI } from '../../input/key-sources';
import type { KeySource } from '../../input/recorder';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { JoinState, SHOWINGS } from './join-state';
import { TapRhythm } from './tap-rhythm';

/** From strike to strike: what comes next on the keyboard and in words, going on when it is pressed. */
@Component({
  selector: 'jh-steps-panel',
  imports: [Choice, NzButtonComponent, TapRhythm],
  template: `
    <section>
      <h2>Step through</h2>
      <jh-choice
        name="step-hands"
        label="Hands"
        [options]="hands"
        [value]="state.hands()"
        (chosen)="state.stepWith($event)"
      />
      @if (state.step(); as step) {
        <p class="count" aria-hidden="true">{{ state.stepAt() + 1 }} of {{ state.steps().length }}</p>
        <p class="next" aria-live="polite">{{ words() }}</p>
        <p class="slip" role="status">{{ state.slip() }}</p>
        <p class="line">
          <button nz-button type="button" (click)="state.stepBy(-1)">Back</button>
          <button nz-button nzType="primary" type="button" (click)="state.stepBy(1)">Next</button>
          <button nz-button type="button" (click)="state.hearStep()">Hear it</button>
        </p>
      } @else {
        <p>Nothing is struck in this part by {{ state.hands() === 'both' ? 'either hand' : 'this hand' }}.</p>
      }
    </section>
    <section>
      <h3>It goes on when the keys are pressed</h3>
      <p class="note">On the keyboard below at any time. Keys of a chord may come one after the other.</p>
      <p class="line">
        <button
          nz-button
          type="button"
          class="toggle"
          [attr.aria-pressed]="listens() === 'midi'"
          (click)="listenToMidi()"
        >
          MIDI keyboard
        </button>
        <button
          nz-button
          type="button"
          class="toggle"
          [attr.aria-pressed]="listens() === 'computer'"
          (click)="listenToComputer()"
        >
          Computer keys
        </button>
      </p>
      @if (listens() === 'computer') {
        <p class="note">
          A S D F … are C D E F from middle C, the row above has the black keys; an octave away counts as
          well.
        </p>
      }
      @if (problem()) {
        <p class="problem" role="alert">{{ problem() }}</p>
      }
    </section>
    <section>
      <button
        nz-button
        type="button"
        class="toggle"
        [attr.aria-pressed]="state.bench.outerFirst()"
        (click)="state.bench.outerFirst.set(!state.bench.outerFirst())"
      >
        Outer notes first
      </button>
      <p class="note">
        The highest of the right hand and the lowest of the left; the rest is shown pale until these are sure.
      </p>
    </section>
    <section>
      <h3>This place</h3>
      <p class="line">
        @for (showing of showings; track showing.label) {
          <button nz-button nzSize="small" type="button" (click)="state.hearBar(showing)">
            {{ showing.label }}
          </button>
        }
      </p>
    </section>
    <section><jh-tap-rhythm /></section>
  `,
  styleUrls: ['../../ui/panel.less', './join.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StepsPanel {
  protected readonly state = inject(JoinState);
  protected readonly hands: readonly ChoiceOption<'left' | 'right' | 'both'>[] = [
    { value: 'left', label: 'Left' },
    { value: 'right', label: 'Right' },
    { value: 'both', label: 'Both' },
  ];
  /** A place is shown three times: as it goes, slowly, and with one hand lit. */
  protected readonly showings = SHOWINGS;
  protected readonly words = computed(() => {
    const step = this.state.step();
    return step ? stepInWords(step) : '';
  });
  protected readonly listens = signal<'midi' | 'computer' | null>(null);
  protected readonly problem = signal('');
  private source: KeySource | null = null;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.stop());
  }

  protected async listenToMidi(): Promise<void> {
    if (this.listens() === 'midi') return this.stop();
    const keys = await firstMidiKeys();
    if (keys) this.listen('midi', keys);
    else this.problem.set(`${NO_MIDI} Use the keys on the screen.`);
  }

  protected listenToComputer(): void {
    if (this.listens() === 'computer') return this.stop();
    this.listen('computer', new ComputerKeys());
  }

  private listen(to: 'midi' | 'computer', source: KeySource): void {
    this.stop();
    this.source = source;
    this.listens.set(to);
    // The computer has an octave and a half of keys: a key counts in the octave that is wanted.
    const heard = (midi: number): number => (to === 'computer' ? this.state.inWantedOctave(midi) : midi);
    source.start(
      ({ midi, velocity }) => {
        if (velocity > 0) this.state.press(heard(midi));
      },
      () => performance.now() / 1000,
    );
  }

  private stop(): void {
    this.source?.stop();
    this.source = null;
    this.listens.set(null);
    this.problem.set('');
  }
}
