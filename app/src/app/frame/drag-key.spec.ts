import '@angular/compiler';
import { beforeEach, describe, expect, it } from 'vitest';
import { DragKey } from './drag-key';

const KEY = { letter: 'A' };
const captured: number[] = [];
const at = (x: number, y: number, button = 0): PointerEvent =>
  ({
    clientX: x,
    clientY: y,
    button,
    pointerId: 3,
    currentTarget: { setPointerCapture: (id: number) => captured.push(id) },
  }) as unknown as PointerEvent;

describe('a key of the seam that is dragged', () => {
  let drag: DragKey<typeof KEY>;
  beforeEach(() => {
    drag = new DragKey();
    captured.length = 0;
  });

  it('goes along in ticks or up and down in steps, whichever is more, at any scale', () => {
    drag.grab(at(100, 100), KEY, 0.05);
    drag.move(at(140, 112));
    expect(drag.transformOf(KEY, 2)).toBe('translate(20 0)');
    expect(drag.drop(2, 7.5)).toEqual({ key: KEY, dragged: { ticks: 400, steps: 0 } });
    expect(captured).toEqual([3]);
    drag.grab(at(100, 100), KEY, 0.05);
    drag.move(at(108, 70));
    expect(drag.drop(2, 7.5)).toEqual({ key: KEY, dragged: { ticks: 0, steps: 2 } });
    expect(drag.transformOf(KEY, 2)).toBeNull();
  });

  it('that was hardly moved was pressed; the press that ends a drag is none', () => {
    drag.grab(at(100, 100), KEY, 0.05);
    drag.move(at(103, 104));
    expect([drag.drop(1, 7.5), drag.isDrag(), captured]).toEqual([null, false, []]);
    drag.grab(at(100, 100), KEY, 0.05);
    drag.move(at(100, 130));
    // Back where it was it is still a drag, that moved nothing.
    drag.move(at(100, 101));
    expect(drag.drop(1, 7.5)).toEqual({ key: KEY, dragged: { ticks: 0, steps: 0 } });
    expect(drag.isDrag()).toBe(true);
    drag.begin();
    expect(drag.isDrag()).toBe(false);
  });

  it('is held by the first button alone, and let go when the pointer is taken away', () => {
    drag.grab(at(100, 100, 2), KEY, 0.05);
    drag.move(at(200, 100));
    expect(drag.drop(1, 7.5)).toBeNull();
    drag.grab(at(100, 100), KEY, 0.05);
    drag.move(at(200, 100));
    drag.cancel();
    expect([drag.drop(1, 7.5), drag.isDrag()]).toEqual([null, false]);
  });
});
