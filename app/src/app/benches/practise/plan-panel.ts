import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { type Goal, type Task, PRACTISE_SETTINGS } from '@joined-hands/core/practice';
import { taskInWords, taskTitle, planInWords, toGoInWords } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputNumberModule } from 'ng-zorro-antd/input-number';
import { Choice } from '../../ui/choice';
import { PractiseState } from './practise-state';

/** Why something is not among the tasks of today. */
const WAITS = {
  'not-due': 'passed, and not due yet',
  'not-ready': 'once its parts are passed with both hands',
  'no-time': 'no time today',
} as const;

/** Today’s tasks, in the order practitioners work, and what waits. */
@Component({
  selector: 'jh-plan-panel',
  imports: [Choice, FormsModule, NzButtonComponent, NzInputNumberModule],
  template: `
    <section>
      <h2 id="minutes-title">Minutes today</h2>
      <jh-choice
        name="minutes"
        labelledBy="minutes-title"
        [options]="minutes"
        [value]="state.wishes.all().minutes"
        (chosen)="chooseMinutes($event)"
      />
      <h3 id="chain-title">Parts are put together</h3>
      <jh-choice
        name="chain"
        labelledBy="chain-title"
        [options]="chains"
        [value]="state.wishes.all().chain"
        (chosen)="chooseChain($event)"
      />
      <h3 id="days-title">It should be ready in</h3>
      <jh-choice
        name="days"
        labelledBy="days-title"
        [mostInRow]="3"
        [options]="days"
        [value]="daysLeft()"
        (chosen)="chooseDays($event)"
      />
      <p aria-live="polite">{{ summary() }}</p>
      @if (toGo(); as text) {
        <p>{{ text }}</p>
      }
      <details>
        <summary>Goal and breaks</summary>
        <p class="note">A task is passed by clean turns in a row; two that fail make it slower.</p>
        @for (field of fields; track field.name) {
          <label class="field"
            ><span>{{ field.name }}</span>
            <nz-input-number
              [nzMin]="field.min"
              [nzMax]="field.max"
              [nzStep]="field.step"
              [ngModel]="field.get()"
              (ngModelChange)="field.set($event)"
              [nzId]="field.id"
            />
          </label>
        }
        <p class="line">
          <button nz-button nzSize="small" type="button" (click)="asProposed()">As proposed</button>
        </p>
      </details>
    </section>
    <ol class="ranked" aria-label="Today’s tasks">
      @for (task of state.plan()?.tasks ?? []; track task.id; let i = $index) {
        <li [class.heard]="i === state.at()">
          <span
            ><b>{{ title(task) }}</b
            ><small>{{ words(task) }}</small></span
          >
          <button
            nz-button
            nzSize="small"
            type="button"
            [attr.aria-label]="'Go to ' + title(task)"
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
      .map(({ task, why }) => `${taskTitle(task)}: ${WAITS[why]}`),
  );

  protected title(task: Task): string {
    return taskTitle(task);
  }

  protected words(task: Task): string {
    return taskInWords(task);
  }

  protected readonly toGo = computed(() => {
    const plan = this.state.plan();
    return plan ? toGoInWords(plan, this.state.wishes.all().minutes) : '';
  });
  protected readonly days = [
    { value: 0, label: 'No date' },
    { value: 7, label: 'A week' },
    { value: 28, label: '4 weeks' },
  ];
  /** The choice nearest to the days there are. */
  protected readonly daysLeft = computed(() => {
    const days = this.state.wishes.days(Date.now());
    return days === null ? 0 : days <= 7 ? 7 : 28;
  });

  /** What of the goal and the rests may be set; out of bounds nothing is taken. */
  protected readonly fields = [
    this.field('Clean turns in a row', 'turns', [1, 10, 1]),
    this.field('Begins at, % of the tempo', 'from', [30, 100, 5]),
    this.field('A step up, %', 'by', [1, 50, 1]),
    {
      name: 'Clean is, % of keys right',
      id: 'goal-clean',
      min: 50,
      max: 100,
      step: 1,
      get: () => Math.round(this.state.wishes.goal().cleanFrom * 100),
      set: (percent: number | null) => this.setGoal({ cleanFrom: (percent ?? 97) / 100 }),
    },
    {
      name: 'Rest after, minutes (empty: never)',
      id: 'rest-after',
      min: 5,
      max: 120,
      step: 5,
      get: () => this.state.wishes.all().restAfter,
      set: (restAfter: number | null) => this.state.wishes.change({ restAfter }),
    },
  ];

  private field(name: string, key: 'turns' | 'from' | 'by', [min, max, step]: readonly number[]) {
    return {
      name,
      id: `goal-${key}`,
      min,
      max,
      step,
      get: () => this.state.wishes.goal()[key],
      set: (value: number | null) => {
        if (value !== null) this.setGoal({ [key]: value });
      },
    };
  }

  private setGoal(differs: Partial<Goal>): void {
    this.state.wishes.change({ goal: { ...this.state.wishes.goal(), ...differs } });
    this.state.planAnew();
  }

  protected asProposed(): void {
    this.state.wishes.change({ restAfter: PRACTISE_SETTINGS.restAfter });
    this.setGoal(PRACTISE_SETTINGS.goal);
  }

  protected chooseMinutes(minutes: number): void {
    this.state.wishes.change({ minutes });
    this.state.planAnew();
  }

  protected chooseChain(chain: 'growing' | 'pairs'): void {
    this.state.wishes.change({ chain });
    this.state.planAnew();
  }

  protected chooseDays(days: number): void {
    this.state.wishes.setDays(days === 0 ? null : days, Date.now());
    this.state.planAnew();
  }

  protected begin(index: number): void {
    this.state.goTo(index);
    this.state.tab.set('now');
  }
}
