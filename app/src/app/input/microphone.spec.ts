import type { WantedKey } from '@joined-hands/core/practice';
import { type KeyEvent, PitchTrack } from '@joined-hands/core/takes';
import { seeded } from '@joined-hands/core/chance';
import { describe, expect, it } from 'vitest';
import { microphoneProblem, whyNotHeard } from './microphone';
import { Pitches } from './pitches';

const RATE = 44_100;
const BLOCK = 512;

interface Tone {
  readonly midi: number;
  readonly at: number;
  readonly lasts: number;
}

/** Struck strings, more or less: harmonics that die away, the higher the sooner; with noise of the room. */
function sounded(tones: readonly Tone[], loud: number, noise: number): Float32Array {
  const end = Math.max(...tones.map(({ at, lasts }) => at + lasts)) + 0.5;
  const sound = new Float32Array(Math.ceil(end * RATE));
  for (const { midi, at, lasts } of tones) {
    const hertz = 440 * 2 ** ((midi - 69) / 12);
    const from = Math.round(at * RATE);
    for (let i = 0; i < lasts * RATE; i++) {
      const t = i / RATE;
      const edge = Math.min(1, t / 0.004, (lasts - t) / 0.02);
      for (let h = 1; h <= 6; h++)
        sound[from + i] +=
          loud * edge * Math.exp(-t * (1 + h)) * (0.6 / h) * Math.sin(2 * Math.PI * hertz * h * t);
    }
  }
  const random = seeded(9);
  return sound.map((x) => x + noise * (2 * random() - 1));
}

function heard(sound: Float32Array): KeyEvent[] {
  const [pitches, track] = [new Pitches(RATE), new PitchTrack()];
  const events: KeyEvent[] = [];
  for (let at = 0; at + BLOCK <= sound.length; at += BLOCK)
    events.push(...track.hear(pitches.hear(sound.slice(at, at + BLOCK), (at + BLOCK) / RATE)));
  return events;
}

const downs = (events: readonly KeyEvent[]): number[] =>
  events.filter(({ velocity }) => velocity > 0).map(({ midi }) => midi);
/** Quarters at 100 a minute, some of them eighths, some repeated, leaps of octaves. */
const TUNE = [60, 62, 64, 64, 67, 72, 60, 65, 77, 65, 64, 62, 62, 59, 57, 69];
const tones = (held = 0.95): Tone[] =>
  TUNE.map((midi, i) => ({ midi, at: 0.2 + i * 0.6, lasts: 0.6 * held }));

describe('a piano heard through the microphone', () => {
  it('is heard note by note at three loudnesses, with the noise of a room, octaves told apart', () => {
    for (const [loud, noise] of [
      [0.5, 0.002],
      [0.15, 0.001],
      [0.05, 0.0006],
    ])
      expect([loud, downs(heard(sounded(tones(), loud, noise)))]).toEqual([loud, TUNE]);
  });

  it('tells when: within a few hundredths of a second, and every key down goes up', () => {
    const events = heard(sounded(tones(0.8), 0.4, 0.001));
    const struck = events.filter(({ velocity }) => velocity > 0);
    struck.forEach(({ seconds }, i) => expect(Math.abs(seconds - (0.2 + i * 0.6))).toBeLessThan(0.05));
    expect(events.filter(({ velocity }) => velocity === 0).map(({ midi }) => midi)).toEqual(TUNE);
    events.reduce((before, { seconds }) => {
      expect(seconds).toBeGreaterThanOrEqual(before);
      return seconds;
    }, 0);
  });

  it('hears nothing in noise, in silence, and in a click', () => {
    const silence = new Float32Array(RATE);
    expect(heard(silence)).toEqual([]);
    expect(heard(sounded([{ midi: 60, at: 0, lasts: 0.01 }], 0, 0.02))).toEqual([]);
    const click = new Float32Array(RATE);
    for (let i = 0; i < 0.012 * RATE; i++)
      click[10_000 + i] = 0.3 * Math.sin((2 * Math.PI * 1760 * i) / RATE);
    expect(downs(heard(click))).toEqual([]);
  });

  it('says plainly what it cannot hear', () => {
    const key = (tick: number, midi: number): WantedKey => ({
      tick,
      midi,
      seconds: tick,
      hand: 'right',
      from: 'n',
    });
    expect(whyNotHeard([key(0, 60), key(960, 64)])).toBeNull();
    expect(whyNotHeard([key(0, 60), key(0, 64)])).toMatch(/^The microphone hears one note at a time/);
    expect(whyNotHeard([key(0, 40)])).toBeNull();
    expect(whyNotHeard([key(0, 39)])).toMatch(/such low notes/);
    expect(microphoneProblem(new DOMException('no', 'NotAllowedError'))).toMatch(
      /does not let the microphone/,
    );
    expect(microphoneProblem(new DOMException('no', 'NotFoundError'))).toMatch(/^No microphone was found/);
    expect(microphoneProblem(new Error('busy'))).toBe('The microphone could not be started: busy.');
  });
});
