import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { Clock } from '@joined-hands/core/performance';
import { pulseTicks } from '@joined-hands/core/music';
import {
  afterReview,
  afterSaying,
  afterTurn,
  beginning,
  type CardState,
  GATE,
  isCleanTurn,
  isSaid,
  type Job,
  type Judgement,
  judgeTake,
  partsToPractise,
  type Plan,
  planFor,
  reviewed,
  type Standing,
  type Trouble,
  troublesOf,
  type Turn,
  type WantedKey,
  wantedKeys,
} from '@joined-hands/core/practice';
import { barAt, inForceAt } from '@joined-hands/core/song';
import type { KeyEvent } from '@joined-hands/core/takes';
import { jobTitle } from '@joined-hands/core/words';
import { BenchState } from '../../frame/bench-state';
import { shapeOf } from '../../frame/seam-keys';
import { Playing } from '../../frame/playing';
import { type KeySource, Recorder } from '../../input/recorder';
import { PracticeStore } from '../../storage/practice-store';
import type { StoredStanding } from '../../storage/stored';

export type PractiseJob = 'now' | 'plan' | 'log';

export const PRACTISE_JOBS: readonly { readonly value: PractiseJob; readonly label: string }[] = [
  { value: 'now', label: 'Now' },
  { value: 'plan', label: 'Plan' },
  { value: 'log', label: 'Log' },
];

/** How many places that went wrong are told. */
const WORST = 3;
/** Turns nobody listened to count as long as they sound. */
const SAID_OVERHEAD_SECONDS = 4;

/** One small job at a time: what is practised now, how it went, where one stands. */
@Injectable()
export class PractiseState {
  readonly bench = inject(BenchState);
  private readonly playing = inject(Playing);
  private readonly recorder = inject(Recorder);
  private readonly store = inject(PracticeStore);

