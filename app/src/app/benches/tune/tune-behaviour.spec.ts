import '@angular/compiler';
import { signal } from '@angular/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { Recorder } from '../../input/recorder';
import { askedBy, NOWHERE, press } from '../../testing/keys';
import { Table } from '../../testing/table';
import { TuneBehaviour } from './tune-behaviour';
import { TuneState } from './tune-state';

const [lanterns] = DEMO_SONGS;

describe('the Tune bench in the frame', () => {
  const isBusy = signal(false);
  let table: Table;
  let tune: TuneState;
  let behaviour: TuneBehaviour;
  beforeEach(() => {
    isBusy.set(false);
    table = new Table(lanterns, TuneState, TuneBehaviour, {
      provide: Recorder,
      useValue: { isBusy },
    });
    tune = table.get(TuneState);
    behaviour = table.get(TuneBehaviour);
  });

  it('obeys each of its keys', () => {
    const keys = [
      'ArrowRight',
      'ArrowLeft',
      'ArrowUp',
      ',',
      '.',
      '<',
      '>',
      't',
      'x',
      'j',
      'e',
      'c',
      'n',
      'f',
      'p',
    ];
    expect(askedBy(behaviour, tune, [...keys, ['ArrowLeft', { shiftKey: true }], 'Delete', 'y'])).toEqual([
      ['step', 1, false],
      ['step', -1, false],
      ['movePitch', { steps: 1 }],
      ['lengthen', -1],
      ['lengthen', 1],
      ['shift', -1],
      ['shift', 1],
      ['tie'],
      ['split'],
      ['join'],
      ['respell'],
      ['copy'],
      ['add'],
      ['mend'],
      ['pickPart'],
      ['step', -1, true],
      ['remove'],
      null,
    ]);
  });

  it('leaves its keys alone while a take is recorded: they are played', () => {
    isBusy.set(true);
    expect(behaviour.readKey(press('t'), NOWHERE, true)).toBeNull();
    isBusy.set(false);
    expect(behaviour.readKey(press('t'), NOWHERE, true)).not.toBeNull();
  });

  it('picks a note that is pressed, more with Shift, and lets all go', () => {
    expect(behaviour.pressNote('n3', false)).toBe(true);
    expect([behaviour.picked(), behaviour.pickedTick()]).toEqual([['n3'], tune.note()?.tick]);
    expect(behaviour.pickedTick()).toBeGreaterThan(0);
    behaviour.pressNote('n5', true);
    expect(behaviour.picked()).toEqual(['n3', 'n4', 'n5']);
    behaviour.leave();
    expect([behaviour.picked(), behaviour.pickedTick()]).toEqual([[], null]);
  });

  it('moves the notes picked with one of them that is dragged, or the one alone', () => {
    const notes = (): string[] =>
      ['n2', 'n3'].map((id) => {
        const note = table.state.song?.melody.find((one) => one.id === id);
        return `${note?.tick} ${note?.pitch.letter}`;
      });
    expect(notes()).toEqual(['1920 B', '2880 C']);
    const key = { midi: 0, tick: 0 };
    behaviour.pressNote('n2', false);
    behaviour.dragNote('n3', key, { ticks: 0, steps: 1 });
    table.settle();
    // Less than half a step of time is nothing.
    behaviour.dragNote('n3', key, { ticks: 30, steps: 0 });
    table.settle();
    expect([behaviour.picked(), notes()]).toEqual([['n3'], ['1920 B', '2880 D']]);
    behaviour.pressNote('n2', true);
    behaviour.dragNote('n2', key, { ticks: 0, steps: -1 });
    table.settle();
    expect([behaviour.picked(), notes()]).toEqual([
      ['n2', 'n3'],
      ['1920 A', '2880 C'],
    ]);
  });

  it('shows the melody alone; chords are looked at, not selected; an empty part says what to do', () => {
    expect([behaviour.showsMelodyOnly, behaviour.selectsChanges(), behaviour.weighsVoicings]).toEqual([
      true,
      false,
      false,
    ]);
    expect(behaviour.whenEmpty).toContain('press N for a first note');
  });
});
