import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { typeset } from '@joined-hands/core/music';
import { Clock } from '@joined-hands/core/performance';
import {
  afterTask,
  beginning,
  companionFor,
  type HotBar,
  isCleanTurn,
  isHeardEnough,
  isOfSong,
  isSaid,
  type Task,
  type Judgement,
  minutesSinceRest,
  slipsOf,
  type Standing,
  standingAt,
  type Trouble,
  troublesOf,
  type WantedKey,
  wantedKeys,
} from '@joined-hands/core/practice';
import { barAt, lastAtOrBefore, onsetsOf, placeIn } from '@joined-hands/core/song';
import type { KeyEvent } from '@joined-hands/core/takes';
import { BenchState } from '../../frame/bench-state';
import { Playing } from '../../frame/playing';
import type { KeySource } from '../../input/recorder';
import { messageOf } from '../../ui/message';
import { Listening } from './listening';
import { PractiseLog } from './practise-log';
import { PractiseWishes } from './practise-wishes';
import { Sitting } from './sitting';

/** Tabs of the Practise bench. */
type PractiseTab = 'now' | 'plan' | 'places' | 'log' | 'recording';

/** How many places that went wrong are told. */
const WORST = 3;
/** Turns nobody listened to count as long as they sound. */
const SAID_OVERHEAD_SECONDS = 4;

/** Keys for one more turn. */
type Again = () => KeySource | Promise<KeySource>;

/** A turn as it was played, or said. */
interface Played {
  /** Of the full tempo. */
  readonly percent: number;
  readonly seconds: number;
  /** Null where nothing was listened to. */
  readonly judgement: Judgement | null;
  readonly events: readonly KeyEvent[];
  /** A microphone heard it. */
  readonly bySound?: boolean;
}

/** One small task at a time: what is practised now, how it went, where one stands. */
@Injectable()
export class PractiseState {
  readonly bench = inject(BenchState);
  private readonly playing = inject(Playing);
  readonly listening = inject(Listening);
  readonly log = inject(PractiseLog);
  readonly wishes = inject(PractiseWishes);

  readonly isOpen = signal(false);
  readonly tab = signal<PractiseTab>('now');
  readonly problem = signal('');
  private readonly sitting = inject(Sitting);
  readonly plan = this.sitting.plan;
  readonly at = this.sitting.at;
  readonly current = this.sitting.current;
  /** What is listened to again when one turn follows another by itself. */
  private again: Again | null = null;
  private readonly now = signal(Date.now());
  /** What was said of the last turn: the goal it led to. */
  readonly lastTurn = signal<{ readonly isClean: boolean; readonly standing: Standing } | null>(null);
  private loaded: string | null = null;
  /** What was practised before has been read, or cannot be. */
  private readonly isLoaded = signal(false);

  constructor() {
    effect(() => {
      const [isOpen, song] = [this.isOpen(), this.bench.song()];
      if (!isOpen || !song || this.loaded === song.id) return;
      this.loaded = song.id;
      untracked(() => void this.load(song.id));
    });
    effect(() => {
      const [isOpen, arrangement] = [this.isOpen() && this.isLoaded(), this.bench.arrangement()];
      if (!isOpen || !arrangement || arrangement.isPartial || untracked(this.plan)) return;
      untracked(() => {
        this.planAnew();
        const at = this.sitting.placeOfLast();
        if (at > 0) this.goTo(at);
      });
    });
    // What is chosen, the part and the hands, is what is practised.
    effect(() => {
      const [isOpen, part, { hands }] = [this.isOpen(), this.bench.partIndex() + 1, this.bench.place()];
      if (isOpen) untracked(() => this.practiseChosen(part, hands));
    });
  }

  private async load(songId: string): Promise<void> {
    try {
      await Promise.all([this.wishes.load(songId), this.log.load(songId)]);
    } catch (error) {
      this.problem.set(`What you practised before could not be read: ${messageOf(error)}.`);
    }
    this.isLoaded.set(true);
  }

