import '@angular/compiler';
import { says } from '@joined-hands/core/sentences';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { Recorder } from '../../input/recorder';
import { ScreenKeyboard } from '../../input/screen-keyboard';
import { SongStore } from '../../storage/song-store';
import { Table } from '../../testing/table';
import { JoinState } from './join-state';
import { MakerState } from './maker-state';

const [lanterns, sluicegate] = DEMO_SONGS;

describe('the pattern maker', () => {
  let table: Table;
  let maker: MakerState;
  const played = { keys: [] as { seconds: number; midi: number; velocity: number }[], problem: '' };
  const elsewhere = { found: [] as { song: string; pattern: unknown }[], problem: '' };
  const store = {
    patternsElsewhere: async () => {
      if (elsewhere.problem) throw new Error(elsewhere.problem);
      return elsewhere.found;
    },
  };
  const recorder = {
    isBusy: () => false,
    counted: () => 'Beat 1',
    record: async () => {
      if (played.problem) throw new Error(played.problem);
      return played.keys;
    },
  };
  const open = (song = lanterns): void => {
    played.keys = [];
    played.problem = '';
    const quartersPerMinute = Object.assign(() => 60, { set: () => undefined });
    table = new Table(
      song,
      ScreenKeyboard,
      { provide: Recorder, useValue: { ...recorder, quartersPerMinute } },
      { provide: SongStore, useValue: store },
      JoinState,
      MakerState,
    );
    maker = table.get(MakerState);
    maker.open();
    table.settle();
  };
  beforeEach(() => open());

  it('has steps of triplets and sixteenths, played where they are set', () => {
    const struck = (): number[] => {
      maker.keep();
      table.settle();
      const ticks = table.state.arrangement?.left.filter(({ tick }) => tick < 960).map(({ tick }) => tick);
      return [...new Set(ticks)];
    };
    maker.grid.set(3);
    for (const step of [0, 1, 2, 3]) maker.toggle(step, step % 2 === 0 ? 1 : 5);
    expect([maker.steps(), maker.isSet(1, 5), maker.isFiner()]).toEqual([9, true, false]);
    expect(struck()).toEqual([0, 320, 640]);
    // It is opened again on the grid it was made on.
    maker.open(table.song.patterns[0]);
    expect([maker.grid(), maker.cells().length]).toEqual([3, 4]);
    maker.open();
    expect(maker.grid()).toBe(2);
    maker.grid.set(4);
    for (const step of [0, 1, 2, 3]) maker.toggle(step, step % 2 === 0 ? 1 : 5);
    maker.grid.set(2);
    expect(maker.isFiner()).toBe(true);
    expect(struck()).toEqual([0, 240, 480, 720]);
  });

  it('sets and takes away marks; what is set is a pattern in the metre of the part', () => {
    expect([maker.metre().numerator, maker.beats(), maker.steps(), maker.pattern()]).toEqual([3, 3, 6, null]);
    maker.toggle(0, 1);
    maker.toggle(2, 5);
    maker.toggle(2, 10);
    expect(maker.pattern()).toEqual({
      id: 'own-new',
      name: 'My pattern',
      base: 'root',
      metre: '3/4',
      beats: 3,
      events: [
        { onset: 0, length: 1, members: [1] },
        { onset: 1, length: 2, members: [5, 10] },
      ],
    });
    expect([maker.isSet(2, 5), maker.isSet(3, 5)]).toEqual([true, false]);
    maker.toggle(2, 5);
    expect(maker.pattern()?.events[1].members).toEqual([10]);
    maker.clear();
    expect(maker.pattern()).toBeNull();
  });

  it('goes over one bar or two; what lies in the second is lost with it', () => {
    maker.chooseBars(2);
    maker.toggle(0, 1);
    maker.toggle(6, 5);
    expect([maker.steps(), maker.pattern()?.beats]).toEqual([12, 6]);
    maker.chooseBars(1);
    expect(maker.cells()).toEqual([{ step: 0, member: 1 }]);
  });

  it('is tried on every chord while it is made, and says where it goes otherwise', () => {
    maker.toggle(0, 7);
    table.settle();
    expect(table.questions.at(-1)?.kind).toBe('pattern-tried');
    expect(maker.exceptions()?.[0].says).toEqual([says.memberMissing('Am', [7])]);
  });

  it('is kept and played in one step that can be undone, at a level that moves', () => {
    maker.toggle(0, 1);
    maker.name.set('  Low tide ');
    maker.keep();
    expect(table.edits).toHaveLength(1);
    expect(table.song.patterns.map(({ id, name }) => [id, name])).toEqual([['own1', 'Low tide']]);
    expect(table.song.choices).toMatchObject({ pattern: 'own1', level: 5 });
    expect(maker.isOpen()).toBe(false);
    maker.open();
    maker.toggle(0, 1);
    maker.keep();
    expect(table.song.patterns.map(({ id }) => id)).toEqual(['own1', 'own2']);
  });

  it('changes one that was kept, and leaves it out', () => {
    maker.toggle(0, 1);
    maker.keep();
    const [own] = table.song.patterns;
    maker.open(own);
    expect(maker.cells()).toEqual([{ step: 0, member: 1 }]);
    maker.toggle(1, 8);
    maker.keep();
    expect(table.song.patterns.map(({ id, events }) => [id, events.length])).toEqual([['own1', 2]]);
    maker.open(table.song.patterns[0]);
    maker.leaveOut('own1');
    expect(table.song.patterns).toEqual([]);
    expect(maker.isOpen()).toBe(false);
  });

  it('reads what is played over the first chord of the part as members', async () => {
    const [lowest] = maker.over()?.voicing.keys ?? [];
    expect(lowest).toBe(48);
    // A minor: A2, then C3 and E3 together twice, a beat each at 60.
    const strike = (seconds: number, ...keys: number[]) =>
      keys.flatMap((midi) => [
        { seconds, midi, velocity: 76 },
        { seconds: seconds + 0.9, midi, velocity: 0 },
      ]);
    played.keys = [...strike(0.01, 45), ...strike(0.98, 48, 52), ...strike(2.02, 48, 52)];
    await maker.playIn({ start: () => undefined, stop: () => undefined });
    expect(maker.pattern()?.events).toEqual([
      { onset: 0, length: 1, members: [1] },
      { onset: 1, length: 1, members: [3, 5] },
      { onset: 2, length: 1, members: [3, 5] },
    ]);
    expect(maker.notice()).toBe('');
  });

  it('says what was not heard, what does not belong, and what failed', async () => {
    const source = { start: () => undefined, stop: () => undefined };
    await maker.playIn(source);
    expect(maker.notice()).toMatch(/^Nothing that belongs to the chord was heard/);
    maker.read([
      { beat: 0, beats: 1, midi: 45 },
      { beat: 1, beats: 1, midi: 46 },
    ]);
    expect(maker.notice()).toBe('1 key is neither in the chord nor in the key and left out.');
    played.problem = 'no sound';
    await maker.playIn(source);
    expect(maker.notice()).toBe('The figure could not be recorded: no sound.');
  });

  it('keeps a line as the very keys, told strike by strike; the other kind begins anew', async () => {
    maker.toggle(0, 1);
    maker.chooseBase('keys');
    expect([maker.pattern(), maker.lineInWords()]).toEqual([null, []]);
    maker.read([
      { beat: 0, beats: 1, midi: 45 },
      { beat: 1, beats: 2, midi: 46 },
    ]);
    expect(maker.pattern()).toMatchObject({ base: 'keys', events: [{ members: [45] }, { members: [46] }] });
    expect(maker.lineInWords()).toEqual(['1: A2', '2: B♭2']);
    expect([maker.cells(), maker.isFiner(), maker.notice()]).toEqual([[], false, '']);
    maker.chooseBase('keys');
    expect(maker.pattern()).not.toBeNull();
    maker.read([]);
    expect(maker.notice()).toMatch(/^Nothing was heard/);
    maker.keep();
    maker.open(table.song.patterns[0]);
    expect(maker.isFixed()).toBe(true);
    maker.open();
    expect(maker.isFixed()).toBe(false);
  });

  it('is written in letters and counts: chords, graces, steps of the key; what cannot be read is said', () => {
    // Lanterns begins on A minor, in three.
    maker.letters.set('A2 C3 E');
    maker.counts.set('1 2');
    maker.typeIn();
    expect(maker.notice()).toContain('count');
    maker.letters.set('A2 E3+B3 C4 D4');
    maker.counts.set('1 2 2& 3');
    maker.typeIn();
    expect([maker.notice(), maker.pattern()?.events]).toEqual([
      '',
      [
        { onset: 0, length: 1, members: [1] },
        { onset: 1, length: 0.5, members: [5, 9] },
        { onset: 1.5, length: 0.5, members: [10] },
        { onset: 2, length: 1, members: [11] },
      ],
    ]);
    maker.letters.set('X');
    maker.typeIn();
    expect(maker.notice()).not.toBe('');
  });

  it('follows the chords as they lie, whatever their inversion', () => {
    maker.chooseBase('voicing');
    maker.toggle(0, 1);
    maker.toggle(2, 2);
    maker.toggle(2, 3);
    maker.toggle(4, 4);
    maker.keep();
    table.settle();
    const { changes = [], left = [], parts = [] } = table.state.arrangement ?? {};
    const first = parts[0];
    const whole = changes.filter(
      ({ change }) =>
        change.length === 2880 && change.tick >= first.fromTick && change.tick + 2880 < first.toTick,
    );
    expect(whole.length).toBeGreaterThan(1);
    for (const { change, voicing } of whole) {
      const own = left.filter(({ from }) => from === change.id);
      expect(own.map(({ tick, midi }) => [(tick - change.tick) / 960, midi])).toEqual([
        [0, voicing.keys[0]],
        [1, voicing.keys[1]],
        [1, voicing.keys[2]],
        [2, voicing.keys[3] ?? voicing.keys[0] + 12],
      ]);
    }
  });

  it('takes a pattern over from another song under an id that is free here', async () => {
    const pattern = {
      id: 'own1',
      name: 'Sway',
      base: 'root',
      beats: 3,
      events: [{ onset: 0, length: 3, members: [1] }],
    };
    elsewhere.found = [{ song: 'Other', pattern }];
    maker.toggle(0, 1);
    maker.keep();
    await maker.lookElsewhere();
    expect(maker.elsewhere()).toEqual(elsewhere.found);
    maker.takeOver(elsewhere.found[0].pattern as never);
    expect(table.song.patterns.map(({ id, name }) => `${id} ${name}`)).toEqual([
      'own1 My pattern',
      'own2 Sway',
    ]);
    expect(maker.elsewhere()).toBeNull();
    elsewhere.problem = 'the store is silent';
    await maker.lookElsewhere();
    expect(maker.problem()).toBe('The patterns of your other songs could not be read: the store is silent.');
  });

  it('tells a figure that is finer than its grid', () => {
    maker.read([
      { beat: 0, beats: 0.25, midi: 45 },
      { beat: 0.25, beats: 0.25, midi: 52 },
    ]);
    // It is shown on the grid it lies on; on a coarser one it says so.
    expect([maker.grid(), maker.isFiner()]).toEqual([4, false]);
    maker.grid.set(2);
    expect(maker.isFiner()).toBe(true);
    maker.toggle(2, 8);
    expect(maker.isFiner()).toBe(false);
  });

  it('has no chord to play over where the part has none', () => {
    open({ ...sluicegate, changes: [] });
    expect(maker.over()).toBeNull();
    maker.read([{ beat: 0, beats: 1, midi: 45 }]);
    expect(maker.pattern()).toBeNull();
  });
});
