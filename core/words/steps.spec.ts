import { describe, expect, it } from 'vitest';
import { onLevel } from '../../demo/arranged';
import { DEMO_SONGS } from '../../demo/songs';
import { judgePressed, keysOfStep, type Step, stepsIn } from '../joining';
import { LEVELS } from '../levels';
import { keyFromFifths } from '../music';
import { slipInWords, stepInWords } from './steps';

const [lanterns] = DEMO_SONGS;
const on = (level: number, song = lanterns) => onLevel(song, level);

describe('stepping through', () => {
  it('goes from strike to strike, says who plays and with which fingers', () => {
    const a = on(5);
    const steps = stepsIn(a, a.parts[0]);
    expect(steps.slice(0, 5).map(stepInWords)).toEqual([
      'Bar 1, on 1. Both together: right A4 with 3; left A2 with 5.',
      'Bar 1, on 2. Left hand alone: C3 with 3; A4 is held.',
      'Bar 1, on 3. Both together: right B4 with 4; left A3 with 1.',
      'Bar 2, on 1. Both together: right C5 with 5; left F2 with 5.',
      'Bar 2, on 2. Left hand alone: C3 with 2; C5 is held.',
    ]);
    expect(stepsIn(a, a.parts[0], 'right').map(({ tick }) => tick)).toEqual([
      0, 1920, 2880, 4800, 5760, 6720, 7680, 8640,
    ]);
    expect(stepInWords(stepsIn(a, a.parts[0], 'right')[1])).toBe('Bar 1, on 3. Right hand alone: B4 with 4.');
  });

  it('passes every key of the part once, in every song and at every level', () => {
    for (const song of DEMO_SONGS)
      for (const { number } of LEVELS) {
        const a = on(number, song);
        for (const part of a.parts) {
          const steps = stepsIn(a, part);
          const inPart = [...a.right, ...a.left].filter(
            ({ tick, grace }) => !grace && tick >= part.fromTick && tick < part.toTick,
          );
          expect(steps.reduce((sum, { right, left }) => sum + right.length + left.length, 0)).toBe(
            inPart.length,
          );
          expect(steps.map(({ tick }) => tick)).toEqual(
            [...new Set(inPart.map(({ tick }) => tick))].sort((x, y) => x - y),
          );
        }
      }
  });

  it('goes on when all keys were pressed, whatever slipped in between, and says what was wrong', () => {
    const a = on(4);
    const [first] = stepsIn(a, a.parts[0]);
    const told = (keys: number[], step: Step = first): string =>
      slipInWords(step, judgePressed(step, keys), keyFromFifths(0, 'minor'));
    expect(keysOfStep(first)).toEqual([48, 52, 57, 69]);
    expect(judgePressed(first, [69, 48])).toEqual({
      missing: [52, 57],
      wrong: [],
      octaveAway: [],
      isDone: false,
    });
    expect(judgePressed(first, [69, 48, 71, 57, 52])).toMatchObject({ wrong: [71], isDone: true });
    expect(told([69, 48])).toBe('');
    expect(told([69, 47])).toBe('B is not in it: C3 E3 A3 is wanted.');
    expect(told([64])).toBe('E in the wrong octave: C3 E3 A3 A4 is wanted.');
    expect(told([48, 52, 57, 69, 71])).toBe('B is not in it.');
  });
});
