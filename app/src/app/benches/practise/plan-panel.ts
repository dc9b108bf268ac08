import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Job } from '@joined-hands/core/practice';
import { jobInWords, jobTitle, planInWords } from '@joined-hands/core/words';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Choice } from '../../ui/choice';
import { PractiseState } from './practise-state';

/** The jobs of today, in the order practitioners work, and what waits. */
@Component({
  selector: 'jh-plan-panel',
  imports: [Choice, NzButtonModule],
  template: `
    <section>
      <h2 id="minutes-title">Minutes today</h2>
      <jh-choice
        name="minutes"
        labelledBy="minutes-title"
        [options]="minutes"
        [value]="state.minutes()"
        (chosen)="chooseMinutes($event)"
      />
      <h3 id="chain-title">Parts are put together</h3>
      <jh-choice
        name="chain"
        labelledBy="chain-title"
        [options]="chains"
        [value]="state.chain()"
        (chosen)="chooseChain($event)"
      />
      <p aria-live="polite">{{ summary() }}</p>
    </section>
    <ol class="ranked" aria-label="The jobs of today">
      @for (job of state.plan()?.jobs ?? []; track job.id; let i = $index) {
        <li [class.heard]="i === state.at()">
          <span
            ><b>{{ title(job) }}</b
            ><small>{{ words(job) }}</small></span
          >
          <button
            nz-button
            nzSize="small"
            type="button"
            [attr.aria-label]="'Go to ' + title(job)"
            (click)="begin(i)"
          >
            Go
          </button>
        </li>
      }
    </ol>
    @if (waiting().length > 0) {
      <section>
        <h3>Waiting</h3>
        <ul>
          @for (line of waiting(); track $index) {
            <li>{{ line }}</li>
          }
        </ul>
      </section>
    }
  `,
  styleUrls: ['../../ui/panel.less', './practise.less'],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanPanel {
  protected readonly state = inject(PractiseState);
  protected readonly minutes = [10, 20, 40].map((value) => ({ value, label: String(value) }));
  protected readonly chains = [
    { value: 'growing', label: '1, 1–2, 1–3 …' },
    { value: 'pairs', label: 'In pairs' },
  ] as const;
  protected readonly summary = computed(() => {
    const plan = this.state.plan();
    return plan ? planInWords(plan) : '';
  });
  protected readonly waiting = computed(() =>
    (this.state.plan()?.leftOut ?? [])
      .slice(0, 8)
      .map(
        ({ job, why }) =>
          `${jobTitle(job)}: ${why === 'not due' ? 'passed, and not due yet' : 'no time today'}`,
      ),
  );

  protected title(job: Job): string {
    return jobTitle(job);
  }

  protected words(job: Job): string {
    return jobInWords(job);
  }

  protected chooseMinutes(minutes: number): void {
    this.state.minutes.set(minutes);
    this.state.planAnew();
  }

  protected chooseChain(chain: 'growing' | 'pairs'): void {
    this.state.chain.set(chain);
    this.state.planAnew();
  }

  protected begin(index: number): void {
    this.state.goTo(index);
    this.state.job.set('now');
  }
}
