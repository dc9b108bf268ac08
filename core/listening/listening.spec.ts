import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { strings, type Tone } from '../testing';
import { seeded } from '../chance';
import { isHeardEnough, judgeTake, type WantedKey } from '../practice';
import type { KeyEvent } from '../takes';
import { meetingsOf, SLIPS } from './meetings';
import { NoteListener } from './noteListener';
import { pianoShapes } from './pianoShapes';
import { ScoreListener } from './scoreListener';
import { shares } from './leastSquares';
import { speaksFor } from './verdict';

const RATE = 22_050;
const shapes = pianoShapes();
/** Melody over chords, a repeated key, a leap, a key alone. */
const SCORE: readonly (readonly [seconds: number, ...keys: number[]])[] = [
  [0, 48, 55, 64, 72],
  [0.5, 74],
  [1, 50, 57, 65, 74],
  [1.5, 76],
  [2, 43, 59, 62, 67],
  [2.5, 67],
  [3, 45, 60, 64, 69],
  [3.5, 72],
  [4, 41, 57, 60, 77],
  [4.5, 76],
  [5, 48, 55, 64, 72],
];
const WANTED: readonly WantedKey[] = SCORE.flatMap(([seconds, ...keys]) =>
  keys.map((midi): WantedKey => ({
    ...{ tick: seconds * 1920, seconds, midi },
    ...{ hand: midi < 66 ? 'left' : 'right', from: `n${seconds}` },
  })),
);

/** The score as it is played, with other keys for some. */
function played(other: (key: number, seconds: number) => number | null = (key) => key, pace = 1): Tone[] {
  return WANTED.flatMap(({ midi, seconds }) => {
    const key = other(midi, seconds);
    return key === null ? [] : [{ midi: key, at: BEGINS + seconds * pace, lasts: 0.47 * pace }];
  });
}

function heard(
  sound: Float32Array,
  {
    rate = RATE,
    wanted = WANTED,
    block = 512,
  }: { rate?: number; wanted?: readonly WantedKey[]; block?: number } = {},
): KeyEvent[] {
  const listener = new ScoreListener(wanted, shapes, rate);
  for (let at = 0; at < sound.length; at += block)
    listener.hear(sound.slice(at, at + block), Math.min(sound.length, at + block) / rate);
  return listener.inFull();
}

/** What is told while it is played, and when each was told. */
function firstWords(sound: Float32Array, wanted = WANTED): (KeyEvent & { readonly told: number })[] {
  const listener = new ScoreListener(wanted, shapes, RATE);
  const all: (KeyEvent & { readonly told: number })[] = [];
  for (let at = 0; at + 512 <= sound.length; at += 512) {
    const told = (at + 512) / RATE;
    all.push(...listener.hear(sound.slice(at, at + 512), told).map((event) => ({ ...event, told })));
  }
  return all;
}

const BEGINS = 0.4;
/** Whether a key was told at a time of the score, played at a pace. */
const isTold = (events: readonly KeyEvent[], midi: number, seconds: number, pace = 1): boolean =>
  events.some((event) => event.midi === midi && Math.abs(event.seconds - BEGINS - seconds * pace) < 0.03);

/** Nine of ten keys that were struck are told, at their time, and no other. */
function expectHeard(events: readonly KeyEvent[], struck: readonly WantedKey[] = WANTED, pace = 1): void {
  const told = struck.filter(({ midi, seconds }) => isTold(events, midi, seconds, pace));
  expect(told.length).toBeGreaterThanOrEqual(0.9 * struck.length);
  expect(events.length).toBe(told.length);
}

const isJudged = (sound: Float32Array): boolean => {
  const events = heard(sound);
  return isHeardEnough(judgeTake(WANTED, events, 0.5, true), events.length);
};

