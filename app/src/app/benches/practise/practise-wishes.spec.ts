import '@angular/compiler';
import { Injector } from '@angular/core';
import { PRACTISE_SETTINGS } from '@joined-hands/core/practice';
import { beforeEach, describe, expect, it } from 'vitest';
import { PracticeStore } from '../../storage/practice-store';
import { PractiseWishes } from './practise-wishes';

const DAY = 86_400_000;

describe('how one wants to practise', () => {
  const saved: unknown[] = [];
  let problem = '';
  let wishes: PractiseWishes;
  beforeEach(async () => {
    saved.length = 0;
    problem = '';
    const keep = async (...what: unknown[]): Promise<void> => {
      if (problem) throw new Error(problem);
      saved.push(what);
    };
    const store = {
      settings: async () => ({ ...PRACTISE_SETTINGS, minutes: 12 }),
      readyBy: async (songId: string) => (songId === 'a' ? 10 * DAY : null),
      saveSettings: keep,
      setReadyBy: keep,
    };
    const providers = [{ provide: PracticeStore, useValue: store }, { provide: PractiseWishes }];
    wishes = Injector.create({ providers }).get(PractiseWishes);
    await wishes.load('a');
  });
  const settled = async (): Promise<void> => {
    for (let i = 0; i < 4; i++) await Promise.resolve();
  };

  it('is as it was left, the day for each song', async () => {
    expect([wishes.all().minutes, wishes.readyBy()]).toEqual([12, 10 * DAY]);
    await wishes.load('b');
    expect([wishes.readyBy(), wishes.days(0)]).toEqual([null, null]);
  });

  it('counts days with today among them, one at least', () => {
    expect([0, 8.5, 9, 9.5, 10, 30].map((day) => wishes.days(day * DAY))).toEqual([10, 2, 1, 1, 1, 1]);
  });

  it('is kept with every change', async () => {
    wishes.change({ minutes: 25 });
    wishes.setDays(3, 7 * DAY);
    wishes.setDays(null, 7 * DAY);
    await settled();
    expect(wishes.goal()).toEqual(PRACTISE_SETTINGS.goal);
    expect(saved).toEqual([[{ ...PRACTISE_SETTINGS, minutes: 25 }], ['a', 10 * DAY], ['a', null]]);
    expect([wishes.problem(), wishes.readyBy()]).toEqual(['', null]);
  });

  it('says what could not be stored, and no longer once it could', async () => {
    problem = 'full';
    wishes.change({ minutes: 30 });
    await settled();
    expect(wishes.problem()).toBe(
      'What you chose could not be stored: full. It will be lost when you close this page.',
    );
    expect(wishes.all().minutes).toBe(30);
    problem = '';
    wishes.change({ minutes: 31 });
    await settled();
    expect(wishes.problem()).toBe('');
  });
});
