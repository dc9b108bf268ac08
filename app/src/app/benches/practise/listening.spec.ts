import '@angular/compiler';
import { GOAL, type Task, playAsPupil, STEADY, type Turn } from '@joined-hands/core/practice';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import type { Table } from '../../testing/table';
import { PractiseBehaviour } from './practise-behaviour';
import type { PractiseState } from './practise-state';
import { deskOf, SOURCE } from './testing/desk';

const [lanterns] = DEMO_SONGS;
const signsOf = ({ listening }: PractiseState): (readonly [string, string])[] =>
  [...listening.marks()].flatMap(([note, { sign }]) => (sign ? [[note, sign] as const] : []));

describe('a turn that is listened to', () => {
  const desk = deskOf();
  const { stored, heard, clicks } = desk;
  let table: Table;
  let practise: PractiseState;
  const start = async (song = lanterns): Promise<void> => {
    await desk.open(song);
    ({ table, practise } = desk);
  };
  const task = (): Task => practise.current() as Task;
  beforeEach(() => start());

  it('listens, judges, marks what went wrong on the seam, and tells the worst places', async () => {
    practise.next();
    const wanted = practise.wanted();
    heard.events = [...playAsPupil(wanted, { ...STEADY, tempoFrom: 0.6, tempoTo: 0.6 }).events];
    await practise.listen(SOURCE);
    expect(practise.lastTurn()?.isClean).toBe(true);
    // More is to come until the last key that is wanted went down; its end is not waited for.
    const lastDown = heard.events.findLastIndex(({ velocity }) => velocity > 0);
    expect(heard.toCome).toEqual([true, ...heard.events.map((_, i) => i < lastDown)]);
    expect([practise.troubles(), practise.listening.wrongNotes()]).toEqual([[], []]);
    const downs = heard.events.filter(({ velocity }) => velocity > 0);
    heard.events = downs.map((event, i) => (i === 2 ? { ...event, midi: event.midi + 1 } : event));
    await practise.listen(SOURCE);
    expect(practise.lastTurn()?.isClean).toBe(false);
    const [worst] = practise.troubles();
    expect(worst).toMatchObject({ bar: 2, hand: 'right', kind: 'wrong', times: 1 });
    expect(practise.listening.wrongNotes()).toEqual(['n3']);
    expect(table.get(PractiseBehaviour).picked()).toEqual(['n3']);
    expect(signsOf(practise)).toEqual([['n3', '×']]);
    practise.hearTrouble(worst, true);
    expect(table.plays.at(-1)).toMatchObject({ fromTick: 0, toTick: 5760, loops: true, tempoPercent: 60 });
    expect(table.partAt(57600)).toBe(0);
    practise.next();
    expect([practise.listening.judgement(), practise.listening.wrongNotes()]).toEqual([null, []]);
  });

  it('does not count against a turn what a microphone did not hear, and says it', async () => {
    practise.next();
    const downs = playAsPupil(practise.wanted(), STEADY).events.filter(({ velocity }) => velocity > 0);
    const hear = async (events: typeof downs): Promise<void> => {
      heard.events = events;
      await practise.listen({ ...SOURCE, inFull: async () => events });
    };
    await hear(downs.filter((_, i) => i !== 1));
    expect(signsOf(practise).map(([, sign]) => sign)).toEqual(['?']);
    expect([practise.lastTurn()?.isClean, practise.listening.wrongNotes()]).toEqual([true, []]);
    await hear(downs.map((event, i) => (i === 1 ? { ...event, midi: event.midi + 1 } : event)));
    expect(signsOf(practise).map(([, sign]) => sign)).toEqual(['×']);
    expect(practise.lastTurn()?.isClean).toBe(false);
    const turns = practise.log.turns().length;
    await hear(downs.slice(0, 1).map((event) => ({ ...event, midi: event.midi + 6 })));
    expect(practise.problem()).toMatch(/^Too little of it was heard/);
    expect(practise.log.turns().length).toBe(turns);
  });

  it('lays a turn over the one before it at the same thing', async () => {
    practise.next();
    const play = async (wrong: readonly number[]): Promise<Turn> => {
      const { events } = playAsPupil(practise.wanted(), { ...STEADY, tempoFrom: 0.6, tempoTo: 0.6 });
      const downs = events.filter(({ velocity }) => velocity > 0);
      heard.events = downs.map((event, i) =>
        wrong.includes(i) ? { ...event, midi: event.midi + 1 } : event,
      );
      await practise.listen(SOURCE);
      return practise.log.turns().at(-1) as Turn;
    };
    const first = await play([0, 2]);
    expect(practise.log.compared(first)).toEqual([]);
    expect(practise.listening.before()).toBeNull();
    const signsOfFirst = signsOf(practise);
    // Turns are told apart by their time.
    await new Promise((resolve) => setTimeout(resolve, 3));
    const second = await play([2, 4]);
    expect(practise.log.before().get(second.at)).toBe(first);
    // Either is laid over the seam.
    const signsOfSecond = signsOf(practise);
    expect(signsOfSecond).not.toEqual(signsOfFirst);
    practise.listening.isBeforeShown.set(true);
    expect(signsOf(practise)).toEqual(signsOfFirst);
    expect(signsOfFirst.map(([note]) => note)).toEqual(practise.listening.wrongNotes());
    const [tempo, ...places] = practise.log.compared(second);
    expect(tempo).toMatch(/^Tempo 60 % → 60 %, clean \d+ % → \d+ %\.$/);
    expect(places).toEqual([
      'Gone: bar 1, right hand, wrong key.',
      'Still there: bar 2, right hand, wrong key.',
      expect.stringMatching(/^New: bar \d, right hand, wrong key\.$/),
    ]);
  });

  it('keeps a turn whose judgement comes after one went on, and leaves one that was not ended', async () => {
    practise.next();
    const first = task();
    heard.events = [...playAsPupil(practise.wanted(), { ...STEADY, tempoFrom: 0.6, tempoTo: 0.6 }).events];
    const judged = practise.judge(heard.events, first);
    practise.next();
    await judged;
    expect(stored.turns.at(-1)).toMatchObject({ card: first.card, tempoPercent: 60, isClean: true });
    expect([practise.listening.judgement(), practise.lastTurn()]).toEqual([null, null]);
    const count = stored.turns.length;
    const listened = practise.listen(SOURCE);
    practise.next();
    await listened;
    expect(stored.turns).toHaveLength(count);
    // What is only warmed or decided has no stretch to be heard.
    const plays = table.plays.length;
    practise.log.recent.set([]);
    practise.planAnew();
    practise.next();
    expect(task().kind).toBe('warm-up');
    practise.hear();
    expect(table.plays).toHaveLength(plays);
  });

  it('goes on with nothing that can be listened to but once', async () => {
    practise.wishes.change({ goesOn: 'bar' });
    practise.next();
    heard.events = [...playAsPupil(practise.wanted(), { ...STEADY, tempoFrom: 0.6, tempoTo: 0.6 }).events];
    await practise.listen({ ...SOURCE, isOnce: true });
    await new Promise((resolve) => setTimeout(resolve, 10));
    expect(stored.turns).toHaveLength(2);
    expect(practise.wishes.all().goesOn).toBe('bar');
  });

  it('judges what was played when it is stopped, and goes on to no other', async () => {
    practise.wishes.change({ goesOn: 'bar' });
    practise.next();
    heard.events = [...playAsPupil(practise.wanted(), { ...STEADY, tempoFrom: 0.6, tempoTo: 0.6 }).events];
    const listened = practise.listen(SOURCE);
    practise.stop();
    await listened;
    await new Promise((resolve) => setTimeout(resolve, 10));
    expect(stored.turns).toHaveLength(2);
  });

  it('clicks at the tempo of the place, where it changes in the song', async () => {
    const [{ quartersPerMinute }] = lanterns.tempoMap;
    await start({ ...lanterns, tempoMap: [...lanterns.tempoMap, { tick: 11520, quartersPerMinute: 40 }] });
    clicks.length = 0;
    practise.next();
    await practise.listen(SOURCE);
    practise.goTo(
      practise.plan()?.tasks.findIndex(({ fromTick, kind }) => fromTick >= 11520 && kind === 'right') ?? -1,
    );
    await practise.listen(SOURCE);
    expect(clicks).toEqual([(quartersPerMinute * 60) / 100, 24]);
  });

  it('says when nothing was heard, and when a turn could not be stored', async () => {
    practise.next();
    await practise.listen(SOURCE);
    expect(practise.problem()).toMatch(/^No key was heard/);
    expect(stored.turns).toHaveLength(1);
    stored.problem = 'the disk is full';
    await practise.said(true);
    expect(practise.log.problem()).toBe(
      'The turn could not be stored: the disk is full. It will be lost when you close this page.',
    );
    expect(practise.log.turns()).toHaveLength(2);
  });

  it('marks what goes wrong while it is played, in both hands, and keeps the take and its slips', async () => {
    const together = practise.plan()?.tasks.findIndex(({ kind }) => kind === 'together') ?? -1;
    practise.goTo(together);
    const { events } = playAsPupil(practise.wanted(), {
      ...STEADY,
      tempoFrom: 0.6,
      tempoTo: 0.6,
      missed: 0.3,
      seed: 3,
    });
    heard.events = [...events];
    heard.live = [];
    await practise.listen(SOURCE);
    expect(heard.live[0]).toEqual([]);
    const last = heard.live.at(-1) ?? [];
    expect(last.length).toBeGreaterThan(0);
    const found = practise.listening.wrongNotes();
    expect(found.some((name) => /^left \d+ \d+$/.test(name))).toBe(true);
    expect(last.every((name) => found.includes(name))).toBe(true);
    const turn = stored.turns.at(-1) as Turn;
    const judged = practise.listening.judgement();
    expect(turn.slips?.length).toBe(
      (judged?.keys.filter(({ how }) => how !== 'right' && how !== 'not-reached').length ?? 0) +
        (judged?.extra.length ?? 0) +
        (judged?.restarts.length ?? 0),
    );
    expect(stored.takes).toEqual([{ songId: lanterns.id, at: turn.at, events: heard.events }]);
    // And the bars are hot now: the hottest becomes the next task.
    const [hot] = practise.log.hottest();
    expect(hot.heat).toBe(1);
    practise.practiseSpot(hot);
    expect(task()).toMatchObject({ kind: 'spot', hands: hot.hand });
    expect(practise.at()).toBe(together + 1);
    const bars = practise.bench.arrangement()?.played.bars ?? [];
    const bar = bars.findIndex(({ number }) => number === hot.bar);
    expect(task().fromTick).toBe(bars[Math.max(0, bar - 1)].tick);
    expect(task().toTick).toBe(bars[bar].tick + bars[bar].length + 960);
    practise.practiseSpot(hot);
    expect(practise.plan()?.tasks.filter(({ kind }) => kind === 'spot')).toHaveLength(1);
  });

  it('goes on by itself after clean turns, until the goal is passed or one is not', async () => {
    practise.wishes.change({ goesOn: 'beat', goal: { ...GOAL, turns: 2, from: 80, by: 20 } });
    practise.planAnew();
    practise.next();
    heard.events = [...playAsPupil(practise.wanted(), { ...STEADY, tempoFrom: 0.8, tempoTo: 0.8 }).events];
    await practise.listen(SOURCE);
    await new Promise((resolve) => setTimeout(resolve, 20));
    // Two at 80 %, two at the full tempo.
    expect(practise.standing()).toMatchObject({ tempoPercent: 100, isPassed: true });
    expect(stored.turns).toHaveLength(5);
    expect(stored.settings.goal.turns).toBe(2);
    // The first is counted in by a bar, the others follow on.
    expect(heard.beats.slice(-4)).toEqual([false, true, true, true]);
  });
});