  /** A part, or hands, that are chosen while another task is shown: the task of these is the one of now. */
  private practiseChosen(part: number, hands: Task['hands']): void {
    const task = this.current();
    // What sounds, or is played, brings its part on the screen: nobody chose it.
    if (!task || this.listening.isListening() || this.playing.player.isPlaying()) return;
    if (task.fromPart <= part && part <= task.toPart && task.hands === hands) return;
    const at = this.sitting.placeOf(part, hands);
    if (at !== null) this.goTo(at);
  }

  /** A plan for the minutes there are, from where one stands now. */
  planAnew(): void {
    if (this.sitting.begin()) this.goTo(0);
  }

  /** A hot bar becomes the next task: from the bar before, ending on the next downbeat. */
  practiseSpot(hot: HotBar): void {
    const at = this.sitting.placeOfSpot(hot);
    if (at === null) return;
    this.goTo(at);
    this.tab.set('now');
  }

  readonly standing = computed((): Standing => {
    const [task, goal] = [this.current(), this.wishes.goal()];
    return task ? standingAt(task, this.log.standings().get(task.card), goal) : beginning(goal);
  });
  /** Only heard or said: there is nothing to be judged. */
  readonly isSaid = computed(() => {
    const task = this.current();
    return task !== null && isSaid(task);
  });

  goTo(index: number): void {
    this.at.set(index);
    this.lastTurn.set(null);
    this.again = null;
    this.now.set(Date.now());
    this.listening.clear();
    const task = this.current();
    if (!task) return;
    this.bench.goToPart(task.fromPart - 1);
    this.bench.move({ hands: task.hands });
  }

  /** The next task, or the one before; after the last the plan is at its end. */
  next(by: 1 | -1 = 1): void {
    const count = this.plan()?.tasks.length ?? 0;
    if (by === 1 && this.at() + 1 === count && this.sitting.goOn()) return this.goTo(0);
    this.goTo(Math.max(0, Math.min(this.at() + by, count)));
  }

  /** The task as it should sound, at the tempo of now; what is only heard, at the one the pianist chose. */
  hear(): void {
    const task = this.current();
    if (task && isOfSong(task))
      this.playing.playStretch(task.fromTick, task.toTick, {
        stays: true,
        hands: task.hands,
        tempoPercent: this.tempoSet() ?? undefined,
      });
  }

  /** The tempo the task asks for, in percent; null for what is only heard or said: as the pianist chose. */
  readonly tempoSet = computed(() => (this.isSaid() ? null : this.standing().tempoPercent));
  private readonly percent = computed(() => this.tempoSet() ?? 100);
  /** How many seconds a second of the music is to take. */
  readonly pace = computed(() => 100 / this.percent());

  private readonly clock = computed((): Clock | null => {
    const arrangement = this.bench.arrangement();
    return arrangement ? new Clock(arrangement.played.tempoMap, arrangement.song.feel) : null;
  });

  /** The keys that are wanted, at the full tempo. */
  readonly wanted = computed((): readonly WantedKey[] => {
    const [arrangement, task, clock] = [this.bench.arrangement(), this.current(), this.clock()];
    if (!arrangement || !task || !clock) return [];
    return wantedKeys([...arrangement.right, ...arrangement.left], clock, task, task.hands);
  });

  /** The keys the program strikes while a task is played. */
  readonly others = computed((): readonly WantedKey[] =>
    (this.companion()?.other ?? []).flatMap((strike) => ('midi' in strike ? [strike] : [])),
  );

  /** What plays along with the task of now; null where it is only clicked to. */
  private companion(): ReturnType<typeof companionFor> {
    const [arrangement, task, clock] = [this.bench.arrangement(), this.current(), this.clock()];
    return arrangement && task && clock
      ? companionFor(arrangement, task, clock, this.pace(), this.wishes.all())
      : null;
  }

