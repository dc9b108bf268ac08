import type { Hand, HandNote } from '../hands';
import type { Clock } from '../performance';

/** A key that is wanted, at the full tempo. */
export interface WantedKey {
  readonly tick: number;
  /** From the first key wanted. */
  readonly seconds: number;
  readonly midi: number;
  readonly hand: Hand;
  /** Id of the note of the tune, or of the chord, it comes from. */
  readonly from: string;
}

/** The keys of a stretch for one hand or both, in time from the lowest up; grace notes are not asked for. */
export function wantedKeys(
  notes: readonly HandNote[],
  clock: Pick<Clock, 'secondsAt'>,
  { fromTick, toTick }: { readonly fromTick: number; readonly toTick: number },
  hands: Hand | 'both' = 'both',
): WantedKey[] {
  const own = notes
    .filter(
      ({ tick, hand, grace }) =>
        !grace && tick >= fromTick && tick < toTick && (hands === 'both' || hand === hands),
    )
    .sort((a, b) => a.tick - b.tick || a.midi - b.midi);
  if (own.length === 0) return [];
  const start = clock.secondsAt(own[0].tick);
  return own.map(({ tick, midi, hand, from }) => ({
    tick,
    seconds: clock.secondsAt(tick) - start,
    midi,
    hand,
    from,
  }));
}
