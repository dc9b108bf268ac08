// @vitest-environment happy-dom
import '@angular/compiler';
import { Injector } from '@angular/core';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { SongStore } from '../../storage/song-store';
import { Problems } from '../../ui/problems';
import type { BenchBehaviour } from '../definition';
import { Shortcuts } from './shortcuts';

const PAGE =
  '<input id="title"><textarea id="letters"></textarea><input type="radio" id="rung">' +
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
  const read = (id: string, key: string): unknown => shortcuts.read(pressed(id, key), 6);

  it('are letters in a field, and the song’s elsewhere', () => {
    expect(['title', 'letters'].map((id) => read(id, 's'))).toEqual([null, null]);
    expect(['page', 'rung', 'box', 'play'].map((id) => read(id, 's'))).toEqual(
      Array(4).fill({ kind: 'staff' }),
    );
  });

  it('leave Space and Enter to the button they are pressed on, whatever of it has the focus', () => {
    for (const id of ['play', 'icon']) expect([read(id, ' '), read(id, 'Enter')]).toEqual([null, null]);
    expect([read('page', ' '), read('page', 'Enter')]).toEqual([{ kind: 'toggle' }, { kind: 'take' }]);
  });

  it('are the radio’s own where one came to it by Tab, and the song’s after the pointer', () => {
    expect(read('rung', 'ArrowRight')).toEqual({ kind: 'step', by: 1 });
    pressed('page', 'Tab');
    expect([read('rung', 'ArrowRight'), read('rung', ' ')]).toEqual([null, null]);
    // Any key after Tab leaves it so, the pointer does not.
    pressed('page', 'x');
    expect(read('rung', 'ArrowRight')).toBeNull();
    document.body.dispatchEvent(new Event('pointerdown', { bubbles: true }));
    expect(read('rung', 'ArrowRight')).toEqual({ kind: 'step', by: 1 });
  });

  it('mean nothing in a dialog, nor while a letter is being composed', () => {
    expect(read('told', 's')).toBeNull();
    expect(shortcuts.read(pressed('page', 's', { isComposing: true }), 6)).toBeNull();
  });

  it('are asked of the open bench with where the focus is', () => {
    const act = (): void => undefined;
    const readKey = vi.fn(() => act);
    const bench = { readKey } as unknown as BenchBehaviour;
    const event = pressed('title', 'p');
    expect(shortcuts.readOwn(event, bench)).toBe(act);
    expect(readKey).toHaveBeenCalledWith(
      event,
      { inField: true, onControl: false, onRadio: false, inDialog: false },
      true,
    );
    expect(shortcuts.readOwn(pressed('page', 'p', { isComposing: true }), bench)).toBeNull();
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
