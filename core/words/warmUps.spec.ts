import { describe, expect, it } from 'vitest';
import { keyFromFifths } from '../music';
import { warmUpInWords, warmUpsOf } from './warmUps';

describe('what warms the hands in a key', () => {
  it('is its scale and its broken chord, each hand, with the usual fingers', () => {
    const items = warmUpsOf(keyFromFifths(1, 'major'));
    expect(items.map(({ name, hand }) => [name, hand])).toEqual([
      ['G major scale, right hand', 'right'],
      ['G major broken chord, right hand', 'right'],
      ['G major scale, left hand', 'left'],
      ['G major broken chord, left hand', 'left'],
    ]);
    expect(items.map(warmUpInWords)).toEqual([
      'G 1 · A 2 · B 3 · C 1 · D 2 · E 3 · F♯ 4 · G 5',
      'G 1 · B 2 · D 3 · G 5',
      'G 5 · A 4 · B 3 · C 2 · D 1 · E 3 · F♯ 2 · G 1',
      'G 5 · B 4 · D 2 · G 1',
    ]);
  });
});
