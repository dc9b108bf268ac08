import { describe, expect, it } from 'vitest';
import { type Focus, type KeyPress } from '../../frame/keys/commands';
import { NOWHERE, press } from '../../testing/keys';
import { PARTS_SHORTCUTS, partsCommandFor } from './parts-commands';

const meaning = (key: string, more: Partial<KeyPress> = {}, focus: Partial<Focus> = {}, on = true) =>
  partsCommandFor(press(key, more), { ...NOWHERE, ...focus }, on);

describe('keys of the Parts bench', () => {
  it('mean what the list says', () => {
    expect(meaning('ArrowRight')).toEqual({ kind: 'step', by: 1 });
    expect(meaning('ArrowLeft', { shiftKey: true })).toEqual({ kind: 'move-cut', by: -1 });
    expect(['x', 'J', 'k', 'm', 'e', 'n', 'p'].map((key) => meaning(key)?.kind)).toEqual([
      'split',
      'join',
      'lock',
      'same',
      'settle',
      'name',
      'from-here',
    ]);
    expect(meaning('.')).toEqual({ kind: 'mark', by: 1 });
    expect(PARTS_SHORTCUTS.length).toBeGreaterThan(7);
  });

  it('leave fields, dialogs, radio buttons and other combinations alone', () => {
    expect(meaning('x', {}, { inField: true })).toBeNull();
    expect(meaning('x', {}, { inDialog: true })).toBeNull();
    expect(meaning('ArrowLeft', {}, { onRadio: true })).toBeNull();
    expect(meaning('x', { ctrlKey: true })).toBeNull();
    expect(meaning('x', {}, {}, false)).toBeNull();
    expect(meaning('q')).toBeNull();
  });
});
