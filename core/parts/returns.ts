/** A note as a return sees it. */
export interface FigureNote {
  readonly tick: number;
  readonly midi: number;
  /** Staff step: letters counted upwards. */
  readonly step: number;
  /** Ticks from its bar line: a figure comes back at the same place in the bar. */
  readonly inBar: number;
}

/** How two figures are alike: the same keys, the same shape elsewhere, the same rhythm. */
export type Likeness = 'same' | 'moved' | 'rhythm';

/** Something that begins at a note and came before, or comes again later. */
export interface Return {
  readonly likeness: Likeness;
  /** Ticks for which the two go alike. */
  readonly ticks: number;
  /** Index of the note the other coming begins with. */
  readonly other: number;
  /** True where this is the first coming, and the other follows later. */
  readonly isFirst: boolean;
}

const LIKENESSES: readonly Likeness[] = ['same', 'moved', 'rhythm'];

/**
 * For each note the longest figure of each likeness that begins there and begins somewhere else in the tune too. Only
 * whole figures count: where the notes before are alike as well, the figure has begun earlier. O(n²) time, O(n)
 * memory. `endTick` closes the last note.
 */
export function returnsOf(
  notes: readonly FigureNote[],
  endTick: number,
): ReadonlyMap<number, readonly Return[]> {
  const waits = Int32Array.from(notes, (note, i) => (notes[i + 1]?.tick ?? endTick) - note.tick);
  const found = new Map<number, Return[]>();
  for (const likeness of LIKENESSES) {
    const { before, after } = longestOf(notes, waits, endTick, likeness);
    notes.forEach((_, at) => {
      for (const [longest, isFirst] of [
        [before, false],
        [after, true],
      ] as const) {
        if (longest.ticks[at] === 0) continue;
        const list = found.get(at) ?? [];
        list.push({ likeness, ticks: longest.ticks[at], other: longest.other[at], isFirst });
        found.set(at, list);
      }
    });
  }
  return found;
}

/** For each note the length of the longest figure that begins there, and where it comes the other time. */
class Longest {
  readonly ticks: Int32Array;
  readonly other: Int32Array;

  constructor(count: number) {
    this.ticks = new Int32Array(count);
    this.other = new Int32Array(count);
  }

  keep(at: number, ticks: number, other: number): void {
    if (ticks <= this.ticks[at]) return;
    this.ticks[at] = ticks;
    this.other[at] = other;
  }
}

function longestOf(
  notes: readonly FigureNote[],
  waits: Int32Array,
  endTick: number,
  likeness: Likeness,
): { readonly before: Longest; readonly after: Longest } {
  const count = notes.length;
  const names = namesOf(notes, likeness);
  const before = new Longest(count);
  const after = new Longest(count);
  const alike = placesByName(names);
  // run[j]: how many notes from i and from j on are alike; one row of the table at a time, from the last note. In
  // place: while j goes upwards run[j + 1] still holds the row of i + 1, if row[j + 1] says so.
  const run = new Int32Array(count + 1);
  const row = new Int32Array(count + 1);
  for (let i = count - 1; i >= 1; i--) {
    const [wait, from] = [waits[i], notes[i].tick];
    for (const j of alike[names[i]]) {
      if (j >= i) break;
      const goesOn = wait === waits[j] && row[j + 1] === i + 1;
      const length = (run[j] = 1 + (goesOn ? run[j + 1] : 0));
      row[j] = i;
      if (length < 2) continue;
      if (j > 0 && names[i - 1] === names[j - 1] && waits[i - 1] === waits[j - 1]) continue;
      if (likeness === 'moved' && notes[i].step === notes[j].step) continue;
      const ticks = (notes[i + length]?.tick ?? endTick) - from;
      const whole = Math.min(ticks, from - notes[j].tick);
      before.keep(i, whole, j);
      after.keep(j, whole, i);
    }
  }
  return { before, after };
}

/** For each name the notes that bear it, in time. */
function placesByName(names: Int32Array): number[][] {
  const places: number[][] = [];
  names.forEach((name, i) => (places[name] ??= []).push(i));
  return places;
}

/** A number for each note that two notes share when they are alike: key, or step to the next, and place in the bar. */
function namesOf(notes: readonly FigureNote[], likeness: Likeness): Int32Array {
  const numbers = new Map<string, number>();
  return Int32Array.from(notes, (note, i) => {
    const what = {
      same: note.midi,
      moved: (notes[i + 1]?.step ?? note.step) - note.step,
      rhythm: 0,
    }[likeness];
    const name = `${what}@${note.inBar}`;
    const number = numbers.get(name) ?? numbers.size;
    numbers.set(name, number);
    return number;
  });
}
