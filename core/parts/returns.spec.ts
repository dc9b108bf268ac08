import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type FigureLengths, type FigureNote, type Likeness, type Return, returnsOf } from './returns';

const BAR = 960;
const tokens = fc.array(fc.tuple(fc.integer({ min: 0, max: 3 }), fc.constantFrom(240, 480)), {
  minLength: 1,
  maxLength: 14,
});

/** A tune of steps and waits, and where it ends. */
function tuneOf(list: readonly (readonly [step: number, wait: number])[]): [FigureNote[], number] {
  let tick = 0;
  const notes = list.map(([step, wait]): FigureNote => {
    const note = { tick, midi: 60 + 2 * step, step, inBar: tick % BAR };
    tick += wait;
    return note;
  });
  return [notes, tick];
}

/** The longest figures of one likeness from each note, by comparing every pair of places. */
function everyPair(notes: readonly FigureNote[], end: number, likeness: Likeness): Map<string, number> {
  const tick = (i: number): number => notes[i]?.tick ?? end;
  const wait = (i: number): number => tick(i + 1) - tick(i);
  const on = (i: number): number => (notes[i + 1] ? notes[i + 1].step - notes[i].step : 0);
  const isLike = (i: number, j: number): boolean =>
    notes[i].inBar === notes[j].inBar &&
    { same: notes[i].midi === notes[j].midi, moved: on(i) === on(j), rhythm: true }[likeness];
  const longest = new Map<string, number>();
  const keep = (name: string, ticks: number): void =>
    void longest.set(name, Math.max(longest.get(name) ?? 0, ticks));
  for (let i = 1; i < notes.length; i++)
    for (let j = 0; j < i; j++) {
      if (!isLike(i, j) || (likeness === 'moved' && notes[i].step === notes[j].step)) continue;
      if (j > 0 && isLike(i - 1, j - 1) && wait(i - 1) === wait(j - 1)) continue;
      let length = 1;
      while (
        i + length < notes.length &&
        wait(i + length - 1) === wait(j + length - 1) &&
        isLike(i + length, j + length)
      )
        length++;
      if (length < 2) continue;
      // The later coming says how long its last note is; two that overlap are no longer than they lie apart.
      const ticks = Math.min(tick(i + length) - tick(i), tick(i) - tick(j));
      keep(`${i} again`, ticks);
      keep(`${j} first`, ticks);
    }
  return longest;
}

function named(found: ReadonlyMap<number, readonly Return[]>, likeness: Likeness): Map<string, number> {
  const all = [...found].flatMap(([at, list]) =>
    list
      .filter((one) => one.likeness === likeness)
      .map(({ isFirst, ticks }) => [`${at} ${isFirst ? 'first' : 'again'}`, ticks] as const),
  );
  expect(new Set(all.map(([name]) => name)).size).toBe(all.length);
  return new Map(all);
}

const sorted = (figures: ReadonlyMap<string, number>): [string, number][] => [...figures].sort();

describe('figures that return', () => {
  it.each(['same', 'moved', 'rhythm'] as const)(
    '%s: are as long as comparing every pair of places finds, those that come again and those that come first',
    (likeness) => {
      fc.assert(
        fc.property(tokens, (list) => {
          const [notes, end] = tuneOf(list);
          expect(sorted(named(returnsOf(notes, end), likeness))).toEqual(
            sorted(everyPair(notes, end, likeness)),
          );
        }),
        { numRuns: 300 },
      );
    },
  );

  it('are all found between two lengths, and longer ones up to there', () => {
    const limits: readonly FigureLengths[] = [
      { least: 480, most: 960 },
      { least: 960, most: 1440 },
      { least: 0, most: 720 },
    ];
    fc.assert(
      fc.property(tokens, fc.constantFrom(...limits), (list, limit) => {
        const [notes, end] = tuneOf(list);
        const within = (figures: ReadonlyMap<string, number>): [string, number][] =>
          sorted(figures)
            .filter(([, ticks]) => ticks >= limit.least)
            .map(([name, ticks]) => [name, Math.min(ticks, limit.most)]);
        for (const likeness of ['same', 'moved', 'rhythm'] as const)
          expect(within(named(returnsOf(notes, end, limit), likeness))).toEqual(
            within(everyPair(notes, end, likeness)),
          );
      }),
      { numRuns: 300 },
    );
  });

  it('by hand: a figure of two notes, its return and the rhythm they share with another', () => {
    // C D | E C | C D: the first bar comes again in the third, and all three have one rhythm, a bar apart.
    const [notes, end] = tuneOf([
      [0, 480],
      [1, 480],
      [2, 480],
      [0, 480],
      [0, 480],
      [1, 480],
    ]);
    const found = returnsOf(notes, end);
    expect(found.get(0)).toEqual([
      { likeness: 'same', ticks: 960, isFirst: true },
      { likeness: 'rhythm', ticks: 960, isFirst: true },
    ]);
    expect(found.get(4)).toEqual([
      { likeness: 'same', ticks: 960, isFirst: false },
      { likeness: 'rhythm', ticks: 960, isFirst: false },
    ]);
    expect(returnsOf([], 0).size).toBe(0);
  });
});
