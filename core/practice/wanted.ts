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
  /** Keys of grace notes that lead to it: not asked for, and not too many where they are struck. */
  readonly graces?: readonly number[];
}

/** The keys of a stretch for one hand or both, in time from the lowest up; grace notes are not asked for. */
export function wantedKeys(
  notes: readonly HandNote[],
  clock: Pick<Clock, 'secondsAt'>,
  { fromTick, toTick }: { readonly fromTick: number; readonly toTick: number },
  hands: Hand | 'both' = 'both',
): WantedKey[] {
  const all = notes
    .filter(({ tick, hand }) => tick >= fromTick && tick < toTick && (hands === 'both' || hand === hands))
    .sort((a, b) => a.tick - b.tick || a.midi - b.midi);
  const own = all.filter(({ grace }) => !grace);
  if (own.length === 0) return [];
  const start = clock.secondsAt(own[0].tick);
  const graces = gracesOf(all);
  return own.map(({ tick, midi, hand, from }) => ({
    tick,
    seconds: clock.secondsAt(tick) - start,
    midi,
    hand,
    from,
    ...(graces.has(tick) ? { graces: graces.get(tick) } : {}),
  }));
}

/** Grace notes by the tick of what they lead to. */
function gracesOf(notes: readonly HandNote[]): ReadonlyMap<number, readonly number[]> {
  const graces = new Map<number, number[]>();
  notes.forEach(({ grace, midi, tick }, i) => {
    if (!grace) return;
    const to = notes.slice(i).find((note) => !note.grace && note.tick >= tick)?.tick ?? tick;
    graces.set(to, [...(graces.get(to) ?? []), midi]);
  });
  return graces;
}
