import {
  ChangeDetectionStrategy,
  Component,
  effect,
  type ElementRef,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { Arrangement } from '@joined-hands/core/arrangement';
import { messageOf } from '../ui/message';

/** The part on a grand staff, for those who read. Notation is drawn when first asked for. */
@Component({
  selector: 'jh-staff',
  template: `
    <div
      #host
      class="staff"
      role="img"
      [attr.aria-label]="'Part ' + (part() + 1) + ' on the grand staff'"
      (click)="press($event)"
    ></div>
    @if (problem()) {
      <p role="alert">{{ problem() }}</p>
    }
  `,
  styles: `
    .staff {
      min-height: 200px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Staff {
  readonly arrangement = input.required<Arrangement>();
  readonly part = input.required<number>();
  /** Played ids of the notes picked. */
  readonly picked = input<readonly string[]>([]);
  readonly notePressed = output<{ id: string; isExtending: boolean }>();
  protected readonly problem = signal<string | null>(null);
  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');
  private readonly width = signal(0);
  private turn = 0;

  constructor() {
    effect((onCleanup) => {
      const observer = new ResizeObserver(([entry]) => this.width.set(Math.floor(entry.contentRect.width)));
      observer.observe(this.host().nativeElement);
      onCleanup(() => observer.disconnect());
    });
    effect(() => {
      const [arrangement, part, width, element] = [
        this.arrangement(),
        this.part(),
        this.width(),
        this.host().nativeElement,
      ];
      const picked = new Set(this.picked());
      if (width < 200) return;
      const turn = ++this.turn;
      void import('./draw-staff')
        .then(async ({ drawStaff, musicFontReady }) => {
          await musicFontReady();
          // Something newer may have been asked for while the font came.
          if (turn === this.turn) drawStaff(element, arrangement, part, width, picked);
        })
        .catch((error: unknown) => this.problem.set(`The staff could not be drawn: ${messageOf(error)}.`));
    });
  }

  protected press(event: MouseEvent): void {
    const target = event.target instanceof Element ? event.target.closest('[data-note]') : null;
    const id = target?.getAttribute('data-note');
    if (id) this.notePressed.emit({ id, isExtending: event.shiftKey });
  }
}
