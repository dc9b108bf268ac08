import { describe, expect, it } from 'vitest';
import { type Focus, type KeyPress } from '../../frame/keys/commands';
import { NOWHERE, press } from '../../testing/keys';
import { CHORDS_SHORTCUTS, chordsCommandFor } from './chords-commands';

const meaning = (key: string, more: Partial<KeyPress> = {}, focus: Partial<Focus> = {}, on = true) =>
  chordsCommandFor(press(key, more), { ...NOWHERE, ...focus }, on);

describe('keys of the Chords bench', () => {
  it('mean what the list says', () => {
    expect(['n', 't', 'u', 'X', 'w', 'g', 'c'].map((key) => meaning(key)?.kind)).toEqual([
      'suggestion',
      'take',
      'ladder',
      'leave-out',
      'write',
      'build',
      'set',
    ]);
    expect(meaning('.')).toEqual({ kind: 'move', by: 1, step: 'half' });
    expect(meaning('<', { shiftKey: true })).toEqual({ kind: 'move', by: -1, step: 'beat' });
    expect(meaning('ArrowUp', { shiftKey: true })).toEqual({ kind: 'half-step', by: 1 });
    // Without Shift the arrows mean what they mean on every bench.
    expect(meaning('ArrowUp')).toBeNull();
    expect(CHORDS_SHORTCUTS.length).toBeGreaterThan(9);
  });

  it('leave fields, dialogs, radio buttons and other combinations alone', () => {
    expect(meaning('x', {}, { inField: true })).toBeNull();
    expect(meaning('n', {}, { inDialog: true })).toBeNull();
    expect(meaning('ArrowUp', { shiftKey: true }, { onRadio: true })).toBeNull();
    expect(meaning('c', { ctrlKey: true })).toBeNull();
    expect(meaning('c', {}, {}, false)).toBeNull();
  });
});
