import type { Hand } from '../hands';
import { isSaid, type TaskKind } from './task';
import type { Slip } from './slips';

/** One turn at a task, as it is kept. */
export interface Turn {
  readonly songId: string;
  /** When it ended, in milliseconds. */
  readonly at: number;
  readonly card: string;
  readonly kind: TaskKind;
  /** First and last part it was of, by number; a turn of before has the name it had instead. */
  readonly fromPart?: number;
  readonly toPart?: number;
  readonly what?: string;
  readonly hands: Hand | 'both';
  readonly level: number;
  readonly tempoPercent: number;
  readonly isClean: boolean;
  /** Share of keys right and in time; null where nothing was listened to. */
  readonly cleanShare: number | null;
  /** Seconds the hands were apart; null where they did not meet. */
  readonly apart: number | null;
  readonly seconds: number;
  /** What went wrong, by its notes; absent where nothing was listened to. */
  readonly slips?: readonly Slip[];
}

/** What was done on one day. */
export interface Day {
  /** "2026-11-26" in the pianist's own time. */
  readonly day: string;
  readonly minutes: number;
  readonly turns: number;
  readonly clean: number;
  /** The fastest tempo that was clean, in percent of the goal; null where none was. */
  readonly tempoPercent: number | null;
  /** Mean milliseconds the hands were apart; null where they did not meet. */
  readonly apartMs: number | null;
}

/** The days on which something was practised, in order. */
export function daysOf(turns: readonly Turn[], dayOf: (at: number) => string): Day[] {
  const days = new Map<string, Turn[]>();
  for (const turn of turns) {
    const day = dayOf(turn.at);
    const own = days.get(day);
    if (own) own.push(turn);
    else days.set(day, [turn]);
  }
  return [...days]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([day, own]) => {
      const clean = own.filter(({ isClean }) => isClean);
      return {
        day,
        minutes: own.reduce((sum, { seconds }) => sum + seconds, 0) / 60,
        turns: own.length,
        clean: clean.length,
        tempoPercent: clean
          .filter((turn) => !isSaid(turn))
          .reduce<number | null>((most, { tempoPercent }) => Math.max(most ?? 0, tempoPercent), null),
        apartMs: apartOf(own),
      };
    });
}

/** Mean milliseconds the hands were apart in the turns in which they met, whichever came first. */
function apartOf(turns: readonly Pick<Turn, 'apart'>[]): number | null {
  const apart = turns.flatMap((turn) => (turn.apart === null ? [] : [Math.abs(turn.apart) * 1000]));
  return apart.length === 0 ? null : apart.reduce((sum, ms) => sum + ms, 0) / apart.length;
}
