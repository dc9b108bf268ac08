import { bassOf, type Chord, chroma, membersOf } from '../music';
import type { OwnPattern } from '../song';
import { aboveRoot } from './members';

/** Members a pianist can set on the grid, from the bass up. */
export const MAKER_MEMBERS = [1, 3, 5, 7, 8, 9, 10, 12] as const;

/** A mark on the grid: this member is struck at this step. */
export interface Cell {
  /** From the start of the figure, in steps. */
  readonly step: number;
  readonly member: number;
}

/** What the events of an own pattern are counted from. */
type Events = OwnPattern['events'];

/**
 * The events that marks on a grid come to: each strike lasts until the next, the last to the end. `steps` are those of
 * a beat, `beats` the length of the figure. Null where nothing is struck.
 */
export function eventsOfCells(cells: readonly Cell[], steps: number, beats: number): Events | null {
  const onsets = [...new Set(cells.map(({ step }) => step))]
    .filter((step) => step < steps * beats)
    .sort((a, b) => a - b);
  if (onsets.length === 0) return null;
  return onsets.map((step, i) => ({
    onset: step / steps,
    length: ((onsets[i + 1] ?? steps * beats) - step) / steps,
    members: cells
      .filter((cell) => cell.step === step)
      .map(({ member }) => member)
      .sort((a, b) => a - b),
  }));
}

/** The marks of a figure's numbered members on a grid; what lies between its steps is left out. */
export function cellsOf(events: Events, steps: number): Cell[] {
  return events.flatMap(({ onset, members }) => {
    const step = onset * steps;
    if (Math.abs(step - Math.round(step)) > 1e-6) return [];
    return members.flatMap((member) =>
      typeof member === 'number' ? [{ step: Math.round(step), member }] : [],
    );
  });
}

/** One key as it was played, in beats from the start of the figure. */
export interface PlayedKey {
  readonly beat: number;
  readonly beats: number;
  readonly midi: number;
}

/**
 * Root, fifth, octave and fifth of a chord in half beats, from the lowest such root at or below a key: what a stand-in
 * plays to show how a figure is read.
 */
export function figureToShow(chord: Chord, at: number, beats: number): PlayedKey[] {
  const root = rootBelow(at, chroma(bassOf(chord)));
  const figure = [1, 5, 8, 5].map((member) => root + aboveRoot(chord, member));
  return Array.from({ length: Math.floor(2 * beats) }, (_, i) => ({
    beat: i / 2,
    beats: 0.5,
    midi: figure[i % figure.length],
  }));
}

/** A figure as it was read off keys. */
interface ReadFigure {
  readonly events: Events;
  /** Keys that are no members of the chord, left out, lowest first. */
  readonly strangers: readonly number[];
}

/** Grids a figure may lie on, in beats, and how much better a finer one must fit to be believed. */
const GRIDS: readonly (readonly [grid: number, price: number])[] = [
  [1 / 2, 0],
  [1 / 3, 0.02],
  [1 / 4, 0.02],
];
/** Held for less than this share of the time to the next strike a key is short. */
const SHORT = 0.7;
/** Over the octave from the root: what a key may be, the nearest first. */
const NUMBERS = [1, 3, 5, 7, 8, 9, 10, 12, 14, 15] as const;
/** A fourth below the root is its fifth as second bass. */
const LOW_FIFTH = 'second-bass';

/**
 * What keys played over a chord are as members of it: the key of the chord's bass that is struck first is its root;
 * onsets are drawn to the grid that fits best, keys struck together are one strike, and lengths are as long as they were
 * held. Empty where nothing was played. `beats` is the length of the figure.
 */
