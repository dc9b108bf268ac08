import type { Hand } from '../hands';
import { countAt } from '../joining';
import { nameOf, typeset } from '../music';
import { barAt, type PlayedBar } from '../song';
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
  /** "bar 4, from 2: E F♯ G♯ to A, by step from below". */
  readonly where: string;
  readonly reason: string;
  readonly taken: boolean;
  /** The pianist changed its notes. */
  readonly isOwn: boolean;
  readonly changeId: string;
  /** Lower is better, what the pianist can play counted in. */
  readonly rank: number;
  readonly skill: Skill;
}

/** A proposal as it is told. */
export function fillOf(
  bars: readonly PlayedBar[],
  { id, kind, variant, hand, place, notes, goal, reason, rank, skill }: Proposal,
  taken: boolean,
  isOwn: boolean,
): Fill {
  const bar = barAt(bars, place.tick);
  const names = notes.map(({ pitch }) => typeset(nameOf(pitch))).join(' ');
  const first = notes.reduce((least, { tick }) => Math.min(least, tick), notes[0]?.tick ?? place.tick);
  const to = goal ? ` to ${typeset(nameOf(goal))}` : '';
  return {
    id,
    tick: place.tick,
    length: place.endTick - place.tick,
    kind,
    variant,
    hand,
    notes,
    where: `bar ${bar.number}, from ${countAt(barAt(bars, first), first)}: ${names}${to}, ${isOwn ? 'changed' : variant}`,
    reason,
    taken,
    isOwn,
    changeId: place.from.change.id,
    rank,
    skill,
  };
}
