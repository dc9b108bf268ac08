import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { GivesWay } from './gives-way';

/** One of a ranked list of things that can be heard before they are taken; what is played now says so. */
@Component({
  selector: 'jh-offer',
  host: { '[class.stacked]': 'isStacked()' },
  imports: [GivesWay, NzButtonComponent],
  template: `
    <div class="hear">
      <b>{{ name() }}</b>
      @if (mark()) {
        <span class="now"> · {{ mark() }}</span>
      }
      @if (says()) {
        <small>{{ says() }}</small>
      }
      <ng-content select=".details" />
    </div>
    @if (isPlayed()) {
      <ng-content />
      <span class="now">{{ played() }}</span>
    } @else {
      <button
        nz-button
        nzSize="small"
        nzType="text"
        type="button"
        [attr.aria-label]="'Hear ' + (inFull() ?? name())"
        (click)="heard.emit()"
      >
        Hear
      </button>
      <button
        nz-button
        jhGivesWay
        nzSize="small"
        type="button"
        [attr.aria-label]="'Take ' + (inFull() ?? name())"
        (click)="taken.emit()"
      >
        Take
      </button>
      <ng-content select=".more" />
    }
  `,
  styleUrl: './offered.less',
  styles: `
    :host {
      display: flex;
      flex: 1;
      gap: var(--space-4);
      align-items: center;
      min-width: 0;
    }
    small {
      display: block;
      color: var(--ink-soft);
      font-size: var(--type-note);
    }
    :host(.stacked) {
      flex-wrap: wrap;
      justify-content: flex-end;
    }
    :host(.stacked) .hear {
      flex-basis: 100%;
      padding-bottom: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Offer {
  readonly name = input.required<string>();
  /** The name where it alone does not tell it from the others; for who cannot see what stands below. */
  readonly inFull = input<string>();
  /** Why it is offered, or what it comes to. */
  readonly says = input('');
  /** What sets it apart from the others, in a word or two. */
  readonly mark = input('');
  readonly isPlayed = input(false);
  /** How that is said. */
  readonly played = input('played');
  /** What is said is long: it has the whole width, and the buttons stand below. */
  readonly isStacked = input(false);
  readonly heard = output();
  readonly taken = output();
}