describe('both hands heard by the score', () => {
  it('hears a clean take: soft or loud, tuned low or high, slow or fast', () => {
    for (const loud of [0.004, 0.05, 0.4]) expectHeard(heard(strings(played(), { loud, noise: loud / 500 })));
    for (const cents of [-40, 35]) expectHeard(heard(strings(played(), { cents })));
    for (const pace of [0.6, 1.5]) expectHeard(heard(strings(played(undefined, pace))), WANTED, pace);
  });

  it('hears it through any microphone, in blocks of any size', () => {
    for (const rate of [16_000, 24_000]) expectHeard(heard(strings(played(), { rate }), { rate }));
    for (const block of [128, 777, 4096]) expectHeard(heard(strings(played()), { block }));
  });

  it('names a wrong key, and is silent of one that was left out', () => {
    for (const [midi, seconds, by] of [
      [74, 0.5, 1],
      [57, 1, -2],
      [62, 2, 3],
      [72, 3.5, -1],
      [48, 5, 2],
    ]) {
      const isIt = (key: WantedKey): boolean => key.midi === midi && key.seconds === seconds;
      const others = WANTED.filter((key) => !isIt(key));
      const wrong = WANTED.map((key) => (isIt(key) ? { ...key, midi: midi + by } : key));
      const events = heard(strings(played((key, at) => (key === midi && at === seconds ? key + by : key))));
      expect([midi, by, isTold(events, midi + by, seconds), isTold(events, midi, seconds)]).toEqual([
        ...[midi, by, true, false],
      ]);
      expectHeard(events, wrong);
      expectHeard(heard(strings(played((key, at) => (key === midi && at === seconds ? null : key)))), others);
    }
  });

  it('finds the wrong key of a short turn whenever listening begins', () => {
    const slip = { midi: 74, seconds: 0.5 };
    const turn = WANTED.filter(({ seconds }) => seconds <= 3);
    const tones = played((key, at) => (key === slip.midi && at === slip.seconds ? key - 1 : key)).filter(
      ({ at }) => at <= 3 + BEGINS,
    );
    const sound = strings(tones);
    for (let from = 0; from < 12; from++) {
      const events = heard(sound.slice(from * 500), { wanted: turn });
      const began = (from * 500) / RATE;
      const told = events.map((event) => ({ ...event, seconds: event.seconds + began }));
      expect([from, isTold(told, slip.midi - 1, slip.seconds)]).toEqual([from, true]);
    }
  });

  it('takes what the program strikes meanwhile for neither wanted nor wrong', () => {
    const right = WANTED.filter(({ hand }) => hand === 'right');
    const left = WANTED.filter(({ hand }) => hand === 'left');
    const listener = new ScoreListener(right, shapes, RATE, 1, left);
    const sound = strings(played((key, seconds) => (key === 76 && seconds === 1.5 ? 77 : key)));
    for (let at = 0; at + 512 <= sound.length; at += 512)
      listener.hear(sound.slice(at, at + 512), (at + 512) / RATE);
    const events = listener.inFull();
    const struck = right.map((key) => (key.midi === 76 && key.seconds === 1.5 ? { ...key, midi: 77 } : key));
    expect(
      events.filter(
        ({ midi, seconds }) =>
          !struck.some((key) => key.midi === midi && Math.abs(seconds - BEGINS - key.seconds) < 0.03),
      ),
    ).toEqual([]);
    expect(events.length).toBeGreaterThanOrEqual(0.8 * right.length);
    expect(isTold(events, 77, 1.5)).toBe(true);
  });

  it('follows who begins elsewhere, or stops', () => {
    const late = WANTED.filter(({ seconds }) => seconds >= 2);
    expectHeard(heard(strings(played().filter(({ at }) => at > 2))), late);
    const wait = 1.3;
    const stopped = played().map((tone) => ({ ...tone, at: tone.at + (tone.at > 2.2 ? wait : 0) }));
    const events = heard(strings(stopped));
    expectHeard(
      events.map((event) => ({ ...event, seconds: event.seconds - (event.seconds > 2.2 ? wait : 0) })),
    );
  });

  it('hears each stroke of a key that is struck again while it sounds, up to nine times a second', () => {
    for (const [midi, aSecond] of [
      [67, 8],
      [48, 7],
      [76, 9],
    ]) {
      const wanted = Array.from({ length: 30 }, (_, i): WantedKey => {
        const seconds = i / aSecond;
        return { tick: i * 240, seconds, midi, hand: 'right', from: `n${i}` };
      });
      const tones = wanted.map(({ seconds }) => ({ midi, at: BEGINS + seconds, lasts: 0.6 }));
      const events = heard(strings(tones), { wanted });
      expect(wanted.filter(({ seconds }) => isTold(events, midi, seconds)).length).toBeGreaterThanOrEqual(28);
      expect(events.length).toBeLessThanOrEqual(wanted.length);
    }
  });

  it('tells the first word at once: each strike before the next comes', () => {
    const told = new Map<number, number>();
    for (const { seconds, told: at } of firstWords(strings(played())))
      if (!told.has(seconds)) told.set(seconds, at - seconds);
    expect(told.size).toBe(SCORE.length);
    expect(Math.max(...told.values())).toBeLessThan(0.15);
  });

  it('takes no noise of a room for the first key', () => {
    for (const keys of [
      [60, 65],
      [48, 60, 67],
    ])
      for (let seed = 0; seed < 20; seed++) {
        const random = seeded(seed);
        const noise = Float32Array.from({ length: 0.6 * RATE }, () => 0.0004 * (random() - 0.5));
        const wanted = [0, 2, 4].flatMap((by): WantedKey[] =>
          keys.map((key) => ({ tick: by, seconds: by, midi: key + by, hand: 'right', from: `n${by}` })),
        );
        expect(firstWords(noise, wanted)).toEqual([]);
      }
  });

  it('tells a wrong key at once, but an octave that is not certain only when all was heard', () => {
    const slips = WANTED.filter(({ seconds }) => [2.5, 3.5, 4.5].includes(seconds));
    for (const by of [-1, 12, -12]) {
      const told = slips.map(({ midi, seconds }) => {
        const sound = strings(played((key, at) => (key === midi && at === seconds ? key + by : key)));
        return [firstWords(sound), heard(sound)].map((events) => isTold(events, midi + by, seconds));
      });
      expect([by, ...told]).toEqual([by, ...slips.map(() => [by === -1, true])]);
    }
  });

  it('hears nothing in silence, hum, noise, clipping and speech, and gives no verdict on another tune', () => {
    const random = seeded(4);
    const rumble = (f: (t: number) => number): Float32Array =>
      Float32Array.from({ length: 6 * RATE }, (_, i) => f(i / RATE));
    expect(heard(rumble(() => 0))).toEqual([]);
    expect(heard(rumble((t) => 0.2 * Math.sin(2 * Math.PI * 50 * t)))).toEqual([]);
    expect(heard(rumble(() => 0.1 * (random() - 0.5))).length).toBeLessThan(WANTED.length / 4);
    const clipped = heard(strings(played(), { loud: 0.7 }).map((x) => Math.max(-0.5, Math.min(0.5, x))));
    expect(WANTED.filter(({ midi, seconds }) => isTold(clipped, midi, seconds)).length).toBeGreaterThan(
      0.8 * WANTED.length,
    );
    // A voice: a gliding pitch with formants, syllable by syllable.
    const voice = rumble((t) => {
      const phase = 2 * Math.PI * (120 * t + 6 * Math.sin(3 * t));
      const loud = Math.max(0, Math.sin(2 * Math.PI * 3 * t));
      return 0.1 * loud * [1, 2, 3, 4, 5, 6].reduce((sum, n) => sum + Math.sin(n * phase) / n, 0);
    });
    expect(isJudged(voice)).toBe(false);
  });

  it('gives no verdict where something else is played', () => {
    expect(isJudged(strings(played()))).toBe(true);
    expect(isJudged(strings(played((key, seconds) => key + (seconds % 1 === 0 ? 6 : -7))))).toBe(false);
    expect(isJudged(strings(played((key, seconds) => key + (seconds % 1 === 0 ? -1 : 1))))).toBe(false);
  });
});

