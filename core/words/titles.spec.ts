import { describe, expect, it } from 'vitest';
import { fillTitle, spotTitle } from './fills';
import { capital, counted, creditsInWords, forWhomInWords, partsInWords, timeInWords } from './titles';

describe('who wrote it and for whom it is', () => {
  it('is told as far as it is known', () => {
    const told = (words: string, music: string): string => creditsInWords({ words, music });
    expect([told('A', 'B'), told('A', 'A'), told('', 'B'), told('A', ''), told('', '')]).toEqual([
      'Words: A · music: B',
      'Words and music: A',
      'Music: B',
      'Words: A',
      '',
    ]);
    const given = (whom: string, from: string): string => forWhomInWords({ for: whom, from });
    expect([given('Wanda', 'Mr Teal'), given('Wanda', ''), given('', 'Mr Teal'), given('', '')]).toEqual([
      'For Wanda, from Mr Teal',
      'For Wanda',
      'From Mr Teal',
      '',
    ]);
  });
});

describe('titles', () => {
  it('count, number and begin with a capital', () => {
    expect([1, 2, 3, 4, 10, 11].map(timeInWords)).toEqual([
      'the first time',
      'the second time',
      'the third time',
      'the fourth time',
      'the tenth time',
      'time number 11',
    ]);
    expect([partsInWords([2]), partsInWords([1, 2, 3])]).toEqual(['part 2', 'parts 1–3']);
    expect([counted(0, 'turn'), counted(1, 'turn'), counted(2, 'cross', 'crosses')]).toEqual([
      '0 turns',
      '1 turn',
      '2 crosses',
    ]);
    expect([capital('bass walk'), capital('')]).toEqual(['Bass walk', '']);
  });

  it('tell a place with room, and a fill', () => {
    expect(spotTitle({ bar: 4, count: '2 and', symbol: 'Bb7' })).toBe('Bar 4, from 2 and, over B♭7');
    expect(spotTitle({ bar: 0, count: '3', symbol: 'C' })).toBe('Pick-up, from 3, over C');
    expect(fillTitle({ kind: 'walk', variant: 'step-from-below' })).toBe('Bass walk, by step from below');
  });
});
