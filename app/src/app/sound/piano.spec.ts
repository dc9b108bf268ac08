import '@angular/compiler';
import { Injector } from '@angular/core';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { SAMPLE_DELAY_SECONDS, sampledKey, soundNamed, SOUNDS } from './instruments';
import { Problems } from '../ui/problems';
import { Ways } from '../ui/own-ways';
import { Piano } from './piano';

const struck: { key: number; length: number; at: number; velocity: number }[] = [];
const made = { samplers: 0, synths: 0, clicks: 0, started: 0, released: 0, fails: false, sampler: {} };
/** Samples asked for, and keys for which the sampler has one. */
const samples = { asked: [] as string[], there: [] as number[], lost: 'none' };

vi.mock('tone', () => ({
  Sampler: class {
    volume = { value: 0 };
    constructor({ release }: { release: number }) {
      made.samplers++;
      made.sampler = { release, volume: this.volume };
    }
    toDestination() {
      return this;
    }
    add(key: number) {
      samples.there.push(key);
    }
    releaseAll() {
      made.released++;
    }
    triggerAttackRelease(key: number, length: number, at: number, velocity: number) {
      struck.push({ key, length, at, velocity });
    }
  },
  ToneAudioBuffer: {
    load: async (url: string) => {
      samples.asked.push(url);
      if (made.fails || url.includes(samples.lost)) throw new Error('no samples');
      return url;
    },
  },
  Synth: class {
    constructor() {
      made.clicks++;
    }
    toDestination() {
      return this;
    }
  },
  FMSynth: class {},
  PolySynth: class {
    maxPolyphony = 0;
    constructor() {
      made.synths++;
    }
    toDestination() {
      return this;
    }
    releaseAll() {
      made.released++;
    }
    triggerAttackRelease(key: number, length: number, at: number, velocity: number) {
      struck.push({ key, length, at, velocity });
    }
  },
  Frequency: (midi: number) => ({ toFrequency: () => midi }),
  now: () => 50,
  immediate: () => 50,
  getContext: () => ({ rawContext: { baseLatency: 0.01 } }),
  start: async () => void made.started++,
}));

