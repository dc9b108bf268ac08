import { describe, expect, it } from 'vitest';
import { keepIdentity, rememberEach, rememberLast, rememberMany } from './memo';

describe('remembering', () => {
  it('works once for the same inputs and again for others', () => {
    let times = 0;
    const sum = rememberLast((a: readonly number[], b: number) => {
      times++;
      return a.length + b;
    });
    const list = [1, 2];
    expect([sum(list, 1), sum(list, 1), times]).toEqual([3, 3, 1]);
    expect([sum([1, 2], 1), times]).toEqual([3, 2]);
    expect([sum(list, 2), times]).toEqual([4, 3]);
  });

  it('keeps what is equal and takes what is new', () => {
    const before = { melody: [1, 2], title: 'a', pins: [{ keys: [1] }] };
    const after = keepIdentity(before, { melody: [1, 2], title: 'b', pins: [{ keys: [2] }] });
    expect(after.melody).toBe(before.melody);
    expect(after.title).toBe('b');
    expect(after.pins).toEqual([{ keys: [2] }]);
    expect(keepIdentity(null, before)).toBe(before);
  });
});

describe('values remembered by name', () => {
  it('are the latest 48 of each, by identity of what they were made from', () => {
    const remember = rememberEach<number>(2);
    let made = 0;
    const of = (name: string, ...from: unknown[]): number => remember(name, from, () => ++made);
    const [a, b, c, ...others] = Array.from({ length: 49 }, () => ({}));
    const first48 = [a, b, c, ...others.slice(0, 45)];
    const numbers = first48.map((_, i) => i + 1);
    expect(first48.map((from) => of('x', from))).toEqual(numbers);
    expect(first48.map((from) => of('x', from))).toEqual(numbers);
    // The one that was not asked for longest is forgotten.
    expect([a, others[45], b].map((from) => of('x', from))).toEqual([1, 49, 50]);
    expect([a, others[45], others[0]].map((from) => of('x', from))).toEqual([1, 49, 4]);
    // Lists are told apart member by member.
    expect([of('y', [a, b]), of('y', [a, b]), of('y', [b, a]), of('y', [a])]).toEqual([51, 51, 52, 53]);
    // Past so many names all is forgotten.
    expect([of('z', a), of('x', a)]).toEqual([54, 55]);
  });

  it.each([
    [1, 48],
    [166, 48],
    [167, 47],
    [400, 20],
    [1600, 5],
    [5000, 5],
  ])('are fewer where there are many names: of %i names %i each', (names, each) => {
    const remember = rememberEach<number>();
    let made = 0;
    const of = (name: number, from: object): number => remember(`${name}`, [from], () => ++made);
    const froms = Array.from({ length: each + 1 }, () => ({}));
    for (let name = 0; name < names; name++) of(name, froms[0]);
    for (const from of froms.slice(0, each)) of(0, from);
    const before = made;
    for (const from of froms.slice(0, each)) of(0, from);
    expect(made).toBe(before);
    of(0, froms[each]);
    of(0, froms[0]);
    expect(made).toBe(before + 2);
  });

  it('are made once a name, and anew when too many are held', () => {
    const remember = rememberMany<number>(2);
    let made = 0;
    const of = (name: string): number => remember(name, () => ++made);
    expect([of('a'), of('b'), of('a'), of('b')]).toEqual([1, 2, 1, 2]);
    expect([of('c'), of('c'), of('a')]).toEqual([3, 3, 4]);
  });
});
