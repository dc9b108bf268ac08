import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { TASTES } from '@joined-hands/core/suggesting';
import { sayIt } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { ChordsState } from './chords-state';

/** Chords for a melody in a taste, where the same chords are struck, and the song's progressions. */
@Component({
  selector: 'jh-suggest-panel',
  imports: [Choice, NzButtonComponent],
  template: `
    <section>
      <h2>Chords for the tune</h2>
      <jh-choice
        name="taste"
        label="Which chords"
        [options]="tastes"
        [value]="state.taste()"
        (chosen)="state.taste.set($event)"
      />
      <p class="note">{{ says() }}</p>
      <jh-choice
        name="triads"
        label="Triads or sevenths"
        [options]="kinds"
        [value]="state.triads() ? 'triads' : 'sevenths'"
        (chosen)="state.triads.set($event === 'triads')"
      />
      <div class="line actions">
        <button
          nz-button
          nzType="primary"
          type="button"
          [nzLoading]="state.isSuggesting()"
          (click)="state.suggest('gaps')"
        >
          Fill empty bars
        </button>
        <button nz-button type="button" [disabled]="state.isSuggesting()" (click)="state.suggest('proposed')">
          Replace all but mine
        </button>
        <button
          nz-button
          type="button"
          [disabled]="state.isSuggesting()"
          (click)="state.suggest('all', true)"
        >
          Hear new chords
        </button>
        <button nz-button type="button" [disabled]="state.isSuggesting()" (click)="state.suggest('all')">
          Replace all
        </button>
      </div>
    </section>
    <section>
      <h3>Where they are struck</h3>
      <div class="line">
        <button nz-button type="button" (click)="state.place('easy')">On the beat</button>
        <button nz-button type="button" (click)="state.place('as-sung')">As sung</button>
        <button nz-button type="button" (click)="state.shiftAll(-1)">A beat earlier</button>
        <button nz-button type="button" (click)="state.shiftAll(1)">A beat later</button>
      </div>
    </section>
    @if (said()) {
      <section>
        <h3>Say it</h3>
        <p>{{ said() }}</p>
      </section>
    }
    @if (progressions().length > 0) {
      <section>
        <h3>The song's progressions</h3>
        <ol class="ranked">
          @for (item of progressions(); track item.numerals) {
            <li>
              <div class="hear">
                <b>{{ item.numerals }}</b>
                <small>{{ item.symbols }} · {{ partsOf(item.parts) }}</small>
              </div>
            </li>
          }
        </ol>
      </section>
    }
  `,
  styleUrls: ['../../ui/panel.less', './chords.less'],
  styles: `
    .actions {
      margin-top: var(--space-5);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SuggestPanel {
  protected readonly state = inject(ChordsState);
  protected readonly tastes = TASTES.map(({ taste, name }) => ({ value: taste, label: name }));
  protected readonly says = computed(() => TASTES.find(({ taste }) => taste === this.state.taste())?.says);
  protected readonly kinds: readonly ChoiceOption<string>[] = [
    { value: 'triads', label: 'Triads at rest' },
    { value: 'sevenths', label: 'Sevenths' },
  ];
  protected readonly said = computed(() => {
    const [arrangement, part] = [this.state.bench.arrangement(), this.state.bench.part()];
    return arrangement && part ? sayIt(arrangement, part) : '';
  });
  protected readonly progressions = computed(() => this.state.progressions() ?? []);

  protected partsOf(numbers: readonly number[]): string {
    return numbers.length === 1 ? `part ${numbers[0]}` : `parts ${numbers.join(', ')}`;
  }
}
