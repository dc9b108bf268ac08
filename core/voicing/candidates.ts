import { type Chord, type Member, membersOf, spanMm } from '../music';
import { notesForLayout, type SolvedLayout } from './members';
import { keysOfShape, NO_CONTEXT, type Shape, type ShapeContext, SHAPED, shapesFor } from './shapes';
import { type Voicing, voicingOf } from './voicing';

/** What a voicing must obey. Keys are MIDI numbers. */
export interface Bounds {
  readonly low: number;
  readonly high: number;
  /** Widest span of the hand in millimetres. */
  readonly reachMm: number;
  /** When given, exactly this key lies on top (a chord under a melody note). */
  readonly top?: number;
}

/** Every voicing of the chord in the layout, in every octave inside the bounds, lowest first. */
export function candidatesFor(
  chord: Chord,
  layout: SolvedLayout,
  bounds: Bounds,
  context: ShapeContext = NO_CONTEXT,
): Voicing[] {
  if (SHAPED.includes(layout))
    return placed(chord, shapesFor(chord, layout, context), boundsFor(layout, bounds), []);
  const notes = notesForLayout(chord, layout);
  return stacksOf(chord, notes.upper, notes.lowest, notes.foreignBass, bounds, []);
}

/**
 * Voicings with as few notes left out as possible, at least `fewest` notes kept; empty when none fits.
 * All subsets of the first size that fits are given, so that the solver chooses which note to give up.
 */
export function thinnedCandidates(
  chord: Chord,
  layout: SolvedLayout,
  bounds: Bounds,
  fewest: number,
  context: ShapeContext = NO_CONTEXT,
): Voicing[] {
  if (SHAPED.includes(layout)) return thinnedShapes(chord, layout, bounds, fewest, context);
  const { upper, lowest, foreignBass } = notesForLayout(chord, layout);
  const bassKeys = foreignBass === null ? 0 : 1;
  for (let size = upper.length - 1; size + bassKeys >= fewest && size >= 1; size--) {
    const found = subsetsOf(upper, size)
      .filter((subset) => lowest === null || foreignBass !== null || subset.some((m) => m.chroma === lowest))
      .flatMap((subset) => stacksOf(chord, subset, lowest, foreignBass, bounds, missingFrom(upper, subset)));
    if (found.length > 0) return inOrder(found);
  }
  return [];
}

/** An open tenth wider than the hand is rolled: its reach does not bind. */
function boundsFor(layout: SolvedLayout, bounds: Bounds): Bounds {
  return layout === 'tenth' ? { ...bounds, reachMm: Infinity } : bounds;
}

/** Shapes in every octave inside the bounds. */
function placed(
  chord: Chord,
  shapes: readonly Shape[],
  bounds: Bounds,
  missing: readonly string[],
): Voicing[] {
  const found: Voicing[] = [];
  for (const shape of shapes)
    for (let octave = 0; octave <= 10; octave++) {
      const keys = keysOfShape(shape, 12 * octave + shape[0]);
      if (fits(keys, bounds)) found.push(voicingOf(keys, chord, missing));
    }
  return inOrder(found);
}

/** Shapes with as few notes left out as possible, the lowest always kept. */
function thinnedShapes(
  chord: Chord,
  layout: SolvedLayout,
  bounds: Bounds,
  fewest: number,
  context: ShapeContext,
): Voicing[] {
  const shapes = shapesFor(chord, layout, context);
  const most = Math.max(...shapes.map((shape) => shape.length), 0);
  for (let size = most - 1; size >= Math.min(fewest, most - 1) && size >= 1; size--) {
    const found = shapes.flatMap((shape) =>
      subsetsOf(shape.slice(1), size - 1).flatMap((rest) => {
        const kept = [shape[0], ...rest];
        const missing = membersOf(chord).filter((m) => shape.includes(m.chroma) && !kept.includes(m.chroma));
        return placed(
          chord,
          [kept],
          boundsFor(layout, bounds),
          missing.map((m) => m.interval),
        );
      }),
    );
    if (found.length > 0) return inOrder(found);
  }
  return [];
}

function missingFrom(all: readonly Member[], kept: readonly Member[]): string[] {
  return all.filter((m) => !kept.includes(m)).map((m) => m.interval);
}

function stacksOf(
  chord: Chord,
  upper: readonly Member[],
  lowest: number | null,
  foreignBass: number | null,
  bounds: Bounds,
  missing: readonly string[],
): Voicing[] {
  const chromas = [...new Set(upper.map((m) => m.chroma))].sort((a, b) => a - b);
  const found: Voicing[] = [];
  const rotations = foreignBass === null ? chromas : [foreignBass];
  for (const first of rotations) {
    if (lowest !== null && first !== lowest) continue;
    const stack = closeStack(first, chromas);
    for (let octave = 0; octave <= 10; octave++) {
      const keys = stack.map((offset) => 12 * octave + first + offset);
      if (fits(keys, bounds)) found.push(voicingOf(keys, chord, missing));
    }
  }
  return inOrder(found);
}

/** Semitones above the lowest note of the others, each in the first octave above it. */
function closeStack(first: number, chromas: readonly number[]): number[] {
  const above = chromas.filter((c) => c !== first).map((c) => (c - first + 12) % 12);
  return [0, ...above.sort((a, b) => a - b)];
}

function fits(keys: readonly number[], bounds: Bounds): boolean {
  const top = keys[keys.length - 1];
  if (keys[0] < bounds.low || top > bounds.high) return false;
  if (bounds.top !== undefined && top !== bounds.top) return false;
  return spanMm(keys[0], top) <= bounds.reachMm;
}

function subsetsOf<T>(items: readonly T[], size: number): T[][] {
  if (size === 0) return [[]];
  return items.flatMap((item, index) =>
    subsetsOf(items.slice(index + 1), size - 1).map((rest) => [item, ...rest]),
  );
}

/** A fixed order, so that equal costs always give the same choice. */
function inOrder(voicings: Voicing[]): Voicing[] {
  return voicings.sort(
    (a, b) =>
      a.keys[0] - b.keys[0] ||
      a.keys.length - b.keys.length ||
      a.keys[1] - b.keys[1] ||
      a.keys[2] - b.keys[2],
  );
}
