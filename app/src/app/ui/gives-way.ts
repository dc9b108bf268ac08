import { Directive, ElementRef, inject } from '@angular/core';

/**
 * A button that goes when it is pressed hands the focus to the row it stands in: the keyboard goes on from there, and
 * the browser does not measure the page to find out what has lost it.
 */
@Directive({ selector: 'button[jhGivesWay]', host: { '(click)': 'handOver()' } })
export class GivesWay {
  private readonly button = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected handOver(): void {
    const row = this.button.closest<HTMLElement>('li, jh-offer');
    if (!row) return;
    row.tabIndex = -1;
    row.classList.add('handed');
    row.focus({ preventScroll: true });
  }
}
