import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { counted } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import type { ShelfOrder } from './find';

/** Finds songs on a full shelf as one types, those of a pupil or a concert by their tag, and puts them in order. */
@Component({
  selector: 'jh-find-row',
  imports: [FormsModule, NzButtonComponent, NzInputModule, NzSelectModule],
  template: `
    <input
      nz-input
      type="search"
      maxlength="200"
      autocomplete="off"
      aria-label="Find a song"
      placeholder="Find a song by title or key"
      [value]="query()"
      (input)="query.set($any($event.target).value)"
    />
    @if (tags().length > 0) {
      <label class="visually-hidden" for="shelf-tag">Songs with the tag</label>
      <nz-select class="tag" nzId="shelf-tag" [ngModel]="tag()" (ngModelChange)="tag.set($event)">
        <nz-option [nzValue]="null" nzLabel="All tags" />
        @for (one of tags(); track one) {
          <nz-option [nzValue]="one" [nzLabel]="one" />
        }
      </nz-select>
    }
    <label class="visually-hidden" for="shelf-order">Order of the songs</label>
    <nz-select class="order" nzId="shelf-order" [ngModel]="order()" (ngModelChange)="order.set($event)">
      @for (one of orders; track one.value) {
        <nz-option [nzValue]="one.value" [nzLabel]="one.label" />
      }
    </nz-select>
    <span role="status">{{ isNarrowed() ? shown() + ' of ' + count(all()) : count(all()) }}</span>
    @if (isNarrowed() && shown() === 0) {
      <button nz-button type="button" (click)="showAll()">Show all</button>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: var(--space-4) var(--space-6);
      align-items: center;
      margin-bottom: var(--space-8);
    }
    input {
      flex: 1 1 220px;
      max-width: 420px;
    }
    .tag,
    .order {
      width: 170px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindRow {
  readonly query = model.required<string>();
  readonly order = model.required<ShelfOrder>();
  /** Songs found, and songs there are. */
  readonly shown = input.required<number>();
  readonly all = input.required<number>();
  readonly tag = model.required<string | null>();
  /** All there are. */
  readonly tags = input.required<readonly string[]>();
  protected readonly isNarrowed = computed(() => this.query() !== '' || this.tag() !== null);
  protected readonly orders: readonly { readonly value: ShelfOrder; readonly label: string }[] = [
    { value: 'opened', label: 'Last opened' },
    { value: 'changed', label: 'Last changed' },
    { value: 'title', label: 'By title' },
    { value: 'key', label: 'By key' },
    { value: 'length', label: 'Shortest first' },
  ];

  protected showAll(): void {
    this.query.set('');
    this.tag.set(null);
  }

  protected count(songs: number): string {
    return counted(songs, 'song');
  }
}
