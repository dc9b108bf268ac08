import { lazily } from '../memory';
import { chroma, isModal, KEYBOARDS, membersOf, midiOf, scaleOf } from '../music';
import { barAt } from '../song';
import { isCleanFill } from './clean';
import { belongs } from './belongs';
import { type FillDecisions, type FillsSoFar, isWorthIt, playedOver, rankFor, takenAs } from './deciding';
import { type Fill, fillOf } from './fill';
import { FILL_KINDS, kindOfId } from './kinds/table';
import { ownNotes } from './ownNotes';
import type { Opening, Proposal } from './proposal';
import { stillsOf } from './stills';
import type { FillTask } from './task';

/** A fill that was taken and cannot be played as it was. */
export interface WaitingFill {
  readonly id: string;
  readonly tick: number;
  readonly kind: string;
  readonly why: 'no-place' | 'too-long';
}

/** The fills of one part: what is played, what waits, and what had been played when it ends; all that is proposed, when asked for. */
export interface PartFills {
  readonly fills: () => readonly Fill[];
  readonly playing: readonly Proposal[];
  readonly waiting: readonly WaitingFill[];
  readonly after: FillsSoFar;
}

/** The proposals of some kinds for a part on the pianist's keyboard, the best first at each place, what the pianist can play counted in. */
function proposalsFor(
  task: FillTask,
  openings: readonly Opening[],
  kinds: typeof FILL_KINDS,
): readonly Proposal[] {
  const stills = stillsOf(task);
  const { low, high } = KEYBOARDS[task.profile.keyboard];
  const isOnKeyboard = ({ notes }: Proposal): boolean =>
    notes.every(({ pitch }) => midiOf(pitch) >= low && midiOf(pitch) <= high);
  return kinds
    .flatMap(({ propose }) => propose(task, openings, stills))
    .filter((proposal) => isOnKeyboard(proposal) && isOfMode(proposal) && isOpen(proposal, task))
    .map((proposal) => ({ ...proposal, rank: rankFor(proposal, task.profile) }))
    .sort((a, b) => a.place.from.change.tick - b.place.from.change.tick || a.rank - b.rank);
}

/** Nothing is filled in over what the pianist wrote. */
function isOpen({ hand, place }: Proposal, { closed }: FillTask): boolean {
  return !closed.some((own) => own.hand === hand && own.tick < place.endTick && place.tick < own.endTick);
}

/** In a mode nothing is filled in that neither its scale nor the chord it is played over or leads to has. */
function isOfMode({ notes, place: { from, into } }: Proposal): boolean {
  if (!isModal(from.key.mode)) return true;
  const members = [from, into].flatMap((voiced) => (voiced ? membersOf(voiced.chord) : []));
  const usual = new Set([...scaleOf(from.key).map(chroma), ...members.map((member) => member.chroma)]);
  return notes.every(({ pitch }) => usual.has(chroma(pitch)));
}

/** What is proposed in a part, and what of it is played; `before`: what was played up to its beginning. */
export function fillPart(
  task: FillTask,
  openings: readonly Opening[],
  decisions: FillDecisions,
  before: FillsSoFar,
): PartFills {
  // What is played is unasked or taken: only of such kinds must be known what could be, to know what is.
  const takenKinds = new Set(decisions.taken.map(({ id }) => kindOfId(id)));
  const proposals = proposalsFor(
    task,
    openings,
    FILL_KINDS.filter((kind) => kind.isUnasked || kind.kind === task.style?.ornament || takenKinds.has(kind)),
  );
  const playing: Proposal[] = [];
  const changed = new Set<Proposal>();
  const waiting: WaitingFill[] = [];
  let after = before;
  const barOf = ({ place }: Proposal): number => barAt(task.bars, place.tick).number;
  const isUnasked = ({ id, hand }: Proposal): boolean =>
    kindOfId(id)?.isUnasked === true && (hand === 'left' || !task.style?.isUnanswered);
  // Where an answer has room there is no ornament, and where few are wanted no walk takes its place.
  const answered = new Set(
    proposals
      .filter(
        (p) => p.hand === 'right' && isUnasked(p) && isWorthIt(p, decisions.measure) && isCleanFill(p, task),
      )
      .map(barOf),
  );
  const givesWay = (p: Proposal): boolean =>
    decisions.measure === 'few' &&
    p.hand === 'left' &&
    [...answered].some((bar) => Math.abs(bar - barOf(p)) < 4);
  const isClean = (proposal: Proposal, so: FillsSoFar): boolean =>
    !givesWay(proposal) &&
    (isUnasked(proposal) || (!answered.has(barOf(proposal)) && belongs(proposal, task, decisions, so))) &&
    isCleanFill(proposal, task);
  for (const change of new Set(proposals.map(({ place }) => place.from.change.id))) {
    const here = proposals.filter(({ place }) => place.from.change.id === change);
    for (const chosen of playedOver(task, here, decisions, after, playing, isClean)) {
      const entry = takenAs(chosen.id, decisions);
      const own = entry?.notes ? ownNotes(chosen, entry.notes) : null;
      if (own === 'too-long') {
        waiting.push({ id: chosen.id, tick: chosen.place.tick, kind: chosen.kind, why: 'too-long' });
        continue;
      }
      playing.push(own ?? chosen);
      if (own) changed.add(own);
      const lastBar = barOf(chosen);
      after = { lastBar, lastOrnament: chosen.kind === task.style?.ornament ? lastBar : after.lastOrnament };
    }
  }
  waiting.push(...withoutPlace(task, proposals, decisions));
  const isPlayed = (p: Proposal): Proposal | undefined =>
    playing.find(({ id, variant }) => id === p.id && variant === p.variant);
  const fills = lazily(() =>
    proposalsFor(task, openings, FILL_KINDS).map((proposal) => {
      const played = isPlayed(proposal);
      return fillOf(played ?? proposal, played !== undefined, played !== undefined && changed.has(played));
    }),
  );
  return { fills, playing, waiting, after };
}

/** What was taken over a chord of the part and is proposed there no more: the song changed under it. */
function withoutPlace(
  task: FillTask,
  proposals: readonly Proposal[],
  { taken }: FillDecisions,
): WaitingFill[] {
  const known = new Set(proposals.map(({ id }) => id));
  return task.voiced.flatMap(({ change }) =>
    taken
      .filter(({ id }) => id.endsWith(`:${change.id}`) && !known.has(id))
      .map(({ id, kind }): WaitingFill => ({ id, tick: change.tick, kind, why: 'no-place' })),
  );
}
