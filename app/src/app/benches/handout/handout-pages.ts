import {
  ChangeDetectionStrategy,
  Component,
  CSP_NONCE,
  DestroyRef,
  DOCUMENT,
  effect,
  ElementRef,
  inject,
  ViewEncapsulation,
  viewChild,
} from '@angular/core';
import { type Page, paperStyle, partsOnPage, SHEET_STYLE, SHEETS } from '@joined-hands/core/sheets';
import { HandoutState } from './handout-state';

const PRINTED = 'jh-printed';

/** The pages of the handout, as they are printed. */
@Component({
  selector: 'jh-handout-pages',
  template: `
    @if (state.problem(); as text) {
      <p class="problem" role="alert">{{ text }}</p>
    }
    @if (state.pages(); as pages) {
      @if (pages.length === 0) {
        <p class="nothing">No sheet is chosen. Add one on the right.</p>
      } @else {
        <p class="visually-hidden" aria-live="polite">Page {{ state.page() + 1 }} of {{ pages.length }}</p>
      }
    } @else {
      <p class="nothing">Laying out the sheets …</p>
    }
    <div #host class="pages"></div>
  `,
  styleUrl: './handout-pages.less',
  encapsulation: ViewEncapsulation.None,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandoutPages {
  protected readonly state = inject(HandoutState);
  private readonly document = inject(DOCUMENT);
  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');
  private readonly style = this.document.createElement('style');
  private shown = 0;

  constructor() {
    this.style.nonce = inject(CSP_NONCE) ?? '';
    this.document.head.append(this.style);
    effect(() => this.style.replaceChildren(SHEET_STYLE + paperStyle(this.state.paper())));
    effect(() => {
      const pages = this.state.pages() ?? [];
      this.host().nativeElement.replaceChildren(...pages.map((page) => this.pageElement(page)));
    });
    // Only a page that is turned to is scrolled to: where one reads stays as it is when the sheets are laid out anew.
    effect(() => {
      const page = this.state.page();
      if (page === this.shown) return;
      this.shown = page;
      this.host().nativeElement.children.item(page)?.scrollIntoView({ block: 'start' });
    });
    // Only while it is printed are the pages there a second time, outside the frame of the screen.
    const before = (): void => this.prepare();
    const after = (): void => this.document.getElementById(PRINTED)?.remove();
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    inject(DestroyRef).onDestroy(() => {
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
      after();
      this.style.remove();
    });
  }

  private prepare(): void {
    this.document.getElementById(PRINTED)?.remove();
    const printed = this.document.createElement('div');
    printed.id = PRINTED;
    printed.append(...(this.state.pages() ?? []).map((page) => this.pageElement(page)));
    this.document.body.append(printed);
  }

  /** A page is text the core has written; what came from a song is escaped there. */
  private pageElement({ svg, number, sheet, parts, aspect }: Page): HTMLElement {
    const element = this.document.createElement('section');
    element.className = 'page';
    const name = SHEETS.find(({ id }) => id === sheet)?.name ?? '';
    element.setAttribute('aria-label', `Page ${number}: ${name}${parts ? `, ${partsOnPage(parts)}` : ''}`);
    element.innerHTML = svg;
    element.style.aspectRatio = String(aspect);
    return element;
  }
}
