/** Where one stands with something that is practised: the tempo of now, and what came of the last turns at it. */
export interface Standing {
  /** Share of the full tempo in percent. */
  readonly tempoPercent: number;
  /** Clean turns in a row at it. */
  readonly clean: number;
  /** Turns in a row that went wrong. */
  readonly missed: number;
  /** The full tempo was passed. */
  readonly isPassed: boolean;
}

/** How a goal is set; defaults are proposals. */
export interface Goal {
  /** Clean turns in a row after which it goes on. */
  readonly turns: number;
  /** Percent of the full tempo to begin with, and by how much it goes up. */
  readonly from: number;
  readonly by: number;
  /** Share of keys that must be right and in time, 0 … 1. */
  readonly cleanFrom: number;
}

/** Source: common practice of learning slowly: three in a row, then a little faster; back after two that failed. */
export const GOAL: Goal = { turns: 3, from: 60, by: 10, cleanFrom: 0.97 };
const MISSES_BEFORE_BACK = 2;
const SLOWEST = 30;
const FULL = 100;

export function beginning({ from }: Goal): Standing {
  return { tempoPercent: from, clean: 0, missed: 0, isPassed: false };
}

/**
 * Where one stands after another turn: up after enough clean ones in a row, a step back after two that went wrong. It is
 * passed at `last` percent of the tempo.
 */
export function afterTurn(standing: Standing, isClean: boolean, goal: Goal, last = FULL): Standing {
  const { tempoPercent } = standing;
  if (isClean) {
    const clean = standing.clean + 1;
    if (clean < goal.turns) return { ...standing, clean, missed: 0 };
    if (tempoPercent >= last) return { tempoPercent, clean, missed: 0, isPassed: true };
    return { tempoPercent: Math.min(last, tempoPercent + goal.by), clean: 0, missed: 0, isPassed: false };
  }
  const missed = standing.missed + 1;
  if (missed < MISSES_BEFORE_BACK) return { ...standing, clean: 0, missed };
  return { tempoPercent: Math.max(SLOWEST, tempoPercent - goal.by), clean: 0, missed: 0, isPassed: false };
}

/** Where one stands after something that is only heard or said: it is done, or not yet. */
export function afterSaying(isDone: boolean): Standing {
  return { tempoPercent: FULL, clean: isDone ? 1 : 0, missed: isDone ? 0 : 1, isPassed: isDone };
}

/** Where one stands after what was passed before and came up again: at its tempo, known still or to be won anew. */
export function afterReview(standing: Standing, isClean: boolean): Standing {
  return {
    ...standing,
    clean: isClean ? standing.clean + 1 : 0,
    missed: isClean ? 0 : standing.missed + 1,
    isPassed: isClean,
  };
}
