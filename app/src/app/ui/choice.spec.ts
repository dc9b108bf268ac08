import '@angular/compiler';
import { describe, expect, it } from 'vitest';
import { evenRows } from './choice';

describe('buttons in rows', () => {
  it('are about as many in each, the longer rows first', () => {
    expect(evenRows(7, 4)).toEqual([4, 3]);
    expect(evenRows(5, 3)).toEqual([3, 2]);
    expect(evenRows(4, 4)).toEqual([4]);
    expect(evenRows(9, 4)).toEqual([3, 3, 3]);
    expect(evenRows(1, 3)).toEqual([1]);
  });
});
