import { afterReview, afterSaying, afterTurn, beginning, type Goal, type Standing } from './goal';
import { lastPercentOf, isSaid, type Task } from './task';
import type { CardState } from './plan';
import { reviewed, type StoredCard } from './schedule';

/** Where one stands with a card, and when it comes again once it was passed. */
export interface Known {
  readonly standing: Standing;
  readonly review: StoredCard | null;
}

/** Where one stands with a task; what is new begins where the plan says. */
export function standingAt(
  { fromPercent }: Pick<Task, 'fromPercent'>,
  known: Known | undefined,
  goal: Goal,
): Standing {
  return known?.standing ?? beginning({ ...goal, from: fromPercent });
}

/**
 * Where one stands after a turn at a task: said, reviewed or climbed. A card is scheduled from the first time its goal is
 * passed. `now` in milliseconds.
 */
export function afterTask(
  task: Pick<Task, 'kind' | 'why' | 'fromPercent'>,
  known: Known | undefined,
  isClean: boolean,
  goal: Goal,
  now: number,
): Known {
  const before = standingAt(task, known, goal);
  const standing = isSaid(task)
    ? afterSaying(isClean)
    : task.why === 'due'
      ? afterReview(before, isClean)
      : afterTurn(before, isClean, goal, lastPercentOf(task));
  const isScheduled = standing.isPassed || known?.review;
  return { standing, review: isScheduled ? reviewed(known?.review ?? null, isClean, now) : null };
}

/** What a plan sees of what is known. */
export function cardStates(known: ReadonlyMap<string, Known>): Map<string, CardState> {
  return new Map(
    [...known].map(([card, { standing, review }]) => [
      card,
      { tempoPercent: standing.tempoPercent, isPassed: standing.isPassed, due: review?.due ?? null },
    ]),
  );
}
