import { describe, expect, it } from 'vitest';
import { type Chord, keyFromFifths, parseChord } from '../music';
import { DEFAULT_PROFILE } from '../song';
import { aboveRoot, endingKeys, type FigureContext, keysOf, type Peak, thirdOf } from './members';

const chordOf = (symbol: string): Chord => parseChord(symbol) as Chord;

/** A chord as it lies, over a root, in a key; what comes next where it matters. */
function context(
  symbol: string,
  keys: readonly number[],
  root: number,
  {
    fifths = 0,
    mode = 'major',
    next = null,
    peak = 8,
    leftReach = 8,
  }: {
    fifths?: number;
    mode?: 'major' | 'minor';
    next?: number | null;
    peak?: Peak;
    leftReach?: 7 | 8 | 10;
  } = {},
): FigureContext {
  const voiced = { chord: chordOf(symbol), voicing: { keys }, key: keyFromFifths(fifths, mode) };
  const profile = { ...DEFAULT_PROFILE, leftReach };
  return { voiced: voiced as unknown as FigureContext['voiced'], profile, root, peak, next };
}
const C = context('C', [48, 52, 55], 36);

describe('members of a pattern as keys', () => {
  it('of the chord as it lies: all, the lowest, the others, each once and lowest first', () => {
    expect(keysOf(C, ['all'])).toEqual([48, 52, 55]);
    expect(keysOf(C, ['lowest'])).toEqual([48]);
    expect(keysOf(C, ['others'])).toEqual([52, 55]);
    expect(keysOf(C, ['others', 'lowest', 'all', 1])).toEqual([36, 48, 52, 55]);
    // One key alone is both.
    const single = context('C', [48], 36);
    expect([keysOf(single, ['others']), keysOf(single, ['lowest'])]).toEqual([[48], [48]]);
    const two = context('C', [48, 55], 36);
    expect(keysOf(two, ['others'])).toEqual([55]);
  });

  it('over the root by number; what a chord lacks has a stand-in', () => {
    const above = (symbol: string): number[] =>
      [1, 3, 5, 7, 8, 9, 10, 12, 15].map((n) => aboveRoot(chordOf(symbol), n));
    expect(above('C')).toEqual([0, 4, 7, 12, 12, 12, 16, 19, 24]);
    expect(above('Cm7')).toEqual([0, 3, 7, 10, 12, 12, 15, 19, 24]);
    expect(above('Csus4')).toEqual([0, 5, 7, 12, 12, 12, 17, 19, 24]);
    expect(above('Cadd9')).toEqual([0, 4, 7, 12, 12, 14, 16, 19, 24]);
    expect(above('Cdim7')).toEqual([0, 3, 6, 9, 12, 12, 15, 18, 24]);
    // A step of the key where the chord has none of its own; a ninth a half step up is none.
    const inC = (symbol: string): number[] =>
      [2, 4, 6, 9, 11, 13].map((n) =>
        aboveRoot(chordOf(symbol), n, { tonic: { letter: 'C', alter: 0 }, mode: 'major' }),
      );
    expect(inC('C')).toEqual([2, 5, 9, 14, 17, 21]);
    expect(inC('Dm')).toEqual([2, 5, 9, 14, 17, 21]);
    expect(inC('Em')).toEqual([1, 5, 8, 12, 17, 20]);
    expect(inC('F')).toEqual([2, 6, 9, 14, 18, 21]);
    expect(inC('G7b9')).toEqual([1, 5, 9, 13, 17, 21]);
    expect(inC('C13#11')).toEqual([2, 6, 9, 14, 18, 21]);
    // Above a slash bass members are counted from it: E is the third of C, G a third above it.
    expect(aboveRoot(chordOf('C/E'), 5)).toBe(3);
    expect(keysOf(C, [1, 5, 10])).toEqual([36, 43, 52]);
    expect(
      [8, 10, 3].map((peak) => keysOf(context('C', [48], 36, { peak: peak as Peak }), ['peak'])[0]),
    ).toEqual([48, 52, 40]);
  });

  it('the second bass is the fifth below where it is clear there, else above under the chord, else the root', () => {
    const second = (symbol: string, keys: number[], root: number): number =>
      keysOf(context(symbol, keys, root), ['second-bass'])[0];
    expect(second('A', [57, 61, 64], 45)).toBe(40);
    // D♯2 would growl: above.
    expect(second('Ab', [60, 63, 68], 44)).toBe(51);
    expect(second('C', [48, 52, 55], 36)).toBe(43);
    // Nothing lies between.
    expect(second('C', [40, 43], 36)).toBe(36);
    expect(second('A/C#', [57, 61, 64], 49)).toBe(49);
  });

  it('the walk goes by steps of the scale to the next root, from the side the bass comes from', () => {
    const walk = (
      root: number,
      next: number | null,
      fifths = 0,
      mode: 'major' | 'minor' = 'major',
    ): number[] => keysOf(context('C', [48, 52, 55], root, { next, fifths, mode }), ['last-but-one', 'last']);
    // C2 up to F2 in C: D, E; F2 down to C2: E, D.
    expect(walk(36, 41)).toEqual([38, 40]);
    expect(walk(41, 36)).toEqual([38, 40]);
    // Up to the tonic of A minor: F sharp and G sharp; down to it: C and B.
    expect(walk(40, 45, 0, 'minor')).toEqual([42, 44]);
    expect(walk(50, 45, 0, 'minor')).toEqual([47, 48]);
    // To another degree of minor nothing is raised.
    expect(walk(36, 43, 0, 'minor')).toEqual([40, 41]);
    // Nothing follows, or the same root: root and fifth.
    expect([walk(36, null), walk(36, 36)]).toEqual([
      [36, 43],
      [36, 43],
    ]);
  });
});

describe('the end of a part', () => {
  it('is held on the low root under the chord where the hand spans both, else as it lies', () => {
    // The root is there once, below.
    expect(endingKeys(context('C', [48, 52, 55, 60], 48))).toEqual([48, 52, 55]);
    expect(endingKeys(context('Am7', [55, 57, 60, 64], 45, { leftReach: 10 }))).toEqual([55, 57, 60, 64]);
    // A third so low growls.
    expect(endingKeys(context('G7', [47, 50, 53, 55], 43))).toEqual([47, 50, 53, 55]);
    expect(endingKeys(context('F', [48, 53, 57], 41, { leftReach: 10 }))).toEqual([41, 48, 57]);
    expect(endingKeys(context('F', [48, 53, 57], 41, { leftReach: 8 }))).toEqual([48, 53, 57]);
    expect(endingKeys(C)).toEqual([48, 52, 55]);
  });

  it('knows a third, or what stands for it, unless the bass sounds it', () => {
    expect(['C', 'Cm', 'Csus4', 'Csus2', 'C5', 'C/E'].map((symbol) => thirdOf(chordOf(symbol)))).toEqual([
      4,
      3,
      5,
      2,
      null,
      null,
    ]);
  });
});
