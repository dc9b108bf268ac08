import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { DEFAULT_PROFILE } from '../song';
import { daysOf, type Turn } from './log';
import { partsToPractise } from './parts';
import { reviewed, type StoredCard } from './schedule';
import { aTurn } from '../testing';

const DAY = 86_400_000;

describe('a card', () => {
  it('comes back at growing distance while it is clean, soon after it was not', () => {
    let card: StoredCard | null = null;
    let now = Date.UTC(2026, 10, 1);
    const days: number[] = [];
    for (let turn = 0; turn < 5; turn++) {
      card = reviewed(card, true, now);
      days.push(Math.round((card.due - now) / DAY));
      now = card.due;
    }
    expect(days).toEqual([...days].sort((a, b) => a - b));
    expect(days[0]).toBeGreaterThanOrEqual(1);
    expect(days[4]).toBeGreaterThan(10 * days[0]);
    const slipped = reviewed(card, false, now);
    expect(Math.round((slipped.due - now) / DAY)).toBeLessThan(days[4] / 2);
    expect(slipped.lapses).toBe(1);
  });

  it('is the same for the same answers, and a clock set back takes nothing away', () => {
    const once = reviewed(null, true, 1000 * DAY);
    expect(reviewed(null, true, 1000 * DAY)).toEqual(once);
    const back = reviewed(once, true, 10 * DAY);
    expect(back.lastReview).toBe(1000 * DAY);
    expect(back.due).toBeGreaterThanOrEqual(once.lastReview ?? 0);
    expect(JSON.parse(JSON.stringify(once))).toEqual(once);
  });
});

describe('the parts of an arrangement to practise', () => {
  it('are those of the song: a copy is told as one, a near copy by the bars that differ', () => {
    const sluicegate = arrange(DEMO_SONGS[1], DEFAULT_PROFILE);
    const parts = partsToPractise(sluicegate);
    expect(parts.map(({ number, sameAs }) => [number, sameAs])).toEqual([
      [1, null],
      [2, null],
      [3, null],
      [4, 2],
    ]);
    const [first, second] = parts;
    expect(first.differs).toBeNull();
    expect(second.differs).not.toBeNull();
    expect(second.differs?.fromTick).toBeGreaterThanOrEqual(second.fromTick);
    expect(second.differs?.toTick).toBeLessThanOrEqual(second.toTick);
    expect(second.differs?.seconds).toBeLessThan(second.seconds);
    // Four bars of four quarters, at 104 a minute.
    expect(first.seconds).toBeCloseTo((16 * 60) / DEMO_SONGS[1].tempoMap[0].quartersPerMinute, 1);
    expect(parts.map(({ effort }) => effort)).toEqual(sluicegate.efforts.map((effort) => effort?.total));
    const alone = { ...DEMO_SONGS[1], choices: { ...DEMO_SONGS[1].choices, level: 1 } };
    expect(partsToPractise(arrange(alone, DEFAULT_PROFILE)).map(({ hasLeft }) => hasLeft)).toEqual([
      false,
      false,
      false,
      false,
    ]);
  });
});

describe('the log', () => {
  const turn = (at: number, differs: Partial<Turn> = {}): Turn => aTurn({ at, seconds: 30, ...differs });

  it('is told by days: minutes, turns, what was clean, the fastest tempo that was', () => {
    const dayOf = (at: number): string => `day ${Math.floor(at / 10)}`;
    const days = daysOf(
      [
        turn(21, { tempoPercent: 80 }),
        turn(1, { apart: 0.04 }),
        turn(2, { isClean: false, tempoPercent: 90, apart: -0.02 }),
        turn(3, { kind: 'hear', tempoPercent: 100 }),
      ],
      dayOf,
    );
    expect(days).toEqual([
      { day: 'day 0', minutes: 1.5, turns: 3, clean: 2, tempoPercent: 60, apartMs: 30 },
      { day: 'day 2', minutes: 0.5, turns: 1, clean: 1, tempoPercent: 80, apartMs: null },
    ]);
    expect(daysOf([turn(1, { isClean: false })], dayOf)[0].tempoPercent).toBeNull();
    expect(daysOf([], dayOf)).toEqual([]);
  });
});
