import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import { counted } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Choice } from '../ui/choice';
import type { ShelfOrder } from './find';

/** Finds songs on a full shelf as one types, and puts them in order. */
@Component({
  selector: 'jh-find-row',
  imports: [Choice, NzButtonComponent, NzInputModule],
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
    <jh-choice name="order" label="Order" [options]="orders" [value]="order()" (chosen)="order.set($event)" />
    <span role="status">{{ query() ? shown() + ' of ' + count(all()) : count(all()) }}</span>
    @if (query() && shown() === 0) {
      <button nz-button type="button" (click)="query.set('')">Show all</button>
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
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FindRow {
  readonly query = model.required<string>();
  readonly order = model.required<ShelfOrder>();
  /** Songs found, and songs there are. */
  readonly shown = input.required<number>();
  readonly all = input.required<number>();
  protected readonly orders = [
    { value: 'opened', label: 'Last opened' },
    { value: 'title', label: 'Title' },
  ] as const;

  protected count(songs: number): string {
    return counted(songs, 'song');
  }
}
