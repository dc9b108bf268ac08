import { describe, expect, it } from 'vitest';
import { type Focus, type KeyPress } from '../../frame/keys/commands';
import { NOWHERE, press } from '../../testing/keys';
import { tuneCommandFor } from './tune-commands';

const command = (key: string, more: Partial<KeyPress> = {}, focus: Partial<Focus> = {}) =>
  tuneCommandFor(press(key, more), { ...NOWHERE, ...focus }, true);

describe('keys of the Tune bench', () => {
  it('move by letter, with Shift by half step, with Ctrl by octave', () => {
    expect(command('ArrowUp')).toEqual({ kind: 'pitch', steps: 1 });
    expect(command('ArrowDown', { shiftKey: true })).toEqual({ kind: 'pitch', semitones: -1 });
    expect(command('ArrowUp', { ctrlKey: true })).toEqual({ kind: 'pitch', semitones: 12 });
  });

  it('go from note to note and pick more with Shift', () => {
    expect(command('ArrowRight')).toEqual({ kind: 'step', by: 1, isExtending: false });
    expect(command('ArrowLeft', { shiftKey: true })).toEqual({ kind: 'step', by: -1, isExtending: true });
  });

  it('change length and start on every layout of the signs', () => {
    expect(command('.')).toEqual({ kind: 'length', by: 1 });
    expect(command('<')).toEqual(command(';'));
    expect(command('>')).toEqual({ kind: 'shift', by: 1 });
  });

  it('work on notes by letter, whatever the case', () => {
    for (const [key, kind] of [
      ['t', 'tie'],
      ['X', 'split'],
      ['j', 'join'],
      ['c', 'copy'],
      ['n', 'add'],
      ['F', 'mend'],
      ['w', 'words'],
      ['p', 'pick-part'],
      ['Delete', 'remove'],
    ])
      expect(command(key)).toEqual({ kind });
  });

  it('leave alone what means the same on every bench', () => {
    for (const key of [' ', '1', 's', 'r', 'l', 'b', '-', '+', '?', 'Escape'])
      expect(command(key)).toBeNull();
    expect(command('z', { ctrlKey: true })).toBeNull();
    expect(command('c', { ctrlKey: true })).toBeNull();
  });

  it('never steal from a field, a dialog or a radio button, and can be switched off', () => {
    expect(command('ArrowUp', {}, { inField: true })).toBeNull();
    expect(command('n', {}, { inDialog: true })).toBeNull();
    expect(command('ArrowRight', {}, { onRadio: true })).toBeNull();
    expect(tuneCommandFor(press('n'), NOWHERE, false)).toBeNull();
  });
});
