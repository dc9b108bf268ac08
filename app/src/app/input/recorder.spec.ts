import '@angular/compiler';
import { Injector } from '@angular/core';
import { type AlongStrike, Companion } from '@joined-hands/core/practice';
import type { Bar } from '@joined-hands/core/song';
import type { KeyEvent } from '@joined-hands/core/takes';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Piano } from '../sound/piano';
import { Player } from '../sound/player';
import { Recorder, type TakeClock } from './recorder';

const IN_THREE = { numerator: 3, denominator: 4 } as const;
const bar = (number: number, tick: number, length = 2880, metre: Bar['metre'] = IN_THREE): Bar => ({
  ...{ number, tick, length, metre },
});
/** A bar of a waltz. */
const WALTZ = { bars: [bar(1, 0)], fromTick: 0, toTick: 2880 };

describe('recording against a click', () => {
  const clicks: { pitch: number; at: number }[] = [];
  const struck: number[] = [];
  const asked: number[][] = [];
  const stopped = vi.fn();
  let recorder: Recorder;
  let press: (event: KeyEvent) => void;
  let now: TakeClock;
  const source = {
    start: (pressed: typeof press, seconds: typeof now) => {
      press = pressed;
      now = seconds;
    },
    stop: vi.fn(),
  };

  beforeEach(() => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] });
    vi.stubGlobal('window', globalThis);
    clicks.length = struck.length = asked.length = 0;
    source.stop.mockClear();
    const instrument = {
      ...{ delaySeconds: 0, latencySeconds: 0 },
      tone: { immediate: () => 100, Frequency: (midi: number) => ({ toFrequency: () => midi }) },
      click: {
        triggerAttackRelease: (pitch: number, _: number, at: number) => void clicks.push({ pitch, at }),
      },
      instrument: { triggerAttackRelease: (key: number) => void struck.push(key) },
    };
    const injector = Injector.create({
      providers: [
        { provide: Recorder },
        {
          provide: Piano,
          useValue: { ready: async (keys: number[]) => (asked.push(keys), instrument) },
        },
        { provide: Player, useValue: { stop: stopped } },
      ],
    });
    recorder = injector.get(Recorder);
    recorder.quartersPerMinute.set(60);
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });
  const started = () => vi.advanceTimersByTimeAsync(0);

  it('counts one bar in, then clicks the bars asked for, the downbeats higher', async () => {
    const take = recorder.record(source, WALTZ);
    await started();
    expect(stopped).toHaveBeenCalled();
    expect(recorder.state()).toBe('counting-in');
    await vi.advanceTimersByTimeAsync(150);
    expect([recorder.beat(), recorder.counted()]).toEqual([1, 'Count-in: 1']);
    await vi.advanceTimersByTimeAsync(2000);
    expect([recorder.beat(), recorder.state()]).toEqual([3, 'counting-in']);
    await vi.advanceTimersByTimeAsync(1000);
    expect([recorder.beat(), recorder.state(), recorder.counted()]).toEqual([
      1,
      'recording',
      'Bar 1, beat 1',
    ]);
    await vi.advanceTimersByTimeAsync(4000);
    expect(await take).toEqual([]);
    expect(clicks.map((c) => Math.round((c.at - 100) * 1000))).toEqual([150, 1150, 2150, 3150, 4150, 5150]);
    expect(clicks.map((c) => c.pitch > 1500)).toEqual([true, false, false, true, false, false]);
    expect([recorder.state(), recorder.beat(), recorder.isBusy()]).toEqual(['idle', null, false]);
  });

  it('counts in one beat where a turn follows straight on, and hears each key as it comes', async () => {
    const heard: KeyEvent[] = [];
    const take = recorder.record({ ...source, sounds: true }, WALTZ, {
      heard: (event) => heard.push(event),
      countsInBeat: true,
    });
    await started();
    await vi.advanceTimersByTimeAsync(150);
    expect([recorder.beat(), recorder.state()]).toEqual([3, 'counting-in']);
    await vi.advanceTimersByTimeAsync(1000);
    expect([recorder.beat(), recorder.state()]).toEqual([1, 'recording']);
    expect(Math.abs(now())).toBeLessThan(0.001);
    press({ seconds: now(), midi: 60, velocity: 80 });
    expect(heard.map(({ midi }) => midi)).toEqual([60]);
    // What sounds by itself is not sounded once more.
    expect([struck, asked]).toEqual([[], [[]]]);
    await vi.advanceTimersByTimeAsync(2000);
    expect(clicks.map((c) => Math.round((c.at - 100) * 1000))).toEqual([150, 1150, 2150, 3150]);
    expect(clicks.map((c) => c.pitch > 1500)).toEqual([false, true, false, false]);
    recorder.stop();
    expect(await take).toHaveLength(1);
  });

  it('counts up to music that begins inside a bar, and clicks bars as they are: pick-up, metre, slowing', async () => {
    const inTwo = { numerator: 2, denominator: 4 } as const;
    const bars = [bar(0, 0, 480), bar(1, 480), bar(2, 3360, 1920, inTwo)];
    // From the second bar on it is twice as slow.
    const secondsAt = (tick: number): number => tick / 960 + Math.max(0, tick - 3360) / 960;
    void recorder.record(source, { bars, fromTick: 0, toTick: 5280 }, { secondsAt });
    await started();
    await vi.advanceTimersByTimeAsync(150 + 5500);
    expect([recorder.state(), recorder.counted(), Math.abs(now()) < 0.001]).toEqual([
      ...['recording', 'Count-in: 3', true],
    ]);
    await vi.advanceTimersByTimeAsync(500);
    expect(recorder.counted()).toBe('Bar 1, beat 1');
    await vi.advanceTimersByTimeAsync(5000);
    expect(recorder.counted()).toBe('Bar 2, beat 2');
    // Half a beat is left of the bar of the pick-up: counted are a bar and two beats and a half.
    const beats = clicks.map(({ at, pitch }) => [Math.round((at - 100.15) * 1000), pitch > 1500]);
    const counted = [0, 1, 2, 3, 4, 5].map((at) => [at * 1000, at % 3 === 0]);
    const music = [6000, 7000, 8000, 9000, 11_000].map((at, i) => [at, i % 3 === 0]);
    expect(beats).toEqual([...counted, ...music]);
    recorder.stop();
  });

  it('times keys from the first beat after the count-in and sounds them', async () => {
    const take = recorder.record(source, WALTZ);
    // Any key of the longest keyboard may come.
    expect(asked).toEqual([Array.from({ length: 88 }, (_, i) => 21 + i)]);
    await vi.advanceTimersByTimeAsync(150 + 3000 + 500);
    expect(now()).toBeCloseTo(0.5, 3);
    // A time of the browser's own clock, told later.
    expect(now(performance.now() - 200)).toBeCloseTo(0.3, 3);
    press({ seconds: now(), midi: 69, velocity: 80 });
    press({ seconds: 0.9, midi: 69, velocity: 0 });
    expect(struck).toEqual([69]);
    recorder.stop();
    expect((await take).map((e) => [e.midi, e.velocity])).toEqual([
      [69, 80],
      [69, 0],
    ]);
    expect(source.stop).toHaveBeenCalledOnce();
  });

  it('leaves out what was played while it counted in, not a first note a little early', async () => {
    const take = recorder.record(source, WALTZ);
    await started();
    for (const seconds of [-2, -0.76, -0.74, 0]) press({ seconds, midi: 60, velocity: 80 });
    recorder.stop();
    expect((await take).map((e) => e.seconds)).toEqual([-0.74, 0]);
  });

  it.each([
    ['nobody plays', [], 3250],
    ['one key came long before the end', [0.5], 3250],
    ['somebody is late: two seconds after the last key', [0.5, 2.9], 3250 + 7 * 250],
    ['keys go on: as long again at most', [0.5, 1.5, 2.5, 3.5, 4.5, 5.5, 6.5, 7.5], 6000],
  ])('goes on after its bars while more is to come and keys are pressed: %s', async (_, keys, over) => {
    let ended = 0;
    const begun = performance.now();
    void recorder.record(source, WALTZ, { hasMoreToCome: () => true }).then(() => {
      ended = performance.now() - begun - 3150;
    });
    await started();
    for (const key of keys)
      setTimeout(() => press({ seconds: now(), midi: 60, velocity: 80 }), 3150 + key * 1000);
    await vi.advanceTimersByTimeAsync(20_000);
    expect(Math.abs(ended - over)).toBeLessThanOrEqual(10);
  });

  it('ends with its bars where nothing more is to come, and at once when what was wanted has come', async () => {
    let [toCome, ended] = [1, 0];
    const begun = performance.now();
    void recorder.record(source, WALTZ, { hasMoreToCome: () => toCome > 0 }).then(() => {
      ended = performance.now() - begun - 3150;
    });
    await started();
    setTimeout(() => press({ seconds: 2.9, midi: 60, velocity: 80 }), 3150 + 2900);
    setTimeout(() => (toCome = 0), 3150 + 3600);
    await vi.advanceTimersByTimeAsync(20_000);
    expect(Math.abs(ended - 3750)).toBeLessThanOrEqual(10);
  });

  it('strikes what plays along as it comes due, keys and clicks; the clicks not where a microphone would hear them', async () => {
    const key = { seconds: 1, midi: 48, tick: 960, hand: 'left' as const, from: 'c' };
    const click = { seconds: 1, beat: 2, bar: 1 };
    for (const [inFull, clicked] of [
      [undefined, 1],
      [async () => [], 0],
    ] as const) {
      clicks.length = struck.length = 0;
      const along = new Companion<AlongStrike>([{ ...key, midi: 72 }], [key, click], 1, 'strict', 1);
      void recorder.record({ ...source, ...(inFull ? { inFull } : {}) }, WALTZ, { along, isClicked: false });
      await vi.advanceTimersByTimeAsync(150 + 3000);
      const counted = clicks.length;
      expect([counted, struck]).toEqual([3 * clicked, []]);
      await vi.advanceTimersByTimeAsync(1000);
      expect([clicks.length - counted, struck]).toEqual([clicked, [48]]);
      recorder.stop();
    }
  });

  it('clicks no more once it is stopped', async () => {
    void recorder.record(source, WALTZ);
    await vi.advanceTimersByTimeAsync(150 + 1000);
    recorder.stop();
    await vi.advanceTimersByTimeAsync(10_000);
    expect(clicks).toHaveLength(2);
  });

  it('tells a take apart from one whose instrument is gone', async () => {
    let gone: (problem: string) => void = () => undefined;
    const stop = vi.fn();
    const start = (_press: unknown, _now: unknown, isGone: typeof gone): void => void (gone = isGone);
    const take = recorder.record({ start, stop }, WALTZ).catch((error: unknown) => error);
    await started();
    gone('the keyboard is gone');
    expect(await take).toEqual(new Error('the keyboard is gone'));
    expect([recorder.isBusy(), stop.mock.calls.length]).toEqual([false, 1]);
  });

  it('ends one take when another begins; nothing of the first rings on', async () => {
    const first = recorder.record(source, WALTZ);
    await started();
    const second = recorder.record(source, WALTZ);
    expect(await first).toEqual([]);
    await started();
    await vi.advanceTimersByTimeAsync(10_000);
    expect(await second).toEqual([]);
    // Of the first take the one click that was handed on already.
    expect(clicks).toHaveLength(1 + 6);
  });
});
