import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { FindingsList } from '../../frame/findings-list';
import { Choice } from '../../ui/choice';
import { BarsPanel } from './bars-panel';
import { KeysPanel } from './keys-panel';
import { NotesPanel } from './notes-panel';
import { PlayPanel } from './play-panel';
import { ToldPanel } from './told-panel';
import { JOBS, TuneState } from './tune-state';
import { WordsPanel } from './words-panel';

/** The side of the Tune bench: one job at a time, and what should be looked at. */
@Component({
  selector: 'jh-tune-panel',
  imports: [BarsPanel, Choice, FindingsList, KeysPanel, NotesPanel, PlayPanel, ToldPanel, WordsPanel],
  template: `
    <jh-choice
      name="job"
      label="What to do"
      [mostInRow]="4"
      [options]="jobs"
      [value]="tune.job()"
      (chosen)="tune.job.set($event)"
    />
    <div class="job">
      @switch (tune.job()) {
        @case ('notes') {
          <jh-notes-panel />
        }
        @case ('words') {
          <jh-words-panel />
        }
        @case ('bars') {
          <jh-bars-panel />
        }
        @case ('letters') {
          <section class="signs">
            <h2>How to tell a tune</h2>
            <dl>
              @for (sign of signs; track sign[0]) {
                <dt>{{ sign[0] }}</dt>
                <dd>{{ sign[1] }}</dd>
              }
            </dl>
          </section>
        }
        @case ('play') {
          <jh-play-panel />
        }
        @case ('keys') {
          <jh-keys-panel />
        }
        @case ('told') {
          <jh-told-panel />
        }
      }
    </div>
    <jh-findings-list />
  `,
  styles: `
    .job {
      margin-top: 14px;
    }
    h2 {
      font-size: 23px;
      margin-bottom: 8px;
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 6px 14px;
      margin: 0 0 14px;
    }
    dt {
      font-weight: 700;
      white-space: pre;
    }
    dd {
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TunePanel {
  protected readonly tune = inject(TuneState);
  protected readonly jobs = JOBS;
  protected readonly signs: readonly (readonly [string, string])[] = [
    ['A B C', 'the nearest such key'],
    ['F# Bb', 'sharp, flat; Fn natural'],
    ['/C \\C', 'upwards, downwards; doubled an octave more'],
    ['A*3', 'three times'],
    [';B', 'a grace note'],
    ['A3', 'in that octave, for the first'],
    ['1 2& 3', 'the counts that are struck'],
    ['4e 4a', 'sixteenths; 2t 2l triplets'],
    ['(3)', 'silent from 3'],
    ['| - 2', 'goes on holding, then 2'],
    ['4 | 1', 'a first bar from 4 on: the pick-up'],
  ];
}
