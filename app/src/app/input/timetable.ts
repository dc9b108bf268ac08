import { type Click, clicksAlong, countIn, type Stretch } from '@joined-hands/core/performance';

/** The first note may come so much of the last beat of the count-in too early. */
const EARLY = 0.75;

/** When what belongs to a take comes, in seconds from where its music begins. */
export interface Timetable {
  /** Those of the count-in first. */
  readonly clicks: readonly Click[];
  /** How long is counted in. */
  readonly beforehand: number;
  /** What comes before this belongs to the count-in. */
  readonly earliest: number;
  /** How long the music lasts. */
  readonly lasts: number;
}

/** The timetable of a take of a stretch, `secondsAt` a tick; `perTick`: seconds a tick of the count-in takes. */
export function timetableOf(
  stretch: Stretch,
  perTick: number,
  secondsAt: (tick: number) => number,
  countsInBeat: boolean,
): Timetable {
  const before = countIn(stretch, perTick, countsInBeat);
  return {
    clicks: [...before.clicks, ...clicksAlong(stretch, secondsAt)],
    beforehand: before.seconds,
    earliest: EARLY * (before.clicks.at(-1)?.seconds ?? 0),
    lasts: secondsAt(stretch.toTick) - secondsAt(stretch.fromTick),
  };
}
