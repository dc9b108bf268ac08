import type { Hand } from '../hands';
import type { Pitch } from '../music';
import type { Phrase } from '../sentences';
import type { FillNote, Proposal, Skill } from './proposal';

/** A proposal and whether it is played. */
export interface Fill {
  readonly id: string;
  readonly tick: number;
  readonly length: number;
  readonly kind: string;
  readonly variant: string;
  readonly hand: Hand;
  readonly notes: readonly FillNote[];
  /** The key it arrives on; null where it leads nowhere. */
  readonly goal: Pitch | null;
  readonly reason: Phrase;
  readonly taken: boolean;
  /** The pianist changed its notes. */
  readonly isOwn: boolean;
  readonly changeId: string;
  /** Lower is better, what the pianist can play counted in. */
  readonly rank: number;
  readonly skill: Skill;
}

/** A proposal, and whether it is played. */
export function fillOf(
  { id, kind, variant, hand, place, notes, goal, reason, rank, skill }: Proposal,
  taken: boolean,
  isOwn: boolean,
): Fill {
  return {
    id,
    tick: place.tick,
    length: place.endTick - place.tick,
    kind,
    variant,
    hand,
    notes,
    goal,
    reason,
    taken,
    isOwn,
    changeId: place.from.change.id,
    rank,
    skill,
  };
}
