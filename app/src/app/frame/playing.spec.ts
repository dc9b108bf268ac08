import '@angular/compiler';
import { signal } from '@angular/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { PlaceActions } from '../state/actions';
import { NOWHERE, press } from '../testing/keys';
import { shownBy } from '../testing/shown';
import { Table } from '../testing/table';
import { BenchState } from './bench-state';
import { runOf } from './keys/bench-keys';
import { frameKeys, goTo } from './keys/frame-keys';
import type { KeyPress } from './keys/press';
import { Playing } from './playing';

const [lanterns] = DEMO_SONGS;
const END = 69120;

describe('playing stretches of the open song', () => {
  let table: Table;
  let playing: Playing;
  let bench: BenchState;
  beforeEach(() => {
    table = new Table(lanterns);
    playing = table.get(Playing);
    bench = table.get(BenchState);
    bench.goToPart(3);
  });
  const stretches = (): [number, number][] => table.plays.map((p) => [p.fromTick, p.toTick]);

  it('plays the part, parts 1 to it, the song, the pair it belongs to', () => {
    for (const stretch of ['part', 'to-part', 'song', 'pair'] as const) playing.play(stretch);
    expect(stretches()).toEqual([
      [34560, 46080],
      [0, 46080],
      [0, END],
      [23040, 46080],
    ]);
    bench.goToPart(4);
    playing.play('pair');
    expect(stretches().at(-1)).toEqual([46080, END]);
  });

  it('asks with the tempo, hands, count-in and loop chosen', () => {
    table.dispatch(
      PlaceActions.moved({ place: { tempoPercent: 70, hands: 'left', countsIn: true, loops: true } }),
    );
    playing.play('part');
    expect(table.plays[0]).toMatchObject({ tempoPercent: 70, hands: 'left', countsIn: true, loops: true });
    playing.playFrom(100);
    expect(table.plays[1]).toMatchObject({ fromTick: 100, toTick: END, loops: false });
  });

  it('goes at the tempo a bench sets, which is the one shown, and cannot be changed there', () => {
    table.dispatch(PlaceActions.moved({ place: { tempoPercent: 70, clicks: true } }));
    bench.open.set(shownBy({ tempoPercent: signal(60) }));
    playing.changeTempo(1);
    playing.play('part');
    expect([bench.tempoPercent(), bench.place().tempoPercent]).toEqual([60, 70]);
    expect(table.plays[0]).toMatchObject({ tempoPercent: 60, clicks: true });
    bench.open.set(shownBy({}));
    playing.changeTempo(1);
    playing.play('part');
    expect([bench.tempoPercent(), table.plays.at(-1)?.tempoPercent]).toEqual([75, 75]);
  });

  it('plays nothing backwards', () => {
    playing.playStretch(500, 500);
    playing.playFrom(END);
    expect(table.plays).toEqual([]);
  });

  it('plays each part by itself, one after the other, and ends after the last', () => {
    playing.play('each');
    for (let i = 0; i < 6; i++) table.plays[i].whenDone?.();
    expect(stretches()).toEqual([
      [0, 11520],
      [11520, 23040],
      [23040, 34560],
      [34560, 46080],
      [46080, 57600],
      [57600, END],
    ]);
    expect(bench.partIndex()).toBe(5);
  });

  it('starts with the part, stops, and changes tempo and hands while it plays', () => {
    playing.togglePlaying();
    expect(stretches()).toEqual([[34560, 46080]]);
    playing.chooseHands('right');
    playing.changeTempo(-1);
    expect(table.plays.map((p) => [p.hands, p.tempoPercent])).toEqual([
      ['both', 100],
      ['right', 100],
      ['right', 95],
    ]);
    playing.togglePlaying();
    expect(table.sound.isPlaying()).toBe(false);
    playing.changeTempo(1);
    expect(table.plays).toHaveLength(3);
  });

  it('keeps to what was played last when the tempo changes', () => {
    playing.play('song');
    playing.changeTempo(1);
    expect(stretches()).toEqual([
      [0, END],
      [0, END],
    ]);
  });

  it('goes from 40 to 160 of a hundred, by fives', () => {
    for (let i = 0; i < 20; i++) playing.changeTempo(-1);
    expect(bench.place().tempoPercent).toBe(40);
    for (let i = 0; i < 40; i++) playing.changeTempo(1);
    expect(bench.place().tempoPercent).toBe(160);
  });

  it('brings the part that sounds on screen, not where the part is asked to stay', () => {
    playing.play('song');
    table.sound.tick.set(11520);
    table.settle();
    expect(bench.place()).toMatchObject({ part: 1, selected: null });
    table.sound.tick.set(null);
    playing.playStretch(0, END, { stays: true });
    table.sound.tick.set(57600);
    table.settle();
    expect(bench.partIndex()).toBe(1);
  });

  it('hears a remedy in its bar without altering the song', async () => {
    const edit = { kind: 'change-written', id: 'c6', symbol: 'Dm7' } as const;
    playing.hearEdit(edit, 15000);
    await Promise.resolve();
    await new Promise((resolve) => setTimeout(resolve));
    expect(table.questions).toEqual([{ kind: 'trial', edit }]);
    expect(table.plays).toMatchObject([{ fromTick: 14400, toTick: 17280, hands: 'both', countsIn: false }]);
    expect(table.song).toBe(lanterns);
    expect(table.partAt(57600)).toBe(3);
  });

  it('keeps the part on screen while a stretch is heard as it would be after an edit', async () => {
    const edit = { kind: 'choose', choices: { level: 5 } } as const;
    playing.hearPartAfter(edit);
    await new Promise((resolve) => setTimeout(resolve));
    expect([stretches(), table.partAt(0)]).toEqual([[[34560, 46080]], 3]);
    playing.play('part');
    playing.hearStretch(edit, { fromTick: 0, toTick: 2880 });
    await new Promise((resolve) => setTimeout(resolve));
    expect([stretches().at(-1), table.partAt(57600)]).toEqual([[0, 2880], 3]);
  });

  it('follows the keys of the frame', () => {
    const left: string[] = [];
    const turned: number[] = [];
    const frame = {
      bench,
      playing,
      leave: () => void left.push('left'),
      turn: (by: 1 | -1) => void turned.push(by),
      goToBench: () => undefined,
      goToNextPlace: () => undefined,
    };
    const keys = frameKeys(frame);
    const pressed = (key: string, more: Partial<KeyPress> = {}): void =>
      runOf(keys, press(key, more), NOWHERE, true)?.();
    pressed('PageUp');
    expect(turned).toEqual([-1]);
    goTo(frame, 2, 'part');
    expect(bench.partIndex()).toBe(1);
    goTo(frame, 3, 'play-to');
    expect(stretches()).toEqual([[0, 34560]]);
    pressed('l');
    expect(table.plays.at(-1)).toMatchObject({ hands: 'left', fromTick: 23040, toTick: 34560 });
    pressed(' ');
    expect(table.sound.isPlaying()).toBe(false);
    pressed('+');
    expect(bench.place().tempoPercent).toBe(105);
    pressed('ArrowRight');
    expect(bench.selectedId()).toBe('c9');
    bench.open.set(shownBy({ weighsVoicings: true }));
    table.settle();
    pressed('ArrowDown');
    expect(bench.tried()).not.toBeNull();
    pressed('Enter');
    expect(table.edits.map((e) => e.kind)).toEqual(['pin']);
    pressed('z', { ctrlKey: true });
    expect(table.song).toBe(lanterns);
    pressed('Z', { ctrlKey: true, shiftKey: true });
    expect(table.song.pins).toHaveLength(1);
    pressed('s');
    expect(bench.place().showsStaff).toBe(true);
    let asked = 0;
    bench.asked.subscribe(() => asked++);
    pressed('?');
    expect(asked).toBe(1);
    pressed('Escape');
    expect(left).toEqual(['left']);
  });
});
