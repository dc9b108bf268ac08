import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  effect,
  input,
  signal,
  viewChild,
} from '@angular/core';
import type { Arrangement } from '@joined-hands/core';

/** The part on a grand staff, for those who read. Notation is drawn when first asked for. */
@Component({
  selector: 'jh-staff',
  template: `
    <div
      #host
      class="staff"
      role="img"
      [attr.aria-label]="'Part ' + (part() + 1) + ' on the grand staff'"
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
  protected readonly problem = signal<string | null>(null);
  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');
  private readonly width = signal(0);

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
      if (width < 200) return;
      void import('./draw-staff')
        .then(({ drawStaff }) => drawStaff(element, arrangement, part, width))
        .catch((error: unknown) =>
          this.problem.set(
            `The staff could not be drawn: ${error instanceof Error ? error.message : String(error)}.`,
          ),
        );
    });
  }
}
