import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Alike } from './alike';

const listed = (alike: Alike, from: number, to: number): number[] =>
  Array.from({ length: to - from }, (_, i) => alike.at(from + i));

describe('places that go alike', () => {
  const names = Int32Array.of(1, 0, 1, 2, 0);

  it('come side by side, in the order in which their names first come', () => {
    const alike = new Alike(5);
    expect(alike.part(0, 5, names, 0)).toEqual([2, 4, 5]);
    expect(listed(alike, 0, 5)).toEqual([0, 2, 1, 4, 3]);
  });

  it('are parted by what comes after them, the end like nothing else; what lies beside them stays', () => {
    const alike = new Alike(5);
    alike.part(0, 5, names, 0);
    // After 1 comes 1, after 4 the end.
    expect(alike.part(2, 4, names, 1)).toEqual([3, 4]);
    // After 0 comes 0, after 2 comes 2.
    expect(alike.part(0, 2, names, 1)).toEqual([1, 2]);
    expect(listed(alike, 0, 5)).toEqual([0, 2, 1, 4, 3]);
  });

  it('are one where they are not parted', () => {
    const alike = new Alike(5);
    alike.part(0, 5, names, 0);
    expect([alike.isOne(0, 2, names, 0), alike.isOne(0, 3, names, 0), alike.isOne(0, 1, names, 1)]).toEqual([
      ...[true, false, true],
    ]);
    expect(alike.part(0, 2, names, 0)).toEqual([2]);
    expect([alike.some(0, 2, (place) => place === 2), alike.some(0, 1, (place) => place === 2)]).toEqual([
      ...[true, false],
    ]);
  });

  it('are all still there, in runs of one name, whatever was parted before', () => {
    const lists = fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 3, maxLength: 12 });
    fc.assert(
      fc.property(lists, fc.nat(3), (list, further) => {
        const on = Math.min(further, list.length);
        const alike = new Alike(list.length);
        alike.part(0, list.length, Int32Array.from(list), 0);
        const ends = alike.part(0, list.length, Int32Array.from(list), on);
        const all = listed(alike, 0, list.length);
        expect([...all].sort((a, b) => a - b)).toEqual(list.map((_, i) => i));
        // Past the end no two are alike.
        const nameOf = (place: number): number => list[place + on] ?? -place - 1;
        const runs = ends.map((end, i) => all.slice(ends[i - 1] ?? 0, end).map(nameOf));
        expect(runs.every((run) => run.length > 0 && new Set(run).size === 1)).toBe(true);
        expect(new Set(runs.map(([name]) => name)).size).toBe(runs.length);
      }),
    );
  });
});
