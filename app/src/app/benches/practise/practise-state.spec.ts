import '@angular/compiler';
import type { Task } from '@joined-hands/core/practice';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { askedBy, pressOn } from '../../testing/keys';
import type { Table } from '../../testing/table';
import { PractiseBehaviour } from './practise-behaviour';
import type { PractiseState } from './practise-state';
import { RecordingState } from './recording-state';
import { deskOf } from './testing/desk';

const [lanterns] = DEMO_SONGS;

describe('the Practise bench', () => {
  const desk = deskOf();
  const { stored } = desk;
  let table: Table;
  let practise: PractiseState;
  const start = async (song = lanterns): Promise<void> => {
    await desk.open(song);
    ({ table, practise } = desk);
  };
  const task = (): Task => practise.current() as Task;
  beforeEach(() => start());

  it('plans when it is opened, and puts the first task on the desk', () => {
    expect(
      practise
        .plan()
        ?.tasks.slice(0, 3)
        .map(({ kind, fromPart }) => `${kind} ${fromPart}`),
    ).toEqual(['hear 1', 'right 1', 'left 1']);
    expect(task().kind).toBe('hear');
    // What is only heard goes as fast as the pianist chose; a task that is judged sets its tempo.
    expect(practise.tempoSet()).toBeNull();
    practise.hear();
    expect(table.plays.at(-1)).toMatchObject({ fromTick: 0, toTick: 11520, tempoPercent: 100 });
    expect(table.partAt(57600)).toBe(0);
    practise.next();
    table.settle();
    expect(table.state.place.hands).toBe('right');
    expect(practise.tempoSet()).toBe(60);
    practise.hear();
    expect(table.plays.at(-1)).toMatchObject({ tempoPercent: 60, hands: 'right' });
  });

  it('goes up the ladder of tempo by clean turns that are said, and passes at the goal', async () => {
    practise.next();
    for (let turn = 0; turn < 3; turn++) await practise.said(true);
    expect(practise.standing()).toMatchObject({ tempoPercent: 70, isPassed: false });
    await practise.said(false);
    await practise.said(false);
    expect(practise.standing()).toMatchObject({ tempoPercent: 60 });
    for (let turn = 0; turn < 15; turn++) await practise.said(true);
    expect(practise.standing()).toMatchObject({ tempoPercent: 100, isPassed: true });
    expect(practise.lastTurn()?.standing.isPassed).toBe(true);
    expect(stored.turns).toHaveLength(21);
    expect(stored.turns[1]).toMatchObject({
      songId: lanterns.id,
      fromPart: 1,
      toPart: 1,
      tempoPercent: 60,
      isClean: true,
      cleanShare: null,
    });
    // Planned anew it is not asked for again today.
    practise.planAnew();
    expect(practise.plan()?.tasks.map(({ card }) => card)).not.toContain(stored.turns[1].card);
  });

  it('what is only heard is done with one key', async () => {
    await practise.said(true);
    expect(practise.standing().isPassed).toBe(true);
    expect(stored.turns[1]).toMatchObject({ kind: 'hear', tempoPercent: 100 });
  });

  it('says when it is time to rest, and keeps what one chose', async () => {
    expect(practise.restDue()).toBeNull();
    practise.wishes.change({ restAfter: 5 });
    const now = Date.now();
    practise.log.recent.set([{ ...stored.turns[0], at: now - 1000, seconds: 400 }]);
    practise.goTo(1);
    expect(practise.restDue()).toBe(7);
    practise.wishes.change({ restAfter: null });
    expect(practise.restDue()).toBeNull();
    practise.wishes.setDays(7, now);
    expect([practise.wishes.days(now), practise.wishes.days(now + 6.5 * 86_400_000)]).toEqual([7, 1]);
    practise.planAnew();
    expect(practise.plan()?.toGo.perDay).toBeCloseTo((practise.plan()?.toGo.minutes ?? 0) / 7, 1);
    stored.problem = 'the disk is full';
    practise.wishes.change({ minutes: 40 });
    await new Promise((resolve) => setTimeout(resolve));
    expect(practise.wishes.problem()).toMatch(/^What you chose could not be stored: the disk is full/);
    expect(practise.wishes.all().minutes).toBe(40);
  });

  it('begins with a warm-up where the hands are cold', async () => {
    practise.log.recent.set([]);
    practise.planAnew();
    expect(
      practise
        .plan()
        ?.tasks.slice(0, 2)
        .map(({ kind }) => kind),
    ).toEqual(['hear', 'warm-up']);
    practise.next();
    await practise.said(true);
    expect(stored.turns.at(-1)).toMatchObject({ kind: 'warm-up', seconds: 180 });
    practise.planAnew();
    expect(practise.plan()?.tasks.some(({ kind }) => kind === 'warm-up')).toBe(false);
  });

  it('keeps notes of one’s own', async () => {
    await practise.log.jot('  Slower at the bridge. ');
    await practise.log.jot('   ');
    expect(stored.jottings.map(({ text }) => text)).toEqual(['Slower at the bridge.']);
    expect(practise.log.jottings()).toEqual(stored.jottings);
  });

  it('comes to the end of its plan, and has none for a song without parts to play', async () => {
    const count = practise.plan()?.tasks.length ?? 0;
    for (let i = 0; i <= count; i++) practise.next();
    expect(practise.current()).toBeNull();
    practise.planAnew();
    expect(practise.at()).toBe(0);
  });

  it('practises the part and the hands that are chosen, planned or not', () => {
    practise.bench.move({ part: 1, hands: 'left' });
    desk.table.settle();
    expect(practise.current()).toMatchObject({ kind: 'left', fromPart: 2, toPart: 2 });
    practise.bench.move({ hands: 'both' });
    desk.table.settle();
    expect(practise.current()).toMatchObject({ kind: 'together', fromPart: 2 });
    const last = (practise.bench.arrangement()?.parts.length ?? 0) - 1;
    practise.bench.move({ part: last, hands: 'both' });
    desk.table.settle();
    expect(practise.current()?.toPart).toBe(last + 1);
  });

  it('makes its plan anew for the minutes that are left once all of it was tried', async () => {
    const count = practise.plan()?.tasks.length ?? 0;
    for (let i = 0; i < count; i++) {
      await practise.said(true);
      practise.next();
    }
    expect(practise.at()).toBe(0);
    expect(practise.current()).not.toBeNull();
  });

  it('obeys its keys: panels from everywhere, the rest where it is the time for them', () => {
    const behaviour = table.get(PractiseBehaviour);
    const keys = ['h', 'y', 'n', 'Enter', 'ArrowRight', 'ArrowLeft', 'z'];
    for (const [key, task] of [...'pigow'].map((k, i) => [
      k,
      ['plan', 'places', 'log', 'recording', 'now'][i],
    ])) {
      pressOn(behaviour, key);
      expect(practise.tab()).toBe(task);
      const now = ['hear', 'said true', 'said false', 'next 1', 'next 1', 'next -1', null];
      const asked = askedBy(behaviour, practise, keys).map((call) => call?.join(' ') ?? null);
      expect([task, asked]).toEqual([task, task === 'now' ? now : keys.map(() => null)]);
      const recording = table.get(RecordingState);
      expect(askedBy(behaviour, recording, ['t'])).toEqual([task === 'recording' ? ['tap'] : null]);
    }
  });

  it('goes from task to task, and leaves its panels', () => {
    pressOn(table.get(PractiseBehaviour), 'g');
    table.get(PractiseBehaviour).leave();
    expect(practise.tab()).toBe('now');
    practise.next(1);
    expect(practise.at()).toBe(1);
    practise.next(-1);
    practise.next(-1);
    expect(practise.at()).toBe(0);
    practise.hear();
    expect(table.plays).toHaveLength(1);
  });
});
