import { inWords } from '../sentences';
import { describe, expect, it } from 'vitest';
import { onLevel } from '../../demo/arranged';
import { SHAPED_SONGS_APART } from '../../demo/shaped-apart';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import type { HandNote } from '../hands';
import { keyFromFifths, spellInKey } from '../music';
import { LEVELS } from '../levels';
import { DEFAULT_PROFILE } from '../song';
import { effortOf, type EffortTask, type Measure } from './effort';

const C_MAJOR = keyFromFifths(0, 'major');

/** Quarter notes of one hand, one after the other; chords as lists. */
function line(
  hand: 'right' | 'left',
  keys: readonly (number | readonly number[])[],
  fingers?: readonly number[],
): HandNote[] {
  return keys.flatMap((at, i) =>
    [at].flat().map((midi): HandNote => ({
      hand,
      tick: i * 960,
      length: 960,
      midi,
      pitch: spellInKey(midi, C_MAJOR),
      source: hand === 'right' ? 'melody' : 'chord',
      from: 'x',
      lyric: null,
      grace: false,
      finger: fingers?.[i] ?? null,
    })),
  );
}

/** Two bars of 4/4 that last so many seconds. */
const part = (right: HandNote[], left: HandNote[], seconds = 4): EffortTask => ({
  right,
  left,
  bars: [0, 1].map((i) => ({
    number: i + 1,
    tick: i * 3840,
    length: 3840,
    seconds: seconds / 2,
    beat: 960,
    turns: 0,
  })),
  profile: DEFAULT_PROFILE,
});
const measure = (which: Measure, task: EffortTask): number => effortOf(task).measures[which];
const STEPS = line('right', [60, 62, 64, 65, 67, 65, 64, 62]);

