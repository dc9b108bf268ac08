import { type Hand, type HandNote, isPass } from '@joined-hands/core/hands';
import { classNameOf, staffStep, typeset } from '@joined-hands/core/music';
import { LETTER_ROOM } from './seam-rows';
import type { BlockShape, NoteShape } from './seam-shapes';
import type { SeamView } from './seam-view';

export const NOTE_HEIGHT = 27;
export const BLOCK_HEIGHT = 25;
/** A moving left hand is drawn no higher than this, however wide it goes. */
const LEFT_LANE_MOST = 150;

/** The view with the height of a staff step it is drawn at. */
export interface View extends SeamView {
  /** Pixels a staff step. */
  readonly step: number;
}

/** Where ticks of a row lie. */
export interface RowPlace {
  readonly x: (tick: number) => number;
  readonly perTick: number;
  readonly rowEnd: number;
}

/** A lane is as high as the part's range asks, and as the keys struck together need at the least. */
export function rightHeight(view: View): number {
  const stacked = view.rightMost * (NOTE_HEIGHT + 2) + 10;
  const byPitch = Math.max(stacked, stepsOf(view.rightRange) * view.step + NOTE_HEIGHT + 8);
  return (view.rightStacks ? stacked : byPitch) + under(view);
}

/** Where keys are struck together, a finger may stand under the lowest. */
function under({ rightMost }: View): number {
  return rightMost > 1 ? 7 : 0;
}

export function leftHeight(view: View): number {
  const stacked = view.leftMost * (BLOCK_HEIGHT + 1) + 2;
  return view.byPitch
    ? Math.max(stacked, stepsOf(view.leftRange) * leftStep(view) + BLOCK_HEIGHT + 6)
    : stacked;
}

function stepsOf([low, high]: readonly [number, number]): number {
  return high - low;
}

function leftStep(view: View): number {
  return Math.min(view.step, (LEFT_LANE_MOST - BLOCK_HEIGHT) / Math.max(1, stepsOf(view.leftRange)));
}

/** What the seam calls the shape of a note of the right hand. */
export function shapeOf({ from, midi, tick, source }: HandNote): string {
  return source === 'melody' ? from : `${from}:${midi}@${tick}`;
}

/** What the seam calls the shape of a key of the left hand. */
export function leftShapeOf({ tick, midi }: Pick<HandNote, 'tick' | 'midi'>): string {
  return `left ${tick} ${midi}`;
}

/** Pixels of a grace note. */
const GRACE_WIDTH = 18;

/** The notes of the right hand in a row, as they are drawn. */
export function noteShapes(
  view: View,
  notes: readonly HandNote[],
  { x, perTick }: RowPlace,
  top: number,
): NoteShape[] {
  const strikes = together(notes);
  return strikes.flatMap((keys, at) => {
    const heights = view.rightStacks ? stacked(view, keys, top) : noteHeights(view, keys, top);
    return keys.map((note, i): NoteShape => {
      // A grace note stands in the last of the note before.
      const isBeforeGrace = strikes[at + 1]?.[0].grace === true;
      const whole = note.length * perTick - 4;
      const width = note.grace
        ? GRACE_WIDTH
        : Math.max(LETTER_ROOM - 1, isBeforeGrace ? whole - GRACE_WIDTH : whole);
      const letter = typeset(classNameOf(note.pitch));
      return {
        id: shapeOf(note),
        from: note.from,
        tick: note.tick,
        x: note.grace ? x(note.tick) - GRACE_WIDTH : x(note.tick),
        y: heights[i].y,
        width,
        letter,
        finger: note.finger,
        fingerAt: note.grace ? null : fingerPlace('right', width, letter, i, keys.length),
        midi: note.midi,
        octaveMark: heights[i].octaveMark,
        isGrace: note.grace,
        isFill: note.source === 'fill',
        isPass: passesAt(strikes, at, 'right'),
        isInner: i < keys.length - 1,
      };
    });
  });
}

/** Keys struck at one tick, lowest first; grace notes stand alone. */
function together(notes: readonly HandNote[]): HandNote[][] {
  const groups = new Map<string, HandNote[]>();
  for (const note of notes) {
    const name = note.grace ? `${note.tick} ${note.from}` : String(note.tick);
    groups.set(name, [...(groups.get(name) ?? []), note]);
  }
  return [...groups.values()]
    .map((keys) => keys.sort((a, b) => a.midi - b.midi))
    .sort(([a], [b]) => a.tick - b.tick || Number(b.grace) - Number(a.grace));
}

/**
 * Beside the letter where there is room, else outside a strike: over its top key, under its lowest; that of a single key as
 * in print, over it for the right hand, under it for the left.
 */
