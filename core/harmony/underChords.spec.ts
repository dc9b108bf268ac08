import { describe, expect, it } from 'vitest';
import { unfold } from '../song';
import { wholeBars } from '../testing';
import { heardRubs, notesUnder } from './underChords';

describe('a note under its chord', () => {
  const song = wholeBars(['C5', 'F5'], ['C', 'C']);
  const notes = (lengths: readonly (readonly [name: string, at: number, beats: number])[]) => {
    const melody = lengths.map(([name, at, beats], i) => ({
      ...wholeBars([name], ['C']).melody[0],
      id: `n${i}`,
      tick: at * 960,
      length: beats * 960,
    }));
    return notesUnder(unfold({ ...song, melody }));
  };

  it('weighs by its beats and the stress of its place', () => {
    expect(
      notes([
        ['C5', 0, 1],
        ['E5', 1, 1],
        ['G5', 2, 1],
        ['C5', 3, 0.5],
        ['E5', 3.5, 0.25],
      ]).map(({ weight }) => Number(weight.toFixed(3))),
    ).toEqual([1.4, 1, 1.2, 0.5, 0.2]);
  });

  it('counts under each chord it sounds with, from there', () => {
    expect(notes([['C5', 3, 3]]).map(({ tick, ticks }) => [tick / 960, ticks / 960])).toEqual([
      [3, 1],
      [4, 2],
    ]);
  });

  it('rubs where it is long or stressed, not in passing by step', () => {
    const rubs = (...list: Parameters<typeof notes>[0]): number[] =>
      heardRubs(notes(list)).map(({ tick }) => tick / 960);
    // F over C: a fourth against the third.
    expect(rubs(['E5', 0, 1], ['F5', 1, 1], ['G5', 2, 1])).toEqual([]);
    expect(rubs(['E5', 0, 1], ['F5', 1, 1], ['C5', 2, 1])).toEqual([1]);
    expect(rubs(['E5', 0, 1], ['F5', 1, 2], ['G5', 3, 1])).toEqual([1]);
    expect(rubs(['E5', 1, 1], ['F5', 2, 1], ['G5', 3, 1])).toEqual([2]);
    expect(rubs(['C5', 1, 1], ['F5', 2, 0.5], ['G5', 2.5, 1])).toEqual([]);
    expect(rubs(['C5', 1, 1], ['F5', 2, 0.5], ['C5', 2.5, 1])).toEqual([2]);
    expect(rubs(['C5', 1, 1], ['F5', 3, 0.5], ['C5', 3.5, 0.5])).toEqual([]);
  });
});