describe('a tune heard with nothing known of it', () => {
  it('is heard note by note: repeated, soft, low and high notes, whole octaves', () => {
    const tune = [60, 62, 64, 64, 67, 72, 60, 65, 77, 65, 64, 62, 62, 59, 57, 69, 33, 45, 72];
    for (const loud of [0.005, 0.3]) {
      const tones = tune.map((midi, i) => ({ midi, at: 0.3 + i * 0.3, lasts: 0.28 }));
      const sound = strings(tones, { loud, noise: loud / 500 });
      const listener = new NoteListener(shapes, RATE);
      for (let at = 0; at + 512 <= sound.length; at += 512)
        listener.hear(sound.slice(at, at + 512), (at + 512) / RATE);
      const events = listener.inFull();
      expect(events.filter(({ velocity }) => velocity > 0).map(({ midi }) => midi)).toEqual(tune);
      expect(events.filter(({ velocity }) => velocity === 0).length).toBe(tune.length);
    }
  });
});

describe('what speaks for a strike being a meeting', () => {
  const chord = fc.uniqueArray(fc.integer({ min: 40, max: 84 }), { minLength: 1, maxLength: 4 });
  const speaks = (struck: readonly number[], keys: readonly number[]): number => {
    const bands = shapes.shapes[0].map((_, band) =>
      struck.reduce((sum, key) => sum + shapes.shapes[key - 21][band], 0),
    );
    const wanted = keys.map((midi): WantedKey => ({ tick: 0, seconds: 0, midi, hand: 'left', from: 'n' }));
    return speaksFor(shapes, shapes.likeness(bands), meetingsOf(wanted)[0]);
  };

  it('is about 1 where it is, and not far below 0 however much else is struck', () => {
    fc.assert(
      fc.property(chord, chord, (struck, keys) => {
        expect(speaks(struck, struck)).toBeGreaterThan(0.8);
        fc.pre(
          struck.every((key) =>
            keys.every((other) => key !== other && !SLIPS.some((by) => other + by === key)),
          ),
        );
        const others = speaks(struck, keys);
        expect(others).toBeLessThan(speaks(struck, struck) - 0.2);
        expect(others).toBeGreaterThanOrEqual(-0.2);
      }),
    );
    expect(speaks([63, 64, 70, 71], [67])).toBe(-0.2);
  });
});

