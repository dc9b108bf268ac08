import { describe, expect, it } from 'vitest';
import { type Chord, parseChord } from '../music';
import { atTheEnds } from './ends';
import { voicingOf } from './voicing';

const chord = (symbol: string): Chord => parseChord(symbol) as Chord;

describe('the first and the last chord', () => {
  const all = [
    [48, 52, 55],
    [52, 55, 60],
    [55, 60, 64],
  ].map((keys) => voicingOf(keys, chord('C')));
  const spot = (more: object = {}): Parameters<typeof atTheEnds>[0] => ({
    chord: chord('C'),
    layout: 'block',
    fixedBy: null,
    options: { candidates: all },
    ...more,
  });
  const at = (isFirst: boolean, isLast: boolean, more: object = {}): number[] =>
    atTheEnds(spot(more), isFirst, isLast).map(({ inversion }) => inversion ?? -1);

  it('the last on its root, the first on no second inversion, one that is both on its root; the rest as it likes', () => {
    expect(at(false, false)).toEqual([0, 1, 2]);
    expect(at(true, false)).toEqual([0, 1]);
    expect(at(false, true)).toEqual([0]);
    expect(at(true, true)).toEqual([0]);
  });

  it('is free where it is held, has no bass, or could lie in no other way', () => {
    for (const fixedBy of ['pin', 'settled']) expect(at(true, true, { fixedBy })).toEqual([0, 1, 2]);
    expect(at(true, true, { fixedBy: 'shared' })).toEqual([0]);
    for (const layout of ['partial', 'rootless', 'singing', 'under-melody', 'under-melody-long'])
      expect(at(true, true, { layout })).toEqual([0, 1, 2]);
    expect(at(false, true, { options: { candidates: all.slice(1) } })).toEqual([1, 2]);
  });

  it('ends on its slash bass', () => {
    const overE = chord('C/E');
    const candidates = all.map(({ keys }) => voicingOf(keys, overE));
    expect(
      atTheEnds(spot({ chord: overE, options: { candidates } }), false, true).map(({ keys }) => keys[0]),
    ).toEqual([52]);
  });
});
