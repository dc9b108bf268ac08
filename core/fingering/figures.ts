import type { Hand } from '../hands';
import { brokenFigures } from './brokenFigures';
import { cellsIn } from './cells';
import { chordRun } from './chordRuns';
import type { HandEvent } from './event';
import { placesIn, waysUnderFive } from './places';
import { type Line, phrasesIn, runsIn } from './runs';
import { chromaticRun, scaleRun } from './scaleRuns';

/** What a step of a figure is worth by its usual fingers: it must still fit what is round it. */
const BONUS = { run: 3.5, broken: 7, phrase: 8, place: 1.5, cell: 3 } as const;

/** Fingers of neighbouring single notes that belong together, and what they are worth. */
interface Usual {
  readonly from: number;
  readonly fingers: readonly number[];
  readonly bonus: number;
}

/** Fingers of a cell played round and round, once through. */
type RoundAndRound = (keys: readonly number[]) => readonly number[];

/**
 * What each step is worth by its usual fingers, for its second event: by the finger before (thumb 0 to 4) times five
 * and the finger after; null where nothing is usual. Known runs come first: inside one nothing else counts, so that no
 * mixture of two fingerings comes out.
 */
export function usualSteps(
  events: readonly HandEvent[],
  hand: Hand,
  roundAndRound: RoundAndRound,
): readonly (Float64Array | null)[] {
  const steps: (Float64Array | null)[] = events.map(() => null);
  const isTaken = events.map(() => false);
  for (const phrase of phrasesIn(events)) {
    for (const known of [...knownRuns(phrase, hand), ...broken(phrase, hand)]) {
      put(known, steps);
      known.fingers.forEach((_, i) => i > 0 && (isTaken[known.from + i] = true));
    }
    for (const usual of [...lies(phrase, hand), ...cells(phrase, roundAndRound)]) put(usual, steps, isTaken);
  }
  return steps;
}

function knownRuns(phrase: Line, hand: Hand): Usual[] {
  return runsIn(phrase).flatMap(({ from, keys }) => {
    const fingers = chromaticRun(keys, hand) ?? scaleRun(keys, hand) ?? chordRun(keys, hand);
    return fingers ? [{ from, fingers, bonus: BONUS.run }] : [];
  });
}

function broken(phrase: Line, hand: Hand): Usual[] {
  return brokenFigures(phrase, hand).map((figure) => ({ ...figure, bonus: BONUS.broken }));
}

/** Where the hand can stay: over a whole phrase, or over stretches of it. */
function lies(phrase: Line, hand: Hand): Usual[] {
  const whole = waysUnderFive(phrase.keys, hand).map((fingers) => ({
    from: phrase.from,
    fingers,
    bonus: BONUS.phrase,
  }));
  if (whole.length > 0) return whole;
  return placesIn(phrase, hand).flatMap(({ from, ways }) =>
    ways.map((fingers) => ({ from, fingers, bonus: BONUS.place })),
  );
}

function cells(phrase: Line, roundAndRound: RoundAndRound): Usual[] {
  return cellsIn(phrase).map(({ from, keys, length }) => {
    const once = roundAndRound(keys);
    const fingers = Array.from({ length }, (_, i) => once[i % once.length]);
    return { from, fingers, bonus: BONUS.cell };
  });
}

/** Of two figures that want the same step the dearer counts. */
function put(
  { from, fingers, bonus }: Usual,
  steps: (Float64Array | null)[],
  isTaken: readonly boolean[] = [],
): void {
  for (let i = 1; i < fingers.length; i++) {
    if (isTaken[from + i]) continue;
    const step = (steps[from + i] ??= new Float64Array(25));
    const at = 5 * (fingers[i - 1] - 1) + fingers[i] - 1;
    step[at] = Math.max(step[at], bonus);
  }
}
