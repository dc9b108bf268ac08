import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** Where one works: what of the page it is, and what in it is gone to. */
const PLACES = [
  { within: 'main', to: 'main' },
  { within: 'aside.reasons', to: ':is(.tabs input:checked, input, button, textarea)' },
  { within: 'footer', to: '.play' },
  { within: 'jh-frame-header', to: '[aria-current=page]' },
] as const;

/** Goes to the next place where one works, or to the one before; on from the music where one is in none. */
export function goToNextPlace(by: 1 | -1): void {
  // A dialog keeps the focus.
  if (document.querySelector('[role=dialog]')) return;
  const places = PLACES.flatMap(({ within, to }) => {
    const whole = document.querySelector(within);
    const all = within === to ? [whole] : [...(whole?.querySelectorAll(to) ?? [])];
    const first = all.find((one) => one?.checkVisibility());
    return whole && first ? [{ whole, first: first as HTMLElement }] : [];
  });
  const here = places.findIndex(({ whole }) => whole.contains(document.activeElement));
  const next = here < 0 ? 0 : (here + by + places.length) % places.length;
  places[next]?.first.focus();
}

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
