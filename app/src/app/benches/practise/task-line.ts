import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { isOfSong } from '@joined-hands/core/practice';
import { standingInWords, taskTitle } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { PractiseState } from './practise-state';

/** Where the panel is a sheet, the task of now stands over the music. */
@Component({
  selector: 'jh-task-line',
  imports: [NzButtonComponent],
  template: `
    @if (state.current(); as task) {
      <p>
        <span>
          <b>{{ title() }}</b>
          @if (!state.isSaid()) {
            <small>{{ standing() }}</small>
          }
        </span>
        @if (isOfSong(task)) {
          <button nz-button type="button" (click)="state.hear()">Hear it</button>
        }
        <button nz-button nzType="primary" type="button" (click)="state.said(true)">
          {{ state.isSaid() ? 'Done' : 'Clean' }}
        </button>
        <button nz-button type="button" (click)="state.next()">Next</button>
      </p>
    }
  `,
  styles: `
    p {
      display: none;
      align-items: center;
      gap: var(--space-3);
      margin: 0;
      padding: var(--space-1) var(--space-2);
    }
    @media (max-width: 899px) {
      p {
        display: flex;
      }
    }
    span {
      flex: 1;
      min-width: 0;
      line-height: 1.15;
    }
    small {
      display: block;
      font-size: var(--type-small);
      color: var(--ink-soft);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TaskLine {
  protected readonly state = inject(PractiseState);
  protected readonly isOfSong = isOfSong;
  protected readonly title = computed(() => {
    const task = this.state.current();
    return task ? taskTitle(task) : '';
  });
  protected readonly standing = computed(() =>
    standingInWords(this.state.standing(), this.state.wishes.goal().turns),
  );
}
