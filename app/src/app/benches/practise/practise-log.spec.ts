import '@angular/compiler';
import type { Turn } from '@joined-hands/core/practice';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { aTurn } from '../../../../../core/testing';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { BenchState } from '../../frame/bench-state';
import { PracticeStore } from '../../storage/practice-store';
import type { StoredTake } from '../../storage/stored';
import { Table } from '../../testing/table';
import { PractiseLog } from './practise-log';

const [, sluicegate] = DEMO_SONGS;
const turn = (at: number, differs: Partial<Turn> = {}): Turn =>
  aTurn({ songId: sluicegate.id, at, ...differs });
const KNOWN = { standing: { tempoPercent: 80, clean: 1, missed: 0, isPassed: false }, review: null };

describe('the log of the open song', () => {
  const kept: unknown[][] = [];
  let problem = '';
  let since = 0;
  let log: PractiseLog;
  let table: Table;
  const standing = { card: 'c', ...KNOWN };
  const take = { songId: sluicegate.id, at: 5, events: [] } as StoredTake;
  beforeEach(async () => {
    kept.length = 0;
    problem = '';
    const guarded = async (...what: unknown[]): Promise<void> => {
      if (problem) throw new Error(problem);
      kept.push(what);
    };
    const store = {
      standingsOf: async () => [standing],
      turnsOf: async () => [turn(1), turn(2)],
      jottingsOf: async () => [{ at: 3, text: 'slowly' }],
      takesOf: async () => [take],
      turnsSince: async (at: number) => {
        since = at;
        return [turn(2), turn(3, { songId: 'other' })];
      },
      keep: (...all: unknown[]) => guarded('keep', ...all),
      jot: (...all: unknown[]) => guarded('jot', ...all),
      take: async (id: string, record: { turns: readonly unknown[] }) => {
        kept.push(['take', id]);
        return record.turns.length;
      },
    };
    table = new Table(sluicegate, PractiseLog, { provide: PracticeStore, useValue: store });
    log = table.get(PractiseLog);
    await log.load(sluicegate.id);
  });

  it('is read whole: turns, standings by card, jottings, takes, and what was played of late at any song', () => {
    expect(log.turns().map(({ at }) => at)).toEqual([1, 2]);
    expect([...log.standings()]).toEqual([['c', standing]]);
    expect([log.jottings().length, log.takes()]).toEqual([1, [take]]);
    expect(log.recent().map(({ songId }) => songId)).toEqual([sluicegate.id, 'other']);
    expect(Math.abs(Date.now() - 3 * 3_600_000 - since)).toBeLessThan(60_000);
  });

  it('counts a turn at once, with its standing and its take, and stores it', async () => {
    const played = turn(9, { card: 'd' });
    await log.keep(played, KNOWN, { ...take, at: 9 });
    expect([log.turns().at(-1), log.recent().at(-1)]).toEqual([played, played]);
    expect(log.takes().map(({ at }) => at)).toEqual([5, 9]);
    expect([...log.standings().keys()]).toEqual(['c', 'd']);
    expect(log.standings().get('d')).toEqual({
      key: `${sluicegate.id} d`,
      songId: sluicegate.id,
      card: 'd',
      ...KNOWN,
    });
    expect(kept).toEqual([['keep', played, KNOWN, { ...take, at: 9 }]]);
    await log.keep(turn(10), KNOWN, null);
    expect(log.takes()).toHaveLength(2);
  });

  it('says what could not be stored, counts it all the same, and takes that back with the next that could', async () => {
    problem = 'the disk is full';
    await log.keep(turn(9), KNOWN, null);
    expect(log.problem()).toBe(
      'The turn could not be stored: the disk is full. It will be lost when you close this page.',
    );
    expect(log.turns()).toHaveLength(3);
    problem = '';
    await log.keep(turn(10), KNOWN, null);
    expect(log.problem()).toBe('');
    problem = 'the disk is full';
    await log.jot('again from bar 5');
    expect(log.problem()).toBe(
      'The note could not be stored: the disk is full. Copy it before you close the page.',
    );
    expect(log.jottings().at(-1)?.text).toBe('again from bar 5');
  });

  it('keeps a note without the blanks round it, none that is empty, and no more than two thousand letters', async () => {
    await log.jot('  \n ');
    expect([log.jottings().length, kept]).toEqual([1, []]);
    vi.useFakeTimers({ now: 77, toFake: ['Date'] });
    await log.jot('  louder  ');
    await log.jot('x'.repeat(3000));
    vi.useRealTimers();
    expect(log.jottings()[1]).toEqual({ at: 77, text: 'louder' });
    expect(log.jottings()[2].text).toHaveLength(2000);
    expect(kept[0]).toEqual(['jot', sluicegate.id, { at: 77, text: 'louder' }]);
  });

  it('takes in a log that was taken away, and is read anew', async () => {
    const load = vi.spyOn(log, 'load');
    expect(await log.take({ turns: [turn(20), turn(21)], standings: [], jottings: [] })).toBe(2);
    expect(kept).toEqual([['take', sluicegate.id]]);
    expect(load).toHaveBeenCalledExactlyOnceWith(sluicegate.id);
  });

  it('lays a turn over the one before it at the same thing that was listened to', () => {
    const slip = { from: 'n1', after: 0, midi: 60, hand: 'right', kind: 'missed' } as const;
    log.turns.set([
      turn(1, { slips: [slip] }),
      turn(2, { slips: [] }),
      turn(3, { slips: [], card: 'other' }),
    ]);
    const [first, second, other] = log.turns();
    expect([log.compared(first), log.compared(other)]).toEqual([[], []]);
    expect(log.compared(second).length).toBeGreaterThan(0);
  });

  it('knows the hottest bars, six at most, and none before anything went wrong', () => {
    expect(log.hottest()).toEqual([]);
    const notes = table.get(BenchState).arrangement()?.right ?? [];
    const now = Date.now();
    const slips = notes.map(
      ({ from, midi }) => ({ from, after: 0, midi, hand: 'right', kind: 'missed' }) as const,
    );
    log.turns.set([turn(now - 2000, { slips }), turn(now - 1000, { slips })]);
    expect(log.hottest()).toHaveLength(6);
    expect(log.hottest().every(({ hand }) => hand === 'right')).toBe(true);
  });
});
