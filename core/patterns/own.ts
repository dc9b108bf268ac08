import { bassOf, type Chord, chroma, type Key, membersOf } from '../music';
import type { OwnPattern } from '../song';
import { aboveRoot, isMember, keyAtPlace } from './members';

/** Members a pianist can set on the grid, from the bass up; of a chord as it lies, places from its bottom. */
export const MAKER_MEMBERS = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13] as const;
export const MAKER_PLACES = [1, 2, 3, 4, 5, 6] as const;

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

/** The marks of a figure's numbered members on a grid; what lies between its steps, and graces, are left out. */
export function cellsOf(events: Events, steps: number): Cell[] {
  return events.flatMap(({ onset, members, grace }) => {
    const step = onset * steps;
    if (grace) return [];
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
  /** Struck just before its beat. */
  readonly grace?: boolean;
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
/** What a key may be: a member of the chord first, then a step of the key. */
const NUMBERS = [1, 3, 5, 7, 8, 9, 10, 12, 14, 15, 2, 4, 6, 11, 13] as const;
/** A fourth below the root is its fifth as second bass. */
const LOW_FIFTH = 'second-bass';

type Member = Events[number]['members'][number];

/**
 * What keys played over a chord are as members of it, or steps of its key: the key of the chord's bass that is struck
 * first is its root. Empty where nothing was played. `beats` is the length of the figure.
 */
export function readFigure(
  keys: readonly PlayedKey[],
  chord: Chord,
  beats: number,
  key: Key | null = null,
): ReadFigure {
  const bass = chroma(bassOf(chord));
  const first = [...keys].sort((a, b) => a.beat - b.beat || a.midi - b.midi);
  const root = first.find(({ midi }) => midi % 12 === bass)?.midi ?? rootBelow(first[0]?.midi ?? 0, bass);
  return readAs(keys, beats, (midi) => memberAt(midi - root, chord, key));
}

/** What keys played over a chord as it lies are as places of it, from its bottom; in whatever octave they were played. */
export function readPlaces(
  keys: readonly PlayedKey[],
  voicing: readonly number[],
  beats: number,
): ReadFigure {
  const lowest = Math.min(...keys.map(({ midi }) => midi));
  const up = 12 * Math.round((voicing[0] - lowest) / 12);
  const place = (midi: number): number | null =>
    MAKER_PLACES.find((number) => keyAtPlace(voicing, number) === midi + up) ?? null;
  return readAs(keys, beats, place);
}

/** Keys as a fixed line: the very keys, whatever chord they are played over. */
export function readLine(keys: readonly PlayedKey[], beats: number): Events {
  return readAs(keys, beats, (midi) => midi).events;
}

/**
 * Keys as what they stand for, drawn to the grid that fits best: those struck together are one strike, as long as they
 * were held; what stands for nothing is left out and told. Grace notes stand before the strike they lead to.
 */
function readAs(
  keys: readonly PlayedKey[],
  beats: number,
  memberOf: (midi: number) => Member | null,
): ReadFigure {
  const grid = gridOf(keys.map(({ beat }) => beat));
  const strikes = new Map<number, { members: Member[]; held: number; graces: Member[] }>();
  const strangers: number[] = [];
  for (const { beat, beats: held, midi, grace } of [...keys].sort(
    (a, b) => a.beat - b.beat || a.midi - b.midi,
  )) {
    const onset = Math.round(beat / grid);
    if (onset < 0 || onset * grid >= beats - 1e-6) continue;
    const member = memberOf(midi);
    if (member === null) {
      strangers.push(midi);
      continue;
    }
    const strike = strikes.get(onset) ?? { members: [], held: 0, graces: [] };
    const among = grace ? strike.graces : strike.members;
    if (!among.includes(member)) among.push(member);
    strikes.set(onset, { ...strike, held: Math.max(strike.held, held) });
  }
  const onsets = [...strikes.keys()].sort((a, b) => a - b);
  const events = onsets.flatMap((at, i): Events => {
    const room = (onsets[i + 1] ?? Math.round(beats / grid)) - at;
    const { members, held, graces } = strikes.get(at) as {
      members: Member[];
      held: number;
      graces: Member[];
    };
    const onset = at * grid;
    return [
      ...graces.map((member) => ({ onset, length: grid, members: [member], grace: true as const })),
      ...(members.length > 0
        ? [{ onset, length: lengthOf(held, room, grid), members: [...members].sort(fromBelow) }]
        : []),
    ];
  });
  return { events, strangers: [...new Set(strangers)].sort((a, b) => a - b) };
}

/** As long as it was held where that is clearly short of the next strike, else up to it; in beats. */
function lengthOf(held: number, room: number, grid: number): number {
  const isShort = held < SHORT * room * grid;
  return Math.min(room, isShort ? Math.max(1, Math.round(held / grid)) : room) * grid;
}

/** The low fifth lies under the root, the rest by their number. */
function fromBelow(a: Member, b: Member): number {
  const place = (member: Member): number => (typeof member === 'number' ? member : 0);
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

/** The number a key so far above the root has in a chord, or in its key; null where it has none. */
function memberAt(distance: number, chord: Chord, key: Key | null): number | typeof LOW_FIFTH | null {
  if (distance === aboveRoot(chord, 5) - 12 && aboveRoot(chord, 5) < 12) return LOW_FIFTH;
  return (
    NUMBERS.find((number) => aboveRoot(chord, number, key) === distance && hasMember(chord, number, key)) ??
    null
  );
}

/** Whether a chord has the member itself, or its key the step, and not what stands in for it. */
export function hasMember(chord: Chord, number: number, key: Key | null = null): boolean {
  if (number === 1 || number === 8 || number === 15) return true;
  if (membersOf(chord).some((member) => isMember(member.number, number))) return true;
  return key !== null && aboveRoot(chord, number, key) !== aboveRoot(chord, number);
}
