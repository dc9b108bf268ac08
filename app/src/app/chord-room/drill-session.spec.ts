import '@angular/compiler';
import { DEFAULT_PROFILE } from '@joined-hands/core/song';
import { DRILLS, drillThrough } from '@joined-hands/core/voicing';
import { describe, expect, it } from 'vitest';
import { DrillSession } from './drill-session';

const C = { tonic: { letter: 'C', alter: 0 }, mode: 'major' } as const;
const steps = drillThrough(DRILLS[0], C, 'falling-fifths', 2, DEFAULT_PROFILE, 'left');

describe('a drill', () => {
  it('goes on when the keys asked for are struck, in any order and octave', () => {
    const session = new DrillSession(steps);
    const [first, second] = steps;
    for (const key of [...first.keys].reverse()) session.press(key);
    expect(session.at()).toBe(1);
    for (const key of second.keys) session.press(key + 12);
    expect([session.at(), session.right(), session.wrong()]).toEqual([2, 2, 0]);
  });

  it('stays at a chord that was wrong, and says what was missing and what was too much', () => {
    const session = new DrillSession(steps);
    const { keys } = steps[0];
    const mistaken = [...keys.slice(0, -1), keys[keys.length - 1] + 1];
    for (const key of mistaken) session.press(key);
    expect(session.at()).toBe(0);
    expect(session.last()).toEqual({ isRight: false, missing: [keys.at(-1)], extra: [mistaken.at(-1)] });
    expect(session.wrong()).toBe(1);
  });

  it('counts a key struck twice once, and is done after the last chord', () => {
    const session = new DrillSession(steps);
    session.press(steps[0].keys[0]);
    session.press(steps[0].keys[0]);
    expect(session.struck()).toHaveLength(1);
    for (const key of steps[0].keys.slice(1)) session.press(key);
    for (const step of steps.slice(1)) for (const key of step.keys) session.press(key);
    expect(session.isDone()).toBe(true);
    expect(session.step()).toBeNull();
    expect(session.press(60)).toBeNull();
  });
});