function fingerPlace(
  hand: Hand,
  width: number,
  letter: string,
  order: number,
  count: number,
): 'in' | 'over' | 'under' | null {
  if (width > (letter.length > 1 ? 54 : 44)) return 'in';
  if (count === 1) return hand === 'right' ? 'over' : 'under';
  if (order === count - 1) return 'over';
  return order === 0 ? 'under' : null;
}

interface Height {
  readonly y: number;
  readonly octaveMark: string;
}

/** One above the other, whatever their pitch: a stack under the melody hangs from the top row. */
function stacked(view: View, keys: readonly HandNote[], top: number): Height[] {
  const lift = view.isUnderMelody ? Math.max(0, view.rightMost - keys.length) : 0;
  return keys.map((_, order) => ({
    y: top + 4 + (view.rightMost - 1 - order - lift) * (NOTE_HEIGHT + 2),
    octaveMark: '',
  }));
}

/** By pitch; keys beside the tune each at least their own height away, so that none hides another, inside the lane. */
function noteHeights(view: View, keys: readonly HandNote[], top: number): Height[] {
  const [low, high] = view.rightRange;
  const byPitch = keys.map(({ pitch }) => {
    const { step, octaveMark } = inRange(staffStep(pitch), low, high);
    return { y: top + 4 + (high - step) * view.step, octaveMark };
  });
  const tune = Math.max(
    0,
    keys.findIndex(({ source }) => source === 'melody'),
  );
  const heights = byPitch.map(({ y }) => y);
  for (let i = tune - 1; i >= 0; i--) heights[i] = Math.max(heights[i], heights[i + 1] + NOTE_HEIGHT + 1);
  for (let i = tune + 1; i < keys.length; i++)
    heights[i] = Math.min(heights[i], heights[i - 1] - NOTE_HEIGHT - 1);
  const bottom = top + rightHeight(view) - NOTE_HEIGHT - under(view);
  const below = Math.max(0, Math.max(...heights) - bottom);
  const above = Math.max(0, top - Math.min(...heights));
  return heights.map((y, i) => ({ y: y - below + above, octaveMark: byPitch[i].octaveMark }));
}

/** An outlier is drawn an octave nearer, and says so. */
function inRange(
  step: number,
  low: number,
  high: number,
): { readonly step: number; readonly octaveMark: string } {
  let octaveMark = '';
  while (step > high) [step, octaveMark] = [step - 7, '8 up'];
  while (step < low) [step, octaveMark] = [step + 7, '8 down'];
  return { step, octaveMark };
}

/** The keys of the left hand in a row, as they are drawn. */
export function blockShapes(
  view: View,
  notes: readonly HandNote[],
  { x, perTick, rowEnd }: RowPlace,
  top: number,
): BlockShape[] {
  const strikes = together(notes);
  return strikes.flatMap((keys, at) => {
    const heights = blockHeights(view, keys, top);
    return keys.map((note, order): BlockShape => {
      const length = Math.min(note.length, rowEnd - note.tick);
      const width = Math.max(LETTER_ROOM - 1, length * perTick - 4);
      const letter = typeset(classNameOf(note.pitch));
      return {
        id: leftShapeOf(note),
        changeId: note.from,
        tick: note.tick,
        x: x(note.tick),
        y: heights[order].y,
        width,
        letter,
        finger: note.finger,
        fingerAt: fingerPlace('left', width, letter, order, keys.length),
        midi: note.midi,
        isFill: note.source === 'fill',
        octaveMark: heights[order].octaveMark,
        isPass: passesAt(strikes, at, 'left'),
        isInner: order > 0,
      };
    });
  });
}

/** The thumb goes under, or a finger over it, from the single key before to this one. */
function passesAt(strikes: readonly (readonly HandNote[])[], at: number, hand: Hand): boolean {
  const [before, here] = [strikes[at - 1], strikes[at]];
  return before?.length === 1 && here.length === 1 && isPass(before[0], here[0], hand);
}

/**
 * Where keys struck together are drawn, from the lowest: stacked; a moving hand by pitch, each at least its own height
 * above the one below, so that none hides another, and the whole stack inside its lane.
 */
function blockHeights(view: View, keys: readonly HandNote[], top: number): Height[] {
  const bottom = top + leftHeight(view) - BLOCK_HEIGHT;
  const [low, high] = view.leftRange;
  const placed: Height[] = [];
  keys.forEach((note, order) => {
    if (!view.byPitch) return placed.push({ y: bottom - order * (BLOCK_HEIGHT + 1), octaveMark: '' });
    const { step, octaveMark } = inRange(staffStep(note.pitch), low, high);
    const byPitch = bottom - (step - low) * leftStep(view);
    const below = placed[order - 1];
    return placed.push({ y: below ? Math.min(byPitch, below.y - BLOCK_HEIGHT - 1) : byPitch, octaveMark });
  });
  const over = Math.max(0, top - Math.min(...placed.map(({ y }) => y)));
  return placed.map(({ y, octaveMark }) => ({ y: y + over, octaveMark }));
}
