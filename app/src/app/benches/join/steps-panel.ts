import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { stepInWords } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { PlayOn } from '../../input/play-on';
import { ON_COMPUTER, ON_MIDI, type Way } from '../../input/ways';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { JoinState, SHOWINGS } from './join-state';
import { TapRhythm } from './tap-rhythm';

/** From strike to strike: what comes next on the keyboard and in words, going on when it is pressed. */
@Component({
  selector: 'jh-steps-panel',
  imports: [Choice, NzButtonComponent, PlayOn, TapRhythm],
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
      <h3>Wait for the right keys</h3>
      <p class="note">On the keyboard below at any time. Keys of a chord may come one after the other.</p>
      <jh-play-on [ways]="ways" [goesOn]="true" (struck)="press($event)" />
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
  protected readonly ways = [ON_COMPUTER, ON_MIDI];

  /** The computer has an octave and a half of keys: a key counts in the octave that is wanted. */
  protected press({ midi, way }: { readonly midi: number; readonly way: Way }): void {
    this.state.press(way === ON_COMPUTER ? this.state.inWantedOctave(midi) : midi);
  }
}
