import { Directive, ElementRef, inject, input } from '@angular/core';

/** What a press changes has come by then, in milliseconds. */
const COME_MS = 3000;

/**
 * A button that goes when it is pressed hands the focus to the row it stands in: the keyboard goes on from there, and
 * the browser does not measure the page to find out what has lost it. Where the row goes too, the row that follows has
 * it; without one the nearest thing round it that says something.
 */
@Directive({ selector: 'button[jhGivesWay]', host: { '(click)': 'handOver()' } })
export class GivesWay {
  /** The row, as a selector, where it is not the nearest. */
  readonly row = input('', { alias: 'jhGivesWay' });
  private readonly button = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  protected handOver(): void {
    giveWay(this.button, this.row());
  }
}

/** Hands the focus of a button to its row, and on where that goes as well. */
export function giveWay(button: HTMLElement, selector = ''): void {
  const row = button.closest<HTMLElement>(selector || 'li, jh-offer');
  if (!row) return;
  hand(row);
  handOnFrom(row);
}

/** Where the row goes while it has the focus, hands it on. */
function handOnFrom(row: HTMLElement): void {
  const list = row.parentElement;
  if (!list) return;
  const at = [...list.children].indexOf(row);
  const around = ancestorsOf(list);
  const watching = new MutationObserver(() => {
    if (row.isConnected && document.activeElement === row) return;
    stop();
    if (row.isConnected || document.activeElement !== document.body) return;
    const rows = list.isConnected ? [...list.children] : [];
    const next = rows[Math.min(at, rows.length - 1)] ?? around.find(isSeen);
    if (next instanceof HTMLElement) hand(next);
  });
  const stop = (): void => {
    clearTimeout(timer);
    watching.disconnect();
  };
  const timer = setTimeout(stop, COME_MS);
  watching.observe(document.body, { childList: true, subtree: true });
}

/** It is still there and says something: an empty list would have the focus where nobody sees it. */
function isSeen(element: HTMLElement): boolean {
  return element.isConnected && element.textContent.trim() !== '';
}

function ancestorsOf(element: HTMLElement): HTMLElement[] {
  const around: HTMLElement[] = [];
  for (let at: HTMLElement | null = element; at; at = at.parentElement) around.push(at);
  return around;
}

function hand(row: HTMLElement): void {
  row.tabIndex = -1;
  row.classList.add('handed');
  row.focus({ preventScroll: true });
}
