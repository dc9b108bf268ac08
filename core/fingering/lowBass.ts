import type { Hand } from '../hands';
import type { HandEvent } from './event';

/** What a step between a low bass and its chord is worth by its printed fingers. */
const BONUS = 7;
/** The outer finger of two notes above a low bass. */
const HIGHEST_OF_TWO = 3;

/** Fingers of a strike, the thumb's side first. */
type Fingers = readonly { readonly finger: number }[];

/**
 * What each step of the left hand between a low bass and the chord above it is worth, for its second event, by the
 * fingers of both; null where there is no such step: the little finger on the bass, the thumb on the top of the chord,
 * 5 | 2-1 or 3-1, there and back. Source: printed fingers of waltz and stride basses.
 */
export function lowBassSteps(
  events: readonly HandEvent[],
  hand: Hand,
): readonly (((from: Fingers, to: Fingers) => number) | null)[] {
  const isBass = (bass: HandEvent | undefined, chord: HandEvent): boolean =>
    bass?.keys.length === 1 && chord.keys.length > 1 && bass.keys[0] <= chord.keys[0];
  return events.map((event, at) => {
    const before = events[at - 1];
    if (hand === 'right' || !before || event.afterRest) return null;
    // A note above another one is part of a figure, not its bass.
    const lower = events[at - 2];
    const isInFigure = lower?.keys.length === 1 && lower.keys[0] < before.keys[0];
    if (isBass(before, event) && isInFigure) return null;
    if (isBass(before, event)) return (from, to) => (isUsual(from, to, isLowest(before, event)) ? BONUS : 0);
    if (!isBass(event, before)) return null;
    return (from, to) => (isUsual(to, from, isLowest(event, before)) ? BONUS : 0);
  });
}

/** The bass is the lowest key of its chord. */
function isLowest(bass: HandEvent, chord: HandEvent): boolean {
  return bass.keys[0] === chord.keys[0];
}

function isUsual([bass]: Fingers, chord: Fingers, isInChord: boolean): boolean {
  const outer = chord[chord.length - 1].finger;
  const fits = isInChord ? outer === 5 : chord.length > 2 || outer <= HIGHEST_OF_TWO;
  return bass.finger === 5 && chord[0].finger === 1 && fits;
}
