import '@angular/compiler';
import {
  GATE,
  type Job,
  type Jotting,
  judgeTake,
  playAsPupil,
  PRACTISE_SETTINGS,
  type PractiseSettings,
  STEADY,
  type Turn,
} from '@joined-hands/core/practice';
import type { KeyEvent } from '@joined-hands/core/takes';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../../../../demo/songs';
import { Recorder } from '../../input/recorder';
import { PracticeStore } from '../../storage/practice-store';
import type { StoredStanding, StoredTake } from '../../storage/stored';
import { Table } from '../../testing/table';
import { Judge } from '../../workers/judge';
import { PractiseBehaviour, obeyPractise } from './practise-behaviour';
import { PractiseLog } from './practise-log';
import { PractiseState } from './practise-state';
import { PractiseWishes } from './practise-wishes';
import { RecordingState } from './recording-state';

const [lanterns] = DEMO_SONGS;

describe('the Practise bench', () => {
  let table: Table;
  let practise: PractiseState;
  const stored = {
    turns: [] as Turn[],
    standings: [] as StoredStanding[],
    jottings: [] as Jotting[],
    takes: [] as StoredTake[],
    settings: PRACTISE_SETTINGS,
    readyBy: null as number | null,
    problem: '',
  };
  const store = {
    turnsOf: async () => {
      if (stored.problem) throw new Error(stored.problem);
      return stored.turns;
    },
    standingsOf: async () => stored.standings,
    jottingsOf: async () => stored.jottings,
    takesOf: async () => stored.takes,
    turnsSince: async (at: number) => stored.turns.filter((turn) => turn.at >= at),
    settings: async () => stored.settings,
    saveSettings: async (settings: PractiseSettings) => {
      if (stored.problem) throw new Error(stored.problem);
      stored.settings = settings;
    },
    readyBy: async () => stored.readyBy,
    setReadyBy: async (_: string, day: number | null) => void (stored.readyBy = day),
    recordingOf: async () => null,
    jot: async (_: string, jotting: Jotting) => void stored.jottings.push(jotting),
    keep: async (turn: Turn, _standing: unknown, _review: unknown, take: StoredTake | null) => {
      if (stored.problem) throw new Error(stored.problem);
      stored.turns = [...stored.turns, turn];
      if (take) stored.takes = [...stored.takes, take];
    },
  };
  const heard = {
    events: [] as KeyEvent[],
    live: [] as (readonly string[])[],
    beats: [] as boolean[],
    stops: 0,
  };
  /** The tempos at which it was asked to click. */
  const clicks: number[] = [];
  const recorder = {
    isBusy: () => false,
    beat: () => null,
    beatsPerMinute: Object.assign(() => 60, { set: (tempo: number) => void clicks.push(tempo) }),
    record: async (
      _source: unknown,
      _from: number,
      _ticks: number,
      came: (event: KeyEvent) => void,
      countsInBeat: boolean,
    ) => {
      heard.beats.push(countsInBeat);
      for (const event of heard.events) {
        came(event);
        heard.live.push(practise.wrongNotes());
      }
      return heard.events;
    },
    stop: () => void heard.stops++,
  };
  const open = async (song = lanterns): Promise<void> => {
    Object.assign(stored, {
      // The hands are warm.
      turns: [{ kind: 'warm-up', at: Date.now(), card: 'x', seconds: 1, isClean: true }],
      standings: [],
      jottings: [],
      takes: [],
      settings: PRACTISE_SETTINGS,
      readyBy: null,
      problem: '',
    });
    heard.events = [];
    table = new Table(
      song,
      { provide: Recorder, useValue: recorder },
      { provide: PracticeStore, useValue: store },
      {
        provide: Judge,
        useValue: { judge: async (...take: Parameters<typeof judgeTake>) => judgeTake(...take) },
      },
      PractiseLog,
      PractiseWishes,
      RecordingState,
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
    expect(stored.turns).toHaveLength(21);
    expect(stored.turns[1]).toMatchObject({
      songId: lanterns.id,
      what: 'Part 1, right hand',
      tempoPercent: 60,
      isClean: true,
      cleanShare: null,
    });
    // Planned anew it is not asked for again today.
    practise.planAnew();
    expect(practise.plan()?.jobs.map(({ card }) => card)).not.toContain(stored.turns[1].card);
  });

  it('what is only heard is done with one key', async () => {
    await practise.said(true);
    expect(practise.standing().isPassed).toBe(true);
    expect(stored.turns[1]).toMatchObject({ kind: 'hear', tempoPercent: 100 });
  });

  it('listens, judges, marks what went wrong on the seam, and tells the worst places', async () => {
    practise.next();
    const wanted = practise.wanted();
    heard.events = [...playAsPupil(wanted, { ...STEADY, tempoFrom: 0.6, tempoTo: 0.6 }).events];
    await practise.listen(() => source);
    expect(practise.lastTurn()?.isClean).toBe(true);
    expect([practise.troubles(), practise.wrongNotes()]).toEqual([[], []]);
    const downs = heard.events.filter(({ velocity }) => velocity > 0);
    heard.events = downs.map((event, i) => (i === 2 ? { ...event, midi: event.midi + 1 } : event));
    await practise.listen(() => source);
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
    await practise.listen(() => source);
    practise.goTo(
      practise.plan()?.jobs.findIndex(({ fromTick, kind }) => fromTick >= 11520 && kind === 'right') ?? -1,
    );
    await practise.listen(() => source);
    expect(clicks).toEqual([(quartersPerMinute * 60) / 100, 24]);
  });

  it('says when nothing was heard, and when a turn could not be stored', async () => {
    practise.next();
    await practise.listen(() => source);
    expect(practise.problem()).toMatch(/^Nothing was heard/);
    expect(stored.turns).toHaveLength(1);
    stored.problem = 'the disk is full';
    await practise.said(true);
    expect(practise.log.problem()).toBe(
      'The turn could not be stored: the disk is full. It counts until the page is closed.',
    );
    expect(practise.log.turns()).toHaveLength(2);
  });

  it('marks what goes wrong while it is played, in both hands, and keeps the take and its slips', async () => {
    const together = practise.plan()?.jobs.findIndex(({ kind }) => kind === 'together') ?? -1;
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
    await practise.listen(() => source);
    expect(heard.live[0]).toEqual([]);
    const last = heard.live.at(-1) ?? [];
    expect(last.length).toBeGreaterThan(0);
    const found = practise.wrongNotes();
    expect(found.some((name) => /^left \d+ \d+$/.test(name))).toBe(true);
    expect(last.every((name) => found.includes(name))).toBe(true);
    const turn = stored.turns.at(-1) as Turn;
    const judged = practise.judgement();
    expect(turn.slips?.length).toBe(
      (judged?.keys.filter(({ how }) => how !== 'right' && how !== 'not reached').length ?? 0) +
        (judged?.extra.length ?? 0) +
        (judged?.restarts.length ?? 0),
    );
    expect(stored.takes).toEqual([
      { songId: lanterns.id, at: turn.at, what: turn.what, events: heard.events },
    ]);
    // And the bars are hot now: the hottest becomes the next job.
    const [hot] = practise.log.hottest();
    expect(hot.heat).toBe(1);
    practise.practiseSpot(hot);
    expect(job()).toMatchObject({ kind: 'spot', hands: hot.hand });
    expect(practise.at()).toBe(together + 1);
    const bars = practise.bench.arrangement()?.played.bars ?? [];
    const bar = bars.findIndex(({ number }) => number === hot.bar);
    expect(job().fromTick).toBe(bars[Math.max(0, bar - 1)].tick);
    expect(job().toTick).toBe(bars[bar].tick + bars[bar].length + 960);
    practise.practiseSpot(hot);
    expect(practise.plan()?.jobs.filter(({ kind }) => kind === 'spot')).toHaveLength(1);
  });

  it('goes on by itself after clean turns, until the gate is passed or one is not', async () => {
    practise.wishes.change({ goesOn: 'beat', gate: { ...GATE, turns: 2, from: 80, by: 20 } });
    practise.planAnew();
    practise.next();
    heard.events = [...playAsPupil(practise.wanted(), { ...STEADY, tempoFrom: 0.8, tempoTo: 0.8 }).events];
    await practise.listen(() => source);
    await new Promise((resolve) => setTimeout(resolve, 20));
    // Two at 80 %, two at the full tempo.
    expect(practise.standing()).toMatchObject({ tempoPercent: 100, isPassed: true });
    expect(stored.turns).toHaveLength(5);
    expect(stored.settings.gate.turns).toBe(2);
    // The first is counted in by a bar, the others follow on.
    expect(heard.beats.slice(-4)).toEqual([false, true, true, true]);
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
        ?.jobs.slice(0, 2)
        .map(({ kind }) => kind),
    ).toEqual(['hear', 'warm-up']);
    practise.next();
    await practise.said(true);
    expect(stored.turns.at(-1)).toMatchObject({ kind: 'warm-up', seconds: 180 });
    practise.planAnew();
    expect(practise.plan()?.jobs.some(({ kind }) => kind === 'warm-up')).toBe(false);
  });

  it('keeps notes of one’s own', async () => {
    await practise.log.jot('  Slower at the bridge. ');
    await practise.log.jot('   ');
    expect(stored.jottings.map(({ text }) => text)).toEqual(['Slower at the bridge.']);
    expect(practise.log.jottings()).toEqual(stored.jottings);
  });

  it('comes to the end of its plan, and has none for a song without parts to play', async () => {
    const count = practise.plan()?.jobs.length ?? 0;
    for (let i = 0; i <= count; i++) practise.next();
    expect(practise.current()).toBeNull();
    practise.planAnew();
    expect(practise.at()).toBe(0);
  });

  it('obeys its keys', () => {
    const taps: number[] = [];
    obeyPractise(practise, { kind: 'tap' }, () => taps.push(1));
    expect(taps).toEqual([1]);
    obeyPractise(practise, { kind: 'job', job: 'log' }, () => taps.push(1));
    expect(practise.job()).toBe('log');
    table.get(PractiseBehaviour).leave();
    expect(practise.job()).toBe('now');
    obeyPractise(practise, { kind: 'next', by: 1 }, () => taps.push(1));
    expect(practise.at()).toBe(1);
    obeyPractise(practise, { kind: 'next', by: -1 }, () => taps.push(1));
    obeyPractise(practise, { kind: 'next', by: -1 }, () => taps.push(1));
    expect(practise.at()).toBe(0);
    obeyPractise(practise, { kind: 'hear' }, () => taps.push(1));
    expect(table.plays).toHaveLength(1);
  });
});
