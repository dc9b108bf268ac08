import midiPackage from '@tonejs/midi';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { effortOf } from '../effort';
import { applyEdit, DEFAULT_PROFILE, type Choices, type Song } from '../song';
import { writeMidi, writeMusicXml } from '../formats';
import { wholeBars } from '../testing';
import { Clock } from './clock';

const { Midi } = midiPackage;
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
    const totals = [1, 4, 5].map((level) => {
      const { efforts } = arrange(
        applyEdit(lanterns, { kind: 'choose', choices: { level } }),
        DEFAULT_PROFILE,
      );
      return efforts[0]?.total ?? 0;
    });
    expect(totals[1]).toBeGreaterThan(totals[0]);
    expect(totals[2]).toBeGreaterThan(totals[1]);
    const { efforts } = arrange(
      applyEdit(lanterns, { kind: 'choose', choices: { level: 5 } }),
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

describe('the pedal', () => {
  const presses = (song: Song, choices: Partial<Choices>): string => {
    const { pedals } = arrange(applyEdit(song, { kind: 'choose', choices }), DEFAULT_PROFILE).timeline;
    return pedals.map(({ tick, down }) => `${down ? '↓' : '↑'}${tick / 960}`).join(' ');
  };
  const song = wholeBars(['C5', 'E5', 'G5', 'E5'], ['C', 'F', 'G', 'C']);

  it('goes with each chord, at half bars, through a part, under the last chord, or not at all', () => {
    expect(presses(song, { pedal: 'change' })).toBe('↓0 ↑4 ↓4 ↑8 ↓8 ↑12 ↓12 ↑16');
    expect(presses(song, { pedal: 'half' })).toBe('↓0 ↑2 ↓2 ↑4 ↓4 ↑6 ↓6 ↑8 ↓8 ↑10 ↓10 ↑12 ↓12 ↑14 ↓14 ↑16');
    expect(presses(song, { pedal: 'held' })).toBe('↓0 ↑16');
    expect(presses(song, { pedal: 'end' })).toBe('↓12 ↑16');
    expect(presses(song, { pedal: 'none' })).toBe('');
  });

  it('has no half bars in three, and is changed at each bar of a long chord', () => {
    const long = { ...song, changes: [{ ...song.changes[0], length: 4 * 3840 }] };
    expect(presses(long, { pedal: 'half' })).toBe('↓0 ↑2 ↓2 ↑4 ↓4 ↑6 ↓6 ↑8 ↓8 ↑10 ↓10 ↑12 ↓12 ↑14 ↓14 ↑16');
    const three = presses(lanterns, { pedal: 'half' });
    expect(three.startsWith('↓0 ↑3 ↓3 ↑6')).toBe(true);
  });

  it('held is let go at the end of its part, and each part has its own', () => {
    const { parts } = arrange(lanterns, DEFAULT_PROFILE);
    const held = applyEdit(lanterns, { kind: 'choose', choices: { pedal: 'held' } });
    const { pedals } = arrange(held, DEFAULT_PROFILE).timeline;
    expect(pedals.filter(({ down }) => down).map(({ tick }) => tick)).toEqual(
      parts.map(({ fromTick }) => fromTick),
    );
    const own = applyEdit(lanterns, {
      kind: 'choose-for-part',
      cutId: parts[2].cutId,
      choices: { pedal: 'none' },
    });
    const silent = arrange(own, DEFAULT_PROFILE).timeline.pedals;
    expect(silent.some(({ tick, down }) => down && tick >= parts[2].fromTick && tick < parts[2].toTick)).toBe(
      false,
    );
    expect(silent.some(({ tick }) => tick === parts[2].fromTick)).toBe(true);
  });
});

describe('loudness', () => {
  it('follows the energy of the section, step by step', () => {
    const song = wholeBars(['C5', 'C5'], ['C', 'C']);
    const at = (energy: number): number => {
      const sections = [{ id: 's', tick: 0, name: 'A', energy, dynamics: 'even' as const }];
      return (
        arrange({ ...song, sections }, DEFAULT_PROFILE).timeline.notes.find((n) => n.hand === 'right')
          ?.velocity ?? 0
      );
    };
    expect([1, 2, 3, 4, 5].map(at)).toEqual([83, 88, 93, 98, 103]);
  });

  it('keeps the tune in front of the keys beside it', () => {
    const song = wholeBars(['E5', 'A5', 'D5', 'E5'], ['C', 'F', 'G7', 'C']);
    const choices = { ...song.choices, level: 6, fuller: 'under' as const };
    const { timeline, right } = arrange({ ...song, choices }, DEFAULT_PROFILE);
    const beside = right.find(({ source }) => source === 'harmony');
    const velocity = (midi: number): number =>
      timeline.notes.find((n) => n.tick === 0 && n.midi === midi && n.hand === 'right')?.velocity ?? 0;
    expect(velocity(76) - velocity(beside?.midi ?? 0)).toBe(16);
  });
});

describe('a slowing end', () => {
  const song = wholeBars(['C5', 'E5', 'G5', 'C5'], ['C', 'F', 'G', 'C']);
  const slowing = applyEdit(song, { kind: 'choose', choices: { ending: 'slowing' } });

  it('slows beat by beat over the last two bars, to seven tenths', () => {
    const { tempoMap } = arrange(slowing, DEFAULT_PROFILE).played;
    expect(tempoMap.map(({ tick, quartersPerMinute }) => [tick / 960, quartersPerMinute])).toEqual([
      [0, 96],
      [9, 91.9],
      [10, 87.8],
      [11, 83.7],
      [12, 79.5],
      [13, 75.4],
      [14, 71.3],
      [15, 67.2],
    ]);
    expect(arrange(song, DEFAULT_PROFILE).played.tempoMap).toHaveLength(1);
  });

  it('is heard as it is written: the same times from the timeline, a MIDI file and a score', () => {
    const a = arrange(slowing, DEFAULT_PROFILE);
    const clock = new Clock(a.played.tempoMap);
    const last = a.timeline.notes.at(-1);
    expect(last?.seconds).toBeCloseTo(clock.secondsAt(12 * 960), 9);
    expect(a.timeline.seconds).toBeGreaterThan(10);
    const midi = new Midi(writeMidi(a));
    midi.header.tempos.forEach((tempo, i) => {
      expect(tempo.ticks).toBe(a.played.tempoMap[i].tick);
      expect(tempo.bpm).toBeCloseTo(a.played.tempoMap[i].quartersPerMinute, 1);
    });
    const score = writeMusicXml(a);
    expect(score.match(/<words[^>]*>rit\.<\/words>/g)).toHaveLength(1);
    expect(score.match(/<sound tempo=/g)).toHaveLength(8);
    expect(score.match(/<metronome/g)).toHaveLength(1);
  });

  it('leaves a song of one beat as it is', () => {
    const one = {
      ...slowing,
      metreMap: [{ tick: 0, numerator: 1, denominator: 4 as const }],
      barCount: 1,
      melody: [],
      changes: [],
    };
    expect(arrange(one, DEFAULT_PROFILE).played.tempoMap).toHaveLength(1);
  });
});
