/** A note as a figure sees it. */
export interface FigureNote {
  readonly tick: number;
  readonly length: number;
  readonly midi: number;
}

/** A run of notes that comes again inside a part. */
interface Figure {
  /** Index of the first note of each coming, in order. */
  readonly starts: readonly number[];
  readonly notes: number;
}

const FEWEST_NOTES = 3;

/**
 * The figure that saves most learning inside a part: the run of at least three notes, same keys and rhythm, whose
 * repeats cover most notes; null when none comes twice. The last note may be longer or shorter.
 * O(n³) for the n notes of a part, a few dozen at most.
 */
export function repeatedFigure(notes: readonly FigureNote[]): Figure | null {
  let best: Figure | null = null;
  let saved = 0;
  for (let size = Math.floor(notes.length / 2); size >= FEWEST_NOTES; size--) {
    const seen = new Map<string, number[]>();
    for (let start = 0; start + size <= notes.length; start++) {
      const name = nameOf(notes, start, size);
      const starts = seen.get(name) ?? [];
      const last = starts[starts.length - 1];
      if (last === undefined || start >= last + size) starts.push(start);
      seen.set(name, starts);
    }
    for (const starts of seen.values()) {
      const saves = (starts.length - 1) * size;
      if (saves > saved) [best, saved] = [{ starts, notes: size }, saves];
    }
  }
  return best;
}

function nameOf(notes: readonly FigureNote[], start: number, size: number): string {
  const from = notes[start].tick;
  return notes
    .slice(start, start + size)
    .map((note, i) => `${note.midi}:${note.tick - from}:${i === size - 1 ? '' : note.length}`)
    .join();
}
