import { arrange } from '@joined-hands/core/arrange';
import { DEFAULT_PROFILE } from '@joined-hands/core/song';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { sampleFiles } from './instruments';
import { planProgram } from './program';

const [lanterns, sluicegate] = DEMO_SONGS.map((song) => arrange(song, DEFAULT_PROFILE));
const whole = {
  fromTick: 0,
  toTick: lanterns.played.endTick,
  tempoPercent: 100,
  hands: 'both' as const,
  countsIn: false,
};

describe('what playing will do', () => {
  it('strikes each note of the timeline at its second', () => {
    const { notes, seconds } = planProgram(lanterns, whole);
    expect(notes).toHaveLength(lanterns.timeline.notes.length);
    notes.forEach((n, i) => expect(n.at).toBeCloseTo(lanterns.timeline.notes[i].seconds, 9));
    expect(seconds).toBeCloseTo(45, 6);
  });

  it('plays one hand, slower, a stretch', () => {
    const part = lanterns.parts[1];
    const program = planProgram(lanterns, {
      ...whole,
      fromTick: part.fromTick,
      toTick: part.toTick,
      tempoPercent: 50,
      hands: 'left',
    });
    expect(
      program.notes.every((n) => n.hand === 'left' && n.tick >= part.fromTick && n.tick < part.toTick),
    ).toBe(true);
    expect(program.notes[0].at).toBe(0);
    expect(program.seconds).toBeCloseTo(15, 6);
    expect(program.tickAt(7.5)).toBeCloseTo(part.fromTick + 2 * 2880, -1);
  });

  it('counts in a whole bar, and up to a pick-up', () => {
    const waltz = planProgram(lanterns, { ...whole, countsIn: true });
    expect(waltz.clicks.map((c) => c.isDownbeat)).toEqual([true, false, false]);
    expect(waltz.countIn).toBeCloseTo((3 * 60) / 96, 9);
    const song = planProgram(sluicegate, { ...whole, toTick: sluicegate.played.endTick, countsIn: true });
    expect(song.clicks).toHaveLength(7);
    song.clicks.forEach(({ at }, i) => expect(at).toBeCloseTo((i * 60) / 104, 9));
    expect(song.notes[0].at).toBeCloseTo((7 * 60) / 104, 9);
  });

  it('clicks each beat along, in time with the keys, after the count-in; a pick-up has its last beats', () => {
    const waltz = planProgram(lanterns, { ...whole, countsIn: true, clicks: true });
    expect(waltz.clicks).toHaveLength(3 + 24 * 3);
    waltz.clicks.forEach(({ at, isDownbeat }, i) => {
      expect(at).toBeCloseTo((i * 60) / 96, 9);
      expect(isDownbeat).toBe(i % 3 === 0);
    });
    const half = { ...whole, toTick: sluicegate.played.bars[2].tick, tempoPercent: 50, clicks: true };
    const song = planProgram(sluicegate, half);
    expect(song.clicks.map(({ isDownbeat }) => isDownbeat)).toEqual([false, true, false, false, false]);
    song.clicks.forEach(({ at }, i) => expect(at).toBeCloseTo((2 * i * 60) / 104, 9));
    const onBeats = song.notes.filter(({ at }) =>
      song.clicks.some((click) => Math.abs(click.at - at) < 1e-9),
    );
    expect(onBeats.length).toBeGreaterThan(3);
    expect(planProgram(lanterns, whole).clicks).toEqual([]);
  });

  it('lets strings ring while the pedal is down, until it is lifted', () => {
    const { notes } = planProgram(lanterns, whole);
    const firstBar = notes.filter((n) => n.tick < 2880);
    for (const n of firstBar) expect(n.at + n.duration).toBeCloseTo((3 * 60) / 96, 6);
  });

  it('knows the file of every sampled key', () => {
    const files = sampleFiles();
    expect(Object.keys(files)).toHaveLength(30);
    expect(files['F#4']).toBe('F%234v10.mp3');
  });
});
