import '@angular/compiler';
import { Injector } from '@angular/core';
import { arrange } from '@joined-hands/core/arrange';
import { DEFAULT_PROFILE } from '@joined-hands/core/song';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { sampleFiles } from './instruments';
import { Piano } from './piano';
import { Player } from './player';
import { planProgram } from './program';

const arrangement = arrange(DEMO_SONGS[0], DEFAULT_PROFILE);
const request = { fromTick: 0, toTick: 11520, tempoPercent: 100, hands: 'both', countsIn: false } as const;

/** A transport that stands still until it is moved. */
function transport() {
  return {
    scheduled: [] as { at: number; act: (time: number) => void }[],
    seconds: 0,
    isRunning: false,
    bpm: { value: 0 },
    loop: false,
    loopStart: 0,
    loopEnd: 0,
    schedule(act: (time: number) => void, at: number) {
      this.scheduled.push({ at, act });
    },
    now: () => 0.1,
    getSecondsAtTime(this: { seconds: number }) {
      return this.seconds;
    },
    start() {
      this.isRunning = true;
    },
    stop() {
      this.isRunning = false;
    },
    cancel() {
      this.scheduled = [];
    },
  };
}

describe('the player', () => {
  let clock: ReturnType<typeof transport>;
  let player: Player;
  let ready: () => Promise<object>;
  let frame: (() => void) | null;
  /** What the clock of the sound tells. */
  let heard = 0;
  const struck: { midi: number; at: number; velocity: number }[] = [];
  const clicks: number[] = [];
  const silenced = vi.fn();

  beforeEach(() => {
    clock = transport();
    frame = null;
    heard = 0;
    struck.length = clicks.length = 0;
    vi.stubGlobal('requestAnimationFrame', (act: () => void) => ((frame = act), 1));
    vi.stubGlobal('cancelAnimationFrame', () => (frame = null));
    vi.stubGlobal('document', { dispatchEvent: () => true });
    const instrument = {
      tone: {
        getTransport: () => clock,
        immediate: () => heard,
        Frequency: (midi: number) => ({ toFrequency: () => midi }),
      },
      delaySeconds: 0.0145,
      latencySeconds: 0.01,
      instrument: {
        triggerAttackRelease: (midi: number, _: number, at: number, velocity: number) =>
          void struck.push({ midi, at, velocity }),
        releaseAll: silenced,
      },
      click: { triggerAttackRelease: (pitch: number) => void clicks.push(pitch) },
    };
    ready = async () => instrument;
    const injector = Injector.create({
      providers: [{ provide: Player }, { provide: Piano, useValue: { ready: () => ready() } }],
    });
    player = injector.get(Player);
  });
  afterEach(() => vi.unstubAllGlobals());
  const goTo = (seconds: number): void => {
    clock.seconds = seconds;
    heard = 1;
    frame?.();
  };

  it('schedules every note and click of the program and strikes it', async () => {
    const program = planProgram(arrangement, { ...request, countsIn: true });
    await player.play(arrangement, { ...request, countsIn: true }, false);
    expect(clock.isRunning).toBe(true);
    expect(clock.scheduled.map((s) => s.at)).toEqual([
      ...program.notes.map((n) => n.at),
      ...program.clicks.map((c) => c.at),
    ]);
    // A time ahead, as Tone tells it: less ahead than its now(), which notes must not wait for.
    for (const { act } of clock.scheduled) act(0.08);
    expect(struck).toEqual(
      program.notes.map((n) => ({ midi: n.midi, at: 0.08 - 0.0145, velocity: n.velocity / 127 })),
    );
    expect(clicks).toEqual(program.clicks.map((c) => (c.isDownbeat ? 1760 : 1175)));
  });

  it('tells the tick and the keys that sound, neither while it counts in', async () => {
    const counted = { ...request, countsIn: true };
    const { countIn, notes } = planProgram(arrangement, counted);
    await player.play(arrangement, counted, false);
    // Where the last playing had come to is not shown.
    clock.seconds = countIn + 1;
    frame?.();
    expect(player.tick()).toBeNull();
    goTo(countIn / 2);
    expect([player.tick(), player.sounding()]).toEqual([null, []]);
    goTo(countIn + 0.01);
    expect(player.tick()).toBeGreaterThanOrEqual(0);
    expect(player.sounding().map((n) => n.midi)).toEqual(
      notes.filter((n) => n.at <= countIn + 0.01).map((n) => n.midi),
    );
  });

  it('stops at the end and says so, once', async () => {
    const done = vi.fn();
    const { seconds } = planProgram(arrangement, request);
    await player.play(arrangement, request, false, done);
    goTo(seconds - 0.01);
    expect(player.isPlaying()).toBe(true);
    goTo(seconds);
    expect([player.isPlaying(), player.tick(), player.sounding(), clock.isRunning]).toEqual([
      false,
      null,
      [],
      false,
    ]);
    expect(done).toHaveBeenCalledOnce();
  });

  it('goes round from after the count-in, and ends only when it is stopped', async () => {
    const done = vi.fn();
    const counted = { ...request, countsIn: true };
    const program = planProgram(arrangement, counted);
    await player.play(arrangement, counted, true, done);
    expect([clock.loop, clock.loopStart, clock.loopEnd]).toEqual([true, program.countIn, program.seconds]);
    goTo(program.seconds + 1);
    expect(player.isPlaying()).toBe(true);
    player.stop();
    expect([clock.loop, clock.scheduled, player.isPlaying()]).toEqual([false, [], false]);
    expect(silenced).toHaveBeenCalled();
    expect(done).not.toHaveBeenCalled();
  });

  it('is loading until the piano is there, and plays only what was asked last', async () => {
    let come: (() => void) | null = null;
    const instrument = await ready();
    ready = () => new Promise((resolve) => (come = () => resolve(instrument)));
    const first = player.play(arrangement, request, false);
    expect([player.isPlaying(), player.isLoading()]).toEqual([true, true]);
    const firstComes = come as (() => void) | null;
    ready = async () => instrument;
    await player.play(arrangement, { ...request, toTick: 2880 }, false);
    const { length } = clock.scheduled;
    firstComes?.();
    await first;
    expect(clock.scheduled).toHaveLength(length);
    expect(player.isLoading()).toBe(false);
  });

  it('says so when the piano cannot be started', async () => {
    ready = () => Promise.reject(new Error('no sound here'));
    await player.play(arrangement, request, false);
    expect(player.problem()).toBe('The piano could not be started: no sound here.');
    expect([player.isPlaying(), player.isLoading()]).toEqual([false, false]);
  });
});

describe('the samples', () => {
  it('lie a minor third apart from A0 to C8', () => {
    const files = sampleFiles();
    expect(Object.keys(files)).toHaveLength(30);
    expect(files).toMatchObject({
      A0: 'A0v10.mp3',
      'D#4': 'D%234v10.mp3',
      'F#7': 'F%237v10.mp3',
      C8: 'C8v10.mp3',
    });
  });
});
