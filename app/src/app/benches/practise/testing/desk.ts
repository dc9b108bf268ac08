import {
  type CardRecord,
  type Jotting,
  judgeTake,
  PRACTISE_SETTINGS,
  type PractiseSettings,
  type Turn,
} from '@joined-hands/core/practice';
import type { Song } from '@joined-hands/core/song';
import type { KeyEvent } from '@joined-hands/core/takes';
import { Recorder, type TakeWishes } from '../../../input/recorder';
import { PracticeStore } from '../../../storage/practice-store';
import type { StoredTake } from '../../../storage/stored';
import { Table } from '../../../testing/table';
import { Judge } from '../../../workers/judge';
import { Listening } from '../listening';
import { PractiseBehaviour } from '../practise-behaviour';
import { PractiseLog } from '../practise-log';
import { PractiseState } from '../practise-state';
import { PractiseWishes } from '../practise-wishes';
import { RecordingState } from '../recording-state';
import { Sitting } from '../sitting';

/** A music desk without a browser: what was practised is kept in memory, and a recorder hears what it is given. */
export function deskOf() {
  const stored = {
    turns: [] as Turn[],
    standings: [] as CardRecord[],
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
    keep: async (turn: Turn, _known: unknown, take: StoredTake | null) => {
      if (stored.problem) throw new Error(stored.problem);
      stored.turns = [...stored.turns, turn];
      if (take) stored.takes = [...stored.takes, take];
    },
  };
  const heard = {
    events: [] as KeyEvent[],
    live: [] as (readonly string[])[],
    beats: [] as boolean[],
    /** Whether more was to come, before the first key and after each. */
    toCome: [] as boolean[],
    stops: 0,
  };
  /** The tempos at which it was asked to click. */
  const clicks: number[] = [];
  const recorder = {
    isBusy: () => false,
    beat: () => null,
    quartersPerMinute: Object.assign(() => 60, { set: (tempo: number) => void clicks.push(tempo) }),
    record: async (
      _source: unknown,
      _stretch: unknown,
      { heard: came, countsInBeat, hasMoreToCome }: TakeWishes,
    ) => {
      heard.beats.push(countsInBeat === true);
      heard.toCome = [hasMoreToCome?.() === true];
      for (const event of heard.events) {
        came?.(event);
        heard.toCome.push(hasMoreToCome?.() === true);
        heard.live.push(desk.practise.listening.wrongNotes());
      }
      return heard.events;
    },
    stop: () => void heard.stops++,
  };
  const open = async (song: Song): Promise<void> => {
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
    desk.table = new Table(
      song,
      { provide: Recorder, useValue: recorder },
      { provide: PracticeStore, useValue: store },
      {
        provide: Judge,
        useValue: { judge: async (...take: Parameters<typeof judgeTake>) => judgeTake(...take) },
      },
      Listening,
      PractiseLog,
      PractiseWishes,
      RecordingState,
      Sitting,
      PractiseState,
      PractiseBehaviour,
    );
    desk.practise = desk.table.get(PractiseState);
    desk.practise.isOpen.set(true);
    desk.table.settle();
    await new Promise((resolve) => setTimeout(resolve));
    desk.table.settle();
  };
  const desk = {
    stored,
    heard,
    clicks,
    open,
    table: null as unknown as Table,
    practise: null as unknown as PractiseState,
  };
  return desk;
}

/** Something to listen to. */
export const SOURCE = { start: () => undefined, stop: () => undefined };
