import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { ShelfCard } from '../storage/stored';
import { Menu } from '../ui/menu';

/** What can be done with a song from the shelf. */
export type CardAction = 'name' | 'duplicate' | 'version' | 'export' | 'delete';

/** The menu of a card of the shelf. */
@Component({
  selector: 'jh-card-menu',
  imports: [Menu],
  template: `
    <jh-menu label="More" [told]="'More: ' + card().title">
      @if (!card().trouble) {
        <button type="button" (click)="asked.emit('name')">Name, hands and notes</button>
        <button type="button" (click)="asked.emit('duplicate')">Duplicate</button>
        <button type="button" (click)="asked.emit('version')">New version of it</button>
        <button type="button" (click)="asked.emit('export')">Export the project</button>
      }
      <button type="button" [attr.aria-label]="'Delete ' + card().title" (click)="asked.emit('delete')">
        Delete
      </button>
    </jh-menu>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CardMenu {
  readonly card = input.required<ShelfCard>();
  readonly asked = output<CardAction>();
}
