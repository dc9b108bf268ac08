import {
  ChangeDetectionStrategy,
  Component,
  computed,
  CSP_NONCE,
  DestroyRef,
  DOCUMENT,
  effect,
  ElementRef,
  inject,
  ViewEncapsulation,
  viewChild,
} from '@angular/core';
import { type Page, paperStyle, SHEET_STYLE, SHEETS } from '@joined-hands/core/sheets';
import { partsInWords } from '@joined-hands/core/words';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Choice, type ChoiceOption } from '../../ui/choice';
import { HandoutState } from './handout-state';

const PRINTED = 'jh-printed';

/** The pages of the handout, as they are printed. */
@Component({
  selector: 'jh-handout-pages',
  imports: [Choice, NzButtonComponent],
  template: `
    @if (state.problem(); as text) {
      <p class="problem" role="alert">{{ text }}</p>
    }
    @if (state.pages(); as pages) {
      @if (pages.length === 0) {
        <p class="nothing">No sheet is chosen. Add one on the right.</p>
      } @else {
        <div class="bar">
          <button
            nz-button
            nzSize="small"
            type="button"
            [disabled]="state.page() === 0"
            (click)="state.turn(-1)"
          >
            ‹ Previous
          </button>
          <span aria-live="polite">Page {{ state.page() + 1 }} of {{ pages.length }}</span>
          <button nz-button nzSize="small" type="button" [disabled]="isLast()" (click)="state.turn(1)">
            Next ›
          </button>
          <jh-choice
            name="pages-shown"
            label="How pages are shown"
            [options]="views"
            [value]="state.isSpread()"
            (chosen)="state.isSpread.set($event)"
          />
        </div>
      }
    } @else {
      <p class="nothing">Laying out the sheets …</p>
    }
    <div #host class="pages" [class.spread]="state.isSpread()"></div>
  `,
  styleUrl: './handout-pages.less',
  encapsulation: ViewEncapsulation.None,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandoutPages {
  protected readonly state = inject(HandoutState);
  protected readonly views: readonly ChoiceOption<boolean>[] = [
    { value: false, label: 'One page' },
    { value: true, label: 'Side by side' },
  ];
  protected readonly isLast = computed(
    () => this.state.page() + (this.state.isSpread() ? 2 : 1) >= (this.state.pages()?.length ?? 0),
  );
  private readonly document = inject(DOCUMENT);
  private readonly host = viewChild.required<ElementRef<HTMLElement>>('host');
  private readonly style = this.document.createElement('style');
  private shown = 0;

  constructor() {
    this.style.nonce = inject(CSP_NONCE) ?? '';
    this.document.head.append(this.style);
    effect(() => this.style.replaceChildren(SHEET_STYLE + paperStyle(this.state.paper())));
    // The page in the middle of the window is the one that is looked at.
    const seen = new IntersectionObserver(
      (entries) => {
        const inMiddle = entries.find(({ isIntersecting }) => isIntersecting);
        if (inMiddle) this.lookAt([...this.host().nativeElement.children].indexOf(inMiddle.target));
      },
      { rootMargin: '-49% 0px -49% 0px' },
    );
    effect(() => {
      const pages = this.state.pages() ?? [];
      const elements = pages.map((page) => this.pageElement(page));
      this.host().nativeElement.replaceChildren(...elements);
      seen.disconnect();
      for (const element of elements) seen.observe(element);
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
      seen.disconnect();
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
      after();
      this.style.remove();
    });
  }

  /** One scrolled to a page: nothing is scrolled for it. */
  private lookAt(at: number): void {
    const page = this.state.isSpread() ? at - (at % 2) : at;
    if (page < 0 || page === this.state.page()) return;
    this.shown = page;
    this.state.page.set(page);
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
    element.setAttribute('aria-label', `Page ${number}: ${name}${parts ? `, ${partsInWords(parts)}` : ''}`);
    element.innerHTML = svg;
    element.style.setProperty('--aspect', String(aspect));
    return element;
  }
}
