import { gotOrMade } from '../memory';
import { Alike } from './alike';

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
    for (const [longest, isFirst] of [
      [before, false],
      [after, true],
    ] as const)
      longest.forEach((ticks, at) => {
        if (ticks > 0) gotOrMade(found, at, (): Return[] => []).push({ likeness, ticks, isFirst });
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
  const ticks = Int32Array.from([...notes.map(({ tick }) => tick), endTick]);
  const waits = Int32Array.from(notes, (_, i) => ticks[i + 1] - ticks[i]);
  const before = new Int32Array(count);
  const after = new Int32Array(count);
  // What comes before a note, as a number: where that is alike as well, the figure has begun earlier.
  const numberOfCome = numbered();
  const begun = Int32Array.from(notes, (_, i) =>
    i === 0 ? 0 : 1 + numberOfCome(names[i - 1], waits[i - 1]),
  );
  // How a note follows on the one before, as a number: after how long, and which.
  const numberOfStep = numbered();
  const step = Int32Array.from(notes, (_, i) => (i === 0 ? 0 : 1 + numberOfStep(names[i], waits[i - 1])));
  /** A figure may end with the tune, and goes no further. */
  const ticksFrom = (i: number, length: number): number => ticks[i + length] - ticks[i];
  /** Two notes from which `length` notes go alike and no more. */
  const meet = (one: number, other: number, length: number): void => {
    const [j, i] = one < other ? [one, other] : [other, one];
    if (likeness === 'moved' && notes[i].step === notes[j].step) return;
    const whole = Math.min(ticksFrom(i, length), ticks[i] - ticks[j]);
    if (whole > before[i]) before[i] = whole;
    if (whole > after[j]) after[j] = whole;
  };
  const alike = new Alike(count);
  /** All pairs of two runs meet, but for those that follow the same. By what they follow: mostly that is one thing. */
  const meetAll = (ends: readonly number[], from: number, length: number): void => {
    const earlier = new Map<number, number[]>();
    let start = from;
    for (const end of ends) {
      for (const [come, others] of earlier)
        for (let at = start; at < end; at++) {
          const one = alike.at(at);
          if (begun[one] !== come) for (const other of others) meet(one, other, length);
        }
      for (; start < end; start++)
        gotOrMade(earlier, begun[alike.at(start)], (): number[] => []).push(alike.at(start));
    }
  };
  /** Notes from which the first `known` notes go alike, parted by what follows. */
  const part = (from: number, to: number, known: number): void => {
    // All of them follow the same: their figures began earlier, and so did those of any part of them.
    if (alike.isOne(from, to, begun, 0)) return;
    let length = known;
    const isShorter = (i: number): boolean => ticksFrom(i, length) < most;
    let goesOn = alike.some(from, to, isShorter);
    // Figures mostly go on alike: then nothing is parted.
    while (goesOn && alike.isOne(from, to, step, length)) {
      length++;
      goesOn = alike.some(from, to, isShorter);
    }
    const ends = goesOn ? alike.part(from, to, step, length) : alike.part(from, to, begun, 0);
    const counts = length >= 2 && alike.some(from, to, (i) => ticksFrom(i, length) >= least);
    if (counts) meetAll(ends, from, length);
    if (!goesOn) return;
    let start = from;
    for (const end of ends) {
      if (end - start > 1) part(start, end, length + 1);
      start = end;
    }
  };
  let start = 0;
  for (const end of alike.part(0, count, names, 0)) {
    if (end - start > 1) part(start, end, 1);
    start = end;
  }
  return { before, after };
}

/** A number for each pair of numbers, the same for the same pair. */
function numbered(): (one: number, other: number) => number {
  const numbers = new Map<number, Map<number, number>>();
  let count = 0;
  return (one, other) => {
    const ofOne = gotOrMade(numbers, one, () => new Map<number, number>());
    let number = ofOne.get(other);
    if (number === undefined) ofOne.set(other, (number = count++));
    return number;
  };
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
