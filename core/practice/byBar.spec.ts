import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { Clock } from '../performance';
import { applyEdit, barAt, DEFAULT_PROFILE } from '../song';
import { byBar } from './byBar';
import { judgeTake, rightOf } from './judge';
import { playAsPupil, STEADY } from './pianist';
import { wantedKeys } from './wanted';

describe('a turn bar by bar', () => {
  it('has all keys of it, each in its bar, and its hands as loud as they were: every song', () => {
    for (const [i, song] of DEMO_SONGS.entries()) {
      const level = 3 + (i % 5);
      const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE);
      const wanted = wantedKeys([...a.right, ...a.left], new Clock(a.played.tempoMap, song.feel), a.parts[0]);
      const { events } = playAsPupil(wanted, STEADY);
      const soft = new Set(wanted.filter(({ hand }) => hand === 'left').map(({ midi }) => midi));
      const played = events.map((event) =>
        event.velocity === 0 ? event : { ...event, velocity: soft.has(event.midi) ? 40 : 80 },
      );
      const judgement = judgeTake(wanted, played, 0.6);
      const bars = byBar(judgement, (tick) => barAt(a.played.bars, tick).number);
      expect(bars.map(({ bar }) => bar)).toEqual([
        ...new Set(wanted.map(({ tick }) => barAt(a.played.bars, tick).number)),
      ]);
      expect(bars.reduce((sum, { right }) => sum + right, 0)).toBe(rightOf(judgement.keys));
      expect(bars.reduce((sum, { of }) => sum + of, 0)).toBe(wanted.length);
      for (const { bar, force, off } of bars) {
        if (force.left !== null) expect([song.title, bar, force.left]).toEqual([song.title, bar, 40]);
        expect(off ?? 0).toBeLessThan(0.05);
      }
    }
  });

  it('says where it was uneven and what stopped short; of what a microphone heard, no loudness', () => {
    const wanted = Array.from({ length: 12 }, (_, i) => ({
      ...{ tick: 960 * i, seconds: i / 2, midi: 60 + i, hand: 'right' as const, from: `${i}` },
    }));
    const strayed = [0, 0, 0, 0, 0.03, -0.03, 0.03, -0.03];
    const events = strayed.map((by, i) => ({ seconds: i / 2 + by, midi: 60 + i, velocity: 60 + i }));
    const numberAt = (tick: number): number => 1 + Math.floor(tick / 3840);
    const [even, uneven, ...others] = byBar(judgeTake(wanted, events, 0.5), numberAt);
    expect([even.off ?? 1, uneven.off ?? 0].map((off) => off > 0.015)).toEqual([false, true]);
    expect([even.force, uneven.force]).toEqual([
      { right: 61.5, left: null },
      { right: 65.5, left: null },
    ]);
    expect(others).toEqual([]);
    const heard = byBar(judgeTake(wanted, events.toSpliced(2, 1), 0.5, true), numberAt);
    expect(heard.map(({ of, force }) => [of, force.right])).toEqual([
      [3, null],
      [4, null],
    ]);
  });
});
