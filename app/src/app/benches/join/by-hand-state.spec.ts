import '@angular/compiler';
import { signal } from '@angular/core';
import { midiOf, nameOf } from '@joined-hands/core/music';
import type { KeyEvent } from '@joined-hands/core/takes';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { type KeySource, Recorder } from '../../input/recorder';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import { pressOn } from '../../testing/keys';
import { Table } from '../../testing/table';
import { ByHandState } from './by-hand-state';
import { JoinBehaviour } from './join-behaviour';
import { JoinState } from './join-state';

const [lanterns] = DEMO_SONGS;

describe('bars by hand', () => {
  let table: Table;
  let own: ByHandState;
  let recorder: object;
  let events: readonly KeyEvent[] = [];
  beforeEach(() => {
    recorder = {
      quartersPerMinute: signal(0),
      isBusy: signal(false),
      counted: signal(''),
      record: () => Promise.resolve(events),
    };
    table = new Table(lanterns, ScreenKeyboard, JoinState, ByHandState, JoinBehaviour, {
      provide: Recorder,
      useValue: recorder,
    });
    own = table.get(ByHandState);
    table.get(JoinState).isOpen.set(true);
    table.get(JoinState).tab.set('hand');
    table.settle();
  });
  const played = (hand: 'left' | 'right', bar: number): string[] =>
    (table.state.arrangement?.[hand] ?? [])
      .filter(({ tick }) => tick >= 2880 * (bar - 1) && tick < 2880 * bar)
      .map(({ tick, length, pitch }) => `${nameOf(pitch)} ${tick - 2880 * (bar - 1)}+${length}`);
  const type = (letters: string, counts: string): void => {
    own.type({ letters, counts });
    table.settle();
  };

  it('begin as the program plays them, told in letters and counts', () => {
    expect(own.typed()).toEqual({ letters: 'C3+E3+A3', counts: '1 |' });
    own.choose('right');
    table.settle();
    expect(own.typed()).toEqual({ letters: 'A4 B4', counts: '1 3 |' });
  });

  it('are the pianist’s once a letter is another; undone in one step, and given back', () => {
    type('E2 C3', '1');
    expect(own.fault()?.message).toBe('Letters without a count, from "C" on: say when they are struck.');
    type('E2 C3', '1 2');
    expect(played('left', 1)).toEqual(['E2 0+960', 'C3 960+1920']);
    expect(own.typed()).toEqual({ letters: 'E2 C3', counts: '1 2' });
    own.bench.undo();
    table.settle();
    expect(own.typed()).toEqual({ letters: 'C3+E3+A3', counts: '1 |' });
    type('E2', '1');
    own.giveBack();
    table.settle();
    expect([table.state.song?.ownBars, own.typed().letters]).toEqual([[], 'C3+E3+A3']);
  });

  it('what cannot be read is said and changes nothing', () => {
    type('E2 X', '1 2');
    expect(own.fault()?.message).toContain('"X" is not a letter');
    expect(table.edits).toEqual([]);
    expect(own.typed().letters).toBe('E2 X');
  });

  it('are changed note by note, by keys that wait for one another', () => {
    const behaviour = table.get(JoinBehaviour);
    const [low] = table.state.arrangement?.left ?? [];
    expect(behaviour.pressNote(low.from, false, low)).toBe(true);
    table.settle();
    expect(own.note()?.pitch).toEqual(low.pitch);
    table.isSlow = true;
    for (const key of ['ArrowDown', 'ArrowDown', ',']) pressOn(behaviour, key);
    table.isSlow = false;
    for (let i = 0; i < 4; i++) {
      table.arrange();
      table.settle();
    }
    expect(played('left', 1)).toEqual(['A2 0+2400', 'E3 0+2880', 'A3 0+2880']);
    pressOn(behaviour, 'Delete');
    table.settle();
    expect(played('left', 1)).toEqual(['E3 0+2880', 'A3 0+2880']);
    own.change({ kind: 'moved', steps: 3 });
    table.settle();
    expect(own.notice()).toBe('That key is struck there already.');
  });

  it('are dragged along by half counts, up and down by letters', () => {
    const behaviour = table.get(JoinBehaviour);
    const [low] = table.state.arrangement?.left ?? [];
    expect(behaviour.canDrag()).toBe(true);
    behaviour.dragNote(low.from, low, { ticks: 0, steps: -2 });
    table.settle();
    expect(played('left', 1)).toEqual(['A2 0+2880', 'E3 0+2880', 'A3 0+2880']);
    const [lower] = table.state.arrangement?.left ?? [];
    behaviour.dragNote(lower.from, lower, { ticks: 1100, steps: 0 });
    table.settle();
    expect(played('left', 1)).toEqual(['E3 0+2880', 'A3 0+2880', 'A2 960+1920']);
    // Less than a quarter of a count is nothing.
    behaviour.dragNote(lower.from, { ...lower, tick: 960 }, { ticks: 200, steps: 0 });
    table.settle();
    expect(table.edits).toHaveLength(2);
  });

  it('take a key of the piano with the note picked, or after what is typed', () => {
    const screen = table.get(ScreenKeyboard);
    own.at.set(0);
    table.settle();
    screen.pressed.next(60);
    table.settle();
    expect(played('left', 1).map((told) => told.split(' ')[0])).toEqual(['C3', 'E3', 'A3', 'C4']);
    own.at.set(null);
    type('C3', '');
    screen.pressed.next(45);
    table.settle();
    expect(own.typed().letters).toBe('C3 A2');
    expect(played('left', 1)).toEqual(['C3 0+960', 'A2 960+960']);
  });

  it('sound beside, follow the chord, and are found again', () => {
    own.barBy(1);
    own.how.set('beside');
    table.settle();
    type('C2', '2');
    own.follow(true);
    table.settle();
    expect(table.state.song?.ownBars.map(({ tick, how, notes }) => [tick, how, notes[0].over])).toEqual([
      [2880, 'beside', 'F'],
    ]);
    own.bench.edit({ kind: 'change-written', id: 'c2', symbol: 'G' });
    table.settle();
    expect(played('left', 2)).toContain('D2 960+1920');
    own.how.set('instead');
    own.bench.goToPart(3);
    table.settle();
    const [first] = table.state.arrangement?.played.ownBars ?? [];
    own.goTo(first);
    table.settle();
    expect([own.fromBar(), own.how(), own.notes().map(({ pitch }) => midiOf(pitch))]).toEqual([
      2,
      'beside',
      [38],
    ]);
  });

  it('have a pick-up too', () => {
    own.bench.edit({ kind: 'pickup-set', ticks: 960 });
    table.settle();
    expect(own.fromBar()).toBe(1);
    own.barBy(-1);
    table.settle();
    expect([own.fromBar(), own.stretch()?.own.length]).toEqual([0, 960]);
  });

  it('are asked for each hand, bar after bar, into the next part', () => {
    for (let i = 0; i < 4; i++) {
      own.barBy(1);
      table.settle();
    }
    expect([own.fromBar(), own.bench.partIndex()]).toEqual([5, 1]);
    own.noteBy(-1);
    own.barBy(-1);
    table.settle();
    expect([own.fromBar(), own.bench.partIndex()]).toEqual([4, 0]);
  });
  it('are played in: on their grid, chords and all', async () => {
    const beat = 60 / 96;
    const key = (midi: number, at: number, beats: number): KeyEvent[] => [
      { seconds: at * beat, midi, velocity: 0.7 },
      { seconds: (at + beats) * beat, midi, velocity: 0 },
    ];
    events = [...key(40, 0.02, 1), ...key(48, 1.01, 1.9), ...key(55, 1.02, 1.95)];
    await own.record({} as KeySource);
    table.settle();
    expect(played('left', 1)).toEqual(['E2 0+960', 'C3 960+1920', 'G3 960+1920']);
    events = [];
    await own.record({} as KeySource);
    expect(own.notice()).toBe('Nothing was played. Play after the count-in.');
  });

  it('double the tune, the left hand as low as it plays', () => {
    own.double();
    table.settle();
    expect(played('left', 1)).toEqual(['A3 0+1920', 'B3 1920+960']);
  });
});