describe('the piano', () => {
  let problems = new Problems();
  let midiOut: string | null = null;
  const piano = () =>
    Injector.create({
      providers: [
        Piano,
        { provide: Problems, useValue: problems },
        { provide: Ways, useValue: { now: () => ({ midiOut }) } },
      ],
    }).get(Piano);
  beforeEach(() => {
    problems = new Problems();
    midiOut = null;
    struck.length = 0;
    Object.assign(made, { samplers: 0, synths: 0, clicks: 0, started: 0, released: 0, fails: false });
    Object.assign(samples, { asked: [], there: [], lost: 'none' });
  });
  // What was still to come on a clock of the test's own never comes: no other test hears of it.
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('loads the samples of the keys that are struck, each once, before they sound', async () => {
    expect([21, 22, 23, 59, 60, 61, 62, 64, 67, 108].map(sampledKey)).toEqual([
      ...[21, 21, 24, 60, 60, 60, 63, 63, 66, 108],
    ]);
    const heard = piano();
    await heard.hear([60, 61, 64]);
    expect(samples).toMatchObject({
      asked: ['/samples/C4v10.mp3', '/samples/D%234v10.mp3'],
      there: [60, 63],
    });
    await Promise.all([heard.hear([59, 67]), heard.hear([66])]);
    expect(samples.asked.slice(2)).toEqual(['/samples/F%234v10.mp3']);
    await heard.hearLine([{ tick: 0, length: 960, midi: 21 }], 60);
    expect(samples.there).toEqual([60, 63, 66, 21]);
    expect(made.samplers).toBe(1);
  });

  it('strikes keys together, once what sounded is let go', async () => {
    await piano().hear([60, 64, 67], 127);
    expect(struck).toEqual([60, 64, 67].map((key) => ({ key, length: 1.6, at: 50, velocity: 1 })));
    expect(made).toMatchObject({ samplers: 1, started: 1, released: 1 });
    expect(made.sampler).toEqual({ release: 0.6, volume: { value: -4 } });
  });

  it('is loaded a second after the first press, when the browser is idle, once, and starts nothing', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'performance'] });
    const idle: (() => void)[] = [];
    vi.stubGlobal('requestIdleCallback', (work: () => void) => idle.push(work));
    const device = { opened: 0, closed: 0 };
    vi.stubGlobal(
      'AudioContext',
      class {
        constructor() {
          device.opened++;
        }
        close = async (): Promise<void> => void device.closed++;
      },
    );
    const pressed = new EventTarget();
    const one = piano();
    one.loadAfterPress(pressed);
    one.loadAfterPress(pressed);
    await vi.advanceTimersByTimeAsync(5000);
    expect(idle).toEqual([]);
    pressed.dispatchEvent(new Event('keydown'));
    pressed.dispatchEvent(new Event('pointerdown'));
    await vi.advanceTimersByTimeAsync(999);
    expect(idle).toEqual([]);
    await vi.advanceTimersByTimeAsync(1);
    expect([idle.length, device.opened, made.clicks]).toEqual([1, 0, 0]);
    // The device is opened in a moment of its own, and let go when the library has its own.
    idle[0]();
    await vi.advanceTimersByTimeAsync(0);
    expect([idle.length, device, made.clicks]).toEqual([2, { opened: 1, closed: 0 }, 0]);
    idle[1]();
    await vi.waitFor(() => expect(made).toMatchObject({ clicks: 1, samplers: 0, started: 0 }));
    await vi.waitFor(() => expect(device).toEqual({ opened: 1, closed: 1 }));
    await one.hear([60]);
    expect(made).toMatchObject({ clicks: 1, samplers: 1, started: 1 });
  });

  it('loads the other samples one by one, from the middle outwards, while nothing is pressed', async () => {
    vi.useFakeTimers({ toFake: ['setTimeout', 'performance'] });
    const idle: (() => void)[] = [];
    vi.stubGlobal('requestIdleCallback', (work: () => void) => idle.push(work));
    const next = async (): Promise<number[]> => {
      idle.shift()?.();
      await vi.advanceTimersByTimeAsync(0);
      return samples.there.slice();
    };
    const pressed = new EventTarget();
    const one = piano();
    one.loadAfterPress(pressed);
    pressed.dispatchEvent(new Event('keydown'));
    await one.hear([64]);
    expect([samples.there, idle.length]).toEqual([[63], 0]);
    await vi.advanceTimersByTimeAsync(1000);
    idle.shift()?.();
    expect(await next()).toEqual([63, 60]);
    expect(await next()).toEqual([63, 60, 57]);
    pressed.dispatchEvent(new Event('pointerdown'));
    // The one that was begun is there; the next waits.
    expect(await next()).toEqual([63, 60, 57, 54]);
    expect(idle.length).toBe(0);
    await vi.advanceTimersByTimeAsync(1000);
    for (let i = 0; i < 40; i++) await next();
    expect(samples.there).toHaveLength(30);
    expect(new Set(samples.there).size).toBe(30);
    expect([idle.length, made.samplers]).toEqual([0, 1]);
  });

  it('asks for no more samples where one fails, until it is heard again', async () => {
    const one = piano();
    one.loadAfterPress(new EventTarget());
    samples.lost = 'A3';
    await one.hear([60]);
    await vi.waitFor(() => expect(samples.asked).toHaveLength(2));
    await new Promise((resolve) => setTimeout(resolve));
    expect([samples.asked.length, samples.there]).toEqual([2, [60]]);
    samples.lost = 'none';
    await one.hear([60]);
    await vi.waitFor(() => expect(samples.there).toHaveLength(30));
  });

  it('plays a line at its tempo from a moment ahead, the shortest notes long enough to be heard', async () => {
    const line = [
      { tick: 0, length: 960, midi: 60 },
      { tick: 960, length: 10, midi: 62 },
    ];
    await piano().hearLine(line, 120);
    expect(struck.map(({ key, length, at }) => [key, length, Math.round(at * 1000)])).toEqual([
      [60, 0.5, 50_100],
      [62, 0.08, 50_600],
    ]);
  });

  it('is loaded once; where it cannot be a simple tone is heard, and it is asked for again', async () => {
    const heard = piano();
    made.fails = true;
    await heard.hear([59]);
    expect(problems.sentence()).toMatch(
      /^The sounds of the grand piano could not be loaded: you hear a simple tone\./,
    );
    expect((await heard.ready([60])).delaySeconds).toBe(0);
    problems.putAway();
    await heard.hear([58]);
    // It is said once, and one simple tone does.
    expect([problems.sentence(), made.synths]).toEqual([null, 1]);
    made.fails = false;
    await heard.hear([60]);
    await heard.hear([61]);
    expect((await heard.ready([60])).delaySeconds).toBe(SAMPLE_DELAY_SECONDS);
    const asked = ['C4', 'C4', 'A3', 'C4'].map((name) => `/samples/${name}v10.mp3`);
    expect(samples).toMatchObject({ asked, there: [60] });
    expect(made.samplers).toBe(1);
    expect(struck.map(({ key }) => key)).toEqual([59, 58, 60, 61]);
  });

  it('is heard in the sound chosen, each made once; one that is made of waves is struck on time', async () => {
    const heard = piano();
    expect(heard.sound()).toBe('grand');
    expect((await heard.ready([60])).delaySeconds).toBe(SAMPLE_DELAY_SECONDS);
    heard.choose('electric');
    await heard.hear([60]);
    expect((await heard.ready([60])).delaySeconds).toBe(0);
    heard.choose('music-box');
    await heard.hear([62]);
    heard.choose('electric');
    await heard.hear([64]);
    expect([made.samplers, made.synths]).toEqual([1, 2]);
    expect(struck.map(({ key }) => key)).toEqual([60, 62, 64]);
  });

  it('goes back to the grand where a sound is not known', () => {
    expect(SOUNDS.map(({ id }) => soundNamed(id).id)).toEqual(['grand', 'electric', 'music-box']);
    expect([soundNamed('organ').id, soundNamed(null).id]).toEqual(['grand', 'grand']);
  });

  it('is heard on a MIDI instrument where one was chosen; on this device, and that is said once, where it is away', async () => {
    const sent: number[][] = [];
    const upright = { name: 'Upright', send: (data: number[]) => void sent.push(data) };
    let outputs: (typeof upright)[] = [];
    vi.stubGlobal('navigator', {
      requestMIDIAccess: async () => ({ outputs: new Map(outputs.map((one) => [one.name, one])) }),
    });
    midiOut = 'Upright';
    const heard = piano();
    await heard.hear([60]);
    expect([struck.length, sent.length]).toEqual([1, 0]);
    expect(problems.sentence()).toMatch(/^“Upright” is not connected: you hear this device\./);
    outputs = [upright];
    await heard.hear([440]);
    expect(sent.filter(([command]) => command === 0x90)).toEqual([[0x90, 69, 76]]);
    expect(struck).toHaveLength(1);
    vi.unstubAllGlobals();
  });
});
