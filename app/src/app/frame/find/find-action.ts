import {
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  type Signal,
  signal,
  viewChild,
} from '@angular/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NZ_MODAL_DATA, NzModalRef } from 'ng-zorro-antd/modal';
import { type Findable, foundIn } from './found';

/** Rows shown; more words find the others. */
const MOST = 9;

/** Finds an action, a setting or a song by plain words: typed, chosen with the arrows, done with Enter. */
@Component({
  selector: 'jh-find-action',
  imports: [NzInputModule],
  template: `
    <input
      #field
      nz-input
      cdkFocusInitial
      role="combobox"
      aria-expanded="true"
      aria-controls="found"
      aria-autocomplete="list"
      aria-label="What are you looking for?"
      placeholder="transpose, print, slower, a song …"
      [attr.aria-activedescendant]="rows().length > 0 ? 'found-' + at() : null"
      (input)="look($event)"
      (keydown)="onKey($event)"
    />
    <ul id="found" role="listbox" aria-label="What was found">
      @for (row of rows(); track $index) {
        <li
          role="option"
          [id]="'found-' + $index"
          [attr.aria-selected]="$index === at()"
          (click)="choose(row)"
        >
          <b>{{ row.label }}</b> <small>{{ row.where }}</small>
        </li>
      }
    </ul>
    <p role="status">
      @if (rows().length === 0) {
        Nothing here is called “{{ query() }}”. Try another word for it, or one word less.
      } @else if (all().length > rows().length) {
        {{ all().length - rows().length }} more. Another word narrows it down.
      }
    </p>
  `,
  styles: `
    ul {
      list-style: none;
      margin: var(--space-4) 0;
      padding: 0;
    }
    li {
      display: flex;
      gap: var(--space-6);
      align-items: center;
      justify-content: space-between;
      min-height: 44px;
      padding: 0 var(--space-5);
      border-radius: 8px;
      cursor: pointer;
    }
    li[aria-selected='true'],
    li:hover {
      background: var(--selected);
    }
    small {
      color: var(--ink-soft);
      font-size: var(--type-note);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindAction {
  private readonly findable = inject<Signal<readonly Findable[]>>(NZ_MODAL_DATA);
  private readonly dialog = inject(NzModalRef);
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  protected readonly query = signal('');
  protected readonly all = computed(() => foundIn(this.findable(), this.query()));
  protected readonly rows = computed(() => this.all().slice(0, MOST));
  protected readonly at = signal(0);

  protected look(event: Event): void {
    this.query.set((event.target as HTMLInputElement).value);
    this.at.set(0);
  }

  protected onKey(event: KeyboardEvent): void {
    const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    const row = this.rows()[this.at()];
    if (by) this.at.update((at) => (at + by + this.rows().length) % Math.max(1, this.rows().length));
    else if (event.key === 'Enter' && row) this.choose(row);
    else return;
    event.preventDefault();
  }

  protected choose({ run }: Findable): void {
    this.field().nativeElement.blur();
    this.dialog.close();
    run();
  }
}
