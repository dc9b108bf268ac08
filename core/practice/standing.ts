import { afterReview, afterSaying, afterTurn, beginning, type Gate, type Standing } from './gate';
import { goalOf, isSaid, type Job } from './job';
import type { CardState } from './plan';
import { reviewed, type StoredCard } from './schedule';

/** Where one stands with a card, and when it comes again once it was passed. */
export interface Known {
  readonly standing: Standing;
  readonly review: StoredCard | null;
}

/** Where one stands with a job; what is new begins where the plan says. */
export function standingAt(
  { fromPercent }: Pick<Job, 'fromPercent'>,
  known: Known | undefined,
  gate: Gate,
): Standing {
  return known?.standing ?? beginning({ ...gate, from: fromPercent });
}

/**
 * Where one stands after a turn at a job: said, reviewed or climbed. A card is scheduled from the first time its gate is
 * passed. `now` in milliseconds.
 */
export function afterJob(
  job: Pick<Job, 'kind' | 'why' | 'fromPercent'>,
  known: Known | undefined,
  isClean: boolean,
  gate: Gate,
  now: number,
): Known {
  const before = standingAt(job, known, gate);
  const standing = isSaid(job)
    ? afterSaying(isClean)
    : job.why === 'due'
      ? afterReview(before, isClean)
      : afterTurn(before, isClean, gate, goalOf(job));
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
