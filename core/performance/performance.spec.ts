import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange/song';
import { effortOf } from '../effort/effort';
import { applyEdit } from '../song/edits';
import { DEFAULT_PROFILE } from '../song/schema';
import { Clock } from './clock';

const [lanterns] = DEMO_SONGS;

describe('the clock', () => {
  it('follows the tempo map', () => {
    const clock = new Clock([
      { tick: 0, quartersPerMinute: 60 },
      { tick: 1920, quartersPerMinute: 120 },
    ]);
    expect([0, 960, 1920, 2880].map((t) => clock.secondsAt(t))).toEqual([0, 1, 2, 2.5]);
  });

  it('swings the off-beat and leaves the beats', () => {
    const clock = new Clock([{ tick: 0, quartersPerMinute: 60 }], { kind: 'swing', ratio: 2 });
    expect(clock.secondsAt(480)).toBeCloseTo(2 / 3, 9);
    expect(clock.secondsAt(960)).toBeCloseTo(1, 9);
  });

  it('never runs backwards, and tells the tick of a time', () => {
    const map = fc.array(
      fc.record({
        tick: fc.integer({ min: 1, max: 9000 }),
        quartersPerMinute: fc.integer({ min: 30, max: 200 }),
      }),
      { maxLength: 4 },
    );
    fc.assert(
      fc.property(map, fc.integer({ min: 0, max: 9999 }), (later, tick) => {
        const sorted = [{ tick: 0, quartersPerMinute: 90 }, ...later.sort((a, b) => a.tick - b.tick)];
        const clock = new Clock(sorted, { kind: 'swing', ratio: 1.5 });
        expect(clock.secondsAt(tick + 1)).toBeGreaterThan(clock.secondsAt(tick));
        expect(Math.abs(clock.tickAt(clock.secondsAt(tick), 10_000) - tick)).toBeLessThanOrEqual(1);
      }),
    );
  });
});

describe('the performance', () => {
  it('sounds the right hand louder than the left at every meeting', () => {
    const { timeline } = arrange(lanterns, DEFAULT_PROFILE);
    const loudness = (hand: string): number[] =>
      timeline.notes.filter((n) => n.hand === hand).map((n) => n.velocity);
    expect(Math.min(...loudness('right'))).toBeGreaterThan(Math.max(...loudness('left')));
  });

  it('lifts the pedal with each chord and presses it after', () => {
    const { timeline, changes } = arrange(lanterns, DEFAULT_PROFILE);
    expect(timeline.pedals.filter((p) => p.down)).toHaveLength(changes.length);
    expect(timeline.pedals.filter((p) => !p.down)).toHaveLength(changes.length);
    timeline.pedals.forEach((p, i) => {
      expect(p.down).toBe(i % 2 === 0);
      expect(p.seconds).toBeGreaterThanOrEqual(timeline.pedals[i - 1]?.seconds ?? 0);
    });
  });

  it('presses no pedal when none is chosen, and one under the last chord when that is', () => {
    const pedals = (pedal: 'none' | 'end'): number =>
      arrange(
        applyEdit(lanterns, { kind: 'choose', choices: { pedal } }),
        DEFAULT_PROFILE,
      ).timeline.pedals.filter((p) => p.down).length;
    expect([pedals('none'), pedals('end')]).toEqual([0, 1]);
  });
});

describe('effort', () => {
  it('rises with the ladder and tells its weightiest reasons', () => {
    const totals = [1, 4, 5].map((rung) => {
      const { efforts } = arrange(
        applyEdit(lanterns, { kind: 'choose', choices: { rung } }),
        DEFAULT_PROFILE,
      );
      return efforts[0]?.total ?? 0;
    });
    expect(totals[1]).toBeGreaterThan(totals[0]);
    expect(totals[2]).toBeGreaterThan(totals[1]);
    const { efforts } = arrange(
      applyEdit(lanterns, { kind: 'choose', choices: { rung: 5 } }),
      DEFAULT_PROFILE,
    );
    expect(efforts[0]?.reasons).toHaveLength(2);
    for (const { measures } of efforts.filter((effort) => effort !== null))
      for (const value of Object.values(measures)) expect(value >= 0 && value <= 100).toBe(true);
  });

  it('of nothing is nothing', () => {
    expect(effortOf({ right: [], left: [], bars: [], profile: DEFAULT_PROFILE })).toMatchObject({
      total: 0,
      reasons: [],
    });
  });
});