  /** Listens to one turn from an instrument, or a stand-in, and judges it; with `goesOn` clean ones follow one another. */
  async listen(keys: KeySource, again: Again = () => keys, isNext = false): Promise<void> {
    const [task, arrangement, clock] = [this.current(), this.bench.arrangement(), this.clock()];
    if (!task || !arrangement || !clock) return;
    this.problem.set('');
    this.playing.player.stop();
    this.again = again;
    const pace = this.pace();
    try {
      const { quartersPerMinute } = lastAtOrBefore(arrangement.played.tempoMap, task.fromTick);
      const events = await this.listening.hear(keys, {
        wanted: this.wanted(),
        fromTick: task.fromTick,
        toTick: task.toTick,
        quartersPerMinute: (quartersPerMinute * this.percent()) / 100,
        secondsAt: (tick) => clock.secondsAt(tick) * pace,
        pace,
        countsInBeat: isNext && this.wishes.all().goesOn === 'beat',
        along: this.companion(),
        isClicked: this.wishes.all().pushing === 'strict',
      });
      // Who went on to another task has left this one.
      if (this.current() !== task) return;
      await this.judge(events, task, keys.inFull !== undefined);
      if (!keys.isOnce) await this.goOn(again, task);
    } catch (error) {
      this.problem.set(`The turn could not be heard: ${messageOf(error)}.`);
    } finally {
      // Where the piano could not be started the microphone was never listened to.
      if (keys.isOnce) keys.stop();
    }
  }

  /** The next turn of the same task after a clean one, until its goal is passed; its count-in is the rest. */
  private async goOn(again: Again, task: Task): Promise<void> {
    if (!this.wishes.all().goesOn || this.current() !== task || this.again !== again) return;
    const last = this.lastTurn();
    if (last?.isClean && !last.standing.isPassed) void this.listen(await again(), again, true);
  }

  /** Ends the turn, and no other follows; what was played so far is judged. */
  stop(): void {
    this.again = null;
    this.listening.stop();
  }

  /** Judges keys that were played for a task and keeps the turn, wherever one has gone meanwhile; nothing heard is no turn. */
  async judge(events: readonly KeyEvent[], task: Task, bySound = false): Promise<void> {
    if (!events.some(({ velocity }) => velocity > 0)) {
      this.problem.set(
        bySound
          ? 'None of the keys was heard. Play nearer to the microphone, and check that the right one is chosen in the browser.'
          : `No key was heard. On the computer’s keyboard, A to K are ${typeset('C')} to ${typeset('C')}. With an instrument, check that it is on and that the right one is chosen.`,
      );
      return;
    }
    const percent = this.percent();
    const wanted = this.wanted();
    const [judgement, before] = await Promise.all([
      this.listening.judge(wanted, events, this.beatSeconds(percent), bySound),
      this.judgedBefore(task, wanted),
    ]);
    if (bySound && !isHeardEnough(judgement, events.length)) {
      this.problem.set(
        'Too little of it was heard to say how it went. Play it once more, nearer to the microphone, or say how it went yourself.',
      );
      return;
    }
    if (this.current() === task) this.listening.show(judgement, before);
    const seconds = events[events.length - 1].seconds - events[0].seconds;
    const isClean = isCleanTurn(judgement, this.wishes.goal());
    await this.finish(task, isClean, { percent, seconds: Math.max(1, seconds), judgement, events, bySound });
  }

  /** The last turn at a task of which the keys are kept, judged by what is wanted now. */
  private async judgedBefore({ card }: Task, wanted: readonly WantedKey[]): Promise<Judgement | null> {
    const last = this.log.lastTakeOf(card);
    if (!last) return null;
    const { turn, take } = last;
    const beat = this.beatSeconds(turn.tempoPercent);
    return this.listening.judge(wanted, take.events, beat, take.bySound === true);
  }

