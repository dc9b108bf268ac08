import type { Hand } from '../hands';
import { barAt, onsetsOf, type PlayedSong } from '../song';
import type { Turn } from './log';
import type { TroubleKind } from './troubles';

/** A place that went wrong in one of two turns, or in both: one kind of slip of one hand in one bar. */
export interface ComparedPlace {
  readonly bar: number;
  readonly hand: Hand;
  readonly kind: TroubleKind;
  /** How often in the earlier turn, and in the later. */
  readonly before: number;
  readonly after: number;
}

/** Two turns at the same thing, laid over one another; every list by bar. */
export interface ComparedTurns {
  readonly gone: readonly ComparedPlace[];
  readonly still: readonly ComparedPlace[];
  readonly new: readonly ComparedPlace[];
  /** Slips at notes that are no longer in the song: they cannot be compared. */
  readonly lost: number;
}

type Listened = Pick<Turn, 'slips'>;

/** What went wrong in the earlier of two turns and does no more, what does still, and what is new. */
export function compareTurns(earlier: Listened, later: Listened, played: PlayedSong): ComparedTurns {
  const onsets = onsetsOf(played);
  const places = new Map<string, ComparedPlace>();
  let lost = 0;
  for (const [turn, which] of [
    [earlier, 'before'],
    [later, 'after'],
  ] as const)
    for (const { from, after, hand, kind } of turn.slips ?? []) {
      const onset = onsets.get(from);
      if (onset === undefined) {
        lost++;
        continue;
      }
      const bar = barAt(played.bars, onset + after).number;
      const name = `${bar} ${hand} ${kind}`;
      const known = places.get(name) ?? { bar, hand, kind, before: 0, after: 0 };
      places.set(name, { ...known, [which]: known[which] + 1 });
    }
  const all = [...places.values()].sort((a, b) => a.bar - b.bar || a.hand.localeCompare(b.hand));
  return {
    gone: all.filter(({ after }) => after === 0),
    still: all.filter(({ before, after }) => before > 0 && after > 0),
    new: all.filter(({ before }) => before === 0),
    lost,
  };
}

/**
 * For each turn that was listened to, by its time, the last one before it at the same card that was, too: what it is
 * compared with. The turns in time.
 */
export function turnsBefore(turns: readonly Turn[]): ReadonlyMap<number, Turn> {
  const last = new Map<string, Turn>();
  const before = new Map<number, Turn>();
  for (const turn of turns) {
    if (turn.slips === undefined) continue;
    const known = last.get(turn.card);
    if (known) before.set(turn.at, known);
    last.set(turn.card, turn);
  }
  return before;
}
