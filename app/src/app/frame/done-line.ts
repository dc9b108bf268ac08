import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  signal,
  untracked,
} from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { BenchState } from './bench-state';

/** How long what was done stands, in milliseconds. */
const SHOWN_MS = 12_000;

/** What was just done, with the way back beside it; nothing before the first edit and after an undo. */
@Component({
  selector: 'jh-done-line',
  imports: [NzButtonComponent],
  template: `
    @if (done(); as what) {
      <p role="status">
        <span>{{ what }}</span>
        <button
          nz-button
          nzSize="small"
          type="button"
          [attr.aria-label]="'Undo ' + what"
          (click)="bench.undo()"
        >
          Undo
        </button>
      </p>
    }
  `,
  styles: `
    /* Over what is under it, which is reached by scrolling. */
    :host {
      position: sticky;
      bottom: 0;
      display: block;
    }
    p {
      display: flex;
      gap: var(--space-4);
      align-items: center;
      justify-content: space-between;
      margin: var(--space-6) 0 0;
      padding: var(--space-3) var(--space-5);
      border-radius: 8px;
      background: var(--ink);
      color: var(--paper-light);
    }
    span::first-letter {
      text-transform: uppercase;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DoneLine {
  protected readonly bench = inject(BenchState);
  private readonly lastStep = computed(() => this.bench.state().past.at(-1) ?? null);
  protected readonly done = signal('');

  constructor() {
    let known = untracked(this.lastStep);
    effect((onCleanup) => {
      const step = this.lastStep();
      const isNew = step !== null && step !== known && untracked(this.bench.state).future.length === 0;
      known = step;
      this.done.set(isNew ? step.what : '');
      if (!isNew) return;
      const later = setTimeout(() => this.done.set(''), SHOWN_MS);
      onCleanup(() => clearTimeout(later));
    });
  }
}
