import { describe, expect, it } from 'vitest';
import type { Focus, KeyPress } from '../../frame/keys/commands';
import { NOWHERE, press } from '../../testing/keys';
import { joinCommandFor } from './join-commands';
import type { JoinJob } from './join-state';

const read = (key: string, job: JoinJob, differs: Partial<KeyPress> = {}, focus: Partial<Focus> = {}) =>
  joinCommandFor(press(key, differs), { ...NOWHERE, ...focus }, true, job);

describe('keys of the Join bench', () => {
  it('go to its jobs from any of them', () => {
    for (const job of ['why', 'patterns', 'steps', 'fingers', 'effort'] as const)
      expect(['w', 'P', 'n', 'f', 'e', 'z'].map((key) => read(key, job))).toEqual([
        { kind: 'job', job: 'why' },
        { kind: 'job', job: 'patterns' },
        { kind: 'job', job: 'steps' },
        { kind: 'job', job: 'fingers' },
        { kind: 'job', job: 'effort' },
        null,
      ]);
  });

  it('step, and hear what is wanted, while stepping alone', () => {
    expect(
      ['ArrowRight', 'Enter', 'ArrowLeft', 'ArrowDown', 'ArrowUp', '3'].map((key) => read(key, 'steps')),
    ).toEqual([
      { kind: 'step', by: 1 },
      { kind: 'step', by: 1 },
      { kind: 'step', by: -1 },
      { kind: 'hear-step' },
      null,
      null,
    ]);
    expect(read('ArrowRight', 'why')).toBeNull();
    expect(read('Enter', 'steps', {}, { onControl: true })).toBeNull();
    expect(read('ArrowRight', 'steps', {}, { onRadio: true })).toBeNull();
  });

  it('pin fingers and go from key to key at the fingers alone', () => {
    expect(['1', '5', '6', '0', 'Delete', 'Backspace'].map((key) => read(key, 'fingers'))).toEqual([
      { kind: 'finger', finger: 1 },
      { kind: 'finger', finger: 5 },
      null,
      null,
      { kind: 'release' },
      { kind: 'release' },
    ]);
    expect(['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'].map((key) => read(key, 'fingers'))).toEqual([
      { kind: 'note', by: -1 },
      { kind: 'note', by: 1 },
      { kind: 'other-hand' },
      { kind: 'other-hand' },
    ]);
    // With Shift a digit still plays up to a part.
    expect(read('1', 'fingers', { shiftKey: true })).toBeNull();
    expect(read('1', 'why')).toBeNull();
    expect(read('1', 'fingers', { key: '&', code: 'Digit1' })).toEqual({ kind: 'finger', finger: 1 });
  });

  it('leave fields, dialogs, the browser’s own keys and switched-off keys alone', () => {
    expect(read('f', 'why', {}, { inField: true })).toBeNull();
    expect(read('f', 'why', {}, { inDialog: true })).toBeNull();
    for (const held of ['ctrlKey', 'metaKey', 'altKey'] as const)
      expect(read('f', 'why', { [held]: true })).toBeNull();
    expect(joinCommandFor(press('f'), NOWHERE, false, 'why')).toBeNull();
  });
});
