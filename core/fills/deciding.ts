import { barAt, type Profile, SKILL, type Song } from '../song';
import type { Proposal } from './proposal';
import type { FillTask } from './task';

/** How much is filled in unasked. */
export type Measure = 'none' | 'few' | 'some' | 'many';

/** What was decided about proposals, by the ids they go under. */
export interface FillDecisions {
  /** Proposals are played unasked, as many as the measure says. */
  readonly measure: Measure;
  /** Another number, another choice among what is about as good; 0: the best. */
  readonly seed: number;
  readonly taken: Song['fillsTaken'];
  readonly declined: readonly string[];
  /** The id a proposal goes under in the part this one follows, where it follows one. */
  readonly twinOf: (id: string) => string | null;
}

/** What was played up to a place, so that fills stand apart. */
export interface FillsSoFar {
  /** Bars of the last fill played, and of the last ornament played unasked. */
  readonly lastBar: number;
  readonly lastOrnament: number;
}

export const NO_FILL_YET: FillsSoFar = { lastBar: -Infinity, lastOrnament: -Infinity };

interface Adding {
  /** Bars from one unasked fill to the next. */
  readonly between: number;
  /** What the dearest may cost. */
  readonly dearest: number;
}

const MEASURES: Record<Exclude<Measure, 'none'>, Adding> = {
  few: { between: 4, dearest: 6 },
  some: { between: 2, dearest: 6 },
  many: { between: 1, dearest: 7 },
};
/** Whether a proposal is cheap enough to be played unasked where so many fills are wanted. */
export function isWorthIt({ rank }: Proposal, measure: Measure): boolean {
  return measure !== 'none' && rank <= MEASURES[measure].dearest;
}

/** What chance may add, with a seed. */
const CHANCE = 3;
/** Beyond what the pianist plays, each step of skill. */
const BEYOND = 3;

/** What a proposal costs this pianist. */
export function rankFor({ rank, skill }: Proposal, { experience }: Profile): number {
  return rank + BEYOND * Math.max(0, skill - SKILL[experience]);
}

/** The entry under which a proposal was taken, by its own id or that of the part it follows; null where it was not. */
export function takenAs(
  id: string,
  { taken, declined, twinOf }: FillDecisions,
): Song['fillsTaken'][number] | null {
  const ids = [id, twinOf(id)].filter((known) => known !== null);
  if (ids.some((known) => declined.includes(known))) return null;
  return taken.find((fill) => fill.id === id) ?? taken.find((fill) => ids.includes(fill.id)) ?? null;
}

/**
 * What is played over one chord of the proposals for it: what the pianist took, as far as there is room; else the best
 * of what may be played unasked, where the measure leaves room for it after the last one.
 */
export function playedOver(
  task: FillTask,
  proposals: readonly Proposal[],
  decisions: FillDecisions,
  before: FillsSoFar,
  playing: readonly Proposal[],
  mayBeUnasked: (p: Proposal, before: FillsSoFar) => boolean = () => true,
): Proposal[] {
  const found: Proposal[] = [];
  const hasRoom = (p: Proposal): boolean => ![...playing, ...found].some((other) => overlap(p, other));
  const ranked = [...proposals].sort((a, b) => a.rank - b.rank);
  for (const proposal of ranked) {
    const entry = takenAs(proposal.id, decisions);
    if (!entry || !hasRoom(proposal)) continue;
    const asTaken = ranked.find(({ id, variant }) => id === proposal.id && variant === entry.variant);
    found.push(asTaken ?? proposal);
  }
  if (found.length > 0 || decisions.measure === 'none') return found;
  const { between, dearest } = MEASURES[decisions.measure];
  const { declined, twinOf, seed } = decisions;
  const isDeclined = (id: string): boolean => declined.includes(id) || declined.includes(twinOf(id) ?? '');
  const costOf = (p: Proposal): number => p.rank + (seed === 0 ? 0 : chance(seed, p.id + p.variant) * CHANCE);
  const open = ranked
    .filter(
      (p) =>
        !isDeclined(p.id) &&
        mayBeUnasked(p, before) &&
        hasRoom(p) &&
        barAt(task.bars, p.place.tick).number - before.lastBar >= between,
    )
    .map((p) => ({ p, cost: costOf(p) }))
    .filter(({ cost }) => cost <= dearest);
  const [best] = open.sort((a, b) => a.cost - b.cost);
  return best ? [best.p] : [];
}

/** Two fills of one hand may not sound at the same time; the left hand leaves its pattern once in a chord. */
function overlap(a: Proposal, b: Proposal): boolean {
  const isOneChord = a.hand === 'left' && a.place.from.change.id === b.place.from.change.id;
  if (a.hand === b.hand && isOneChord) return true;
  return a.hand === b.hand && a.place.tick < b.place.endTick && b.place.tick < a.place.endTick;
}

/** A number from 0 to 1 for a seed and a name: the same each time. */
function chance(seed: number, name: string): number {
  let hash = seed | 0;
  for (const letter of name) hash = Math.imul(hash ^ letter.charCodeAt(0), 0x01000193);
  return ((hash ^ (hash >>> 15)) >>> 0) / 4294967296;
}
