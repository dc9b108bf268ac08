import { describe, expect, it } from 'vitest';
import { DEFAULT_PROFILE } from '../song';
import type { Sounding } from '../voicing';
import type { Strike } from './strikes';
import { bumps, dropped, thinned, type Under } from './thinning';

const strike = (tick: number, length: number, ...keys: number[]): Strike =>
  ({ tick, length, keys }) as unknown as Strike;
const under = (...notes: readonly [tick: number, length: number, midi: number][]): Under => ({
  melody: notes.map(([tick, length, midi]) => ({ tick, length, midi }) as unknown as Sounding),
  longestNote: Math.max(...notes.map(([, length]) => length)),
});
const keysOf = (strikes: readonly Strike[]): number[][] => strikes.map(({ keys }) => [...keys]);

describe('a pattern under a melody', () => {
  const melody = under([0, 960, 64], [960, 960, 60]);

  it('is in the way within two half steps of a note that sounds with it, and above it', () => {
    const isIn = (...keys: number[]): boolean => bumps(melody, [strike(0, 960, ...keys)]);
    expect([61, 62, 63, 64, 67].map((key) => isIn(48, key))).toEqual([false, true, true, true, true]);
    // The same key under the note after.
    expect(bumps(melody, [strike(0, 961, 58)])).toBe(true);
    expect(bumps(melody, [strike(0, 960, 58)])).toBe(false);
    expect(bumps(melody, [strike(1920, 960, 80)])).toBe(false);
    expect(bumps(melody, [])).toBe(false);
  });

  it('loses the keys that are in the way, and is none where a strike would be left without any', () => {
    expect(keysOf(thinned(melody, [strike(0, 960, 48, 55, 63), strike(960, 960, 52, 58)]))).toEqual([
      [48, 55],
      [52],
    ]);
    expect(thinned(melody, [strike(0, 960, 48, 55), strike(960, 960, 59, 60)])).toEqual([]);
  });

  it('goes an octave lower where keyboard, hand and ear allow it', () => {
    const profile = { ...DEFAULT_PROFILE, leftReach: 8, keyboard: 61 } as const;
    expect(keysOf(dropped(profile, [strike(0, 960, 60, 67), strike(960, 960, 64)]))).toEqual([
      [48, 55],
      [52],
    ]);
    // C2 is the lowest key of sixty-one.
    expect(keysOf(dropped(profile, [strike(0, 960, 48)]))).toEqual([[36]]);
    expect(dropped(profile, [strike(0, 960, 47)])).toEqual([]);
    // A third so low is muddy, a fifth is not.
    expect(dropped(profile, [strike(0, 960, 52, 55)])).toEqual([]);
    expect(keysOf(dropped(profile, [strike(0, 960, 52, 59)]))).toEqual([[40, 47]]);
    expect(dropped(profile, [strike(0, 960, 52, 59), strike(960, 960, 52, 55)])).toEqual([]);
    // A tenth is wider than the hand.
    expect(dropped(profile, [strike(0, 960, 60, 76)])).toEqual([]);
    // One strike that cannot go keeps all where they are.
    expect(dropped(profile, [strike(0, 960, 60, 67), strike(960, 960, 47)])).toEqual([]);
  });
});
