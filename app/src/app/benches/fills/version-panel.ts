import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Measure } from '@joined-hands/core/fills';
import { FILLS } from '@joined-hands/core/levels';
import { versionInWords } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { LastBars } from '../../frame/last-bars';
import { Playing } from '../../frame/playing';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { FillsState } from './fills-state';

/** A whole set of fills at once, few or many, and another of the same measure. */
@Component({
  selector: 'jh-version-panel',
  imports: [Choice, LastBars, NzButtonComponent],
  template: `
    <section>
      <h2 id="measure-title">Try an automatic version</h2>
      <jh-choice
        name="measure"
        labelledBy="measure-title"
        [options]="measures"
        [value]="measure()"
        (chosen)="choose($event, 0)"
      />
      <p class="line">
        <button
          nz-button
          type="button"
          [disabled]="measure() === 'none'"
          (click)="choose(measure(), seed() + 1)"
        >
          Try another
        </button>
        <button nz-button type="button" (click)="playing.play('part')">Hear this part</button>
        <button nz-button type="button" (click)="playing.play('song')">Hear it all</button>
      </p>
      @if (!hasFills()) {
        <p class="note">Choosing one goes up to level {{ fillsLevel }}.</p>
      }
      <p aria-live="polite">{{ told() }}</p>
      <ul aria-label="What is filled in, by kind">
        @for (line of kinds(); track line) {
          <li>{{ line }}</li>
        }
      </ul>
      <p class="note">
        What you took stays; what you left out stays out. One undo brings back the version before.
      </p>
    </section>
    <section>
      <jh-last-bars />
    </section>
  `,
  styleUrls: ['../../ui/panel.less', './fills.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VersionPanel {
  protected readonly state = inject(FillsState);
  protected readonly playing = inject(Playing);
  protected readonly fillsLevel = FILLS;
  protected readonly measures: readonly ChoiceOption<Measure>[] = [
    { value: 'none', label: 'None' },
    { value: 'few', label: 'Few' },
    { value: 'some', label: 'Some' },
    { value: 'many', label: 'Many' },
  ];
  protected readonly hasFills = computed(() => this.state.bench.levelRow().hasFills);
  private readonly chosen = computed(() => this.state.bench.song()?.choices.fills);
  protected readonly measure = computed(() => (this.hasFills() ? (this.chosen()?.measure ?? 'few') : 'none'));
  protected readonly seed = computed(() => this.chosen()?.seed ?? 0);
  protected readonly told = computed(() => {
    const arrangement = this.state.bench.arrangement();
    return arrangement ? versionInWords(arrangement).summary : '';
  });
  protected readonly kinds = computed(() => {
    const arrangement = this.state.bench.arrangement();
    return arrangement ? versionInWords(arrangement).kinds : [];
  });

  protected choose(measure: Measure, seed: number): void {
    const fills = { measure, seed };
    this.state.bench.choose(this.hasFills() ? { fills } : { fills, level: FILLS });
  }
}
