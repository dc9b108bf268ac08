import '@angular/compiler';
import { describe, expect, it } from 'vitest';
import { chordsCommandFor } from '../../benches/chords/chords-commands';
import type { ChordsState } from '../../benches/chords/chords-state';
import { obeyChords } from '../../benches/chords/obey-chords';
import { obeyParts } from '../../benches/parts/obey-parts';
import { partsCommandFor } from '../../benches/parts/parts-commands';
import type { PartsState } from '../../benches/parts/parts-state';
import { obeyTune } from '../../benches/tune/obey-tune';
import { tuneCommandFor } from '../../benches/tune/tune-commands';
import type { TuneState } from '../../benches/tune/tune-state';

const FREE = { inField: false, onControl: false, onRadio: false, inDialog: false };
const press = (key: string, shiftKey = false) => ({
  key,
  code: '',
  shiftKey,
  ctrlKey: false,
  metaKey: false,
  altKey: false,
});

/** A stand-in that writes down what it is asked to do. */
function listening<T>(values: object = {}): { readonly state: T; readonly asked: string[] } {
  const asked: string[] = [];
  const state = new Proxy(values, {
    get: (own, name) =>
      name in own
        ? own[name as keyof typeof own]
        : (...with_: unknown[]) =>
            void asked.push(`${String(name)}(${with_.map((v) => JSON.stringify(v)).join()})`),
  });
  return { state: state as T, asked };
}

describe('every key of a bench does what the list says', () => {
  it('on the Parts bench', () => {
    const bench = listening<PartsState['bench']>({ part: () => ({ settled: false, fromTick: 960 }) });
    const playing = listening<PartsState['playing']>();
    const own = { bench: bench.state, playing: playing.state, mark: () => null };
    const { state, asked } = listening<PartsState>(own);
    const keys = ['ArrowRight', ',', 'x', 'j', 'k', 'm', 'e', 'p'];
    for (const key of keys) {
      const command = partsCommandFor(press(key), FREE, true);
      if (!command) throw new Error(`${key} means nothing`);
      obeyParts(state, command);
    }
    const shifted = partsCommandFor(press('ArrowLeft', true), FREE, true);
    if (shifted) obeyParts(state, shifted);
    expect(asked).toEqual([
      'step(1)',
      'moveMark(-1)',
      'split()',
      'join()',
      'lock()',
      'toggleSame()',
      'nudge(-1)',
    ]);
    expect([...bench.asked, ...playing.asked]).toEqual(['settle(true)', 'playFrom(960)']);
  });

  it('on the Chords bench', () => {
    const { state, asked } = listening<ChordsState>();
    for (const [key, shift] of [
      ['n', false],
      ['p', false],
      ['t', false],
      [',', false],
      ['.', false],
      ['>', true],
      ['u', false],
      ['d', false],
      ['ArrowUp', true],
      ['x', false],
      ['g', false],
      ['c', false],
    ] as const) {
      const command = chordsCommandFor(press(key, shift), FREE, true);
      if (!command) throw new Error(`${key} means nothing`);
      obeyChords(state, command);
    }
    expect(asked).toEqual([
      'hearNext(1)',
      'hearNext(-1)',
      'takeHeard()',
      'moveBy(-1,"half")',
      'moveBy(1,"half")',
      'moveBy(1,"beat")',
      'ladder(-1)',
      'ladder(1)',
      'halfStep(1)',
      'leaveOut()',
      'buildOn()',
      'suggest("gaps")',
    ]);
  });

  it('on the Tune bench', () => {
    const { state, asked } = listening<TuneState>();
    for (const key of ['ArrowRight', 'ArrowUp', '.', '<', 't', 'x', 'j', 'c', 'n', 'Delete', 'f', 'p']) {
      const command = tuneCommandFor(press(key), FREE, true);
      if (!command) throw new Error(`${key} means nothing`);
      obeyTune(state, command);
    }
    expect(asked).toEqual([
      'step(1,false)',
      'movePitch({"steps":1})',
      'lengthen(1)',
      'shift(-1)',
      'tie()',
      'split()',
      'join()',
      'copy()',
      'add()',
      'remove()',
      'mend()',
      'pickPart()',
    ]);
  });
});
