import { describe, expect, it } from 'vitest';
import { isOnSameKey } from './fingerPins';

describe('fingers pinned on the same key', () => {
  const key = { hand: 'right', from: 'n1', after: 0, midi: 60 } as const;

  it('agree in hand, place and pitch, each of them', () => {
    expect(isOnSameKey(key, { ...key })).toBe(true);
    expect(isOnSameKey(key, { ...key, hand: 'left' })).toBe(false);
    expect(isOnSameKey(key, { ...key, from: 'n2' })).toBe(false);
    expect(isOnSameKey(key, { ...key, after: 480 })).toBe(false);
    expect(isOnSameKey(key, { ...key, midi: 62 })).toBe(false);
  });
});
