import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FindingsList } from '../../frame/findings-list';
import { Choice } from '../../ui/choice';
import { ChordPanel } from './chord-panel';
import { CHORD_JOBS } from './chords-jobs';
import { ChordsState } from './chords-state';
import { HoldsPanel } from './holds-panel';
import { NamePanel } from './name-panel';
import { SchoolsPanel } from './schools-panel';
import { SuggestPanel } from './suggest-panel';

/** The side of the Chords bench: one job at a time, and what should be looked at. */
@Component({
  selector: 'jh-chords-panel',
  imports: [ChordPanel, Choice, FindingsList, HoldsPanel, NamePanel, SchoolsPanel, SuggestPanel],
  template: `
    <jh-choice
      name="chord-job"
      label="What to do with the chords"
      [mostInRow]="3"
      [options]="jobs"
      [value]="state.job()"
      (chosen)="state.job.set($event)"
    />
    @if (state.notice()) {
      <p class="notice" role="status">{{ state.notice() }}</p>
    }
    <div class="job">
      @switch (state.job()) {
        @case ('chord') {
          <jh-chord-panel />
        }
        @case ('schools') {
          <jh-schools-panel />
        }
        @case ('suggest') {
          <jh-suggest-panel />
        }
        @case ('holds') {
          <jh-holds-panel />
        }
        @case ('name') {
          <jh-name-panel />
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
    .notice {
      margin: 10px 0 0;
      padding: 8px 10px;
      border-radius: 8px;
      background: var(--selected);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ChordsPanel {
  protected readonly state = inject(ChordsState);
  protected readonly jobs = CHORD_JOBS;
}
