import { describe, expect, it } from 'vitest';
import { GATE } from './gate';
import { afterJob, cardStates, type Known, standingAt } from './standing';

const job = { kind: 'right', why: 'next', fromPercent: 60 } as const;

describe('where one stands with a job', () => {
  it('is where the plan says when it is new, else where one was', () => {
    expect(standingAt({ fromPercent: 80 }, undefined, GATE).tempoPercent).toBe(80);
    const known: Known = {
      standing: { tempoPercent: 70, clean: 1, missed: 0, isPassed: false },
      review: null,
    };
    expect(standingAt({ fromPercent: 80 }, known, GATE)).toBe(known.standing);
  });

  it('climbs, is reviewed, or is said, as its job is', () => {
    const passed: Known = {
      standing: { tempoPercent: 100, clean: 3, missed: 0, isPassed: true },
      review: null,
    };
    expect(afterJob(job, undefined, true, GATE, 0).standing).toMatchObject({ tempoPercent: 60, clean: 1 });
    expect(afterJob({ ...job, why: 'due' }, passed, false, GATE, 0).standing).toEqual({
      tempoPercent: 100,
      clean: 0,
      missed: 1,
      isPassed: false,
    });
    expect(afterJob({ ...job, kind: 'hear' }, undefined, true, GATE, 0).standing.isPassed).toBe(true);
    const chain = { kind: 'chain', why: 'next', fromPercent: 90 } as const;
    const once = { ...GATE, turns: 1 };
    expect(afterJob(chain, undefined, true, once, 0).standing).toMatchObject({
      tempoPercent: 90,
      isPassed: true,
    });
    expect(afterJob({ ...chain, kind: 'whole' }, undefined, true, once, 0).standing.isPassed).toBe(false);
  });

  it('is scheduled from the first time it is passed, and stays so', () => {
    const once = { ...GATE, turns: 1, from: 100 };
    const at100 = { ...job, fromPercent: 100 };
    expect(afterJob(at100, undefined, false, once, 5).review).toBeNull();
    const passed = afterJob(at100, undefined, true, once, 5);
    expect(passed.review?.lastReview).toBe(5);
    const slipped = afterJob({ ...at100, why: 'due' }, passed, false, once, 9e9);
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
