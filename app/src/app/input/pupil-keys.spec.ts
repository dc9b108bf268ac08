import type { WantedKey } from '@joined-hands/core/practice';
import type { KeyEvent } from '@joined-hands/core/takes';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { pupilKeys } from './pupil-keys';

const WANTED = [60, 62, 64, 65].map((midi, i): WantedKey => ({
  tick: i * 960,
  seconds: i * 0.5,
  midi,
  hand: 'right',
  from: `n${i}`,
}));

describe('a pupil as a stand-in', () => {
  beforeEach(() => {
    vi.useFakeTimers();
    vi.stubGlobal('window', { setTimeout });
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('plays what is wanted at the share of the tempo, and stops when it is told to', () => {
    const events: KeyEvent[] = [];
    const keys = pupilKeys(WANTED, 0.5, 3, true);
    keys.start(
      (event) => events.push(event),
      () => 0,
    );
    vi.advanceTimersByTime(10_000);
    const downs = events.filter(({ velocity }) => velocity > 0);
    expect(downs.map(({ midi }) => midi)).toEqual([60, 62, 64, 65]);
    expect(downs.map(({ seconds }) => Math.round(seconds))).toEqual([0, 1, 2, 3]);
    const again = pupilKeys(WANTED, 0.5, 3, true);
    again.start(
      (event) => events.push(event),
      () => 0,
    );
    again.stop();
    const before = events.length;
    vi.advanceTimersByTime(10_000);
    expect(events).toHaveLength(before);
  });
});
