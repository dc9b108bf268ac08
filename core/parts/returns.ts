import { gotOrMade } from '../music';

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
  /** True where this is the first coming, and the other follows later. */
  readonly isFirst: boolean;
}

const LIKENESSES: readonly Likeness[] = ['same', 'moved', 'rhythm'];

/** Which figures are looked for, in ticks: shorter ones are left out, longer ones are not followed to their end. */
export interface FigureLengths {
  readonly least: number;
  readonly most: number;
}

const ALL_LENGTHS: FigureLengths = { least: 0, most: Infinity };

/**
 * For each note the longest figure of each likeness that begins there and begins somewhere else in the tune too. Only
 * whole figures count: where the notes before are alike as well, the figure has begun earlier. Notes are sorted by what
 * they begin, one note more at a time, so that only those that go alike for the least length meet: about n log n for
 * tunes as they are. `endTick` closes the last note.
 */
export function returnsOf(
  notes: readonly FigureNote[],
  endTick: number,
  lengths: FigureLengths = ALL_LENGTHS,
): ReadonlyMap<number, readonly Return[]> {
  const found = new Map<number, Return[]>();
  for (const likeness of LIKENESSES) {
    const { before, after } = longestOf(notes, endTick, likeness, lengths);
    notes.forEach((_, at) => {
      for (const [longest, isFirst] of [
        [before, false],
        [after, true],
      ] as const) {
        if (longest[at] > 0)
          gotOrMade(found, at, (): Return[] => []).push({ likeness, ticks: longest[at], isFirst });
      }
    });
  }
  return found;
}

/** For each note the ticks of the longest figure that begins there; 0 for none. */
type Longest = Int32Array;

function longestOf(
  notes: readonly FigureNote[],
  endTick: number,
  likeness: Likeness,
  { least, most }: FigureLengths,
): { readonly before: Longest; readonly after: Longest } {
  const count = notes.length;
  const names = namesOf(notes, likeness);
  const waits = Int32Array.from(notes, (note, i) => (notes[i + 1]?.tick ?? endTick) - note.tick);
  const before = new Int32Array(count);
  const after = new Int32Array(count);
  // What comes before a note, as a number: where that is alike as well, the figure has begun earlier.
  const numberOfCome = numbered();
  const begun = Int32Array.from(notes, (_, i) => (i === 0 ? -1 : numberOfCome(names[i - 1], waits[i - 1])));
  // How a note follows on the one before, as a number: after how long, and which.
  const numberOfStep = numbered();
  const step = Int32Array.from(notes, (_, i) => (i === 0 ? -1 : numberOfStep(names[i], waits[i - 1])));
  const ticks = Int32Array.from([...notes.map(({ tick }) => tick), endTick]);
  /** A figure may end with the tune, and goes no further. */
  const ticksFrom = (i: number, length: number): number => ticks[i + length] - ticks[i];
  /** Two notes from which `length` notes go alike and no more. */
  const meet = (one: number, other: number, length: number): void => {
    const [j, i] = one < other ? [one, other] : [other, one];
    if (likeness === 'moved' && notes[i].step === notes[j].step) return;
    const whole = Math.min(ticksFrom(i, length), notes[i].tick - notes[j].tick);
    before[i] = Math.max(before[i], whole);
    after[j] = Math.max(after[j], whole);
  };
  /** Whether a figure of so many notes is not yet as long as any that counts, from one of these at least. */
  const isShorter = (alike: readonly number[], length: number): boolean => {
    for (const i of alike) if (ticksFrom(i, length) < most) return true;
    return false;
  };
  /** Notes from which the first `from` notes go alike, parted by what follows. */
  const part = (alike: readonly number[], from: number): void => {
    // All of them follow the same: their figures began earlier, and so did those of any part of them.
    if (isOne(alike, (i) => begun[i])) return;
    let length = from;
    // Nothing is like the end.
    const next = (i: number): number => (i + length < count ? step[i + length] : -2 - i);
    let goesOn = isShorter(alike, length);
    // Figures mostly go on alike: then nothing is parted.
    while (goesOn && isOne(alike, next)) {
      length++;
      goesOn = isShorter(alike, length);
    }
    const groups = groupedBy(alike, goesOn ? next : (i) => begun[i]);
    if (length >= 2 && groups.length > 1 && alike.some((i) => ticksFrom(i, length) >= least)) {
      // By what they follow: figures that began earlier mostly all follow the same, and then none of them meet.
      const earlier = new Map<number, number[]>();
      for (const group of groups) {
        for (const [come, others] of earlier)
          for (const one of group)
            if (begun[one] !== come) for (const other of others) meet(one, other, length);
        for (const one of group) gotOrMade(earlier, begun[one], (): number[] => []).push(one);
      }
    }
    if (goesOn) for (const group of groups) if (group.length > 1) part(group, length + 1);
  };
  const all = Array.from({ length: count }, (_, i) => i);
  for (const group of groupedBy(all, (i) => names[i])) if (group.length > 1) part(group, 1);
  return { before, after };
}

/** A number for each pair of numbers, the same for the same pair. */
function numbered(): (one: number, other: number) => number {
  const numbers = new Map<number, Map<number, number>>();
  let count = 0;
  return (one, other) =>
    gotOrMade(
      gotOrMade(numbers, one, () => new Map<number, number>()),
      other,
      () => count++,
    );
}

/** Whether all have one name. A loop: it is asked for each note of each figure of a tune. */
function isOne(list: readonly number[], nameOf: (item: number) => number): boolean {
  const first = nameOf(list[0]);
  for (const item of list) if (nameOf(item) !== first) return false;
  return true;
}

function groupedBy(list: readonly number[], nameOf: (item: number) => number): (readonly number[])[] {
  const groups = new Map<number, number[]>();
  for (const item of list) gotOrMade(groups, nameOf(item), (): number[] => []).push(item);
  return [...groups.values()];
}

/** A number for each note that two notes share when they are alike: key, or step to the next, and place in the bar. */
function namesOf(notes: readonly FigureNote[], likeness: Likeness): Int32Array {
  const numberOf = numbered();
  return Int32Array.from(notes, (note, i) => {
    const what = {
      same: note.midi,
      moved: (notes[i + 1]?.step ?? note.step) - note.step,
      rhythm: 0,
    }[likeness];
    return numberOf(what, note.inBar);
  });
}
