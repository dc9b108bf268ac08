import type { Hand, HandNote } from '../hands';
import { reachMm, spanMm, TICKS_PER_QUARTER } from '../music';
import type { HandEvent } from './event';
import { finger, fingersCost, type Thumb } from './finger';

/** A rest this long lets the hand move at leisure. */
const LEISURE_TICKS = TICKS_PER_QUARTER;
/** So does a note held this long, at the end of a part: there is time to look where the next one begins. */
const LONG_NOTE_TICKS = 2 * TICKS_PER_QUARTER;

/** Fingers decided elsewhere for keys struck together, lowest key first, null for a key left free; null where all are. */
export type FixedFingers = (group: readonly HandNote[]) => readonly (number | null)[] | null;

/** Where a hand comes from: what it struck last, the latest last, with the fingers on it. Empty: from nowhere. */
export type HandState = readonly { readonly keys: readonly number[]; readonly fingers: readonly number[] }[];

export const FROM_NOWHERE: HandState = [];
/** The cost model looks at three strikes in a row: what went before those does not matter. */
const REMEMBERED = 2;

/** Notes of one part with a finger on each, and where they leave the hand. */
interface FingeredPart {
  readonly notes: readonly HandNote[];
  readonly leaves: HandState;
}

/** What a hand strikes first in the next part, of its notes in time: it is laid for that. Nothing where it is free there. */
export function landingOf(notes: readonly HandNote[]): readonly HandNote[] {
  return together(notes.slice(0, LANDING * 5))
    .slice(0, LANDING)
    .flat();
}

/** Strikes of the next part that are looked at. */
const LANDING = 2;

/**
 * The notes of a part with a finger on each, the hand coming from where the part before left it and going on to what
 * the next one strikes first (`landing`). `fixed` gives the fingers of keys struck together that were pinned or learned,
 * lowest key first, or null.
 */
export function fingerPart(
  notes: readonly HandNote[],
  hand: Hand,
  reach: number,
  from: HandState,
  landing: readonly HandNote[],
  fixed: FixedFingers,
  thumb: Thumb = 'usual',
): FingeredPart {
  const groups = together(notes);
  if (groups.length === 0) return { notes, leaves: from };
  const next = together(landing);
  const before = from.map(({ keys, fingers }): HandEvent => ({ keys, afterRest: false, pinned: fingers }));
  const all = eventsOf([...groups, ...next], reach, (group, i) => (i < groups.length ? fixed(group) : null));
  const own = all.slice(0, groups.length);
  const fingers = finger([...before, ...all], hand, reach, true, thumb)
    .slice(before.length, before.length + own.length)
    .map((ofEvent, i) => ofEvent.filter((_, n) => !own[i].held?.includes(own[i].keys[n])));
  const leaves = [
    ...from,
    ...groups.map((group, i) => ({ keys: group.map(({ midi }) => midi), fingers: fingers[i] })),
  ].slice(-REMEMBERED);
  return {
    notes: groups.flatMap((group, i) => group.map((note, n) => ({ ...note, finger: fingers[i][n] ?? null }))),
    leaves,
  };
}

/** What the fingers of a line cost by the measure they were chosen by; 0 where there are none. */
export function costOfFingers(
  notes: readonly HandNote[],
  hand: Hand,
  reach: number,
  thumb: Thumb = 'usual',
): number {
  const groups = together(notes);
  if (notes.some(({ finger: own }) => own === null)) return 0;
  const events = eventsOf(groups, reach, (group) => group.map(({ finger: own }) => own));
  return fingersCost(events, hand, reach, thumb);
}

/** A key that is held for less than this, in ticks, after another is struck is let go with it. */
const OVERLAP = 120;
const FINGERS = 5;

/** What a hand strikes, group by group, with what it holds on meanwhile, as far as it spans that. */
function eventsOf(
  groups: readonly (readonly HandNote[])[],
  reach: number,
  pinnedOf: (group: readonly HandNote[], index: number) => HandEvent['pinned'],
): HandEvent[] {
  let sounding: HandNote[] = [];
  return groups.map((group, i): HandEvent => {
    const [{ tick }] = group;
    const struck = new Set(group.map(({ midi }) => midi));
    sounding = sounding.filter((note) => note.tick + note.length - tick >= OVERLAP && !struck.has(note.midi));
    const afterRest = i > 0 && restBefore(group, groups[i - 1]) >= LEISURE_TICKS && sounding.length === 0;
    const pinned = pinnedOf(group, i);
    const all = [...group, ...sounding].sort((a, b) => a.midi - b.midi);
    const isSpanned =
      all.length <= FINGERS && spanMm(all[0].midi, all[all.length - 1].midi) <= reachMm(reach);
    const held = isSpanned && !group[0].grace ? sounding.map(({ midi }) => midi) : [];
    sounding = [...sounding, ...group.filter(({ grace }) => !grace)];
    if (held.length === 0) return { keys: group.map(({ midi }) => midi), afterRest, pinned };
    const fingerOf = (note: HandNote): number | null =>
      pinned?.[group.indexOf(note)] ?? (struck.has(note.midi) ? null : note.finger);
    return {
      keys: all.map(({ midi }) => midi),
      held,
      afterRest,
      pinned: pinned ? all.map(fingerOf) : null,
    };
  });
}

function restBefore([note]: readonly HandNote[], [before]: readonly HandNote[]): number {
  return note.tick - (before.tick + before.length);
}

/** Whether a hand is free where a part begins: after a rest, or a long note it could leave at leisure. */
export function isFreeBetween(before: readonly HandNote[], first: HandNote | undefined): boolean {
  const last = before[before.length - 1];
  if (!last || !first) return true;
  return first.tick - (last.tick + last.length) >= LEISURE_TICKS || last.length >= LONG_NOTE_TICKS;
}

/** Notes struck at the same tick, lowest first; grace notes stand alone. */
export function together(notes: readonly HandNote[]): HandNote[][] {
  const groups: HandNote[][] = [];
  for (const note of notes) {
    const last = groups[groups.length - 1];
    if (last && last[0].tick === note.tick && !last[0].grace && !note.grace) last.push(note);
    else groups.push([note]);
  }
  return groups;
}
