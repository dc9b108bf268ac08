import '@angular/compiler';
import { describe, expect, it } from 'vitest';
import { turnOf } from './swipe';

describe('a finger drawn over the music', () => {
  it.each([
    ['to the left', [300, 200], [200, 210], 1],
    ['to the right', [100, 200], [180, 170], -1],
    ['a little', [100, 200], [150, 200], null],
    ['down', [100, 200], [110, 400], null],
    ['aslant', [300, 200], [200, 260], null],
    ['not at all', [100, 200], [100, 200], null],
  ] as const)('%s', (_, [x, y], [toX, toY], wanted) => {
    expect(turnOf({ x, y }, { x: toX, y: toY })).toBe(wanted);
  });
});
