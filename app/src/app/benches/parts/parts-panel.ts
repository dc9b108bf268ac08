import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FindingsList } from '../../frame/findings-list';
import { Choice } from '../../ui/choice';
import { CuttingPanel } from './cutting-panel';
import { PARTS_JOBS, PartsState } from './parts-state';
import { SectionsPanel } from './sections-panel';
import { ThisPartPanel } from './this-part-panel';

/** The side of the Parts bench: the part on screen, how the song is cut, its sections. */
@Component({
  selector: 'jh-parts-panel',
  imports: [Choice, CuttingPanel, FindingsList, SectionsPanel, ThisPartPanel],
  template: `
    <jh-choice
      name="parts-job"
      label="What to do with the parts"
      [mostInRow]="3"
      [options]="jobs"
      [value]="state.job()"
      (chosen)="state.job.set($event)"
    />
    <div class="job">
      @switch (state.job()) {
        @case ('part') {
          <jh-this-part-panel />
        }
        @case ('cut') {
          <jh-cutting-panel />
        }
        @case ('sections') {
          <jh-sections-panel />
        }
      }
    </div>
    <jh-findings-list />
  `,
  styles: `
    :host ::ng-deep .ant-radio-button-wrapper {
      padding: 0 11px;
    }
    .job {
      margin-top: 14px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PartsPanel {
  protected readonly state = inject(PartsState);
  protected readonly jobs = PARTS_JOBS;
}
