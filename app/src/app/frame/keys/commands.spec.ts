import { describe, expect, it } from 'vitest';
import { NOWHERE, press } from '../../testing/keys';
import { commandFor, DigitJoiner, type Focus, type KeyPress } from './commands';

const meaning = (key: string, more: Partial<KeyPress> = {}, focus: Partial<Focus> = {}, on = true) =>
  commandFor(press(key, more), { ...NOWHERE, ...focus }, on);

describe('keys of the bench', () => {
  it('mean what the list says', () => {
    expect(meaning(' ')).toEqual({ kind: 'toggle' });
    expect(meaning('Enter')).toEqual({ kind: 'take' });
    expect(meaning('Escape')).toEqual({ kind: 'leave' });
    expect(meaning('ArrowRight')).toEqual({ kind: 'step', by: 1 });
    expect(meaning('ArrowLeft')).toEqual({ kind: 'step', by: -1 });
    expect(meaning('ArrowDown')).toEqual({ kind: 'try', by: 1 });
    expect(meaning('ArrowUp')).toEqual({ kind: 'try', by: -1 });
    expect(meaning('-')).toEqual({ kind: 'tempo', by: -1 });
    expect(meaning('+')).toEqual({ kind: 'tempo', by: 1 });
    expect(meaning('=')).toEqual({ kind: 'tempo', by: 1 });
    expect(['r', 'L', 'b'].map((k) => meaning(k))).toEqual([
      { kind: 'hands', hands: 'right' },
      { kind: 'hands', hands: 'left' },
      { kind: 'hands', hands: 'both' },
    ]);
    expect(meaning('s')).toEqual({ kind: 'staff' });
    expect(meaning('V')).toEqual({ kind: 'desk' });
    expect(['PageDown', 'PageUp'].map((k) => meaning(k))).toEqual([
      { kind: 'turn', by: 1 },
      { kind: 'turn', by: -1 },
    ]);
    expect(meaning('?', { shiftKey: true })).toEqual({ kind: 'help' });
    expect(meaning('q')).toBeNull();
  });

  it('undo and redo with either modifier, and leave the other combinations to the browser', () => {
    expect(meaning('z', { ctrlKey: true })).toEqual({ kind: 'undo' });
    expect(meaning('Z', { metaKey: true, shiftKey: true })).toEqual({ kind: 'redo' });
    expect(meaning('r', { ctrlKey: true })).toBeNull();
    expect(meaning('1', { altKey: true, code: 'Digit1' })).toBeNull();
  });

  it('steal nothing from fields, buttons, radio buttons and dialogs', () => {
    for (const key of [' ', 'Enter', 'r', '-', 'ArrowLeft'])
      expect(meaning(key, {}, { inField: true })).toBeNull();
    expect(meaning('z', { ctrlKey: true }, { inField: true })).toBeNull();
    expect(meaning(' ', {}, { onControl: true })).toBeNull();
    expect(meaning('Enter', {}, { onControl: true })).toBeNull();
    expect(meaning('r', {}, { onControl: true })).toEqual({ kind: 'hands', hands: 'right' });
    expect(meaning('ArrowDown', {}, { onRadio: true })).toBeNull();
    expect(meaning('Escape', {}, { inDialog: true })).toBeNull();
  });

  it('can be switched off, all but the list itself and undo', () => {
    for (const key of [' ', 'r', 's', 'ArrowLeft', 'Enter']) expect(meaning(key, {}, {}, false)).toBeNull();
    expect(meaning('?', {}, {}, false)).toEqual({ kind: 'help' });
    expect(meaning('z', { ctrlKey: true }, {}, false)).toEqual({ kind: 'undo' });
  });

  it('take digits by their place on the keyboard, whatever the layout writes there', () => {
    expect(meaning('3', { code: 'Digit3' })).toEqual({ kind: 'part', number: 3 });
    expect(meaning('&', { code: 'Digit1' })).toEqual({ kind: 'part', number: 1 });
    expect(meaning('!', { code: 'Digit1', shiftKey: true })).toEqual({ kind: 'play-to', number: 1 });
    expect(meaning('4', { code: 'Numpad4' })).toEqual({ kind: 'part', number: 4 });
  });
});

describe('digits typed one after the other', () => {
  const part = (number: number) => ({ kind: 'part' as const, number });

  it('are one number when typed quickly and two when not', () => {
    const joiner = new DigitJoiner();
    expect(joiner.join(part(1), 1000, 20)).toEqual(part(1));
    expect(joiner.join(part(2), 1300, 20)).toEqual(part(12));
    expect(joiner.join(part(3), 3000, 20)).toEqual(part(3));
    expect(joiner.join(part(0), 3700, 99)).toBeNull();
    expect(new DigitJoiner().join(part(0), 0, 20)).toBeNull();
  });

  it('are two numbers where the song has no such part', () => {
    const joiner = new DigitJoiner();
    const said = [1, 4, 1, 3, 9].map((number, i) => joiner.join(part(number), 100 * i, 13));
    expect(said).toEqual([1, 4, 1, 13, 9].map(part));
  });

  it('are three parts of a hundred and more, one digit after the other', () => {
    const joiner = new DigitJoiner();
    expect([1, 2, 0].map((number, i) => joiner.join(part(number), 100 * i, 120))).toEqual(
      [1, 12, 120].map(part),
    );
  });

  it('are not joined across another command or another wish', () => {
    const joiner = new DigitJoiner();
    joiner.join(part(1), 0, 20);
    expect(joiner.join({ kind: 'play-to', number: 2 }, 100, 20)).toEqual({ kind: 'play-to', number: 2 });
    joiner.join(part(1), 200, 20);
    joiner.join({ kind: 'staff' }, 300, 20);
    expect(joiner.join(part(2), 400, 20)).toEqual(part(2));
  });

  it('leave other commands as they are', () => {
    expect(new DigitJoiner().join({ kind: 'staff' }, 0, 4)).toEqual({ kind: 'staff' });
  });
});
