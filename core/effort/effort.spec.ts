import { describe, expect, it } from 'vitest';
import type { HandNote } from '../hands/handNote';
import { keyFromFifths, spellInKey } from '../music/key';
import { DEFAULT_PROFILE } from '../song/schema';
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

const part = (right: HandNote[], left: HandNote[], seconds = 4): EffortTask => ({
  right,
  left,
  seconds,
  bars: 2,
  profile: DEFAULT_PROFILE,
});
const measure = (which: Measure, task: EffortTask): number => effortOf(task).measures[which];
const STEPS = line('right', [60, 62, 64, 65, 67, 65, 64, 62]);

describe('the measures of effort', () => {
  it('leaps and travel grow with the distance the hands go', () => {
    const near = part(STEPS, line('left', [48, 50, 48, 50]));
    const far = part(STEPS, line('left', [36, 55, 36, 55]));
    expect(measure('leaps', far)).toBeGreaterThan(measure('leaps', near));
    expect(measure('travel', far)).toBeGreaterThan(measure('travel', near));
    expect(measure('travel', part(STEPS, line('left', [48, 48, 48, 48])))).toBe(0);
  });

  it('leaps are per second: the same part slower is easier', () => {
    const left = line('left', [36, 55, 36, 55]);
    expect(measure('leaps', part(STEPS, left, 8))).toBeLessThan(measure('leaps', part(STEPS, left, 4)));
    expect(measure('speed', part(STEPS, left, 8))).toBeLessThan(measure('speed', part(STEPS, left, 4)));
  });

  it('independence counts where the left hand strikes alone', () => {
    const together = line('left', [48, 50, 52, 53]);
    const between = together.map((n) => ({ ...n, tick: n.tick + 480 }));
    expect(measure('independence', part(STEPS, together))).toBe(0);
    expect(measure('independence', part(STEPS, between))).toBeGreaterThan(0);
  });

  it('stretch is told by the widest chord against the hand', () => {
    const close = part(STEPS, line('left', [[48, 52, 55]]));
    const wide = part(STEPS, line('left', [[48, 55, 60]]));
    expect(measure('stretch', wide)).toBeGreaterThan(measure('stretch', close));
    expect(measure('stretch', wide)).toBeGreaterThan(95);
  });

  it('changes of position are the same finger on another key at once', () => {
    expect(measure('shifts', part(line('right', [60, 62, 64], [1, 2, 3]), []))).toBe(0);
    expect(measure('shifts', part(line('right', [60, 62, 64], [2, 2, 2]), []))).toBeGreaterThan(0);
  });

  it('black keys are a share of all keys', () => {
    expect(measure('blackKeys', part(STEPS, []))).toBe(0);
    expect(measure('blackKeys', part(line('right', [61, 63, 66, 68]), []))).toBe(100);
  });

  it('the reasons are the weightiest measures in words, with what was measured', () => {
    const { reasons, total } = effortOf(part(STEPS, line('left', [36, 55, 36, 55, 36, 55, 36, 55]), 2));
    expect(total).toBeGreaterThan(20);
    expect(reasons).toHaveLength(2);
    expect(reasons.join('; ')).toMatch(/mm every second|mm a bar|strikes a second/);
  });
});
