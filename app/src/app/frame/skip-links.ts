import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** Past what stands before it, to each place where one works; seen when the keyboard comes to it. */
@Component({
  selector: 'jh-skip-links',
  template: `
    <nav aria-label="Skip">
      <button type="button" (click)="focusOn('main')">To the music</button>
      <button type="button" (click)="panelAsked.emit(); focusOn('aside.reasons input, aside.reasons button')">
        To the panel
      </button>
      @if (hasTransport()) {
        <button type="button" (click)="focusOn('footer .play')">To playing</button>
      }
    </nav>
  `,
  styles: `
    nav {
      position: absolute;
      z-index: 30;
      display: flex;
      gap: var(--space-3);
      padding: var(--space-3);
      background: var(--selected);
    }
    nav:not(:focus-within) {
      clip-path: inset(50%);
      pointer-events: none;
    }
    button {
      min-height: 44px;
      padding: 0 var(--space-6);
      border: 1.5px solid var(--ink);
      border-radius: 8px;
      background: var(--paper-light);
      color: var(--ink);
      font: inherit;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SkipLinks {
  readonly hasTransport = input.required<boolean>();
  /** What is gone to is in a sheet on a narrow screen. */
  readonly panelAsked = output();

  /** Once it is on the screen. */
  protected focusOn(place: string): void {
    setTimeout(() => document.querySelector<HTMLElement>(place)?.focus());
  }
}