  /** How long a beat of the task lasts at a tempo. */
  private beatSeconds(percent: number): number {
    const [arrangement, task, clock] = [this.bench.arrangement(), this.current(), this.clock()];
    if (!arrangement || !task || !clock) return 0;
    const beat = placeIn(arrangement.played.bars, task.fromTick).beatTicks;
    const atGoal = clock.secondsAt(task.fromTick + beat) - clock.secondsAt(task.fromTick);
    return (atGoal * 100) / percent;
  }

  /** Without an instrument to listen to the pianist says how it went. */
  async said(isClean: boolean): Promise<void> {
    const task = this.current();
    if (!task) return;
    this.listening.show(null, null);
    const percent = this.percent();
    const seconds = isOfSong(task)
      ? ((this.wanted().at(-1)?.seconds ?? 0) * 100) / percent + SAID_OVERHEAD_SECONDS
      : task.minutes * 60;
    await this.finish(task, isClean, { percent, seconds, judgement: null, events: [] });
    if (task.kind === 'level' && isClean) this.goUp(task);
  }

  /** Everything of a level was passed: the song goes up to the next, and the plan with it. */
  private goUp({ level }: Task): void {
    this.plan.set(null);
    this.bench.edit({ kind: 'choose', choices: { level: level + 1 } });
  }

  private async finish(
    task: Task,
    isClean: boolean,
    { percent, seconds, judgement, events, bySound = false }: Played,
  ): Promise<void> {
    const [song, arrangement] = [this.bench.song(), this.bench.arrangement()];
    if (!song || !arrangement) return;
    const now = Date.now();
    const known = afterTask(task, this.log.standings().get(task.card), isClean, this.wishes.goal(), now);
    const { kind, card, fromPart, toPart, hands, level } = task;
    const turn = {
      ...{ songId: song.id, at: now, card, kind, fromPart, toPart, hands, level },
      ...{ tempoPercent: percent, isClean, seconds },
      cleanShare: judgement?.cleanShare ?? null,
      apart: judgement?.apart ?? null,
      ...(judgement ? { slips: slipsOf(judgement, onsetsOf(arrangement.played)) } : {}),
    };
    if (this.current() === task) this.lastTurn.set({ isClean, standing: known.standing });
    this.now.set(now);
    const take =
      events.length > 0 ? { songId: song.id, at: now, events, ...(bySound ? { bySound } : {}) } : null;
    await this.log.keep(turn, known, take);
  }

  /** Minutes played without a rest, once it is time for one; null until then. */
  readonly restDue = computed(() => {
    const { restAfter } = this.wishes.all();
    const minutes = minutesSinceRest(this.log.recent(), this.now());
    return restAfter !== null && minutes >= restAfter ? Math.round(minutes) : null;
  });

  /** The places that went wrong in the last take, the worst first. */
  readonly troubles = computed((): readonly Trouble[] => {
    const [judgement, arrangement] = [this.listening.judgement(), this.bench.arrangement()];
    if (!judgement || !arrangement) return [];
    const beatSeconds = this.beatSeconds(this.percent());
    const at = (tick: number) => ({ number: barAt(arrangement.played.bars, tick).number, beatSeconds });
    return troublesOf(judgement, at).slice(0, WORST);
  });

  /** The bar of a trouble, with the one before, once or over and over. */
  hearTrouble({ tick }: Trouble, loops: boolean): void {
    const [arrangement, task] = [this.bench.arrangement(), this.current()];
    if (!arrangement || !task) return;
    const bar = barAt(arrangement.played.bars, tick);
    const before = barAt(arrangement.played.bars, Math.max(task.fromTick, bar.tick - 1));
    const from = Math.max(task.fromTick, before.tick);
    const how = { stays: true, hands: task.hands, tempoPercent: this.percent(), loops };
    this.playing.playStretch(from, bar.tick + bar.length, how);
  }
}
