import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cutTo, widthOf, wrapped } from './text';
import { SIGNS, WIDTHS } from './widths';

describe('text on a sheet', () => {
  it('is as wide as its letters: measured by sign and face, the widest for what was not measured', () => {
    expect(Object.values(WIDTHS).map((widths) => widths.length)).toEqual(Array(4).fill([...SIGNS].length));
    const one = WIDTHS.regular[[...SIGNS].indexOf('m')] / 1000;
    expect(widthOf('mm', 'regular', 4)).toBeCloseTo(8 * one, 9);
    expect(widthOf('i', 'regular', 4)).toBeLessThan(widthOf('m', 'regular', 4));
    expect(widthOf('abc', 'bold', 4)).toBeGreaterThan(widthOf('abc', 'regular', 4));
    expect(widthOf('漢', 'regular', 4)).toBe(4);
    expect(widthOf('', 'title', 4)).toBe(0);
  });

  it('is wrapped between words, and within a word that is longer than a line; nothing is lost', () => {
    const words = fc.array(fc.stringMatching(/^[a-zA-Zäß♭-]{1,30}$/), { maxLength: 12 });
    fc.assert(
      fc.property(words, fc.integer({ min: 12, max: 90 }), (list, width) => {
        const lines = wrapped(list.join(' '), 'regular', 4, width);
        for (const line of lines) expect(widthOf(line, 'regular', 4)).toBeLessThanOrEqual(width);
        expect(lines.join('').replace(/ /g, '')).toBe(list.join(''));
      }),
      { numRuns: 300 },
    );
    expect(wrapped('one two three', 'regular', 4, 15)).toEqual(['one two', 'three']);
    expect(wrapped('  ', 'regular', 4, 15)).toEqual([]);
  });

  it('is cut with an ellipsis where it does not fit', () => {
    expect(cutTo('Lanterns', 'bold', 4, 100)).toBe('Lanterns');
    const cut = cutTo('Lanterns at Low Water', 'bold', 4, 20);
    expect(cut).toMatch(/^Lant.*…$/);
    expect(widthOf(cut, 'bold', 4)).toBeLessThanOrEqual(20);
    expect(cutTo('Lanterns', 'bold', 4, 1)).toBe('');
  });
});
