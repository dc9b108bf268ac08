import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { afterReview, afterSaying, afterTurn, beginning, GOAL } from './goal';
import { lastPercentOf } from './task';
import { type CardState, type PartToPractise, planFor, type PlanOptions } from './plan';

describe('a goal', () => {
  it('goes up after three clean turns in a row, back after two that failed, and is passed at the goal', () => {
    const turns = (results: string, from = beginning(GOAL)) =>
      [...results].reduce((standing, turn) => afterTurn(standing, turn === '+', GOAL), from);
    expect(turns('++')).toEqual({ tempoPercent: 60, clean: 2, missed: 0, isPassed: false });
    expect(turns('+++')).toEqual({ tempoPercent: 70, clean: 0, missed: 0, isPassed: false });
    expect(turns('++-++')).toEqual({ tempoPercent: 60, clean: 2, missed: 0, isPassed: false });
    expect(turns('+++-')).toEqual({ tempoPercent: 70, clean: 0, missed: 1, isPassed: false });
    expect(turns('+++--')).toEqual({ tempoPercent: 60, clean: 0, missed: 0, isPassed: false });
    expect(turns('----------')).toMatchObject({ tempoPercent: 30 });
    expect(turns('+'.repeat(15))).toMatchObject({ tempoPercent: 100, isPassed: true });
    expect(turns('+'.repeat(14)).isPassed).toBe(false);
  });
});

describe('what is no climb', () => {
  it('is done or not when it is only heard or said', () => {
    expect(afterSaying(true)).toEqual({ tempoPercent: 100, clean: 1, missed: 0, isPassed: true });
    expect(afterSaying(false)).toEqual({ tempoPercent: 100, clean: 0, missed: 1, isPassed: false });
  });

  it('stays at its tempo when it comes up again, and has to be won anew after a slip', () => {
    const passed = { tempoPercent: 100, clean: 3, missed: 0, isPassed: true };
    expect(afterReview(passed, true)).toEqual({ ...passed, clean: 4 });
    const slipped = afterReview(passed, false);
    expect(slipped).toEqual({ tempoPercent: 100, clean: 0, missed: 1, isPassed: false });
    expect(afterReview(slipped, false)).toEqual({ ...slipped, missed: 2 });
  });
});