  readonly isOpen = signal(false);
  readonly job = signal<PractiseJob>('now');
  readonly minutes = signal(20);
  readonly chain = signal<'growing' | 'pairs'>('growing');
  private readonly standings = signal<ReadonlyMap<string, StoredStanding>>(new Map());
  readonly turns = signal<readonly Turn[]>([]);
  readonly problem = signal('');
  /** The jobs of this sitting; it stays while one works through it. */
  readonly plan = signal<Plan | null>(null);
  readonly at = signal(0);
  readonly judgement = signal<Judgement | null>(null);
  /** What was said of the last turn: the gate it led to. */
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
      untracked(() => this.planAnew());
    });
  }

  private async load(songId: string): Promise<void> {
    try {
      const [standings, turns] = await Promise.all([
        this.store.standingsOf(songId),
        this.store.turnsOf(songId),
      ]);
      this.standings.set(new Map(standings.map((row) => [row.card, row])));
      this.turns.set(turns);
    } catch (error) {
      this.problem.set(`What you practised before could not be read: ${told(error)}.`);
    }
    this.isLoaded.set(true);
  }

  /** A plan for the minutes there are, from where one stands now. */
  planAnew(): void {
    const arrangement = this.bench.arrangement();
    const song = this.bench.song();
    if (!arrangement || !song || arrangement.isPartial) return;
    const cards = new Map(
      [...this.standings()].map(([card, { standing, review }]): [string, CardState] => [
        card,
        { tempoPercent: standing.tempoPercent, isPassed: standing.isPassed, due: review?.due ?? null },
      ]),
    );
    const plan = planFor(partsToPractise(arrangement), {
      minutes: this.minutes(),
      now: Date.now(),
      rung: song.choices.rung,
      first: song.choices.firstHand,
      chain: this.chain(),
      gate: GATE,
      cards,
    });
    this.plan.set(plan);
    this.goTo(0);
  }

  readonly current = computed((): Job | null => this.plan()?.jobs[this.at()] ?? null);
  readonly standing = computed((): Standing => {
    const job = this.current();
    return (job && this.standings().get(job.card)?.standing) ?? beginning(GATE);
  });
  readonly isListening = computed(() => this.recorder.isBusy());
  readonly beat = computed(() => this.recorder.beat());
  /** Only heard or said: there is nothing to be judged. */
  readonly isSaid = computed(() => {
    const job = this.current();
    return job !== null && isSaid(job);
  });

  goTo(index: number): void {
    this.at.set(index);
    this.judgement.set(null);
    this.lastTurn.set(null);
    this.recorder.stop();
    const job = this.current();
    if (!job) return;
    this.bench.goToPart(job.fromPart - 1);
    this.bench.move({ hands: job.hands });
  }

  /** The next job, or the one before; after the last the plan is at its end. */
  next(by: 1 | -1 = 1): void {
    const count = this.plan()?.jobs.length ?? 0;
    this.goTo(Math.max(0, Math.min(this.at() + by, count)));
  }

  /** The job as it should sound, at the tempo of now. */
  hear(): void {
    const job = this.current();
    if (job)
      this.playing.playStretch(job.fromTick, job.toTick, {
        stays: true,
        hands: job.hands,
        tempoPercent: this.percent(),
      });
  }

  private readonly percent = computed(() => (this.isSaid() ? 100 : this.standing().tempoPercent));

  private readonly clock = computed((): Clock | null => {
    const arrangement = this.bench.arrangement();
    return arrangement ? new Clock(arrangement.played.tempoMap, arrangement.song.feel) : null;
  });

  /** The keys that are wanted, at the goal tempo. */
  readonly wanted = computed((): readonly WantedKey[] => {
    const [arrangement, job, clock] = [this.bench.arrangement(), this.current(), this.clock()];
    if (!arrangement || !job || !clock) return [];
    return wantedKeys([...arrangement.right, ...arrangement.left], clock, job, job.hands);
  });

  /** Listens to one turn from an instrument, or a stand-in, and judges it. */
  async listen(source: KeySource): Promise<void> {
    const [job, arrangement] = [this.current(), this.bench.arrangement()];
    if (!job || !arrangement) return;
    this.problem.set('');
    this.judgement.set(null);
    this.playing.player.stop();
    try {
      const { quartersPerMinute } = inForceAt(arrangement.played.tempoMap, job.fromTick);
      this.recorder.beatsPerMinute.set((quartersPerMinute * this.percent()) / 100);
      const events = await this.recorder.record(source, job.fromTick, job.toTick - job.fromTick);
      await this.judge(events, job);
    } catch (error) {
      this.problem.set(`The turn could not be heard: ${told(error)}.`);
    }
  }

  stop(): void {
    this.recorder.stop();
  }

  /** Judges keys that were played for a job and keeps the turn; nothing heard is no turn. */
  async judge(events: readonly KeyEvent[], job: Job): Promise<void> {
    if (!events.some(({ velocity }) => velocity > 0)) {
      this.problem.set('Nothing was heard: is the instrument on, and the right one chosen?');
      return;
    }
    const judgement = judgeTake(this.wanted(), events, this.beatSeconds());
    this.judgement.set(judgement);
    const seconds = events[events.length - 1].seconds - events[0].seconds;
    await this.finish(job, isCleanTurn(judgement, GATE), judgement, Math.max(1, seconds));
  }

  /** How long a beat of the job lasts at the tempo of now. */
  private readonly beatSeconds = computed(() => {
    const [arrangement, job, clock] = [this.bench.arrangement(), this.current(), this.clock()];
    if (!arrangement || !job || !clock) return 0;
    const beat = pulseTicks(barAt(arrangement.played.bars, job.fromTick).metre);
    const atGoal = clock.secondsAt(job.fromTick + beat) - clock.secondsAt(job.fromTick);
    return (atGoal * 100) / this.percent();
  });

  /** Without an instrument to listen to the pianist says how it went. */
  async said(isClean: boolean): Promise<void> {
    const job = this.current();
    const wanted = this.wanted();
    if (!job) return;
    this.judgement.set(null);
    const seconds = ((wanted.at(-1)?.seconds ?? 0) * 100) / this.percent() + SAID_OVERHEAD_SECONDS;
    await this.finish(job, isClean, null, seconds);
  }

  private standingAfter(job: Job, before: Standing, isClean: boolean): Standing {
    if (isSaid(job)) return afterSaying(isClean);
    return job.why === 'due' ? afterReview(before, isClean) : afterTurn(before, isClean, GATE);
  }

  private async finish(
    job: Job,
    isClean: boolean,
    judgement: Judgement | null,
    seconds: number,
  ): Promise<void> {
    const song = this.bench.song();
    if (!song) return;
    const before = this.standings().get(job.card);
    const now = Date.now();
    const standing = this.standingAfter(job, before?.standing ?? beginning(GATE), isClean);
    // A card begins to be scheduled when its gate is first passed.
    const isScheduled = standing.isPassed || before?.review;
    const review = isScheduled ? reviewed(before?.review ?? null, isClean, now) : null;
    const turn: Turn = {
      songId: song.id,
      at: now,
      card: job.card,
      kind: job.kind,
      what: jobTitle(job),
      hands: job.hands,
      rung: job.rung,
      tempoPercent: this.percent(),
      isClean,
      cleanShare: judgement?.cleanShare ?? null,
      apart: judgement?.apart ?? null,
      seconds,
    };
    this.turns.update((turns) => [...turns, turn]);
    this.standings.update((all) =>
      new Map(all).set(job.card, {
        key: `${song.id} ${job.card}`,
        songId: song.id,
        card: job.card,
        standing,
        review,
      }),
    );
    this.lastTurn.set({ isClean, standing });
    try {
      await this.store.keep(turn, standing, review);
    } catch (error) {
      this.problem.set(`The turn could not be stored: ${told(error)}. It counts until the page is closed.`);
    }
  }

  /** The places that went wrong in the last take, the worst first. */
  readonly troubles = computed((): readonly Trouble[] => {
    const [judgement, arrangement] = [this.judgement(), this.bench.arrangement()];
    if (!judgement || !arrangement) return [];
    const beatSeconds = this.beatSeconds();
    const at = (tick: number) => ({ number: barAt(arrangement.played.bars, tick).number, beatSeconds });
    return troublesOf(judgement, at).slice(0, WORST);
  });

  /** The bar of a trouble, with the one before, once or over and over. */
  hearTrouble({ tick }: Trouble, loops: boolean): void {
    const [arrangement, job] = [this.bench.arrangement(), this.current()];
    if (!arrangement || !job) return;
    const bar = barAt(arrangement.played.bars, tick);
    const before = barAt(arrangement.played.bars, Math.max(job.fromTick, bar.tick - 1));
    const from = Math.max(job.fromTick, before.tick);
    const how = { stays: true, hands: job.hands, tempoPercent: this.percent(), loops };
    this.playing.playStretch(from, bar.tick + bar.length, how);
  }

  /** Keys of the last take that went wrong, as the seam calls them. */
  readonly wrongNotes = computed((): readonly string[] => {
    const [judgement, arrangement] = [this.judgement(), this.bench.arrangement()];
    if (!judgement || !arrangement) return [];
    const off = new Set(
      judgement.keys
        .filter(({ how, wanted }) => wanted.hand === 'right' && how !== 'right' && how !== 'not reached')
        .map(({ wanted }) => `${wanted.tick} ${wanted.midi}`),
    );
    return arrangement.right.filter(({ tick, midi }) => off.has(`${tick} ${midi}`)).map(shapeOf);
  });
}

function told(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
