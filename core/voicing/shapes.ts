import { type Chord, chroma, type Member, membersOf } from '../music';
import type { SolvedLayout } from './members';

/** What a shape may depend on beside the chord. */
export interface ShapeContext {
  /** Chromas of the key in force: a ninth is added only where it lies in the key. Null: unknown. */
  readonly scale: ReadonlySet<number> | null;
  /** Chroma of the melody note sounding with the chord, or null. */
  readonly melody: number | null;
}

export const NO_CONTEXT: ShapeContext = { scale: null, melody: null };

/** Notes of a left-hand shape as chromas, from the lowest up, each the next such key above the one before. */
export type Shape = readonly number[];

/** Layouts that are certain shapes, not every close position of the chord's notes. */
export const SHAPED: readonly SolvedLayout[] = [
  'partial',
  'shell',
  'fifth',
  'fifth-octave',
  'rootless',
  'tenth',
];

/**
 * The shapes a layout has for a chord; the first is the usual one. A slash bass takes the place of the lowest note,
 * whatever the layout. Source: common practice of piano accompaniment.
 * `shapesFor(Dm7, 'rootless') // => F A C E · C E F A`
 */
export function shapesFor(chord: Chord, layout: SolvedLayout, context: ShapeContext = NO_CONTEXT): Shape[] {
  const shapes = SHAPES[layout]?.(partsOf(chord), context) ?? [];
  if (!chord.bass) return shapes;
  const bass = chroma(chord.bass);
  return distinct(shapes.map((shape) => [bass, ...shape.slice(1).filter((c) => c !== bass)]));
}

/** The members of a chord by their role. */
interface ChordParts {
  readonly root: number;
  /** The third, or what is suspended for it; null in an open fifth. */
  readonly third: number | null;
  readonly fifth: number | null;
  /** The seventh, else the sixth, else null. */
  readonly seventh: number | null;
  /** A ninth the chord names, else null. */
  readonly ninth: number | null;
}

function partsOf(chord: Chord): ChordParts {
  const members = membersOf(chord);
  const find = (numbers: readonly number[]): Member | undefined =>
    members.find((member) => numbers.includes(member.number));
  return {
    root: chroma(chord.root),
    third: find([3])?.chroma ?? find([4, 2])?.chroma ?? null,
    fifth: find([5])?.chroma ?? null,
    seventh: find([7])?.chroma ?? find([6])?.chroma ?? null,
    ninth: find([9])?.chroma ?? null,
  };
}

type Maker = (parts: ChordParts, context: ShapeContext) => Shape[];

const SHAPES: Partial<Record<SolvedLayout, Maker>> = {
  /** Two notes of the chord that tell it: a third or a seventh is always among them. */
  partial: ({ root, third, fifth, seventh }) => {
    const telling = [third, seventh].filter((c) => c !== null);
    const all = [root, third, fifth, seventh].filter((c) => c !== null);
    const pairs = all.flatMap((a) => all.filter((b) => b !== a).map((b) => [a, b]));
    const told = pairs.filter(([a, b]) => telling.includes(a) || telling.includes(b));
    return distinct(told.length > 0 ? told : pairs);
  },
  /** Root and seventh; root and third where there is no seventh or the melody has it; root and sixth. */
  shell: ({ root, third, fifth, seventh }, { melody }) => {
    const upper = seventh !== null && seventh !== melody ? seventh : (third ?? fifth);
    return upper === null ? [[root]] : [[root, upper]];
  },
  fifth: ({ root, fifth }) => [fifth === null ? [root] : [root, fifth]],
  'fifth-octave': ({ root, fifth }) => [fifth === null ? [root, root] : [root, fifth, root]],
  /** 3 5 7 9 and 7 9 3 5; the ninth gives way to the root where the key does not have it. */
  rootless: ({ root, third, fifth, seventh, ninth }, { scale }) => {
    const natural = (root + 2) % 12;
    const colour = ninth ?? (scale === null || scale.has(natural) ? natural : root);
    const others = (list: readonly (number | null)[]): number[] =>
      list.flatMap((c) => (c === null || c === colour ? [] : [c]));
    const low = others([third, fifth, seventh]);
    const turned = seventh === null ? [colour, ...low] : [seventh, colour, ...others([third, fifth])];
    return [[...low, colour], turned];
  },
  /** Root, fifth, tenth: the third an octave higher. */
  tenth: ({ root, third, fifth }) => {
    const shape = [root, fifth, third].filter((c) => c !== null);
    return [shape.length > 1 ? shape : [root, root]];
  },
};

function distinct(shapes: readonly Shape[]): Shape[] {
  return [...new Map(shapes.map((shape) => [shape.join(), shape])).values()];
}

/** The keys of a shape whose lowest note is a key: each next note the nearest note of that name above. */
export function keysOfShape(shape: Shape, lowest: number): number[] {
  const keys = [lowest];
  for (const wanted of shape.slice(1)) {
    const last = keys[keys.length - 1];
    keys.push(last + ((wanted - last + 11 + 12 * 12) % 12) + 1);
  }
  return keys;
}
