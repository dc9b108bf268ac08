import { type HandNote, inTime } from '../hands';
import { countAt } from '../joining';
import { midiOf, nameOf, typeset } from '../music';
import { barAt, type Song } from '../song';
import { FILL_KINDS } from './kinds';
import type { Opening, Proposal } from './proposal';
import type { FillTask } from './task';

/** A proposal and whether it is played. */
export interface Fill {
  readonly id: string;
  readonly tick: number;
  readonly length: number;
  readonly kind: string;
  readonly variant: string;
  /** "bar 4, from 2: E F♯ G♯ into A". */
  readonly where: string;
  readonly reason: string;
  readonly taken: boolean;
  readonly changeId: string;
}

/** The fills of one part: what is proposed, what is played, and where the last one played stands. */
export interface PartFills {
  readonly fills: readonly Fill[];
  readonly playing: readonly Proposal[];
  /** Bar of the last fill played up to the end of this part. */
  readonly lastBar: number;
}

/** What was decided about proposals, by the ids they go under. */
export interface FillDecisions {
  /** Proposals are played unasked, where others stand far enough off. */
  readonly isPlayedUnasked: boolean;
  readonly taken: Song['fillsTaken'];
  readonly declined: readonly string[];
  /** The id a proposal goes under in the part this one follows, where it follows one. */
  readonly twinOf: (id: string) => string | null;
}

/** No fill has been played yet. */
export const NO_FILL_YET = -Infinity;

/** Bars that pass before another fill is taken unasked, for variety. */
const BARS_BETWEEN = 2;

/** The best proposal at each opening of a part, and which are played; `lastBar` is that of the last one played before. */
export function fillPart(
  task: FillTask,
  openings: readonly Opening[],
  decisions: FillDecisions,
  lastBar: number,
): PartFills {
  const fills: Fill[] = [];
  const playing: Proposal[] = [];
  for (const opening of openings) {
    const [best] = FILL_KINDS.flatMap((propose) => propose(task, opening) ?? []).sort(
      (a, b) => a.rank - b.rank,
    );
    if (!best) continue;
    const bar = barAt(task.bars, best.place.tick).number;
    const taken = isTaken(best.id, decisions, bar - lastBar >= BARS_BETWEEN);
    if (taken) {
      lastBar = bar;
      playing.push(best);
    }
    fills.push(fillOf(task, best, taken));
  }
  return { fills, playing, lastBar };
}

function isTaken(
  id: string,
  { isPlayedUnasked, taken, declined, twinOf }: FillDecisions,
  hasRoom: boolean,
): boolean {
  const ids = [id, twinOf(id)].filter((known) => known !== null);
  if (ids.some((known) => declined.includes(known))) return false;
  return taken.some((fill) => ids.includes(fill.id)) || (isPlayedUnasked && hasRoom);
}

/** The left hand lets go of its pattern where a fill begins, and takes the key it leads to when it strikes one alone. */
export function withFills(
  left: readonly HandNote[],
  leaving: readonly Proposal[],
  arriving: readonly Proposal[],
): readonly HandNote[] {
  if (leaving.length + arriving.length === 0) return left;
  const byChange = new Map(leaving.map((fill) => [fill.place.from.change.id, fill]));
  const arrivals = new Map(arriving.map((fill) => [fill.place.endTick, fill]));
  const counts = new Map<number, number>();
  for (const { tick } of left) counts.set(tick, (counts.get(tick) ?? 0) + 1);
  const arrived = left.map((note): HandNote => {
    const fill = arrivals.get(note.tick);
    if (!fill || counts.get(note.tick) !== 1) return note;
    return { ...note, midi: midiOf(fill.goal), pitch: fill.goal };
  });
  const kept = arrived.flatMap((note) => {
    const fill = byChange.get(note.from);
    if (!fill || note.tick + note.length <= fill.place.tick) return [note];
    return note.tick >= fill.place.tick ? [] : [{ ...note, length: fill.place.tick - note.tick }];
  });
  return inTime([...kept, ...leaving.flatMap(notesOf)]);
}

function notesOf({ notes, hand, place }: Proposal): HandNote[] {
  return notes.map(({ tick, length, pitch }) => ({
    hand,
    tick,
    length,
    midi: midiOf(pitch),
    pitch,
    source: 'fill',
    from: place.from.change.id,
    lyric: null,
    grace: false,
    finger: null,
  }));
}

function fillOf(
  { bars }: FillTask,
  { id, kind, variant, place, notes, goal, reason }: Proposal,
  taken: boolean,
): Fill {
  const bar = barAt(bars, place.tick);
  const names = notes.map(({ pitch }) => typeset(nameOf(pitch))).join(' ');
  return {
    id,
    tick: place.tick,
    length: place.endTick - place.tick,
    kind,
    variant,
    where: `bar ${bar.number}, from ${countAt(bar, place.tick)}: ${names} to ${typeset(nameOf(goal))}, ${variant}`,
    reason,
    taken,
    changeId: place.from.change.id,
  };
}
