import { signal } from '@angular/core';

/** A key of the seam that is dragged: which, and how far, in pixels of the drawing. */
interface Held<K> {
  readonly key: K;
  readonly perTick: number;
  readonly from: { readonly x: number; readonly y: number };
  readonly by: { readonly x: number; readonly y: number };
}

/** How a key was moved: in ticks, and in steps of the staff. */
export interface Dragged {
  readonly ticks: number;
  readonly steps: number;
}

/** A pointer that moves no farther than this presses, in pixels of the screen. */
const PRESS = 6;

/** Keys of the seam dragged by mouse, pen or finger: along for time, up and down for pitch, whichever is more. */
export class DragKey<K> {
  private readonly held = signal<Held<K> | null>(null);
  /** It went farther than a press: what ends it is no press, and turns no page. */
  private hasMoved = false;

  /** A pointer goes down somewhere on the drawing: what was dragged before is over. */
  begin(): void {
    this.hasMoved = false;
  }

  /** Takes hold of a key; the pointer is the drawing's until it is let go. */
  grab(event: PointerEvent, key: K, perTick: number): void {
    if (event.button !== 0) return;
    const from = { x: event.clientX, y: event.clientY };
    this.held.set({ key, perTick, from, by: { x: 0, y: 0 } });
  }

  move(event: PointerEvent): void {
    const held = this.held();
    if (!held) return;
    const [x, y] = [event.clientX - held.from.x, event.clientY - held.from.y];
    if (Math.hypot(x, y) <= PRESS && !this.hasMoved) return;
    this.hasMoved = true;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.held.set({ ...held, by: Math.abs(x) > Math.abs(y) ? { x, y: 0 } : { x: 0, y } });
  }

  /** Lets go: the key and how it was moved; null where it was only pressed. `step` is that of the staff, in pixels drawn. */
  drop(scale: number, step: number): { readonly key: K; readonly dragged: Dragged } | null {
    const held = this.held();
    this.held.set(null);
    if (!held || !this.hasMoved) return null;
    const ticks = held.by.x / scale / held.perTick;
    const steps = -Math.round(held.by.y / scale / step);
    return { key: held.key, dragged: { ticks, steps: steps === 0 ? 0 : steps } };
  }

  cancel(): void {
    this.held.set(null);
    this.hasMoved = false;
  }

  /** Whether what comes now, a press or a finger that is lifted, ends a drag. */
  isDrag(): boolean {
    return this.hasMoved;
  }

  /** Where a key is drawn while it is dragged. */
  transformOf(key: K, scale: number): string | null {
    const held = this.held();
    return held?.key === key ? `translate(${held.by.x / scale} ${held.by.y / scale})` : null;
  }
}
