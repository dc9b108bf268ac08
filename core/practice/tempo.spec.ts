import { describe, expect, it } from 'vitest';
import { tempoOf } from './tempo';
import type { WantedKey } from './wanted';

/** A key every half second at the full tempo. */
const wanted = Array.from({ length: 12 }, (_, i): WantedKey => ({
  tick: i * 480,
  seconds: i * 0.5,
  midi: 60 + i,
  hand: i % 2 === 0 ? 'right' : 'left',
  from: `n${i}`,
}));
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

  it('follows who slows down, exactly where it is even: by a parabola from six strikes on', () => {
    const at = (i: number): number => i * 0.5 + 0.02 * i * i;
    const { expected, share } = tempoOf(wanted, [played(12, at)]);
    expect(rounded(expected)).toEqual(rounded(wanted.map((_, i) => at(i))));
    // Seconds of the take for one of the music: 1 at the beginning, 1.88 at the end.
    expect(share?.from).toBeCloseTo(1);
    expect(share?.to).toBeCloseTo(1 / (1 + 0.08 * 11), 5);
  });

  it('is a line through four or five strikes, and nothing through three', () => {
    const four = tempoOf(wanted, [played(4, (i) => i + (i === 1 ? 0.1 : 0))]);
    expect(rounded(four.expected.slice(0, 5))).toEqual([0.04, 1.03, 2.02, 3.01, null]);
    expect(four.share?.from).toBeCloseTo(1 / 1.98);
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

  it('begins anew after a stop: longer than six tenths of a second and three times the music', () => {
    const stopped = (gap: number) =>
      tempoOf(wanted, [played(12, (i) => 0.5 * i + (i >= 6 ? gap : 0))]).expected;
    const straight = (gap: number) => wanted.map((_, i) => 0.5 * i + (i >= 6 ? gap : 0));
    expect(rounded(stopped(1.1))).toEqual(rounded(straight(1.1)));
    // Three times the music's half second is no stop yet: the curve goes through it.
    expect(rounded(stopped(1))).not.toEqual(rounded(straight(1)));
    // Nor are short ones in quick music: the gap is over three times as long, but under six tenths of a second.
    const quick = wanted.map((key) => ({ ...key, seconds: key.seconds / 5 }));
    const at = (i: number): number => 0.1 * i + (i >= 6 ? 0.45 : 0);
    expect(rounded(tempoOf(quick, [played(12, at)]).expected)).not.toEqual(
      rounded(quick.map((_, i) => at(i))),
    );
    const longer = (i: number): number => 0.1 * i + (i >= 6 ? 0.55 : 0);
    expect(rounded(tempoOf(quick, [played(12, longer)]).expected)).toEqual(
      rounded(quick.map((_, i) => longer(i))),
    );
  });
});
