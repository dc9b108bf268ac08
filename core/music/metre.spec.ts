import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  barTicks,
  beatsBetween,
  beatsOf,
  beatTicks,
  canBeGrouped,
  countInTicks,
  groupsOf,
  hasUsualGroups,
  isSameMetre,
  type Metre,
  metreInFull,
  METRES,
  middleTicks,
  placeAt,
  tempoTicks,
  unitTicks,
} from './metre';

const metre = (name: string, groups?: readonly number[]): Metre => {
  const [numerator, denominator] = name.split('/').map(Number);
  return groups ? { numerator, denominator, groups } : { numerator, denominator };
};

/** Every unit of a bar with its strength, and the sizes of its beats in units. */
const FACTS: readonly (readonly [name: string, groups: string, strengths: string, beats: string])[] = [
  ['2/4', '1+1', '4 3', '1 1'],
  ['3/4', '1+1+1', '4 2 2', '1 1 1'],
  ['4/4', '2+2', '4 2 3 2', '1 1 1 1'],
  ['5/4', '3+2', '4 2 2 3 2', '1 1 1 1 1'],
  ['7/4', '4+3', '4 2 2 2 3 2 2', '1 1 1 1 1 1 1'],
  ['6/4', '3+3', '4 1 1 3 1 1', '3 3'],
  ['2/2', '1+1', '4 3', '1 1'],
  ['3/8', '3', '4 1 1', '3'],
  ['6/8', '3+3', '4 1 1 3 1 1', '3 3'],
  ['9/8', '3+3+3', '4 1 1 2 1 1 2 1 1', '3 3 3'],
  ['12/8', '3+3+3+3', '4 1 1 2 1 1 3 1 1 2 1 1', '3 3 3 3'],
  ['5/8', '3+2', '4 1 1 3 1', '3 2'],
  ['7/8', '2+2+3', '4 1 2 1 2 1 1', '2 2 3'],
  ['8/8', '3+3+2', '4 1 1 2 1 1 2 1', '3 3 2'],
  ['4/8', '2+2', '4 2 3 2', '1 1 1 1'],
];

describe('a metre', () => {
  it.each(FACTS)(
    '%s has the groups %s, strengths and beats of its kind',
    (name, groups, strengths, beats) => {
      const m = metre(name);
      expect(groupsOf(m).join('+')).toBe(groups);
      const unit = unitTicks(m);
      const places = Array.from({ length: m.numerator }, (_, i) => placeAt(m, i * unit).strength);
      expect(places.join(' ')).toBe(strengths);
      expect(beatsOf(m).map(({ length }) => length / unit)).toEqual(beats.split(' ').map(Number));
    },
  );

  it.each([
    ['5/4', [2, 3], '4 2 3 2 2'],
    ['7/8', [3, 2, 2], '4 1 1 2 1 2 1'],
    ['7/8', [2, 3, 2], '4 1 2 1 1 2 1'],
    ['5/8', [2, 3], '4 1 3 1 1'],
  ])('%s may be grouped as %j', (name, groups, strengths) => {
    const m = metre(name, groups);
    const places = Array.from({ length: m.numerator }, (_, i) => placeAt(m, i * unitTicks(m)).strength);
    expect(places.join(' ')).toBe(strengths);
    expect(metreInFull(m)).toBe(`${name} (${groups.join('+')})`);
    expect([hasUsualGroups(m), isSameMetre(m, metre(name)), isSameMetre(m, { ...m })]).toEqual([
      false,
      false,
      true,
    ]);
  });

  it('has half beats of strength 1 and nothing finer, in threes its units', () => {
    expect([480, 240, 720, 320].map((tick) => placeAt(metre('4/4'), tick).strength)).toEqual([1, 0, 0, 0]);
    expect([480, 240, 720].map((tick) => placeAt(metre('6/8'), tick).strength)).toEqual([1, 0, 0]);
    expect([960, 480].map((tick) => placeAt(metre('2/2'), tick).strength)).toEqual([1, 0]);
  });

  it('takes groups that do not add up for none', () => {
    expect(groupsOf(metre('7/8', [3, 3, 3]))).toEqual([2, 2, 3]);
    expect(
      [[3, 2], [5], [2, 2, 1], [0, 5], [2.5, 2.5]].map((groups) => canBeGrouped(metre('5/8'), groups)),
    ).toEqual([true, false, true, false, false]);
  });

  it('tells its tempo in beats, where they differ in units', () => {
    const told = (name: string): number => tempoTicks(metre(name)) / 480;
    expect(['3/4', '2/2', '6/8', '6/4', '5/4', '7/8', '8/8'].map(told)).toEqual([2, 4, 3, 6, 2, 1, 1]);
    expect(['5/8', '7/8', '12/8'].map((name) => beatTicks(metre(name)) / 480)).toEqual([2, 2, 3]);
  });

  it('is counted in by whole bars, two beats at the least', () => {
    expect(['3/4', '6/8', '3/8', '7/8'].map((name) => countInTicks(metre(name)) / 480)).toEqual([6, 6, 6, 7]);
    expect(beatsBetween(metre('7/8'), -480, 2880)).toEqual([
      { at: 0, number: 1 },
      { at: 960, number: 2 },
      { at: 1920, number: 3 },
    ]);
    expect(beatsBetween(metre('3/4'), -960, 960)).toEqual([
      { at: -960, number: 3 },
      { at: 0, number: 1 },
    ]);
  });

  it('offers each to be chosen once, with all its groups', () => {
    const names = METRES.map(metreInFull);
    expect(new Set(names).size).toBe(names.length);
    expect(FACTS.map(([name]) => name).filter((name) => name !== '4/8' && !names.includes(name))).toEqual([]);
  });
});

const anyMetre = fc
  .record({ numerator: fc.integer({ min: 1, max: 64 }), denominator: fc.constantFrom(1, 2, 4, 8, 16, 32) })
  .chain((m) => fc.constantFrom<Metre[]>(m, ...METRES));

describe('every metre', () => {
  it('is filled by its groups and beats, strongest on the bar line, and counted on beyond it', () => {
    fc.assert(
      fc.property(anyMetre, fc.integer({ min: -200, max: 200 }), (m, sixteenths) => {
        const unit = unitTicks(m);
        expect(groupsOf(m).reduce((sum, size) => sum + size, 0)).toBe(m.numerator);
        let at = 0;
        for (const beat of beatsOf(m)) {
          expect(beat.at).toBe(at);
          at += beat.length;
        }
        expect(at).toBe(barTicks(m));
        const middle = middleTicks(m);
        if (middle !== null) expect(middle % unit).toBe(0);
        const tick = sixteenths * 240;
        const place = placeAt(m, tick);
        expect(placeAt(m, tick + 3 * barTicks(m))).toEqual(place);
        expect(place.strength === 4).toBe(tick % barTicks(m) === 0);
        expect(place.strength >= 2).toBe(place.inBeat === 0);
        expect(place.strength === 3).toBe(place.offset === middle && place.offset > 0 && place.inBeat === 0);
      }),
    );
  });
});
