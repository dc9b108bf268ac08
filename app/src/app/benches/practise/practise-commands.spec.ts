import '@angular/compiler';
import { describe, expect, it } from 'vitest';
import type { Focus } from '../../frame/keys/commands';
import { NOWHERE, press } from '../../testing/keys';
import { practiseCommandFor } from './practise-commands';
import type { PractiseJob } from './practise-state';

const read = (
  key: string,
  now: PractiseJob = 'now',
  { ctrlKey = false, ...focus }: Partial<Focus> & { ctrlKey?: boolean } = {},
) => practiseCommandFor(press(key, { ctrlKey }), { ...NOWHERE, ...focus }, true, now);

describe('the keys of the Practise bench', () => {
  it('go to each of its panels, from any of them', () => {
    expect(['w', 'p', 'i', 'g', 'o', 'W'].map((key) => read(key, 'log'))).toEqual(
      ['now', 'plan', 'places', 'log', 'recording', 'now'].map((job) => ({ kind: 'job', job })),
    );
  });

  it('hear, say how it went and go on, where the job of now is shown', () => {
    const keys = ['h', 'y', 'n', 'Enter', 'ArrowRight', 'ArrowLeft', 'z', 't'];
    expect(keys.map((key) => read(key))).toEqual([
      { kind: 'hear' },
      { kind: 'said', isClean: true },
      { kind: 'said', isClean: false },
      { kind: 'next', by: 1 },
      { kind: 'next', by: 1 },
      { kind: 'next', by: -1 },
      null,
      null,
    ]);
    for (const elsewhere of ['plan', 'places', 'log', 'recording'] as const)
      expect([elsewhere, read('y', elsewhere)]).toEqual([elsewhere, null]);
    expect(read('t', 'recording')).toEqual({ kind: 'tap' });
  });

  it('steal nothing from a button, a choice, a field, or the browser', () => {
    expect(read('Enter', 'now', { onControl: true })).toBeNull();
    expect(read('y', 'now', { onControl: true })).toEqual({ kind: 'said', isClean: true });
    expect([
      read('ArrowRight', 'now', { onRadio: true }),
      read('ArrowLeft', 'now', { onRadio: true }),
    ]).toEqual([null, null]);
    expect([read('y', 'now', { inField: true }), read('p', 'now', { ctrlKey: true })]).toEqual([null, null]);
  });
});
