import { describe, expect, it } from 'vitest';
import { NOWHERE, press } from '../../testing/keys';
import { type BenchKey, runOf } from './bench-keys';
import type { Focus, KeyPress } from './press';

let isStepping = true;
const done: string[] = [];
const doing = (what: string) => (): void => void done.push(what);
const KEYS: readonly BenchKey[] = [
  { keys: '→', does: 'the strike', when: () => isStepping, run: { ArrowRight: doing('strike') } },
  { keys: '→', does: 'on', run: { ArrowRight: doing('on'), ArrowDown: doing('down') } },
  {
    keys: 'Shift + ↓ ↑  Ctrl + ↑',
    does: 'down by a half step, up',
    run: {
      'Shift+ArrowDown': doing('half step down'),
      'Shift+ArrowUp': doing('half step'),
      'Ctrl+ArrowUp': doing('octave'),
    },
  },
  { keys: 'X  <  1', does: 'all kinds', run: { x: doing('x'), '<': doing('<'), '1': doing('1') } },
  { keys: 'Enter', does: 'take', run: { Enter: doing('take') } },
];

/** What is done for a press; null where it is left alone. */
function does(key: string, more: Partial<KeyPress> = {}, focus: Partial<Focus> = {}, on = true) {
  done.length = 0;
  const run = runOf(KEYS, press(key, more), { ...NOWHERE, ...focus }, on);
  run?.();
  return run && done.join();
}

describe('keys of a bench', () => {
  it('do what their row says, letters in either case, the first row whose time it is', () => {
    expect(['x', 'X', 'q'].map((key) => does(key))).toEqual(['x', 'x', null]);
    expect(does('<', { shiftKey: true })).toBe('<');
    expect(does('ArrowRight')).toBe('strike');
    isStepping = false;
    expect(does('ArrowRight')).toBe('on');
    isStepping = true;
  });

  it('are others with Shift or Ctrl where a row says so, and the same with Shift where none does', () => {
    expect([does('ArrowUp', { shiftKey: true }), does('ArrowUp', { ctrlKey: true })]).toEqual([
      'half step',
      'octave',
    ]);
    expect([does('ArrowDown'), does('ArrowDown', { shiftKey: true })]).toEqual(['down', 'half step down']);
    expect(does('ArrowUp', { metaKey: true, shiftKey: true })).toBe('octave');
    expect([does('ArrowUp'), does('ArrowRight', { shiftKey: true })]).toEqual([null, 'strike']);
  });

  it('take digits by their place; with Shift they are everybody’s', () => {
    expect(does('&', { code: 'Digit1' })).toBe('1');
    expect(does('1', { code: 'Numpad1' })).toBe('1');
    expect(does('!', { code: 'Digit1', shiftKey: true })).toBeNull();
  });

  it('steal nothing from fields, dialogs, the browser, buttons and radio buttons, and can be switched off', () => {
    for (const focus of [{ inField: true }, { inDialog: true }]) expect(does('x', {}, focus)).toBeNull();
    for (const held of ['ctrlKey', 'metaKey', 'altKey']) expect(does('x', { [held]: true })).toBeNull();
    expect(does('x', {}, {}, false)).toBeNull();
    expect([does('Enter'), does('Enter', {}, { onControl: true })]).toEqual(['take', null]);
    expect([does('ArrowRight', {}, { onRadio: true }), does('x', {}, { onRadio: true })]).toEqual([
      null,
      'x',
    ]);
  });
});
