import { describe, expect, it } from 'vitest';
import { reachMm } from '../music';
import { lowIntervalBreaches, type Place, stepCost, voicingCost } from './cost';
import type { Voicing } from './voicing';
import { DEFAULT_WEIGHTS, PURE_WEIGHTS } from './weights';

const voicing = (keys: readonly number[], differs: Partial<Voicing> = {}): Voicing =>
  ({ keys, inversion: 0, missing: [], spanMm: 100, middleMm: 0, ...differs }) as unknown as Voicing;
const PLACE: Place = { firstOrLast: false, register: 0, leadingNote: 11, reachMm: reachMm(8) };
const points = (
  keys: readonly number[],
  differs: Partial<Voicing> = {},
  place: Partial<Place> = {},
): number => voicingCost(voicing(keys, differs), { ...PLACE, ...place }, DEFAULT_WEIGHTS);

describe('points of a voicing in its place', () => {
  it('none for a triad in a clear register', () => {
    expect(points([52, 55, 60])).toBe(0);
    expect(voicingCost(voicing([20, 21, 22], { inversion: 1, missing: ['3M'] }), PLACE, PURE_WEIGHTS)).toBe(
      0,
    );
  });

  it('three for each half step its centre lies outside the band round G3, moved by choice', () => {
    // Centre 59: the band ends there; a half step more costs three.
    expect([0, 1, 2].map((up) => points([55 + up, 59 + up, 63 + up]))).toEqual([0, 3, 6]);
    expect([0, 1].map((down) => points([47 - down, 51 - down, 55 - down]))).toEqual([0, 3]);
    expect(points([67, 71, 75], {}, { register: 12 })).toBe(0);
    // A single key belongs a fifth lower, each key more than three a half step lower.
    expect([48, 52, 53].map((key) => points([key]))).toEqual([0, 0, 3]);
    expect([points([55, 59, 63]), points([55, 57, 59, 61, 63])]).toEqual([0, 6]);
  });

  it('sixteen for a pair below its limit and four for each half step it lies below', () => {
    expect(lowIntervalBreaches([48, 52])).toEqual([]);
    expect(lowIntervalBreaches([45, 49, 56])).toEqual([1]);
    expect(lowIntervalBreaches([40, 44, 47])).toEqual([6, 4]);
    expect(lowIntervalBreaches([36, 48])).toEqual([]);
    expect(lowIntervalBreaches([33, 40])).toEqual([1]);
    // Its centre lies one below the band besides.
    expect(points([45, 49, 56])).toBe(16 + 4 + 3);
  });

  it('three near the full reach, twenty for an inversion at an end, thirty for a second leading note', () => {
    const wide = (short: number): number => points([52, 55, 60], { spanMm: reachMm(8) - short });
    expect([wide(30), wide(23)]).toEqual([0, 3]);
    expect(points([52, 55, 60], { inversion: 1 })).toBe(0);
    expect(points([52, 55, 60], { inversion: 1 }, { firstOrLast: true })).toBe(20);
    expect(points([52, 55, 60], {}, { firstOrLast: true })).toBe(0);
    expect(points([47, 55, 59], {}, { leadingNote: 11 })).toBe(30);
    expect(points([47, 55, 59], {}, { leadingNote: 0 })).toBe(0);
  });

  it('for what is left out: the third most, then colours, the root little, the fifth nothing', () => {
    const without = (...missing: string[]): number => points([52, 55, 60], { missing } as never);
    expect(['3M', '3m', '4P', '1P', '5P', '5d', '7m', '9M', '6M'].map((member) => without(member))).toEqual([
      40, 40, 40, 8, 0, 30, 30, 30, 30,
    ]);
    expect(without('3M', '5P', '7m')).toBe(70);
  });
});

describe('points of a step', () => {
  it('ten for each half step of a voice, one for twelve millimetres of the hand, two off for each key that stays', () => {
    const step = (
      from: readonly number[],
      to: readonly number[],
      millimetres: number,
      weights = DEFAULT_WEIGHTS,
    ) => stepCost(voicing(from), voicing(to, { middleMm: millimetres }), weights);
    expect(step([48, 52, 55], [48, 52, 55], 0)).toBe(-6);
    expect(step([48, 52, 55], [48, 53, 57], 12)).toBe(30 + 1 - 2);
    expect(step([48, 52, 55], [48, 53, 57], -18)).toBe(30 + 2 - 2);
    expect(step([48, 52, 55], [48, 53, 57], 500, PURE_WEIGHTS)).toBe(30);
  });
});
