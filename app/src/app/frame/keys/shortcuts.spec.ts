// @vitest-environment happy-dom
import '@angular/compiler';
import { Injector } from '@angular/core';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { SongStore } from '../../storage/song-store';
import { Problems } from '../../ui/problems';
import type { BenchBehaviour } from '../definition';
import type { Commanded, FrameKey } from './frame-keys';
import { Shortcuts } from './shortcuts';

const PAGE =
  '<input id="title"><textarea id="letters"></textarea><input type="radio" id="level">' +
  '<input type="checkbox" id="box"><button id="play"><i id="icon"></i></button>' +
  '<div role="dialog"><p id="told"></p></div><p id="page"></p>';

describe('keys of the page', () => {
  const saved: boolean[] = [];
  let shortcuts: Shortcuts;
  let problems: Problems;
  let stored: () => Promise<boolean>;
  beforeEach(() => {
    saved.length = 0;
    stored = async () => true;
    document.body.innerHTML = PAGE;
    shortcuts = made();
  });

  function made(): Shortcuts {
    const store = {
      keysAreOn: () => stored(),
      saveKeysAreOn: async (on: boolean) => void saved.push(on),
    };
    const injector = Injector.create({
      providers: [{ provide: SongStore, useValue: store }, { provide: Problems }, { provide: Shortcuts }],
    });
    problems = injector.get(Problems);
    return injector.get(Shortcuts);
  }

  const pressed = (id: string, key: string, more: KeyboardEventInit = {}): KeyboardEvent => {
    const event = new KeyboardEvent('keydown', { key, bubbles: true, ...more });
    document.getElementById(id)?.dispatchEvent(event);
    return event;
  };
  const asked: (string | number)[] = [];
  const frame = {
    bench: { goToPart: (part: number) => void asked.push(part) },
    playing: { togglePlaying: () => void asked.push('played'), play: () => void asked.push('played to') },
  } as unknown as Commanded;
  const keys: readonly FrameKey[] = ['s', 'ArrowRight', ' ', 'Enter', 'Escape'].map((key) => ({
    keys: key,
    does: '',
    run: { [key]: () => void asked.push(key) },
  }));
  /** What came of a key; null for nothing. */
  const read = (id: string, key: string, more: KeyboardEventInit = {}, bench?: BenchBehaviour): unknown => {
    asked.length = 0;
    const run = shortcuts.read(pressed(id, key, more), { frame, keys, bench, parts: 6 });
    run?.();
    return run && asked.join();
  };

  it('are letters in a field, and the song’s elsewhere', () => {
    expect(['title', 'letters'].map((id) => read(id, 's'))).toEqual([null, null]);
    expect(['page', 'level', 'box', 'play'].map((id) => read(id, 's'))).toEqual(Array(4).fill('s'));
  });

  it('leave Space and Enter to the button they are pressed on, whatever of it has the focus', () => {
    for (const id of ['play', 'icon']) expect([read(id, ' '), read(id, 'Enter')]).toEqual([null, null]);
    expect([read('page', ' '), read('page', 'Enter')]).toEqual([' ', 'Enter']);
  });

  it('are the radio’s own where one came to it by Tab, and the song’s after the pointer', () => {
    expect(read('level', 'ArrowRight')).toBe('ArrowRight');
    pressed('page', 'Tab');
    expect([read('level', 'ArrowRight'), read('level', ' ')]).toEqual([null, null]);
    // Any key after Tab leaves it so, the pointer does not.
    pressed('page', 'x');
    expect(read('level', 'ArrowRight')).toBeNull();
    document.body.dispatchEvent(new Event('pointerdown', { bubbles: true }));
    expect(read('level', 'ArrowRight')).toBe('ArrowRight');
  });

  it('mean nothing in a dialog, nor while a letter is being composed', () => {
    expect(read('told', 's')).toBeNull();
    expect(read('page', 's', { isComposing: true })).toBeNull();
  });

  it('are asked of the open bench first, with where the focus is', () => {
    const readKey = vi.fn(() => () => void asked.push('own'));
    const bench = { readKey } as unknown as BenchBehaviour;
    expect(read('title', 's', {}, bench)).toBe('own');
    const focus = { inField: true, onControl: false, onRadio: false, inDialog: false };
    expect(readKey).toHaveBeenCalledWith(expect.objectContaining({ key: 's' }), focus, true);
    expect(read('page', 's', { isComposing: true }, bench)).toBeNull();
  });

  it('are numbers of parts, joined where they are typed quickly; with Shift up to there', () => {
    const digit = (value: string, more: KeyboardEventInit = {}): unknown =>
      read('page', value, { code: `Digit${value}`, ...more });
    expect(digit('3')).toBe('2');
    expect(digit('4', { shiftKey: true })).toBe('3,played to');
    expect(read('page', '2', { code: 'Numpad2', shiftKey: true })).toBe('1');
    expect(read('title', '3', { code: 'Digit3' })).toBeNull();
    expect(digit('3', { ctrlKey: true })).toBeNull();
  });

  it('can be switched off, which is kept, and are so from the start where they were', async () => {
    shortcuts.switch(false);
    expect([saved, read('page', 's')]).toEqual([[false], null]);
    stored = async () => false;
    shortcuts = made();
    await Promise.resolve();
    await Promise.resolve();
    expect(shortcuts.areOn()).toBe(false);
    stored = () => Promise.reject(new Error('shut'));
    made();
    await new Promise((resolve) => setTimeout(resolve));
    expect(problems.sentence()).toBe('Whether single keys are on could not be read: shut.');
  });
});