describe('the measures of effort', () => {
  it('leaps grow with the distance the hands are carried, and are none inside a position', () => {
    const near = part(STEPS, line('left', [48, 50, 48, 50]));
    const far = part(STEPS, line('left', [36, 55, 36, 55]));
    expect(measure('leaps', far)).toBeGreaterThan(measure('leaps', near));
    // By its fingers the hand stays over five keys.
    expect(measure('leaps', part(line('right', [60, 64, 67, 60], [1, 3, 5, 1]), []))).toBe(0);
  });

  it('are per second: the same part slower is easier', () => {
    const left = line('left', [36, 55, 36, 55]);
    for (const which of ['leaps', 'speed', 'density'] as const)
      expect(measure(which, part(STEPS, left, 8))).toBeLessThan(measure(which, part(STEPS, left, 4)));
    expect(effortOf(part(STEPS, left, 8)).total).toBeLessThan(effortOf(part(STEPS, left, 4)).total);
  });

  it('independence counts beats of unequal length, where both hands play', () => {
    const uneven = (task: EffortTask): EffortTask => ({
      ...task,
      bars: task.bars.map((bar) => ({ ...bar, turns: 2 })),
    });
    const both = part(STEPS, STEPS);
    expect(measure('independence', uneven(both))).toBeGreaterThan(measure('independence', both) + 5);
    expect(measure('independence', uneven(part(STEPS, [])))).toBe(0);
    const inSeven = SHAPED_SONGS_APART.find(({ title }) => title === 'Seven Geese') ?? SHAPED_SONGS_APART[0];
    const { efforts } = arrange(inSeven, DEFAULT_PROFILE);
    const said = efforts.flatMap((effort) => effort?.reasons.map(inWords) ?? []);
    expect(said).toContain('the beats are not all of one length');
  });

  it('independence counts where the left hand strikes alone, more where the tune is held against it', () => {
    const together = line('left', [48, 50, 52, 53]);
    const between = together.map((n) => ({ ...n, tick: n.tick + 480 }));
    expect(measure('independence', part(STEPS, together))).toBe(0);
    expect(measure('independence', part(STEPS, between))).toBeGreaterThan(0);
    const late = STEPS.slice(0, 4).map((n) => ({ ...n, tick: n.tick + 480 }));
    expect(measure('independence', part(late, together))).toBeGreaterThan(
      measure('independence', part(STEPS, between)),
    );
    expect(measure('independence', part([], together))).toBe(0);
  });

  it('stretch is told by how often a hand is fully open', () => {
    const close = part(STEPS, line('left', [[48, 52, 55]]));
    const wide = part(
      STEPS,
      line('left', [
        [48, 55, 60],
        [48, 55, 60],
      ]),
    );
    expect(measure('stretch', close)).toBe(0);
    expect(measure('stretch', wide)).toBeGreaterThan(20);
    const rolled = line('left', [[48, 55, 64]]).map((n, i) => ({ ...n, rolled: i }));
    expect(measure('stretch', part(STEPS, rolled))).toBe(0);
  });

  it('changes of position are passes, and the same finger on another key at once', () => {
    expect(measure('shifts', part(line('right', [60, 62, 64], [1, 2, 3]), []))).toBe(0);
    expect(measure('shifts', part(line('right', [60, 62, 64], [2, 2, 2]), []))).toBeGreaterThan(0);
    const pass = (up: number): number =>
      measure('shifts', part(line('right', [60, 64, 64 + up], [1, 3, 1]), []));
    expect(pass(1)).toBeGreaterThan(0);
    expect(pass(5)).toBeGreaterThan(pass(1));
    expect(pass(9)).toBe(0);
    expect(measure('shifts', part([], line('left', [60, 59, 57], [1, 2, 1])))).toBeGreaterThan(0);
  });

  it('black keys are a share of all keys', () => {
    expect(measure('blackKeys', part(STEPS, []))).toBe(0);
    expect(measure('blackKeys', part(line('right', [61, 63, 66, 68]), []))).toBeGreaterThan(8);
  });

  it('peaks decide: the hardest bar weighs as much as the rest, and is named', () => {
    const hard = line('left', [36, 60, 36, 60]).map((n) => ({ ...n, tick: n.tick + 3840 }));
    const { total, hardestBar } = effortOf(part(STEPS, hard));
    const alone = effortOf(part(STEPS, []));
    expect(hardestBar).toBe(2);
    expect(total).toBeGreaterThan(2 * alone.total);
    expect(effortOf(part([], []))).toMatchObject({ total: 0, reasons: [], hardestBar: null });
  });

  it('gives no reason that is nothing in the hardest bar', () => {
    // Black keys in the first bar alone; the second leaps far, slowly, on white ones.
    const black = line('right', [61, 63, 66, 68]);
    const leaping = line('left', [36, 84, 36, 84]).map((n) => ({ ...n, tick: n.tick + 3840 }));
    const effort = effortOf(part(black, leaping, 30));
    const weightiest = Object.entries(effort.measures).sort((x, y) => y[1] - x[1]);
    expect(effort.hardestBar).toBe(2);
    expect(weightiest.slice(0, 2).map(([name]) => name)).toEqual(['leaps', 'blackKeys']);
    expect(effort.reasons.filter(({ code }) => code === 'blackKeys')).toEqual([]);
  });

  it('says "many", "often" and "a second" only where it is so', () => {
    const said = (right: HandNote[], left: HandNote[] = [], seconds?: number) =>
      effortOf(part(right, left, seconds)).reasons.map(inWords);
    const black = 'many black keys in bar 1';
    // Two in four, three in four, three in nine and three in ten of a bar.
    const pairs = (...last: number[]) =>
      line('right', [[61, 64, 65], [66, 69, 71], [68, 67], ...last.map((midi) => [midi])]);
    expect(said(line('right', [66, 62, 64, 66]))).not.toContain(black);
    expect(said(line('right', [66, 62, 68, 66]))).toContain(black);
    expect(said(pairs(60))).toContain(black);
    expect(said([...pairs(60), ...line('right', [72])])).not.toContain(black);
    const alone = 'the left hand often plays alone';
    const off = (count: number) =>
      line('left', [48, 50, 52, 53].slice(0, count)).map((n) => ({ ...n, tick: n.tick + 480 }));
    expect(said(STEPS.slice(0, 4), off(1))).not.toContain(alone);
    expect(said(STEPS.slice(0, 4), off(2))).toContain(alone);
    // One strike alone under a tune held against it weighs threefold, and is still one.
    const held = STEPS.slice(0, 1).map((n) => ({ ...n, tick: 480, length: 960 }));
    expect(said(held, line('left', [48, 50]).slice(1))).not.toContain(alone);
    const quick = (seconds: number) => said(line('right', [60, 62, 64, 65]), [], seconds).join();
    expect(quick(1)).toContain('notes a second');
    expect(quick(8)).not.toContain('notes a second');
  });

  it('says which hand opens wide', () => {
    const octaves = (hand: 'right' | 'left', low: number): HandNote[] =>
      [0, 1, 2, 3].flatMap((i) =>
        [low, low + 14].map((midi) => ({
          ...line(hand, [midi])[0],
          tick: i * 960,
          finger: midi === low ? 1 : 5,
        })),
      );
    const wide = (right: HandNote[], left: HandNote[]) =>
      effortOf(part(right, left, 8))
        .reasons.filter(({ code }) => code === 'wide')
        .map(inWords);
    expect(wide(octaves('right', 60), [])).toEqual(['the right hand opens wide']);
    expect(wide([], octaves('left', 40))).toEqual(['the left hand opens wide']);
  });

  it('has a measure behind every reason, in every part of every song at every level', () => {
    for (const song of DEMO_SONGS)
      for (const { number: level } of LEVELS) {
        const { efforts } = onLevel(song, level);
        for (const reasons of efforts.map((effort) => (effort?.reasons ?? []).map(inWords)))
          expect([song.title, level, reasons.filter((reason) => /(^| )0(\.0)? /.test(reason))]).toEqual([
            song.title,
            level,
            [],
          ]);
      }
  });

  it('the reasons are the weightiest measures in words, with what was measured', () => {
    const { reasons, total } = effortOf(part(STEPS, line('left', [36, 55, 36, 55, 36, 55, 36, 55]), 2));
    expect(total).toBeGreaterThan(20);
    expect(reasons).toHaveLength(2);
    expect(inWords(reasons[0])).toBe('the hands move a lot');
  });
});

