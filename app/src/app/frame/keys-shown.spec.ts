import '@angular/compiler';
import { signal } from '@angular/core';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { SongActions } from '../state/actions';
import { FIRST_PLACE } from '../storage/place';
import { shownBy } from '../testing/shown';
import { Table } from '../testing/table';
import { BenchState } from './bench-state';
import { KeysShown } from './keys-shown';

const [lanterns, sluicegate] = DEMO_SONGS;

describe('the keys the keyboard shows', () => {
  let table: Table;
  let bench: BenchState;
  let keys: KeysShown;
  beforeEach(() => {
    table = new Table(lanterns);
    bench = table.get(BenchState);
    keys = table.get(KeysShown);
  });
  const shown = (): string[] => keys.held().map((k) => `${k.hand} ${k.midi} ${k.letter}`);

  it('are those of the first change of the part, else of the change selected, each hand with its fingers', () => {
    expect(shown()).toEqual(['right 69 A', 'left 48 C', 'left 52 E', 'left 57 A']);
    bench.select('c4');
    expect(shown()).toEqual(['right 68 G♯', 'left 50 D', 'left 52 E', 'left 56 G♯', 'left 59 B']);
    expect(keys.held().every((k) => k.finger !== null)).toBe(true);
  });

  it('are those of a voicing while it is tried, without fingers', () => {
    bench.open.set(shownBy({ weighsVoicings: true }));
    bench.select('c4');
    table.settle();
    bench.tryBy(1);
    const tried = bench.alternatives()[bench.tried() as number].voicing.keys;
    const left = keys.held().filter((k) => k.hand === 'left');
    expect(left.map((k) => k.midi)).toEqual(tried);
    expect(left.map((k) => k.finger)).toEqual(tried.map(() => null));
  });

  it('are those that are being named, whatever is selected', () => {
    const named = [{ midi: 61, hand: 'left', letter: 'C♯', finger: null }] as const;
    bench.open.set(shownBy({ shownKeys: signal(named) }));
    expect(keys.held()).toBe(named);
  });

  it('are the note picked where the melody is shown alone, else the first of the part', () => {
    const pickedTick = signal<number | null>(null);
    bench.open.set(shownBy({ showsMelodyOnly: true, pickedTick }));
    expect(shown()).toEqual(['right 69 A']);
    pickedTick.set(1920);
    expect(shown()).toEqual(['right 71 B']);
  });

  it('are those that sound while it plays', () => {
    table.sound.isPlaying.set(true);
    expect(shown()).toEqual([]);
    const sounding = (tick: number, midi: number, hand: 'left' | 'right') =>
      ({ tick, midi, hand, at: 0, duration: 1, velocity: 64 }) as const;
    table.sound.sounding.set([
      sounding(2880, 72, 'right'),
      sounding(2880, 53, 'left'),
      sounding(2880, 54, 'left'),
    ]);
    expect(shown()).toEqual(['right 72 C', 'left 53 F']);
  });

  it('stand an octave away where the right hand is learned there', () => {
    const cutId = bench.part()?.cutId as string;
    bench.edit({ kind: 'choose-for-part', cutId, choices: { shownOctave: -1 } });
    expect(shown()).toEqual(['right 57 A', 'left 48 C', 'left 52 E', 'left 57 A']);
  });

  it('are none while another song is still being worked out', () => {
    table.isSlow = true;
    table.dispatch(
      SongActions.opened({ song: sluicegate, revision: 1, place: FIRST_PLACE, isReadOnly: false }),
    );
    expect([shown(), keys.used()]).toEqual([[], []]);
    table.arrange();
    expect(shown()).toEqual(['right 67 G', 'left 55 G', 'left 59 B', 'left 62 D']);
  });

  it('are marked where the part on screen uses them', () => {
    const { right, left } = bench.arrangement() ?? { right: [], left: [] };
    bench.goToPart(1);
    const inPart = [...right, ...left].filter((n) => n.tick >= 11520 && n.tick < 23040);
    expect(keys.used()).toEqual(inPart.map((n) => n.midi));
  });
});