describe('a plan', () => {
  const part = (number: number, effort: number, differs: Partial<PartToPractise> = {}): PartToPractise => ({
    cutId: `p${number}`,
    number,
    fromTick: (number - 1) * 1000,
    toTick: number * 1000,
    seconds: 10,
    effort,
    sameAs: null,
    differs: null,
    hardest: null,
    missed: 0,
    hasRight: true,
    hasLeft: true,
    ...differs,
  });
  const options = (differs: Partial<PlanOptions> = {}): PlanOptions => ({
    minutes: 20,
    now: 0,
    level: 4,
    first: 'right',
    chain: 'growing',
    goal: GOAL,
    cards: new Map(),
    ...differs,
  });

  it('works in the order practitioners do, harder parts with more turns', () => {
    const plan = planFor([part(1, 10), part(2, 30)], options({ minutes: Infinity }));
    expect(
      plan.tasks.map(({ kind, fromPart, toPart, turns }) => `${kind} ${fromPart}–${toPart} ×${turns}`),
    ).toEqual([
      'hear 1–1 ×1',
      'right 1–1 ×2',
      'left 1–1 ×2',
      'meetings 1–1 ×1',
      'together 1–1 ×2',
      'hear 2–2 ×1',
      'right 2–2 ×6',
      'left 2–2 ×6',
      'meetings 2–2 ×1',
      'together 2–2 ×6',
      'whole 1–2 ×2',
    ]);
  });

  it('begins with the left hand where that is wanted; a copy is not practised again, a near copy only where it differs', () => {
    const near = { fromTick: 2500, toTick: 3000, seconds: 5 };
    const plan = planFor(
      [part(1, 10), part(2, 10, { sameAs: 1 }), part(3, 10, { differs: near })],
      options({ minutes: Infinity, first: 'left', chain: 'pairs' }),
    );
    expect(plan.tasks.map(({ kind, fromPart }) => `${kind} ${fromPart}`)).toEqual([
      'hear 1',
      'left 1',
      'right 1',
      'meetings 1',
      'together 1',
      'hear 3',
      'left 3',
      'right 3',
      'meetings 3',
      'together 3',
      'chain 1',
      'whole 1',
    ]);
    expect(plan.tasks[6]).toMatchObject({ fromTick: 2500, toTick: 3000 });
  });

  it('puts what is due first, leaves what is passed and not due for later, and says what had no time', () => {
    const cards = new Map<string, CardState>([
      ['p1|right|4', { tempoPercent: 100, isPassed: true, due: -1 }],
      ['p1|left|4', { tempoPercent: 100, isPassed: true, due: 5 }],
      ['p2|right|4', { tempoPercent: 70, isPassed: false, due: null }],
    ]);
    const plan = planFor([part(1, 10), part(2, 10)], options({ minutes: 3, cards }));
    expect(plan.tasks[0]).toMatchObject({ kind: 'right', fromPart: 1, why: 'due', turns: 2 });
    expect(plan.leftOut.filter(({ why }) => why === 'not-due').map(({ task }) => task.id)).toEqual([
      'left p1 left',
    ]);
    expect(plan.leftOut.some(({ why }) => why === 'no-time')).toBe(true);
    expect(
      [...plan.tasks, ...plan.leftOut.map(({ task }) => task)].find(({ card }) => card === 'p2|right|4')?.why,
    ).toBe('next');
  });

  it('warms the hands before the first task that is played, and has the hardest bar alone, more often where it went wrong', () => {
    const hardest = { fromTick: 1500, toTick: 1900, seconds: 4 };
    const parts = [part(1, 10), part(2, 10, { hardest, missed: 1 })];
    const plan = planFor(parts, options({ minutes: Infinity, isWarm: false }));
    const told = plan.tasks.map(({ kind, turns, more }) => `${kind} ×${turns} ${more ?? ''}`.trim());
    expect(told).toEqual([
      'hear ×1',
      'warm-up ×1',
      'right ×3',
      'left ×3',
      'meetings ×1',
      'together ×3',
      'hear ×1',
      'right ×5 went-wrong',
      'left ×5 went-wrong',
      'meetings ×1',
      'together ×5 went-wrong',
      'hardest ×5 went-wrong',
      'whole ×2',
    ]);
    expect(plan.tasks.find(({ kind }) => kind === 'hardest')).toMatchObject({
      fromTick: 1500,
      toTick: 1900,
      card: 'hardest|p2|both|4',
    });
    // A part that is harder, and went wrong as well, is told by the harder of the two: its keys.
    const both = planFor([part(1, 10), part(2, 40, { missed: 0.2 })], options({ minutes: Infinity }));
    expect(new Set(both.tasks.filter(({ fromPart }) => fromPart === 2).map(({ more }) => more))).toEqual(
      new Set([null, 'harder']),
    );
    const first = (differs: Partial<PlanOptions>) =>
      planFor(parts, options({ minutes: Infinity, ...differs })).tasks.some(({ kind }) => kind === 'warm-up');
    expect([first({ isWarm: true }), first({ isWarm: false, minutes: 9 })]).toEqual([false, false]);
    expect(first({ isWarm: false, minutes: 10 })).toBe(true);
    // What comes due is played at once: the warm-up is before it.
    const cards = new Map([['p1|right|4', { tempoPercent: 100, isPassed: true, due: -1 }]]);
    expect(planFor(parts, options({ isWarm: false, cards })).tasks[0].kind).toBe('warm-up');
  });

  it('goes up a level once all is passed, and nowhere from the last', () => {
    const done = (cards: readonly string[]) =>
      new Map(cards.map((card) => [card, { tempoPercent: 100, isPassed: true, due: 9 }]));
    const all = (level: number) =>
      ['hear|p1|both', 'p1|right', 'p1|left', 'meetings|p1|both', 'p1|both'].map(
        (card) => `${card}|${level}`,
      );
    const kinds = (level: number, but: number) =>
      planFor([part(1, 10)], options({ level, cards: done(all(level).slice(but)) })).tasks.map(
        ({ kind }) => kind,
      );
    expect(kinds(4, 0)).toEqual(['level']);
    expect(kinds(4, 1)).toEqual(['hear']);
    expect(kinds(6, 0)).toEqual(['level']);
    expect(kinds(7, 0)).toEqual([]);
  });

  it('begins what is put together a little slower than what it is made of, and joins parts without a climb', () => {
    const parts = [part(1, 10), part(2, 10), part(3, 10, { sameAs: 1 })];
    const at = (card: string, tempoPercent: number): [string, CardState] => [
      card,
      { tempoPercent, isPassed: tempoPercent === 100, due: 9 },
    ];
    const from = (cards: [string, CardState][]) =>
      Object.fromEntries(
        planFor(parts, options({ minutes: Infinity, cards: new Map(cards) })).tasks.flatMap((task) =>
          task.fromPart === 1 && task.kind !== 'hear' && task.kind !== 'meetings'
            ? [[`${task.kind} ${task.toPart}`, task.fromPercent]]
            : [],
        ),
      );
    expect(from([])).toEqual({ 'right 1': 60, 'left 1': 60, 'together 1': 60, 'chain 2': 60, 'whole 3': 60 });
    expect(from([at('p1|right|4', 100), at('p1|left|4', 90)])).toMatchObject({
      'together 1': 70,
      'chain 2': 60,
    });
    const both = [at('p1|both|4', 100), at('p2|both|4', 90)];
    // The third part is the first: it is known as that one.
    expect(from(both)).toMatchObject({ 'chain 2': 80, 'whole 3': 80 });
    const kinds = (kind: 'chain' | 'whole' | 'right') => lastPercentOf({ kind, fromPercent: 80 });
    expect([kinds('chain'), kinds('whole'), kinds('right')]).toEqual([80, 100, 100]);
    expect(afterTurn({ tempoPercent: 80, clean: 2, missed: 0, isPassed: false }, true, GOAL, 80)).toEqual({
      tempoPercent: 80,
      clean: 3,
      missed: 0,
      isPassed: true,
    });
    // Faster turns take less time: what is between them does not.
    const whole = planFor(parts, options({ minutes: Infinity, cards: new Map(both) })).tasks.find(
      (j) => j.kind === 'whole',
    );
    expect(whole?.minutes).toBeCloseTo((2 * (30 / 0.8 + 6)) / 60, 6);
  });

  it('asks for one hand alone no more once both are known', () => {
    const passed = (card: string): [string, CardState] => [
      card,
      { tempoPercent: 100, isPassed: true, due: -1 },
    ];
    const due = (cards: string[]) =>
      planFor([part(1, 10)], options({ minutes: Infinity, cards: new Map(cards.map(passed)) })).tasks.flatMap(
        (task) => (task.why === 'due' ? [task.kind] : []),
      );
    expect(due(['p1|right|4', 'p1|left|4'])).toEqual(['right', 'left']);
    expect(due(['p1|right|4', 'p1|left|4', 'p1|both|4'])).toEqual(['together']);
  });

  it('says how far it still is, and how much that is a day', () => {
    // Two turns of a hand: (10 s at 60 % and 6 s between) each; five steps of three clean ones, each third turn failing.
    const one = part(1, 10, { hasLeft: false });
    const turn = (10 / 0.6 + 6) / 60;
    const { toGo } = planFor([one], options({ days: 4 }));
    expect(toGo.minutes).toBeCloseTo(turn + 5 * 3 * 1.5 * turn, 6);
    expect(toGo.perDay).toBeCloseTo(toGo.minutes / 4, 6);
    const begun = new Map<string, CardState>([
      ['p1|right|4', { tempoPercent: 90, isPassed: false, due: null }],
    ]);
    expect(planFor([one], options({ cards: begun })).toGo).toEqual({
      minutes: expect.closeTo(turn + 2 * 3 * 1.5 * turn, 6) as number,
      perDay: null,
    });
  });

  it('puts parts together only when both hands of each are passed, and says what waits', () => {
    const parts = [part(1, 10), part(2, 10), part(3, 10, { sameAs: 1 })];
    const passed = (...cards: string[]) =>
      new Map(cards.map((card) => [card, { tempoPercent: 100, isPassed: true, due: 9 }]));
    const told = (cards: ReadonlyMap<string, CardState>) => {
      const plan = planFor(parts, options({ minutes: 500, cards }));
      const name = ({ kind, toPart }: { kind: string; toPart: number }): string => `${kind} ${toPart}`;
      return {
        joined: plan.tasks.filter(({ kind }) => kind === 'chain' || kind === 'whole').map(name),
        waits: plan.leftOut.flatMap(({ task, why }) => (why === 'not-ready' ? [name(task)] : [])),
      };
    };
    expect(told(new Map())).toEqual({ joined: [], waits: ['chain 2', 'whole 3'] });
    expect(told(passed('p1|both|4'))).toEqual({ joined: [], waits: ['chain 2', 'whole 3'] });
    expect(told(passed('p1|both|4', 'p2|both|4'))).toEqual({ joined: ['chain 2', 'whole 3'], waits: [] });
  });

  it('uses the minutes there are, as long as anything is not passed', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ effort: fc.nat(100), seconds: fc.integer({ min: 4, max: 60 }) }), {
          minLength: 1,
          maxLength: 8,
        }),
        fc.array(fc.constantFrom('right', 'left', 'both'), { maxLength: 12 }),
        fc.integer({ min: 10, max: 60 }),
        (rows, known, minutes) => {
          const parts = rows.map((row, i) => part(i + 1, row.effort, row));
          const cards = new Map(
            known.map((hands, i) => [
              `p${1 + (i % rows.length)}|${hands}|4`,
              { tempoPercent: 100, isPassed: true, due: 9 },
            ]),
          );
          const plan = planFor(parts, options({ minutes, cards }));
          const ready = planFor(parts, options({ minutes: 1e6, cards }));
          const longest = Math.max(...ready.tasks.map((task) => task.minutes / task.turns));
          expect(plan.minutes).toBeGreaterThanOrEqual(Math.min(minutes, ready.minutes) - longest - 1e-6);
        },
      ),
    );
  });

  it('never goes over the minutes by more than its last task, whatever the parts are', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ effort: fc.nat(100), seconds: fc.integer({ min: 1, max: 60 }), hasLeft: fc.boolean() }),
          { minLength: 1, maxLength: 12 },
        ),
        fc.integer({ min: 1, max: 90 }),
        (rows, minutes) => {
          const parts = rows.map((row, i) => part(i + 1, row.effort, row));
          const plan = planFor(parts, options({ minutes }));
          const before = plan.minutes - (plan.tasks.at(-1)?.minutes ?? 0);
          expect(before).toBeLessThan(minutes);
          const turnsPerPart = planFor(parts, options({ minutes: Infinity }))
            .tasks.filter(({ kind }) => kind === 'right')
            .map(({ fromPart, turns }) => ({ effort: parts[fromPart - 1].effort, turns }));
          for (const a of turnsPerPart)
            for (const b of turnsPerPart)
              if (a.effort > b.effort) expect(a.turns).toBeGreaterThanOrEqual(b.turns);
        },
      ),
      { numRuns: 200 },
    );
  });
});
