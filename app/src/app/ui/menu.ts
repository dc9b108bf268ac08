import { ChangeDetectionStrategy, Component, type ElementRef, input, viewChild } from '@angular/core';

/** A button that opens a short list of things to press; it closes when one is pressed, on Escape, and when it is left. */
@Component({
  selector: 'jh-menu',
  template: `
    <details #menu (keydown.escape)="escape($event)" (focusout)="closeWhenLeft($event)">
      <summary [attr.aria-label]="told()">{{ label() }}</summary>
      <div class="menu" [class.up]="opensUp()" (click)="menu.open = false"><ng-content /></div>
    </details>
  `,
  styleUrl: './menu.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Menu {
  readonly label = input.required<string>();
  /** What it is for, where the label is a sign; begins with the label where that is a word. */
  readonly told = input<string | null>(null);
  readonly opensUp = input(false);
  private readonly menu = viewChild.required<ElementRef<HTMLDetailsElement>>('menu');

  protected escape(event: Event): void {
    const menu = this.menu().nativeElement;
    if (!menu.open) return;
    event.stopPropagation();
    menu.open = false;
    menu.querySelector('summary')?.focus();
  }

  /** Neither it nor anything in it has the focus any more. */
  protected closeWhenLeft(event: FocusEvent): void {
    const menu = this.menu().nativeElement;
    const to = event.relatedTarget;
    if (to instanceof Node && menu.contains(to)) return;
    if (to !== null || !menu.matches(':hover')) menu.open = false;
  }
}
