import { ChangeDetectionStrategy, Component, effect, ElementRef, inject } from '@angular/core';
import { Choice } from '../../ui/choice';
import { LogPanel } from './log-panel';
import { NowPanel } from './now-panel';
import { PlacesPanel } from './places-panel';
import { PlanPanel } from './plan-panel';
import { PRACTISE_JOBS, PractiseState } from './practise-state';
import { RecordingPanel } from './recording-panel';

/** The side of the Practise bench: what is practised now, the plan it belongs to, what came of it. */
@Component({
  selector: 'jh-practise-panel',
  imports: [Choice, LogPanel, NowPanel, PlacesPanel, PlanPanel, RecordingPanel],
  template: `
    <jh-choice
      name="practise-job"
      label="What to look at"
      [mostInRow]="3"
      [options]="jobs"
      [value]="state.job()"
      (chosen)="state.job.set($event)"
    />
    <div class="job">
      @switch (state.job()) {
        @case ('now') {
          <jh-now-panel />
        }
        @case ('plan') {
          <jh-plan-panel />
        }
        @case ('places') {
          <jh-places-panel />
        }
        @case ('recording') {
          <jh-recording-panel />
        }
        @case ('log') {
          <jh-log-panel />
        }
      }
    </div>
  `,
  styles: `
    .job {
      margin-top: 14px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PractisePanel {
  protected readonly state = inject(PractiseState);
  protected readonly jobs = PRACTISE_JOBS;

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef);
    // Each of them is seen from its beginning, and so is the next job.
    effect(() => {
      this.state.job();
      this.state.current();
      host.nativeElement.closest('aside')?.scrollTo(0, 0);
    });
  }
}