export function readFigure(keys: readonly PlayedKey[], chord: Chord, beats: number): ReadFigure {
  const grid = gridOf(keys.map(({ beat }) => beat));
  const bass = chroma(bassOf(chord));
  const sorted = [...keys].sort((a, b) => a.beat - b.beat || a.midi - b.midi);
  const root = sorted.find(({ midi }) => midi % 12 === bass)?.midi ?? rootBelow(sorted[0]?.midi ?? 0, bass);
  const strikes = new Map<number, { members: (number | typeof LOW_FIFTH)[]; held: number }>();
  const strangers: number[] = [];
  for (const { beat, beats: held, midi } of sorted) {
    const onset = Math.round(beat / grid);
    if (onset < 0 || onset * grid >= beats - 1e-6) continue;
    const member = memberAt(midi - root, chord);
    if (member === null) {
      strangers.push(midi);
      continue;
    }
    const strike = strikes.get(onset) ?? { members: [], held: 0 };
    if (!strike.members.includes(member)) strike.members.push(member);
    strikes.set(onset, { ...strike, held: Math.max(strike.held, held) });
  }
  const onsets = [...strikes.keys()].sort((a, b) => a - b);
  const events = onsets.map((at, i) => {
    const room = (onsets[i + 1] ?? Math.round(beats / grid)) - at;
    const { members, held } = strikes.get(at) as { members: (number | typeof LOW_FIFTH)[]; held: number };
    return { onset: at * grid, length: lengthOf(held, room, grid), members: [...members].sort(fromBelow) };
  });
  return { events, strangers: [...new Set(strangers)].sort((a, b) => a - b) };
}

/**
 * Keys as a fixed line: the very keys, whatever chord they are played over, drawn to the grid that fits best. Empty
 * where nothing was played. `beats` is the length of the figure.
 */
export function readLine(keys: readonly PlayedKey[], beats: number): Events {
  const grid = gridOf(keys.map(({ beat }) => beat));
  const strikes = new Map<number, { midis: number[]; held: number }>();
  for (const { beat, beats: held, midi } of keys) {
    const onset = Math.round(beat / grid);
    if (onset < 0 || onset * grid >= beats - 1e-6) continue;
    const strike = strikes.get(onset) ?? { midis: [], held: 0 };
    const midis = strike.midis.includes(midi) ? strike.midis : [...strike.midis, midi].sort((a, b) => a - b);
    strikes.set(onset, { midis, held: Math.max(strike.held, held) });
  }
  return [...strikes]
    .sort(([a], [b]) => a - b)
    .map(([at, { midis, held }], i, all) => ({
      onset: at * grid,
      length: lengthOf(held, (all[i + 1]?.[0] ?? Math.round(beats / grid)) - at, grid),
      members: midis,
    }));
}

/** As long as it was held where that is clearly short of the next strike, else up to it; in beats. */
function lengthOf(held: number, room: number, grid: number): number {
  const isShort = held < SHORT * room * grid;
  return Math.min(room, isShort ? Math.max(1, Math.round(held / grid)) : room) * grid;
}

/** The low fifth lies under the root, the rest by their number. */
function fromBelow(a: number | typeof LOW_FIFTH, b: number | typeof LOW_FIFTH): number {
  const place = (member: number | typeof LOW_FIFTH): number => (member === LOW_FIFTH ? 0 : member);
  return place(a) - place(b);
}

/** The coarsest grid on which the onsets lie as well as on any finer one, in beats. */
function gridOf(onsets: readonly number[]): number {
  const off = (grid: number): number =>
    onsets.reduce((sum, onset) => sum + Math.abs(onset - grid * Math.round(onset / grid)), 0) /
    Math.max(1, onsets.length);
  const [[best]] = GRIDS.map(([grid, price]) => [grid, off(grid) + price] as const).sort(
    (a, b) => a[1] - b[1],
  );
  return best;
}

function rootBelow(midi: number, bass: number): number {
  return midi - ((midi - bass + 12) % 12);
}

/** The number a key so far above the root has in a chord; null where it is no member of it. */
function memberAt(distance: number, chord: Chord): number | typeof LOW_FIFTH | null {
  if (distance === aboveRoot(chord, 5) - 12 && aboveRoot(chord, 5) < 12) return LOW_FIFTH;
  return NUMBERS.find((number) => aboveRoot(chord, number) === distance && hasMember(chord, number)) ?? null;
}

/** Whether a chord has the member itself, and not what stands in for it. */
export function hasMember(chord: Chord, number: number): boolean {
  if (number === 1 || number === 8 || number === 15) return true;
  const wanted = number > 8 && number !== 9 ? number - 7 : number;
  return membersOf(chord).some(
    (member) =>
      member.number === wanted ||
      (wanted === 3 && (member.number === 4 || member.number === 2)) ||
      (wanted === 9 && member.number === 2),
  );
}
