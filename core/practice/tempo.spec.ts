import { describe, expect, it } from 'vitest';
import { tempoOf as tempoWithBeat } from './tempo';
import type { WantedKey } from './wanted';

/** A key every half second at the full tempo. */
const wanted = Array.from({ length: 12 }, (_, i): WantedKey => ({
  tick: i * 480,
  seconds: i * 0.5,
  midi: 60 + i,
  hand: i % 2 === 0 ? 'right' : 'left',
  from: `n${i}`,
}));
/** A beat is a half second. */
const tempoOf = (
  keys: readonly WantedKey[],
  segments: Parameters<typeof tempoWithBeat>[1],
  leftAfter = 0,
): ReturnType<typeof tempoWithBeat> => tempoWithBeat(keys, segments, 0.5, leftAfter);
const played = (count: number, at: (i: number) => number): (readonly [number, number])[] =>
  Array.from({ length: count }, (_, i) => [i, at(i)] as const);
const rounded = (list: readonly (number | null)[]): (number | null)[] =>
  list.map((value) => (value === null ? null : Math.round(value * 1000) / 1000 + 0));

describe('a player’s own tempo', () => {
  it('is that of the goal, half of it or faster, wherever the take begins', () => {
    for (const [slower, share] of [
      [1, 1],
      [2, 0.5],
      [0.8, 1.25],
    ]) {
      const { expected, share: found } = tempoOf(wanted, [played(12, (i) => 3 + i * 0.5 * slower)]);
      expect(rounded(expected)).toEqual(
        wanted.map((_, i) => Math.round((3 + i * 0.5 * slower) * 1000) / 1000),
      );
      expect([found?.from, found?.to].map((v) => Math.round((v ?? 0) * 1000) / 1000)).toEqual([share, share]);
    }
  });

  it('follows who slows down, inside the take within hundredths', () => {
    const at = (i: number): number => i * 0.5 + 0.02 * i * i;
    const { expected, share } = tempoOf(wanted, [played(12, at)]);
    expected
      .slice(1, -1)
      .forEach((then, i) => expect(Math.abs((then ?? NaN) - at(i + 1))).toBeLessThan(0.06));
    // Seconds of the take for one of the music: 1 at the beginning, 1.88 at the end.
    expect(share?.from).toBeGreaterThan(0.8);
    expect(share?.to).toBeLessThan(0.6);
  });

  it('is pulled by no stray: one that is late is late by as much, and its neighbours are not', () => {
    for (const stray of [3, 6, 8]) {
      const { expected } = tempoOf(wanted, [played(12, (i) => i * 0.5 + (i === stray ? 0.15 : 0))]);
      expect(rounded(expected)).toEqual(wanted.map((_, i) => 0.5 * i));
    }
  });

  it('is known from four strikes on, and not from three', () => {
    const four = tempoOf(wanted, [played(4, (i) => i)]);
    expect(rounded(four.expected.slice(0, 5))).toEqual([0, 1, 2, 3, null]);
    expect(four.share?.from).toBeCloseTo(0.5);
    const three = tempoOf(wanted, [played(3, (i) => i)]);
    expect(three.expected.every((value) => value === null)).toBe(true);
    expect(three.share).toBeNull();
  });

  it('has no part in keys that were not struck', () => {
    const { expected } = tempoOf(wanted, [played(12, (i) => i).filter(([key]) => key !== 5)]);
    expect(expected[5]).toBeNull();
    expect(rounded(expected)[6]).toBe(6);
  });

  it('takes what belongs to one tick as one strike, at the mean of its times', () => {
    const chord = wanted.map((key, i) => ({ ...key, tick: 480 * (i >> 1), seconds: 0.5 * (i >> 1) }));
    const { expected } = tempoOf(chord, [played(12, (i) => (i >> 1) + (i % 2) * 0.1)]);
    expect(rounded(expected)).toEqual(chord.map((_, i) => (i >> 1) + 0.05));
    // A left hand that comes late throughout is taken back by as much.
    const { expected: evenly } = tempoOf(chord, [played(12, (i) => (i >> 1) + (i % 2) * 0.1)], 0.1);
    expect(rounded(evenly)).toEqual(chord.map((_, i) => i >> 1));
  });

  it('begins anew after a stop: a third of a second and more beyond the running tempo, however slow it is', () => {
    for (const slower of [1, 2]) {
      const at = (gap: number) => (i: number) => 0.5 * slower * i + (i >= 6 ? gap : 0);
      const gone = (gap: number) => rounded(tempoOf(wanted, [played(12, at(gap))]).expected);
      const straight = (gap: number) => rounded(wanted.map((_, i) => at(gap)(i)));
      expect(gone(0.45 * slower)).toEqual(straight(0.45 * slower));
    }
    // What is held a little, and what slows over some beats, is no stop: the tempo goes through it.
    const slowing = (i: number): number => 0.5 * i + (i >= 6 ? 0.015 * (i - 5) ** 2 : 0);
    const through = tempoOf(wanted, [played(12, slowing)]).expected;
    expect(through.every((then, i) => Math.abs((then ?? NaN) - slowing(i)) < 0.12)).toBe(true);
  });
});
