import { Directive, HostListener, output } from '@angular/core';

/** A finger that goes so far to the side, in pixels, and less up or down than half of it, means to turn. */
const FAR_PX = 60;

interface Touch {
  readonly id: number;
  readonly x: number;
  readonly y: number;
}

/** Which way a finger that went from one place to another turns: on to the left, back to the right; null for neither. */
export function turnOf(from: Omit<Touch, 'id'>, to: Omit<Touch, 'id'>): 1 | -1 | null {
  const [across, down] = [to.x - from.x, to.y - from.y];
  if (Math.abs(across) < FAR_PX || Math.abs(down) > Math.abs(across) / 2) return null;
  return across < 0 ? 1 : -1;
}

/** Says when one finger was drawn to the side. */
@Directive({ selector: '[jhSwipe]' })
export class Swipe {
  readonly swiped = output<1 | -1>();
  private from: Touch | null = null;

  @HostListener('touchstart', ['$event'])
  protected began({ touches }: TouchEvent): void {
    const [first] = touches;
    // Two fingers enlarge the page.
    this.from = touches.length === 1 ? { id: first.identifier, x: first.clientX, y: first.clientY } : null;
  }

  @HostListener('touchend', ['$event'])
  protected ended({ changedTouches }: TouchEvent): void {
    const from = this.from;
    this.from = null;
    const lifted = [...changedTouches].find(({ identifier }) => identifier === from?.id);
    const turn = from && lifted && turnOf(from, { x: lifted.clientX, y: lifted.clientY });
    if (turn) this.swiped.emit(turn);
  }

  @HostListener('touchcancel')
  protected cancelled(): void {
    this.from = null;
  }
}
