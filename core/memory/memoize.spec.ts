import { describe, expect, it } from 'vitest';
import { keepIdentity, memoizeByKey } from './memoize';
import { memoryOf } from './memory';

describe('identity that survives a copy', () => {
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
  it('are the latest five of each, by identity of what they were made from', () => {
    const remember = memoizeByKey<number>(2);
    let made = 0;
    const of = (name: string, ...from: unknown[]): number => remember(name, from, () => ++made);
    const [a, b, c, d, e, f] = Array.from({ length: 6 }, () => ({}));
    expect([a, b, c, d, e].map((from) => of('x', from))).toEqual([1, 2, 3, 4, 5]);
    expect([a, b, c, d, e].map((from) => of('x', from))).toEqual([1, 2, 3, 4, 5]);
    // The one that was not asked for longest is forgotten.
    expect([a, f, b].map((from) => of('x', from))).toEqual([1, 6, 7]);
    expect([a, f, c].map((from) => of('x', from))).toEqual([1, 6, 8]);
    // Lists are told apart member by member.
    expect([of('y', [a, b]), of('y', [a, b]), of('y', [b, a]), of('y', [a])]).toEqual([9, 9, 10, 11]);
    // Past so many names all is forgotten.
    expect([of('z', a), of('x', a)]).toEqual([12, 13]);
  });
});

describe('what is remembered of a song', () => {
  it('is there while it is one of the two asked for last', () => {
    const [first, second] = [memoryOf('first'), memoryOf('second')];
    expect(memoryOf('first')).toBe(first);
    expect(memoryOf('third')).not.toBe(first);
    expect(memoryOf('first')).toBe(first);
    expect(memoryOf('second')).not.toBe(second);
  });

  it('is kept stage by stage', () => {
    const memory = memoryOf('stages');
    const from = [{}];
    expect(memory.of('hands')('part 1', from, () => 1)).toBe(1);
    expect(memory.of('hands')('part 1', from, () => 2)).toBe(1);
    expect(memory.of('fills')('part 1', from, () => 2)).toBe(2);
  });
});
