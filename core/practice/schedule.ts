import { type Card, createEmptyCard, fsrs, Rating } from 'ts-fsrs';

/** A card as it is stored: plain numbers and dates as milliseconds. */
export interface StoredCard {
  readonly due: number;
  readonly stability: number;
  readonly difficulty: number;
  readonly reps: number;
  readonly lapses: number;
  readonly state: number;
  readonly lastReview: number | null;
  readonly scheduledDays: number;
  readonly learningSteps: number;
}

// By whole days, and without chance: the same answers give the same days.
const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false, maximum_interval: 365 });

/**
 * A card after it was played: it comes back at growing distance while it is clean, soon when it is not. `now` in
 * milliseconds; a clock set back counts as no time gone. Source: the free spaced repetition scheduler.
 */
export function reviewed(card: StoredCard | null, isClean: boolean, now: number): StoredCard {
  const last = card?.lastReview ?? null;
  const at = last === null ? now : Math.max(now, last);
  const before = card ? fromStored(card) : createEmptyCard(new Date(at));
  const { card: after } = scheduler.next(before, new Date(at), isClean ? Rating.Good : Rating.Again);
  return {
    due: after.due.getTime(),
    stability: after.stability,
    difficulty: after.difficulty,
    reps: after.reps,
    lapses: after.lapses,
    state: after.state,
    lastReview: at,
    scheduledDays: after.scheduled_days,
    learningSteps: after.learning_steps,
  };
}

function fromStored({ due, lastReview, scheduledDays, learningSteps, ...rest }: StoredCard): Card {
  return {
    ...rest,
    due: new Date(due),
    elapsed_days: 0,
    scheduled_days: scheduledDays,
    learning_steps: learningSteps,
    ...(lastReview === null ? {} : { last_review: new Date(lastReview) }),
  } as Card;
}
