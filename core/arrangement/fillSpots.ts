import { DRESSINGS, type Fill } from '../fills';
import type { Hand, HandNote } from '../hands';
import { countAt } from '../joining';
import { beatTicks } from '../music';
import type { Part } from '../parts';
import { barAt } from '../song';
import type { Arrangement } from './arrangement';
import { changesIn } from './changesIn';

/** Where a hand is: the keys it struck last and their fingers. */
interface HandPlace {
  readonly hand: Hand;
  readonly keys: readonly Pick<HandNote, 'pitch' | 'finger'>[];
}

/** A chord of a part over which something could be filled in. */
export interface FillSpot {
  readonly changeId: string;
  readonly symbol: string;
  /** Of the first proposal; 0 is the pick-up. */
  readonly bar: number;
  readonly count: string;
  readonly tick: number;
  /** What makes the room. */
  readonly what: 'held-note' | 'rest' | 'part-end' | 'last-bars' | 'long-chord' | 'strong-notes';
  /** Beats of the longest place. */
  readonly beats: number;
  /** The hands that have something to play there. */
  readonly hands: readonly Hand[];
  /** The keys each of them lies on there, lowest first, and by which fingers. */
  readonly lies: readonly HandPlace[];
  /** Best first; each way a kind can be played is one. */
  readonly fills: readonly Fill[];
}

/** The places of a part that have room, in time, each with what fits there. */
export function fillSpots(arrangement: Arrangement, part: Part): FillSpot[] {
  const { fills, played } = arrangement;
  const byChange = new Map<string, Fill[]>();
  for (const fill of fills) byChange.set(fill.changeId, [...(byChange.get(fill.changeId) ?? []), fill]);
  return changesIn(arrangement.changes, part).flatMap(({ change }): FillSpot[] => {
    const here = byChange.get(change.id);
    if (!here) return [];
    const gaps = here.filter(isGap);
    const first = [...(gaps.length > 0 ? gaps : here)].sort((a, b) => a.tick - b.tick)[0];
    const bar = barAt(played.bars, first.tick);
    const pulse = beatTicks(bar.metre);
    const hands = (['right', 'left'] as const).filter((hand) => here.some((fill) => fill.hand === hand));
    return [
      {
        changeId: change.id,
        symbol: change.symbol,
        bar: bar.number,
        count: countAt(bar, first.tick),
        tick: first.tick,
        what: whatMakesRoom(arrangement, part, first, change, gaps.length > 0, pulse),
        beats:
          Math.round((Math.max(...(gaps.length > 0 ? gaps : here).map(({ length }) => length)) / pulse) * 2) /
          2,
        hands,
        lies: hands.map((hand) => placeOf(arrangement[hand], hand, first.tick)),
        fills: here,
      },
    ];
  });
}

/** The last keys of a hand at or before a tick that are not filled in. */
function placeOf(notes: readonly HandNote[], hand: Hand, tick: number): HandPlace {
  const own = notes.filter((note) => note.tick <= tick && !note.grace && note.source !== 'fill');
  const last = own.reduce((latest, note) => Math.max(latest, note.tick), -1);
  const keys = own.filter((note) => note.tick === last).sort((a, b) => a.midi - b.midi);
  return { hand, keys: keys.map(({ pitch, finger }) => ({ pitch, finger })) };
}

/** Kinds that give the tune more keys. */
const ADDED_TO_TUNE: ReadonlySet<string> = new Set(DRESSINGS);

/** Something is filled in where there is room, and not only added to the tune. */
function isGap({ kind, hand }: Fill): boolean {
  return hand === 'left' || !ADDED_TO_TUNE.has(kind);
}

function whatMakesRoom(
  { right, played }: Arrangement,
  part: Part,
  first: Fill,
  change: { readonly tick: number; readonly length: number },
  hasGap: boolean,
  pulse: number,
): FillSpot['what'] {
  if (change.tick + change.length >= played.endTick) return 'last-bars';
  if (!hasGap) return 'strong-notes';
  if (first.tick + first.length >= part.toTick) return 'part-end';
  const sounding = right.findLast(
    ({ tick, source, grace }) => source === 'melody' && !grace && tick <= first.tick,
  );
  const written = played.melody.find(({ id }) => id === sounding?.from);
  if (written && written.tick + written.length <= first.tick) return 'rest';
  if (written && written.length >= 2 * pulse) return 'held-note';
  return 'long-chord';
}

/** One proposal of a kind at each place of the song that has room for it, the way it is played kept where there is one. */
export function likePlaces({ fills }: Arrangement, { kind, variant }: Fill): Fill[] {
  const byChange = new Map<string, Fill>();
  for (const fill of fills) {
    if (fill.kind !== kind) continue;
    const known = byChange.get(fill.changeId);
    if (!known || (known.variant !== variant && fill.variant === variant)) byChange.set(fill.changeId, fill);
  }
  return [...byChange.values()];
}

/** The ids a fill goes under in the other parts of which this one is a copy, or that are copies of it: chord for chord. */
export function otherPasses(arrangement: Arrangement, part: Part, { id, changeId }: Fill): string[] {
  const family = part.sharesWith ?? part.number;
  const at = changesIn(arrangement.changes, part).findIndex(({ change }) => change.id === changeId);
  return arrangement.parts.flatMap((other) => {
    if (other === part || (other.sharesWith ?? other.number) !== family) return [];
    const twin = changesIn(arrangement.changes, other)[at];
    return twin ? [`${id.split(':', 1)[0]}:${twin.change.id}`] : [];
  });
}
