import '@angular/compiler';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { TAP_KEYS, TimedKeys, TwoHandTaps } from '../../input/key-sources';
import { Recorder } from '../../input/recorder';
import { Table } from '../../testing/table';
import { TapState } from './tap-state';

const [lanterns, , , mudflat] = DEMO_SONGS;

describe('the rhythm of both hands', () => {
  let table: Table;
  let tap: TapState;
  const asked: { source: object; fromTick: number; ticks: number }[] = [];
  let taps: { seconds: number; midi: number; velocity: number }[] = [];
  let problem = '';
  const open = (song = lanterns): void => {
    asked.length = 0;
    taps = [];
    problem = '';
    const recorder = {
      isBusy: () => false,
      beat: () => null,
      quartersPerMinute: Object.assign(() => 96, { set: () => undefined }),
      stop: () => undefined,
      record: async (source: object, { fromTick, toTick }: { fromTick: number; toTick: number }) => {
        asked.push({ source, fromTick, ticks: toTick - fromTick });
        if (problem) throw new Error(problem);
        return taps;
      },
    };
    table = new Table(song, { provide: Recorder, useValue: recorder }, TapState);
    tap = table.get(TapState);
  };
  beforeEach(() => open());

  it('wants each strike of each hand once, in seconds at the tempo chosen', () => {
    // Blocks under the tune: the left hand on 1, the right where it sings; a beat lasts 60/96.
    const beat = 60 / 96;
    expect(
      tap
        .wanted()
        .slice(0, 4)
        .map(({ hand, seconds, bar, count }) => [hand, seconds / beat, bar, count]),
    ).toEqual([
      ['right', 0, 1, '1'],
      ['left', 0, 1, '1'],
      ['right', 2, 1, '3'],
      ['right', 3, 2, '1'],
    ]);
    expect(tap.seconds()).toBeCloseTo(12 * beat, 9);
    table.get(TapState);
    open({ ...lanterns, tempoMap: [{ tick: 0, quartersPerMinute: 48 }] });
    expect(tap.wanted()[2].seconds).toBeCloseTo(2.5, 9);
  });

  it('swings where the song does', () => {
    open(mudflat);
    const offBeat = tap.wanted().find(({ count }) => count.endsWith('&'));
    const beat = 60 / tap.tempo();
    expect(((offBeat?.seconds ?? 0) / beat) % 1).toBeCloseTo(2 / 3, 6);
  });

  it('listens to two keys for the length of the part, and judges what was tapped', async () => {
    taps = tap.wanted().flatMap(({ hand, seconds }) => [
      { seconds: seconds + (hand === 'left' ? 0.1 : 0), midi: TAP_KEYS[hand], velocity: 76 },
      { seconds: seconds + 0.2, midi: TAP_KEYS[hand], velocity: 0 },
    ]);
    await tap.tap();
    table.settle();
    expect(asked[0].source).toBeInstanceOf(TwoHandTaps);
    expect(asked[0]).toMatchObject({ fromTick: 0, ticks: 4 * 2880 });
    expect(tap.words().slice(0, 3)).toEqual([
      'Right hand: on time.',
      'Left hand: 100 ms late on average.',
      'Where they meet the hands are 100 ms apart on average.',
    ]);
    expect(tap.judged()?.extra).toEqual([]);
  });

  it('forgets what was tapped when the part is another, and says what failed', async () => {
    taps = [{ seconds: 0, midi: TAP_KEYS.right, velocity: 76 }];
    await tap.simulate();
    expect(asked[0].source).toBeInstanceOf(TimedKeys);
    expect(tap.judged()).not.toBeNull();
    table.get(TapState);
    problem = 'no sound';
    await tap.tap();
    expect([tap.problem(), tap.judged()]).toEqual(['The taps could not be heard: no sound.', null]);
  });
});