describe('least squares of shares that are never less than nothing', () => {
  it('finds the best there is (compared with every choice of shapes)', () => {
    const number = fc.double({ min: 0.05, max: 1, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(fc.array(number, { minLength: 6, maxLength: 6 }), { minLength: 3, maxLength: 3 }),
        fc.array(number, { minLength: 6, maxLength: 6 }),
        (columns, sound) => {
          const dot = (a: readonly number[], b: readonly number[]): number =>
            a.reduce((s, x, i) => s + x * b[i], 0);
          const unit = columns.map((c) => c.map((x) => x / Math.hypot(...c)));
          const alike = unit.map((a) => Float32Array.from(unit, (b) => dot(a, b)));
          const restOf = (found: ArrayLike<number>): number =>
            Math.hypot(
              ...sound.map((x, band) => x - unit.reduce((sum, c, i) => sum + found[i] * c[band], 0)),
            );
          const found = shares(
            alike,
            Float32Array.from(unit, (c) => dot(c, sound)),
            [0, 1, 2],
            5000,
          );
          // Every grid point around, and none at all, is worse or as good.
          for (const i of [0, 1, 2])
            for (const by of [-0.05, 0.05]) {
              const other = Array.from(found);
              other[i] = Math.max(0, other[i] + by);
              expect(restOf(found)).toBeLessThanOrEqual(restOf(other) + 1e-3);
            }
          expect(Math.min(...found)).toBeGreaterThanOrEqual(0);
        },
      ),
    );
  });
});
