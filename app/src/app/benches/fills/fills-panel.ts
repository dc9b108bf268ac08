import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FindingsList } from '../../frame/findings-list';
import { Choice } from '../../ui/choice';
import { FILLS_JOBS, FillsState } from './fills-state';
import { FramePanel } from './frame-panel';
import { GrowthPanel } from './growth-panel';
import { PlacesPanel } from './places-panel';
import { VersionPanel } from './version-panel';

/** The side of the Fills bench: one job at a time, and what should be looked at. */
@Component({
  selector: 'jh-fills-panel',
  imports: [Choice, FindingsList, FramePanel, GrowthPanel, PlacesPanel, VersionPanel],
  template: `
    <jh-choice
      name="fills-job"
      label="What to do with fills"
      [mostInRow]="2"
      [options]="jobs"
      [value]="state.job()"
      (chosen)="state.job.set($event)"
    />
    <div class="job">
      @switch (state.job()) {
        @case ('places') {
          <jh-places-panel />
        }
        @case ('version') {
          <jh-version-panel />
        }
        @case ('frame') {
          <jh-frame-panel />
        }
        @case ('grow') {
          <jh-growth-panel />
        }
      }
    </div>
    <jh-findings-list />
  `,
  styles: `
    .job {
      margin-top: 14px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FillsPanel {
  protected readonly state = inject(FillsState);
  protected readonly jobs = FILLS_JOBS;
}
