import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Measure } from '@joined-hands/core/fills';
import { versionInWords } from '@joined-hands/core/words';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Playing } from '../../frame/playing';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { FILLS_RUNG, FillsState } from './fills-state';

/** A whole set of fills at once, few or many, and another of the same measure. */
@Component({
  selector: 'jh-version-panel',
  imports: [Choice, NzButtonModule],
  template: `
    <section>
      <h2 id="measure-title">Let me hear a version</h2>
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
          Another version
        </button>
        <button nz-button type="button" (click)="playing.play('part')">Hear this part</button>
        <button nz-button type="button" (click)="playing.play('song')">Hear it all</button>
      </p>
      @if (!hasFills()) {
        <p class="note">Choosing one goes up to rung {{ fillsRung }}.</p>
      }
      <p aria-live="polite">{{ told() }}</p>
      <ul aria-label="What is filled in, by kind">
        @for (line of kinds(); track line) {
          <li>{{ line }}</li>
        }
      </ul>
      <p class="note">
        What you took stays; what you left out stays out. One press of undo brings the version before back.
      </p>
    </section>
    <section>
      <h3 id="ending-title">The last two bars</h3>
      <jh-choice
        name="fills-ending"
        labelledBy="ending-title"
        [options]="endings"
        [value]="ending()"
        (chosen)="state.bench.choose({ ending: $event })"
      />
    </section>
  `,
  styleUrls: ['../../ui/panel.less', './fills.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class VersionPanel {
  protected readonly state = inject(FillsState);
  protected readonly playing = inject(Playing);
  protected readonly fillsRung = FILLS_RUNG;
  protected readonly measures: readonly ChoiceOption<Measure>[] = [
    { value: 'none', label: 'None' },
    { value: 'few', label: 'Few' },
    { value: 'some', label: 'Some' },
    { value: 'many', label: 'Many' },
  ];
  protected readonly endings = [
    { value: 'in time', label: 'In time' },
    { value: 'slowing', label: 'Slowing' },
  ] as const;
  protected readonly hasFills = computed(() => this.state.bench.rungRow().hasFills);
  private readonly chosen = computed(() => this.state.bench.song()?.choices.fills);
  protected readonly measure = computed(() => (this.hasFills() ? (this.chosen()?.measure ?? 'few') : 'none'));
  protected readonly seed = computed(() => this.chosen()?.seed ?? 0);
  protected readonly ending = computed(() => this.state.bench.song()?.choices.ending ?? 'in time');
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
    this.state.bench.choose(this.hasFills() ? { fills } : { fills, rung: FILLS_RUNG });
  }
}
