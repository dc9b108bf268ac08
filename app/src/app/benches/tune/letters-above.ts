import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { LettersEntry } from './letters-entry';
import { TuneState } from './tune-state';

/** The tune in letters and counts above what is drawn of it, while that is asked for. */
@Component({
  selector: 'jh-letters-above',
  imports: [LettersEntry],
  template: `
    @if (tune.tab() === 'letters' && tune.bench.song()) {
      <jh-letters-entry />
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LettersAbove {
  protected readonly tune = inject(TuneState);
}
