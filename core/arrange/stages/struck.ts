import { type PartFills, type Proposal, withKeptFills, withLeftFills, withRightFills } from '../../fills';
import { type Hand, type HandNote, inTime } from '../../hands';
import type { PartHands } from '../../joining';
import { oneKeyAtATime, without, type Written, type WrittenHand } from '../../own';
import { indexAt, onsetsOf } from '../../song';
import type { SongContext } from '../context';
import { type ByPart, once } from './byPart';

/** Both hands as struck, with fills, without fingers. */
export type StruckPart = Readonly<Record<Hand, readonly HandNote[]>>;

export interface StruckStage {
  /** What melody, chords and fills of a part strike, wherever that is. */
  readonly soundedOf: ByPart<StruckPart>;
  /** What is struck while a part lasts. */
  readonly struckOf: ByPart<StruckPart>;
  /** The parts that may sound while one lasts: chords and notes ring on, or are struck again, into later parts. */
  readonly soundingIn: ByPart<readonly number[]>;
}

/** Third stage: the melody, what is beside it and the fills put together, and cut where parts begin. */
export function struckStage(
  context: SongContext,
  handsOf: ByPart<PartHands>,
  fillsOf: ByPart<PartFills>,
): StruckStage {
  const { parts, material, memory } = context;
  const struckMade = memory.of<StruckPart>('struck');
  const soundedOf = soundedIn(context, handsOf, fillsOf);
  const ringsUntil = ringingOf(context);
  const soundingIn = (index: number): number[] => {
    const indices = [index];
    for (let at = index - 1; at >= 0 && ringsUntil[at] > parts[index].fromTick; at--) indices.unshift(at);
    return indices;
  };
  const struckOf = once((index): StruckPart => {
    const { cutId, fromTick, toTick } = parts[index];
    // A settled part has stored all that is struck while it lasts, from whatever part it came.
    const around = (material[index].settled?.keys ? [index] : soundingIn(index)).map(soundedOf);
    const handIn = (hand: Hand): readonly HandNote[] => {
      const all = around.length === 1 ? around[0][hand] : inTime(around.flatMap((part) => part[hand]));
      return all.every(({ tick }) => tick >= fromTick && tick < toTick)
        ? all
        : all.filter(({ tick }) => tick >= fromTick && tick < toTick);
    };
    const [right, left] = [handIn('right'), handIn('left')];
    return struckMade(cutId, [right, left], () => ({ right, left }));
  });
  return { soundedOf, struckOf, soundingIn };
}

function soundedIn(
  context: SongContext,
  handsOf: ByPart<PartHands>,
  fillsOf: ByPart<PartFills>,
): ByPart<StruckPart> {
  const { material, played, memory } = context;
  const made = memory.of<StruckPart>('sounded');
  let arrivals: readonly (readonly Proposal[])[] | null = null;
  return once((index) => {
    const { part, melody: own, settled, written } = material[index];
    const { notes, right } = handsOf(index);
    const { playing } = fillsOf(index);
    const arriving = settled?.keys ? [] : (arrivals ??= arrivalsIn(context, fillsOf))[index];
    return made(part.cutId, [own, notes, right, playing, arriving, settled, written], () => {
      const tune = settled?.keys ? withKeptFills(own, right, settled.fills, onsetsOf(played)) : own;
      const both = oneKeyAtATime(tune, right);
      const struck = {
        right: withRightFills(right.length === 0 ? tune : inTime([...both.tune, ...both.beside]), playing),
        left: withLeftFills(notes, playing, arriving),
      };
      return settled?.keys ? struck : clearedOf(written, struck);
    });
  });
}

/** What a fill holds is let go where something is written by hand. */
function clearedOf(written: Written, { right, left }: StruckPart): StruckPart {
  const clear = (notes: readonly HandNote[], { closed }: WrittenHand): readonly HandNote[] =>
    closed.length === 0
      ? notes
      : notes.flatMap((note) => (note.source === 'own' ? [note] : without([note], closed)));
  return { right: clear(right, written.right), left: clear(left, written.left) };
}

/** For each part the fills of earlier parts that lead into it. */
function arrivalsIn({ parts }: SongContext, fillsOf: ByPart<PartFills>): Proposal[][] {
  const starts = parts.map((part) => ({ tick: part.fromTick }));
  const lists = parts.map((): Proposal[] => []);
  parts.forEach((_, index) => {
    for (const fill of fillsOf(index).playing)
      if (fill.goal) lists[indexAt(starts, fill.place.endTick)].push(fill);
  });
  return lists;
}

/** For each part until when what begins up to its end rings at the latest. */
function ringingOf({ material }: SongContext): number[] {
  let longest = 0;
  return material.map(({ melody, voiced }) => {
    for (const { tick, length } of melody) longest = Math.max(longest, tick + length);
    for (const { change, length } of voiced) longest = Math.max(longest, change.tick + length);
    return longest;
  });
}
