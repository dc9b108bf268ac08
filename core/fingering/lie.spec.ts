import { describe, expect, it } from 'vitest';
import { lieOf } from './lie';

describe('the five keys a hand lies over', () => {
  it.each([
    ['right', 60, 1, 60, 67],
    ['right', 64, 3, 60, 67],
    ['right', 69, 3, 65, 72],
    ['right', 67, 5, 60, 67],
    ['left', 48, 5, 48, 55],
    ['left', 55, 1, 48, 55],
    ['left', 52, 3, 48, 55],
    // F sharp with the second finger: over E to B.
    ['right', 66, 2, 64, 71],
    ['left', 58, 1, 50, 57],
  ] as const)('%s hand, key %i with finger %i: %i to %i', (hand, midi, finger, low, high) => {
    expect(lieOf({ hand, midi, finger })).toEqual({ low, high });
  });

  it('is not known without a finger', () => {
    expect(lieOf({ hand: 'right', midi: 60, finger: null })).toBeNull();
  });
});
