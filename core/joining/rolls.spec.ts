import { describe, expect, it } from 'vitest';
import type { HandNote } from '../hands';
import { DEFAULT_PROFILE } from '../song';
import { withRolls } from './rolls';

describe('keys the hand does not span', () => {
  const notes = (...keys: readonly (readonly [tick: number, midi: number])[]): HandNote[] =>
    keys.map(([tick, midi]) => ({ tick, midi }) as HandNote);
  const profile = { ...DEFAULT_PROFILE, leftReach: 8 } as const;
  const rolled = (list: HandNote[]): (number | undefined)[] =>
    withRolls(list, profile.leftReach).map((note) => note.rolled);

  it('are rolled from below, whatever order they come in; an octave is struck', () => {
    expect(rolled(notes([0, 55], [0, 48], [0, 64]))).toEqual([1, 0, 2]);
    expect(rolled(notes([0, 48], [0, 55], [0, 60]))).toEqual([undefined, undefined, undefined]);
  });

  it('are asked tick by tick', () => {
    expect(rolled(notes([0, 48], [960, 64], [1920, 48], [1920, 64]))).toEqual([undefined, undefined, 0, 1]);
  });
});
