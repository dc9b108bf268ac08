import { describe, expect, it } from 'vitest';
import { GOAL } from './goal';
import { afterTask, cardStates, type Known, standingAt } from './standing';

const task = { kind: 'right', why: 'next', fromPercent: 60 } as const;

describe('where one stands with a task', () => {
  it('is where the plan says when it is new, else where one was', () => {
    expect(standingAt({ fromPercent: 80 }, undefined, GOAL).tempoPercent).toBe(80);
    const known: Known = {
      standing: { tempoPercent: 70, clean: 1, missed: 0, isPassed: false },
      review: null,
    };
    expect(standingAt({ fromPercent: 80 }, known, GOAL)).toBe(known.standing);
  });

  it('climbs, is reviewed, or is said, as its task is', () => {
    const passed: Known = {
      standing: { tempoPercent: 100, clean: 3, missed: 0, isPassed: true },
      review: null,
    };
    expect(afterTask(task, undefined, true, GOAL, 0).standing).toMatchObject({ tempoPercent: 60, clean: 1 });
    expect(afterTask({ ...task, why: 'due' }, passed, false, GOAL, 0).standing).toEqual({
      tempoPercent: 100,
      clean: 0,
      missed: 1,
      isPassed: false,
    });
    expect(afterTask({ ...task, kind: 'hear' }, undefined, true, GOAL, 0).standing.isPassed).toBe(true);
    const chain = { kind: 'chain', why: 'next', fromPercent: 90 } as const;
    const once = { ...GOAL, turns: 1 };
    expect(afterTask(chain, undefined, true, once, 0).standing).toMatchObject({
      tempoPercent: 90,
      isPassed: true,
    });
    expect(afterTask({ ...chain, kind: 'whole' }, undefined, true, once, 0).standing.isPassed).toBe(false);
  });

  it('is scheduled from the first time it is passed, and stays so', () => {
    const once = { ...GOAL, turns: 1, from: 100 };
    const at100 = { ...task, fromPercent: 100 };
    expect(afterTask(at100, undefined, false, once, 5).review).toBeNull();
    const passed = afterTask(at100, undefined, true, once, 5);
    expect(passed.review?.lastReview).toBe(5);
    const slipped = afterTask({ ...at100, why: 'due' }, passed, false, once, 9e9);
    expect([slipped.standing.isPassed, slipped.review?.lastReview]).toEqual([false, 9e9]);
    expect([
      ...cardStates(
        new Map([
          ['a', passed],
          ['b', { ...passed, review: null }],
        ]),
      ),
    ]).toEqual([
      ['a', { tempoPercent: 100, isPassed: true, due: passed.review?.due }],
      ['b', { tempoPercent: 100, isPassed: true, due: null }],
    ]);
  });
});
