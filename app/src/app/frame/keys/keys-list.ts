import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NZ_MODAL_DATA } from 'ng-zorro-antd/modal';
import type { Shortcut } from './commands';
import { SHORTCUTS, Shortcuts } from './shortcuts';

/** Every key of the bench. */
@Component({
  selector: 'jh-keys-list',
  imports: [NzButtonModule],
  template: `
    <dl>
      @for (shortcut of list; track shortcut.keys) {
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
      {{ shortcuts.areOn() ? 'Switch single keys off' : 'Switch single keys on' }}
    </button>
    <p>Piano sound: recordings of a grand piano by Alexander Holm, CC BY 3.0.</p>
  `,
  styles: `
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 8px 20px;
      margin: 0 0 16px;
      font-size: 18px;
    }
    dt {
      font-weight: 700;
      white-space: pre;
    }
    dd {
      margin: 0;
    }
    p {
      margin: 16px 0 0;
      color: var(--ink-soft);
      font-size: 16px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeysList {
  protected readonly shortcuts = inject(Shortcuts);
  /** Keys of the open bench: there the arrows and some letters mean other things. */
  private readonly own = inject<readonly Shortcut[]>(NZ_MODAL_DATA, { optional: true }) ?? [];
  protected readonly list =
    this.own.length > 0
      ? [...this.own, ...SHORTCUTS.filter(({ keys }) => !/[←↑]|Enter/.test(keys))]
      : SHORTCUTS;
}
