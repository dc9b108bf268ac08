import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FindingsList } from '../../frame/findings-list';
import { Choice } from '../../ui/choice';
import { EffortPanel } from './effort-panel';
import { FingersPanel } from './fingers-panel';
import { JOIN_JOBS, JoinState } from './join-state';
import { PatternsPanel } from './patterns-panel';
import { Reasons } from './reasons';
import { StepsPanel } from './steps-panel';

/** The side of the Join bench: one job at a time, and what should be looked at. */
@Component({
  selector: 'jh-join-panel',
  imports: [Choice, EffortPanel, FindingsList, FingersPanel, PatternsPanel, Reasons, StepsPanel],
  template: `
    <jh-choice
      name="join-job"
      label="What to do with both hands"
      [mostInRow]="3"
      [options]="jobs"
      [value]="state.job()"
      (chosen)="state.job.set($event)"
    />
    <div class="job">
      @switch (state.job()) {
        @case ('why') {
          <jh-reasons />
        }
        @case ('patterns') {
          <jh-patterns-panel />
        }
        @case ('steps') {
          <jh-steps-panel />
        }
        @case ('fingers') {
          <jh-fingers-panel />
        }
        @case ('effort') {
          <jh-effort-panel />
        }
      }
    </div>
    <jh-findings-list />
  `,
  styles: `
    :host ::ng-deep .ant-radio-button-wrapper {
      padding: 0 9px;
    }
    .job {
      margin-top: 14px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JoinPanel {
  protected readonly state = inject(JoinState);
  protected readonly jobs = JOIN_JOBS;
}
