import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  inject,
  Injector,
} from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { Offline } from './ui/offline';
import { Ways } from './ui/own-ways';
import { Problems } from './ui/problems';

/** One view at a time; over it what went wrong, whatever it was. */
@Component({
  selector: 'jh-root',
  imports: [RouterOutlet],
  template: `
    @if (problems.sentence(); as text) {
      <p
        class="app-problem"
        role="alert"
        (mouseenter)="problems.stays()"
        (mouseleave)="problems.goesSoon()"
        (focusin)="problems.stays()"
        (focusout)="problems.goesSoon()"
      >
        {{ text }}
        @if (problems.hasRaw()) {
          <button type="button" (click)="problems.takeAwayRaw()">Download the raw data</button>
        }
        <button type="button" (click)="problems.putAway()">Close</button>
      </p>
    }
    <router-outlet (activate)="viewCame()" />
  `,
  styles: `
    .app-problem {
      position: fixed;
      inset: 64px 12px auto;
      width: fit-content;
      max-width: 640px;
      z-index: 1100;
      margin: 0 auto;
      padding: var(--space-6) var(--space-8);
      border-radius: var(--radius);
      background: var(--right-soft);
      box-shadow: 0 4px 24px var(--shade);
      font-size: var(--type-body);
    }
    button {
      margin-left: var(--space-6);
      padding: var(--space-1) var(--space-5);
      border: 1.5px solid var(--ink);
      border-radius: 8px;
      background: var(--paper-light);
      font: inherit;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class App {
  protected readonly problems = inject(Problems);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly injector = inject(Injector);
  private isFirstView = true;

  constructor() {
    inject(Offline).begin();
    inject(Ways).begin();
  }

  /** What was pressed to come here is gone: the keyboard goes on in the view that came, not at the top of the page. */
  protected viewCame(): void {
    const focusView = (): void => {
      if (document.activeElement === document.body) this.host.nativeElement.querySelector('main')?.focus();
    };
    if (!this.isFirstView) afterNextRender(focusView, { injector: this.injector });
    this.isFirstView = false;
  }
}
