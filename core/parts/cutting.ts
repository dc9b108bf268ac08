import { barAt, type PlayedSong, type Song, type SongEdit } from '../song';
import { cutIdAt, type Part } from './parts';

/** The pianist's hand on the cuts: each gives the edit, or null where there is nothing to do. */
type Cutting = SongEdit | null;

/**
 * Ticks where a part may begin, in time: where a note or a chord is struck or a bar begins, and no note of the melody
 * is held over. A note is never in two parts.
 */
export function cutPlaces({ melody, changes, bars }: PlayedSong): number[] {
  const notes = melody.filter((note) => !note.grace);
  const held = heldOver(notes);
  const ticks = new Set([...notes, ...changes, ...bars].map((item) => item.tick));
  return [...ticks].filter((tick) => tick > 0 && !held(tick)).sort((a, b) => a - b);
}

/** Tells whether a note struck before a tick still sounds at it. */
function heldOver(
  notes: readonly { readonly tick: number; readonly length: number }[],
): (tick: number) => boolean {
  const ends: { readonly tick: number; readonly end: number }[] = [];
  for (const { tick, length } of notes)
    ends.push({ tick, end: Math.max(tick + length, ends.at(-1)?.end ?? 0) });
  const before = (tick: number): number => {
    let [low, high] = [0, ends.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (ends[middle].tick < tick) low = middle + 1;
      else high = middle;
    }
    return low - 1;
  };
  return (tick) => (ends[before(tick)]?.end ?? 0) > tick;
}

/** The place nearest to a tick where a part may begin; null when there is none. */
export function nearestPlace(places: readonly number[], tick: number): number | null {
  return places.reduce<number | null>(
    (best, place) => (best === null || Math.abs(place - tick) < Math.abs(best - tick) ? place : best),
    null,
  );
}

/** All cuts as they stand, for the pianist to go on from. */
function cutsNow(parts: readonly Part[]): Song['cuts'] {
  return parts.map((part) => ({ id: part.cutId, tick: part.fromTick, locked: part.isLocked }));
}

/** A new part begins at a tick. */
export function splitAt(parts: readonly Part[], tick: number): Cutting {
  const cuts = cutsNow(parts);
  if (tick <= 0 || tick >= (parts.at(-1)?.toTick ?? 0) || cuts.some((cut) => cut.tick === tick)) return null;
  const id = cutIdAt(tick, new Set(cuts.map((cut) => cut.id)));
  const placed = [...cuts, { id, tick, locked: false }].sort((a, b) => a.tick - b.tick);
  return { kind: 'cuts-placed', what: 'split part', cuts: placed };
}

/** Where a part is best split: the place nearest its middle, on a bar line when one is near. */
export function splitPlace(played: PlayedSong, part: Part): number | null {
  const inside = cutPlaces(played).filter((tick) => tick > part.fromTick && tick < part.toTick);
  const middle = (part.fromTick + part.toTick) / 2;
  const away = (tick: number): number => {
    const bar = barAt(played.bars, tick);
    return Math.abs(tick - middle) + (bar.tick === tick ? 0 : bar.length / 2);
  };
  return inside.reduce<number | null>((best, t) => (best === null || away(t) < away(best) ? t : best), null);
}

/** A part and the next become one. */
export function joinWithNext(parts: readonly Part[], index: number): Cutting {
  const next = parts[index + 1];
  if (!next) return null;
  const cuts = cutsNow(parts).filter((cut) => cut.id !== next.cutId);
  return { kind: 'cuts-placed', what: 'joined parts', cuts };
}

/** The cut a part begins with is moved, at most up to its neighbours; the first stays. */
export function moveCut(parts: readonly Part[], index: number, tick: number): Cutting {
  const part = parts[index];
  if (index === 0 || !part || tick === part.fromTick) return null;
  if (tick <= parts[index - 1].fromTick || tick >= part.toTick) return null;
  const cuts = cutsNow(parts).map((cut) => (cut.id === part.cutId ? { ...cut, tick } : cut));
  return { kind: 'cuts-placed', what: 'moved cut', cuts };
}

/** The cut a part begins with is moved to the next or previous place where a part may begin. */
export function nudgeCut(played: PlayedSong, parts: readonly Part[], index: number, by: 1 | -1): Cutting {
  const from = parts[index]?.fromTick ?? 0;
  const places = cutPlaces(played);
  const to = by > 0 ? places.find((tick) => tick > from) : places.findLast((tick) => tick < from);
  return to === undefined ? null : moveCut(parts, index, to);
}

/** A locked cut is kept when the song is cut anew. */
export function lockCut(parts: readonly Part[], index: number): Cutting {
  const part = parts[index];
  if (!part || index === 0) return null;
  return { kind: 'cut-locked', id: part.cutId, tick: part.fromTick, locked: !part.isLocked };
}

/** Choices that belong to a part even when it follows another; all others are made for the part that is followed. */
export function cutIdForChoice(parts: readonly Part[], part: Part, isOwn: boolean): string {
  return part.sharesWith === null || isOwn ? part.cutId : parts[part.sharesWith - 1].cutId;
}
