import { inWords } from '../sentences';
import { describe, expect, it } from 'vitest';
import { type Chord, keyFromFifths, parseChord, symbolOf } from '../music';
import { byHalfStep, chordsHolding, neighboursOf, onLadder, otherQualities } from './neighbours';

const chord = (symbol: string): Chord => parseChord(symbol) as Chord;
const C = keyFromFifths(0, 'major');
const A = keyFromFifths(0, 'minor');

describe('chords that stand in for another', () => {
  const told = (symbol: string, next: string | null = null, key = C): string[] =>
    neighboursOf(chord(symbol), next === null ? null : chord(next), key).map(
      ({ symbol: own, why }) => `${own}: ${inWords(why)}`,
    );

  it.each([
    ['C', ['Am7: vi for I']],
    ['Dm', ['Fmaj7: IV for ii']],
    ['Em', ['C/E: I with its third in the bass for iii']],
    ['F', ['Dm7: ii for IV']],
    ['G', ['G7sus4: V suspended']],
    ['G7', ['G7sus4: V suspended', 'Db7: tritone substitute: the same third and seventh']],
    ['Am', ['Cmaj7: I for vi']],
    ['Bdim', ['G7/B: V with its third in the bass for vii']],
    // A dominant on another degree has only what stands for dominants.
    ['C7', ['F#7: tritone substitute: the same third and seventh']],
    ['F7', ['B7: tritone substitute: the same third and seventh']],
    ['D7', ['Ab7: tritone substitute: the same third and seventh']],
    ['Gm', []],
    ['Ab', []],
  ])('%s in C major', (symbol, list) => {
    expect(told(symbol)).toEqual(list);
  });

  it.each([
    ['Am', ['Fmaj7: VI for i']],
    ['Bm7b5', ['Dm7: iv for ii']],
    ['Dm', ['Bm7b5: ii for iv']],
    ['E7', ['E7sus4: V suspended', 'Bb7: tritone substitute: the same third and seventh']],
    ['C', []],
  ])('%s in A minor', (symbol, list) => {
    expect(told(symbol, null, A)).toEqual(list);
  });

  it('lead to the next: its dominant, half steps from both sides, a passing diminished chord; itself is none', () => {
    expect(told('C', 'F')).toEqual([
      'Am7: vi for I',
      'C7: V of F',
      'F#: a half step above F',
      'E: a half step below F',
      'Edim7: passing diminished to F',
    ]);
    expect(told('A7', 'Dm').map((text) => text.split(':')[0])).not.toContain('A7');
  });
});

describe('the ladder of sevenths', () => {
  const step = (symbol: string, by: 1 | -1): string | null => {
    const next = onLadder(chord(symbol), by);
    return next && symbolOf(next);
  };

  it('goes down one change at a time, and up again; beside it one first steps onto it', () => {
    expect(['Cmaj7', 'C7', 'Cm7', 'Cm7b5', 'Cdim7'].map((symbol) => step(symbol, 1))).toEqual([
      'C7',
      'Cm7',
      'Cm7b5',
      'Cdim7',
      null,
    ]);
    expect(['Cmaj7', 'C7', 'Cm7', 'Cm7b5', 'Cdim7'].map((symbol) => step(symbol, -1))).toEqual([
      null,
      'Cmaj7',
      'C7',
      'Cm7',
      'Cm7b5',
    ]);
    expect(['C', 'C6', 'Cm', 'Cm6', 'Cdim', 'Caug', 'C9', 'Csus4'].map((symbol) => step(symbol, 1))).toEqual([
      'Cmaj7',
      'Cmaj7',
      'Cm7',
      'Cm7',
      'Cdim7',
      'C7',
      'C7',
      null,
    ]);
  });

  it('is left by half steps, bass and all', () => {
    expect(symbolOf(byHalfStep(chord('C/E'), 1, C))).toBe('Db/F');
    expect(symbolOf(byHalfStep(chord('C'), -1, C))).toBe('B');
  });
});

describe('chords that hold a note', () => {
  it('are those of the key first, the plainest, from C up; each says what the note is in it', () => {
    const list = chordsHolding(64, C);
    expect(list.slice(0, 3).map(({ symbol, why, outside }) => [symbol, inWords(why), outside])).toEqual([
      ['C', 'the melody note is its third', 0],
      ['Em', 'the melody note is its root', 0],
      ['Am', 'the melody note is its fifth', 0],
    ]);
    const outside = list.map((held) => held.outside);
    expect(outside).toEqual([...outside].sort((a, b) => a - b));
    expect(chordsHolding(76, C)).toBe(list);
  });

  it('may be other qualities of the same root, the least changed first', () => {
    const without = (symbol: string, isGood: (c: Chord) => boolean): string[] =>
      otherQualities(chord(symbol), isGood).map((c) => c.type.suffix);
    const all = without('C', () => true);
    expect(all).not.toContain('');
    expect(all).not.toContain('5');
    expect(all).not.toContain('pedal');
    expect(without('C', (c) => ['6', 'm', '7'].includes(c.type.suffix))).toEqual(['6', '7', 'm']);
  });
});
