import { computed, inject, Injectable, signal } from '@angular/core';
import { partIndexAt } from '@joined-hands/core/parts';
import { Clock } from '@joined-hands/core/performance';
import {
  cardStates,
  type HotBar,
  isPlayedPart,
  partsToPractise,
  type Plan,
  planFor,
  spotTask,
  type Task,
} from '@joined-hands/core/practice';
import { BenchState } from '../../frame/bench-state';
import { PractiseLog } from './practise-log';
import { PractiseWishes } from './practise-wishes';

/** Hands stay warm so long. */
const WARM_FOR_MS = 3_600_000;
/** So long after the last turn one is still at it. */
const SITTING_MS = 6 * 3_600_000;
/** Fewer minutes than this are not planned anew. */
const LEAST_LEFT = 2;

/** The tasks of a sitting, and which of them is the one of now. */
@Injectable()
export class Sitting {
  private readonly bench = inject(BenchState);
  private readonly log = inject(PractiseLog);
  private readonly wishes = inject(PractiseWishes);

  /** It stays while one works through it. */
  readonly plan = signal<Plan | null>(null);
  readonly at = signal(0);
  readonly current = computed((): Task | null => this.plan()?.tasks[this.at()] ?? null);
  private plannedAt = 0;
  /** When the minutes that were asked for are over. */
  private ends = 0;

  /** A plan for the minutes there are, from where one stands now; false where there is nothing to plan yet. */
  begin(minutes = this.wishes.all().minutes, now = Date.now()): boolean {
    const plan = this.planned(minutes);
    if (!plan) return false;
    this.plannedAt = now;
    this.ends = now + minutes * 60_000;
    this.plan.set(plan);
    return true;
  }

  /** A plan done sooner than was thought is made anew for the minutes that are left; false where it was not, or nothing is. */
  goOn(now = Date.now()): boolean {
    const left = (this.ends - now) / 60_000;
    if (left < LEAST_LEFT || !this.isDone()) return false;
    return this.begin(left, now) && this.plan()?.tasks.length !== 0;
  }

  /** Each task of the plan was tried since it was made, none only passed over. */
  private isDone(): boolean {
    const tried = new Set(this.log.turns().flatMap(({ at, card }) => (at >= this.plannedAt ? [card] : [])));
    return this.plan()?.tasks.every(({ card }) => tried.has(card)) ?? false;
  }

  /** Where in the plan what was played last is, in the same sitting; -1 where it is not. */
  placeOfLast(now = Date.now()): number {
    const last = this.log.turns().at(-1);
    if (!last || now - last.at > SITTING_MS) return -1;
    return this.plan()?.tasks.findIndex(({ card }) => card === last.card) ?? -1;
  }

  /** Where in the plan a part with some hands is, put there if it is not; null where there is no such task. */
  placeOf(part: number, hands: Task['hands']): number | null {
    const isIt = (task: Task): boolean => isPlayedPart(task, part, hands);
    const planned = this.plan()?.tasks.findIndex(isIt) ?? -1;
    if (planned >= 0) return planned;
    const own = this.planned(Infinity)?.tasks.find(isIt);
    return own ? this.put(own) : null;
  }

  /** Where in the plan a hot bar is, put there as the next task; null where there is no plan. */
  placeOfSpot(hot: HotBar): number | null {
    const [arrangement, song] = [this.bench.arrangement(), this.bench.song()];
    if (!arrangement || !song || !this.plan()) return null;
    const { parts, played } = arrangement;
    const clock = new Clock(played.tempoMap, song.feel);
    return this.put(
      spotTask(
        hot,
        parts[partIndexAt(parts, hot.tick)],
        played.bars,
        song.choices.level,
        this.wishes.goal(),
        (tick) => clock.secondsAt(tick),
      ),
    );
  }

  /** A task becomes the next one; where it is then. */
  private put(task: Task): number | null {
    const plan = this.plan();
    if (!plan) return null;
    const at = Math.min(this.at() + 1, plan.tasks.length);
    const tasks = plan.tasks.filter(({ id }) => id !== task.id).toSpliced(at, 0, task);
    this.plan.set({ ...plan, tasks });
    return tasks.indexOf(task);
  }

  private planned(minutes: number): Plan | null {
    const [arrangement, song] = [this.bench.arrangement(), this.bench.song()];
    if (!arrangement || !song || arrangement.isPartial) return null;
    const now = Date.now();
    const { chain, goal } = this.wishes.all();
    return planFor(partsToPractise(arrangement, this.log.turns()), {
      minutes,
      now,
      level: song.choices.level,
      first: song.choices.firstHand,
      chain,
      goal,
      cards: cardStates(this.log.standings()),
      isWarm: this.log.recent().some(({ at, kind }) => kind === 'warm-up' && now - at < WARM_FOR_MS),
      days: this.wishes.days(now),
    });
  }
}
