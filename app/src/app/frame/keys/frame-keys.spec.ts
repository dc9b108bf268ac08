import { describe, expect, it } from 'vitest';
import { NOWHERE, press } from '../../testing/keys';
import { runOf } from './bench-keys';
import { type Commanded, frameKeys } from './frame-keys';
import type { Focus, KeyPress } from './press';

const KEYS = frameKeys({ bench: {}, playing: {} } as Commanded);
/** The row of the list a press belongs to; null for none. */
function rowOf(key: string, more: Partial<KeyPress> = {}, focus: Partial<Focus> = {}, on = true) {
  const run = runOf(KEYS, press(key, more), { ...NOWHERE, ...focus }, on);
  return KEYS.find((row) => run && Object.values(row.run).includes(run))?.keys ?? null;
}

describe('keys of every bench', () => {
  it('are undo and redo with either modifier, and leave the other combinations to the browser', () => {
    expect(rowOf('z', { ctrlKey: true })).toBe('Ctrl + Z');
    expect(rowOf('Z', { metaKey: true, shiftKey: true })).toBe('Ctrl + Shift + Z');
    expect([rowOf('z'), rowOf('r', { ctrlKey: true }), rowOf('r', { altKey: true })]).toEqual([
      null,
      null,
      null,
    ]);
  });

  it('steal nothing from fields, buttons, radio buttons and dialogs', () => {
    for (const key of [' ', 'Enter', 'r', '-', 'ArrowLeft'])
      expect(rowOf(key, {}, { inField: true })).toBeNull();
    expect(rowOf('z', { ctrlKey: true }, { inField: true })).toBeNull();
    // What finds everything is there while something is typed as well.
    for (const focus of [{}, { inField: true }])
      expect(rowOf('k', { ctrlKey: true }, focus)).toBe('Ctrl + K');
    expect(rowOf('k', {}, { inField: true })).toBeNull();
    expect([' ', 'Enter', 'r'].map((key) => rowOf(key, {}, { onControl: true }))).toEqual([
      null,
      null,
      'R  L  B',
    ]);
    expect(rowOf('ArrowDown', {}, { onRadio: true })).toBeNull();
    expect(rowOf('Escape', {}, { inDialog: true })).toBeNull();
  });

  it('can be switched off, all but the list itself and undo', () => {
    for (const key of [' ', 'r', 's', 'ArrowLeft', 'Enter']) expect(rowOf(key, {}, {}, false)).toBeNull();
    expect([rowOf('?', { shiftKey: true }, {}, false), rowOf('z', { ctrlKey: true }, {}, false)]).toEqual([
      '?',
      'Ctrl + Z',
    ]);
  });
});
