import { describe, expect, it } from 'vitest';
import { type Chord, parseChord } from '../music';
import { isUnderMelody, notesForLayout, type SolvedLayout } from './members';

/** "C E G | lowest | foreign bass", by half steps above C. */
function told(symbol: string, layout: SolvedLayout): string {
  const { upper, lowest, foreignBass } = notesForLayout(parseChord(symbol) as Chord, layout);
  return [upper.map((m) => m.chroma).join(' '), lowest ?? '', foreignBass ?? ''].join('|');
}

describe('the notes a layout plays of a chord', () => {
  it.each([
    ['C', 'block', '0 4 7||'],
    ['C', 'root', '0 4 7|0|'],
    ['C/E', 'block', '0 4 7|4|'],
    ['C/E', 'root', '0 4 7|4|'],
    // A bass that is no member takes one of the places.
    ['C/D', 'block', '0 4 7|2|2'],
    ['C/D', 'three', '0 4|2|2'],
    ['C7', 'block', '0 4 7 10||'],
    ['C7/D', 'block', '0 4 10|2|2'],
    ['C7/D', 'three', '4 10|2|2'],
  ] as const)('%s, %s', (symbol, layout, notes) => {
    expect(told(symbol, layout)).toBe(notes);
  });

  it('too many of them are given up in order: the plain fifth, the root, tensions that do not name the chord', () => {
    // A ninth chord has five: its fifth goes.
    expect(told('C9', 'block')).toBe('0 4 10 2||');
    expect(told('C9', 'three')).toBe('4 10 2||');
    // A written root stays, the seventh stays before a tension that does not name the chord.
    expect(told('C9', 'root')).toBe('0 4 10 2|0|');
    expect(told('C13', 'block')).toBe('4 10 2 9||');
    expect(told('C13', 'three')).toBe('4 10 9||');
    expect(told('C13', 'root')).toBe('0 4 10 9|0|');
    expect(told('C7#9', 'block')).toBe('0 4 10 3||');
    expect(told('C6/9', 'three')).toBe('4 9 2||');
    expect(told('C7', 'three')).toBe('0 4 10||');
    // An altered fifth stays, the root goes.
    expect(told('C7b5', 'three')).toBe('4 6 10||');
    expect(told('C7b5/G', 'block')).toBe('4 6 10|7|7');
    expect(told('C7b5/G', 'three')).toBe('4 6|7|7');
  });

  it('an eleventh over a major third is played suspended', () => {
    expect(told('C11', 'block')).toBe('0 5 10 2||');
    expect(told('Cm11', 'block')).toBe('3 10 2 5||');
    expect(told('Cm11', 'three')).toBe('3 10 5||');
  });

  it('of the bass alone: the root, the slash bass as member or foreign', () => {
    expect(told('Am', 'bass')).toBe('9|9|');
    expect(told('Am/C', 'bass')).toBe('0|0|');
    expect(told('Am/D', 'bass')).toBe('|2|2');
  });
});

describe('a layout', () => {
  it('is under the melody, or not', () => {
    expect(
      (['under-melody', 'under-melody-long', 'block', 'singing', 'bass'] as const).map(isUnderMelody),
    ).toEqual([true, true, false, false, false]);
  });
});