describe('a tune against the beat', () => {
  /** How much more the independence of the hands counts than with a tune on the beat. */
  const counted = (onsets: readonly number[], leftTicks: readonly number[]): number => {
    const [one] = line('right', [72]);
    const [low] = line('left', [48]);
    const right = onsets.map((tick) => ({ ...one, tick, length: 480 }));
    const left = leftTicks.map((tick) => ({ ...low, tick, length: 480 }));
    return effortOf(part(right, left)).measures.independence;
  };

  it('counts where it is held over a beat the left hand strikes alone', () => {
    // The same strikes alone in each: those of the left hand at 960 and 2880.
    const plain = counted([0, 1920], [960, 2880]);
    expect(counted([0, 480, 1920], [960, 2880])).toBeGreaterThan(plain);
    // Off the beat, but the tune comes again on the next one; off the beat, but the left hand rests there.
    expect(counted([0, 480, 960, 1920], [960, 2880])).toBeLessThan(plain);
    expect(counted([0, 1440, 1920], [960, 2880])).toBe(plain);
    expect(counted([0, 2400, 2640], [960, 2880])).toBe(counted([0, 2400], [960, 2880]));
    // Another note of the tune before the beat: only the last is held over it.
    expect(counted([0, 480, 720, 1920], [960, 2880])).toBe(counted([0, 480, 1920], [960, 2880]));
  });
});
