import '@angular/compiler';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { SAMPLE_DELAY_SECONDS, soundNamed, SOUNDS } from './instruments';
import { Piano } from './piano';

const struck: { key: number; length: number; at: number; velocity: number }[] = [];
const made = { samplers: 0, synths: 0, started: 0, released: 0, fails: false };

vi.mock('tone', () => ({
  Sampler: class {
    volume = { value: 0 };
    constructor() {
      made.samplers++;
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
  Synth: class {
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
  start: async () => void made.started++,
  loaded: async () => {
    if (made.fails) throw new Error('no samples');
  },
}));

describe('the piano', () => {
  beforeEach(() => {
    struck.length = 0;
    Object.assign(made, { samplers: 0, synths: 0, started: 0, released: 0, fails: false });
  });

  it('strikes keys together, once what sounded is let go', async () => {
    await new Piano().hear([60, 64, 67], 127);
    expect(struck).toEqual([60, 64, 67].map((key) => ({ key, length: 1.6, at: 50, velocity: 1 })));
    expect(made).toMatchObject({ samplers: 1, started: 1, released: 1 });
  });

  it('plays a line at its tempo from a moment ahead, the shortest notes long enough to be heard', async () => {
    const line = [
      { tick: 0, length: 960, midi: 60 },
      { tick: 960, length: 10, midi: 62 },
    ];
    await new Piano().hearLine(line, 120);
    expect(struck.map(({ key, length, at }) => [key, length, Math.round(at * 1000)])).toEqual([
      [60, 0.5, 50_100],
      [62, 0.08, 50_600],
    ]);
  });

  it('is loaded once, and again after it could not be', async () => {
    const piano = new Piano();
    made.fails = true;
    await expect(piano.hear([60])).rejects.toThrow('no samples');
    made.fails = false;
    await piano.hear([60]);
    await piano.hear([61]);
    expect(made.samplers).toBe(2);
    expect(struck.map(({ key }) => key)).toEqual([60, 61]);
  });

  it('is heard in the sound chosen, each made once; one that is made of waves is struck on time', async () => {
    const piano = new Piano();
    expect(piano.sound()).toBe('grand');
    expect((await piano.ready()).delaySeconds).toBe(SAMPLE_DELAY_SECONDS);
    piano.choose('electric');
    await piano.hear([60]);
    expect((await piano.ready()).delaySeconds).toBe(0);
    piano.choose('music box');
    await piano.hear([62]);
    piano.choose('electric');
    await piano.hear([64]);
    expect([made.samplers, made.synths]).toEqual([1, 2]);
    expect(struck.map(({ key }) => key)).toEqual([60, 62, 64]);
  });

  it('goes back to the grand where a sound is not known', () => {
    expect(SOUNDS.map(({ id }) => soundNamed(id).id)).toEqual(['grand', 'electric', 'music box']);
    expect([soundNamed('organ').id, soundNamed(null).id]).toEqual(['grand', 'grand']);
  });
});
