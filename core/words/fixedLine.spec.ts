import { describe, expect, it } from 'vitest';
import { lineInWords } from './fixedLine';

const F = { tonic: { letter: 'F', alter: 0 }, mode: 'major' } as const;

describe('a fixed line in words', () => {
  it('has a count and the keys of each strike, spelled in the key, and the bar where there are two', () => {
    const events = [
      { onset: 0, length: 1, members: [41] },
      { onset: 1.5, length: 1, members: [46, 53] },
    ];
    expect(lineInWords(events, F, { numerator: 3, denominator: 4 })).toEqual(['1: F2', '2 &: B♭2 F3']);
    const two = [...events, { onset: 3, length: 1, members: [48] }];
    expect(lineInWords(two, F, { numerator: 3, denominator: 4 })).toEqual([
      'bar 1, 1: F2',
      'bar 1, 2 &: B♭2 F3',
      'bar 2, 1: C3',
    ]);
    expect(lineInWords([], F, { numerator: 3, denominator: 4 })).toEqual([]);
  });
});
