import '@angular/compiler';
import { type Job, playAsPupil, STEADY, type Turn } from '@joined-hands/core/practice';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { Recorder } from '../../input/recorder';
import { PracticeStore } from '../../storage/practice-store';
import type { StoredStanding } from '../../storage/stored';
import { Table } from '../../testing/table';
import { PractiseBehaviour, obeyPractise } from './practise-behaviour';
import { practiseCommandFor } from './practise-commands';
import { PractiseState } from './practise-state';

const [lanterns] = DEMO_SONGS;

describe('the Practise bench', () => {
  let table: Table;
  let practise: PractiseState;
  const stored = { turns: [] as Turn[], standings: [] as StoredStanding[], problem: '' };
  const store = {
    turnsOf: async () => {
      if (stored.problem) throw new Error(stored.problem);
      return stored.turns;
    },
    standingsOf: async () => stored.standings,
    keep: async (turn: Turn) => {
      if (stored.problem) throw new Error(stored.problem);
      stored.turns = [...stored.turns, turn];
    },
  };
  const heard = { events: [] as { seconds: number; midi: number; velocity: number }[], stops: 0 };
  /** The tempos at which it was asked to click. */
  const clicks: number[] = [];
  const recorder = {
    isBusy: () => false,
    beat: () => null,
    beatsPerMinute: Object.assign(() => 60, { set: (tempo: number) => void clicks.push(tempo) }),
    record: async () => heard.events,
    stop: () => void heard.stops++,
  };
  const open = async (song = lanterns): Promise<void> => {
    Object.assign(stored, { turns: [], standings: [], problem: '' });
    heard.events = [];
    table = new Table(
      song,
      { provide: Recorder, useValue: recorder },
      { provide: PracticeStore, useValue: store },
      PractiseState,
      PractiseBehaviour,
    );
    practise = table.get(PractiseState);
    practise.isOpen.set(true);
    table.settle();
    await new Promise((resolve) => setTimeout(resolve));
    table.settle();
  };
  const job = (): Job => practise.current() as Job;
  const source = { start: () => undefined, stop: () => undefined };
  beforeEach(() => open());

  it('plans when it is opened, and puts the first job on the desk', () => {
    expect(
      practise
        .plan()
        ?.jobs.slice(0, 3)
        .map(({ kind, fromPart }) => `${kind} ${fromPart}`),
    ).toEqual(['hear 1', 'right 1', 'left 1']);
    expect(job().kind).toBe('hear');
    practise.hear();
    expect(table.plays.at(-1)).toMatchObject({ fromTick: 0, toTick: 11520, tempoPercent: 100 });
    practise.next();
    table.settle();
    expect(table.state.place.hands).toBe('right');
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
    expect(stored.turns).toHaveLength(20);
    expect(stored.turns[0]).toMatchObject({
      songId: lanterns.id,
      what: 'Part 1, right hand',
      tempoPercent: 60,
      isClean: true,
      cleanShare: null,
    });
    // Planned anew it is not asked for again today.
    practise.planAnew();
    expect(practise.plan()?.jobs.map(({ card }) => card)).not.toContain(stored.turns[0].card);
  });

  it('what is only heard is done with one key', async () => {
    await practise.said(true);
    expect(practise.standing().isPassed).toBe(true);
    expect(stored.turns[0]).toMatchObject({ kind: 'hear', tempoPercent: 100 });
  });

  it('listens, judges, marks what went wrong on the seam, and tells the worst places', async () => {
    practise.next();
    const wanted = practise.wanted();
    heard.events = [...playAsPupil(wanted, { ...STEADY, tempoFrom: 0.6, tempoTo: 0.6 }).events];
    await practise.listen(source);
    expect(practise.lastTurn()?.isClean).toBe(true);
    expect([practise.troubles(), practise.wrongNotes()]).toEqual([[], []]);
    const downs = heard.events.filter(({ velocity }) => velocity > 0);
    heard.events = downs.map((event, i) => (i === 2 ? { ...event, midi: event.midi + 1 } : event));
    await practise.listen(source);
    expect(practise.lastTurn()?.isClean).toBe(false);
    const [worst] = practise.troubles();
    expect(worst).toMatchObject({ bar: 2, hand: 'right', kind: 'wrong', times: 1 });
    expect(practise.wrongNotes()).toEqual(['n3']);
    expect(table.get(PractiseBehaviour).picked()).toEqual(['n3']);
    practise.hearTrouble(worst, true);
    expect(table.plays.at(-1)).toMatchObject({ fromTick: 0, toTick: 5760, loops: true, tempoPercent: 60 });
    practise.next();
    expect([practise.judgement(), practise.wrongNotes()]).toEqual([null, []]);
  });

  it('clicks at the tempo of the place, where it changes in the song', async () => {
    const [{ quartersPerMinute }] = lanterns.tempoMap;
    await open({ ...lanterns, tempoMap: [...lanterns.tempoMap, { tick: 11520, quartersPerMinute: 40 }] });
    clicks.length = 0;
    practise.next();
    await practise.listen(source);
    practise.goTo(
      practise.plan()?.jobs.findIndex(({ fromTick, kind }) => fromTick >= 11520 && kind === 'right') ?? -1,
    );
    await practise.listen(source);
    expect(clicks).toEqual([(quartersPerMinute * 60) / 100, 24]);
  });

  it('says when nothing was heard, and when a turn could not be stored', async () => {
    practise.next();
    await practise.listen(source);
    expect(practise.problem()).toMatch(/^Nothing was heard/);
    expect(stored.turns).toEqual([]);
    stored.problem = 'the disk is full';
    await practise.said(true);
    expect(practise.problem()).toBe(
      'The turn could not be stored: the disk is full. It counts until the page is closed.',
    );
    expect(practise.turns()).toHaveLength(1);
  });

  it('comes to the end of its plan, and has none for a song without parts to play', async () => {
    const count = practise.plan()?.jobs.length ?? 0;
    for (let i = 0; i <= count; i++) practise.next();
    expect(practise.current()).toBeNull();
    practise.planAnew();
    expect(practise.at()).toBe(0);
  });

  it('obeys its keys', () => {
    const press = (key: string, now: 'now' | 'plan' | 'log' = 'now', onControl = false) =>
      practiseCommandFor(
        { key, code: '', shiftKey: false, ctrlKey: false, metaKey: false, altKey: false },
        { inField: false, onControl, onRadio: false, inDialog: false },
        true,
        now,
      );
    expect(['w', 'p', 'g', 'h', 'y', 'n', 'Enter', 'z'].map((key) => press(key))).toEqual([
      { kind: 'job', job: 'now' },
      { kind: 'job', job: 'plan' },
      { kind: 'job', job: 'log' },
      { kind: 'hear' },
      { kind: 'said', isClean: true },
      { kind: 'said', isClean: false },
      { kind: 'next', by: 1 },
      null,
    ]);
    expect([press('y', 'log'), press('Enter', 'now', true)]).toEqual([null, null]);
    obeyPractise(practise, { kind: 'job', job: 'log' });
    expect(practise.job()).toBe('log');
    table.get(PractiseBehaviour).leave();
    expect(practise.job()).toBe('now');
    obeyPractise(practise, { kind: 'next', by: 1 });
    expect(practise.at()).toBe(1);
    obeyPractise(practise, { kind: 'next', by: -1 });
    obeyPractise(practise, { kind: 'next', by: -1 });
    expect(practise.at()).toBe(0);
    expect([press('ArrowRight'), press('ArrowLeft')]).toEqual([
      { kind: 'next', by: 1 },
      { kind: 'next', by: -1 },
    ]);
    obeyPractise(practise, { kind: 'hear' });
    expect(table.plays).toHaveLength(1);
  });
});
