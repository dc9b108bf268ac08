import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NZ_MODAL_DATA } from 'ng-zorro-antd/modal';
import type { BenchKey } from './bench-keys';
import { Shortcuts } from './shortcuts';

/** What a bench is called and for, with all keys that are of use there. */
interface BenchHelp {
  readonly name: string;
  readonly help: string;
  readonly keys: readonly BenchKey[];
}

/** What the bench is for, and every key of it. */
@Component({
  selector: 'jh-keys-list',
  imports: [NzButtonComponent],
  template: `
    <p class="about">
      <b>{{ about.name }}.</b> {{ about.help }}
    </p>
    <dl>
      @for (shortcut of about.keys; track $index) {
        <dt>{{ shortcut.keys }}</dt>
        <dd>{{ shortcut.does }}</dd>
      }
    </dl>
    <button
      nz-button
      type="button"
      [attr.aria-pressed]="!shortcuts.areOn()"
      (click)="shortcuts.switch(!shortcuts.areOn())"
    >
      {{ shortcuts.areOn() ? 'Turn off single-key shortcuts' : 'Turn on single-key shortcuts' }}
    </button>
    <p>Piano sound: recordings of a grand piano by Alexander Holm, CC BY 3.0.</p>
  `,
  styles: `
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: var(--space-4) var(--space-9);
      margin: 0 0 var(--space-8);
      font-size: var(--type-body);
    }
    dt {
      font-weight: 700;
      white-space: pre;
    }
    dd {
      margin: 0;
    }
    .about {
      margin: 0 0 var(--space-8);
      color: var(--ink);
      font-size: var(--type-body);
    }
    p {
      margin: var(--space-8) 0 0;
      color: var(--ink-soft);
      font-size: var(--type-note);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeysList {
  protected readonly shortcuts = inject(Shortcuts);
  protected readonly about = inject<BenchHelp>(NZ_MODAL_DATA);
}
