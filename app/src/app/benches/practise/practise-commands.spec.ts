import '@angular/compiler';
import { describe, expect, it } from 'vitest';
import { practiseCommandFor } from './practise-commands';
import type { PractiseJob } from './practise-state';

const press = (
  key: string,
  now: PractiseJob = 'now',
  differs: Partial<{ onControl: boolean; onRadio: boolean; inField: boolean; ctrlKey: boolean }> = {},
) =>
  practiseCommandFor(
    { key, code: '', shiftKey: false, ctrlKey: differs.ctrlKey ?? false, metaKey: false, altKey: false },
    {
      inField: differs.inField ?? false,
      onControl: differs.onControl ?? false,
      onRadio: differs.onRadio ?? false,
      inDialog: false,
    },
    true,
    now,
  );

describe('the keys of the Practise bench', () => {
  it('go to each of its panels, from any of them', () => {
    expect(['w', 'p', 'i', 'g', 'o', 'W'].map((key) => press(key, 'log'))).toEqual(
      ['now', 'plan', 'places', 'log', 'recording', 'now'].map((job) => ({ kind: 'job', job })),
    );
  });

  it('hear, say how it went and go on, where the job of now is shown', () => {
    const keys = ['h', 'y', 'n', 'Enter', 'ArrowRight', 'ArrowLeft', 'z', 't'];
    expect(keys.map((key) => press(key))).toEqual([
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
      expect([elsewhere, press('y', elsewhere)]).toEqual([elsewhere, null]);
    expect(press('t', 'recording')).toEqual({ kind: 'tap' });
  });

  it('steal nothing from a button, a choice, a field, or the browser', () => {
    expect(press('Enter', 'now', { onControl: true })).toBeNull();
    expect(press('y', 'now', { onControl: true })).toEqual({ kind: 'said', isClean: true });
    expect([
      press('ArrowRight', 'now', { onRadio: true }),
      press('ArrowLeft', 'now', { onRadio: true }),
    ]).toEqual([null, null]);
    expect([press('y', 'now', { inField: true }), press('p', 'now', { ctrlKey: true })]).toEqual([
      null,
      null,
    ]);
  });
});
