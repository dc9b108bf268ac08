import { describe, expect, it } from 'vitest';
import { normalFrom, seeded } from '../chance';
import { Companion, type Pushing } from './companion';
import type { WantedKey } from './wanted';

const key = (seconds: number, midi: number, hand: 'right' | 'left'): WantedKey => ({
  ...{ tick: seconds * 1920, seconds, midi, hand, from: `${midi}` },
});
/** A tune in half seconds over chords each second; the chords lead in, and one falls between two notes of the tune. */
const TUNE = Array.from({ length: 16 }, (_, i) => key(1 + i / 2, 60 + ((i * 5) % 12), 'right'));
const CHORDS = [0, 1, 2, 3, 3.75, 4, 5, 6, 7, 8].flatMap((at) => [key(at, 48, 'left'), key(at, 55, 'left')]);

/** Plays the tune at times; when each moment of the other hand was struck. */
function played(times: readonly (number | null)[], pushing: Pushing, pace = 1): Map<number, number> {
  const companion = new Companion(TUNE, CHORDS, pace, pushing, 0.5);
  const keys = TUNE.flatMap(({ midi }, i) => {
    const at = times[i];
    return at === null || at === undefined ? [] : [{ seconds: at, midi, velocity: 70 }];
  });
  const struck = new Map<number, number>();
  for (let now = -0.2; now < 30; now += 0.005) {
    while (keys.length > 0 && keys[0].seconds <= now) {
      const [event] = keys.splice(0, 1);
      companion.hear(event);
    }
    const next = companion.next();
    if (!next || next.seconds > now) continue;
    expect(new Set(next.strikes.map(({ seconds }) => seconds)).size).toBe(1);
    struck.set(next.strikes[0].seconds, now);
    companion.strike(next);
  }
  return struck;
}

const steady = (pace: number): number[] => TUNE.map(({ seconds }) => seconds * pace);

describe('the other hand, played by the program', () => {
  it('goes with a steady player at any tempo, and leads in at the one that was agreed', () => {
    for (const pace of [0.7, 1, 1.6]) {
      const struck = played(steady(pace), 'follows', pace);
      expect([...struck.keys()]).toEqual([0, 1, 2, 3, 3.75, 4, 5, 6, 7, 8]);
      for (const [music, at] of struck) expect(Math.abs(at - music * pace)).toBeLessThan(0.02);
    }
  });

  it('follows who gets slower, and who plays more slowly than was agreed', () => {
    let at = 1;
    const slower = TUNE.map((_, i) => (i === 0 ? at : (at += 0.5 * (1 + 0.03 * i))));
    const struck = played(slower, 'follows');
    for (const music of [5, 6, 7, 8])
      expect(Math.abs((struck.get(music) ?? 0) - slower[(music - 1) * 2])).toBeLessThan(0.05);
    const late = played(steady(1.25), 'follows');
    for (const music of [4, 5, 6, 7, 8])
      expect(Math.abs((late.get(music) ?? 0) - music * 1.25)).toBeLessThan(0.03);
  });

  it('waits where the player stops, and goes on with the player', () => {
    const stopped = steady(1).map((at, i) => at + (i >= 8 ? 3 : 0));
    const struck = played(stopped, 'follows');
    // The chord that falls together with the player's next note may come with where it was due; none after it.
    expect([...struck].filter(([music, at]) => music > 5 && at < 8)).toEqual([]);
    for (const music of [6, 7, 8]) expect(Math.abs((struck.get(music) ?? 0) - music - 3)).toBeLessThan(0.03);
    const waiting = played(stopped, 'waits');
    expect([...waiting].filter(([music, at]) => music >= 5 && at < 8)).toEqual([]);
  });

  it('never comes before the player where it waits, and keeps to the click where it is strict', () => {
    const normal = normalFrom(seeded(3));
    const uneven = steady(1).map((at) => at + 0.02 * normal());
    for (const [music, at] of played(uneven, 'waits')) {
      const own = TUNE.findIndex(({ seconds }) => seconds === music);
      if (own >= 0) expect(at).toBeGreaterThanOrEqual(uneven[own] - 1e-9);
    }
    const strict = played(steady(1.5), 'strict');
    for (const [music, at] of strict) expect(Math.abs(at - music)).toBeLessThan(0.01);
  });

  it('goes along from where the player begins, or begins again', () => {
    const middle = TUNE.map(({ seconds }) => (seconds < 5 ? null : seconds - 4));
    const struck = played(middle, 'follows');
    // The lead-in comes with the click; then three notes tell where it is.
    expect([...struck.keys()]).toEqual([0, 6, 7, 8]);
    for (const music of [7, 8]) expect(Math.abs((struck.get(music) ?? 0) - music + 4)).toBeLessThan(0.03);
  });

  it('takes a chord that is spread for one moment, though its keys are those of the next', () => {
    const chords = [0, 1, 2, 3].flatMap((at) => [48, 52, 55].map((midi) => key(at, midi, 'left')));
    const tune = [0.5, 1.5, 2.5].map((at) => key(at, 72, 'right'));
    const companion = new Companion(chords, tune, 1, 'follows', 0.5);
    const struck: number[] = [];
    for (const at of [0, 1, 2, 3])
      for (const [i, midi] of [48, 52, 55].entries()) {
        companion.hear({ seconds: at + 0.12 * i, midi, velocity: 70 });
        const next = companion.next();
        if (next) struck.push(next.seconds);
      }
    for (const [i, seconds] of struck.entries())
      expect([i, Math.abs(seconds - Math.floor(i / 3) - 0.5) < 0.05]).toEqual([i, true]);
  });

  it('goes on over a wrong key and one that is left out', () => {
    const missing = steady(1).map((at, i) => (i === 6 ? null : at));
    for (const [music, at] of played(missing, 'follows')) expect(Math.abs(at - music)).toBeLessThan(0.03);
  });
});
