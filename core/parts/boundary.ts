import type { Phrase } from '../sentences';
import type { Cadence } from './cadences';

/** A place where a part could begin, with what speaks for it. */
export interface Boundary {
  readonly tick: number;
  /** Points, see {@link STRENGTH}. */
  readonly strength: number;
  /** Those of them that speak for a phrase here, with whatever onset it begins; the rest is for its place in the bar. */
  readonly forBar: number;
  /** Those that speak for this very onset. */
  readonly forOnset: number;
  /** Ticks of rest before it. */
  readonly rest: number;
  /** The first note of a figure that comes twice. */
  readonly isOfFigure: boolean;
  readonly reasons: readonly Phrase[];
}

/**
 * Points of what marks a boundary. Sources: phrase grouping by rest, length, leap and metre, and by parallel
 * passages (Lerdahl and Jackendoff 1983, grouping preference rules 2, 3 and 6); lines of words and cadences as
 * taught in song analysis.
 */
export const STRENGTH = {
  restPerBeat: 3,
  mostRest: 6,
  /** For each doubling of the song's usual length; more when it lies on the key-note or its fifth. */
  longNote: 2,
  mostLongNote: 5,
  longTonic: 1,
  leap: 1,
  barLine: 2,
  asPickup: 2,
  offTheBar: -3,
  endOfLine: 4,
  comma: 2,
  capital: 2,
  section: 8,
  jump: 6,
  closed: 2,
  open: 1,
  /** A figure returns: for its first bar, and for each further bar up to four. */
  returns: 1,
  returnsPerBar: 1,
  /** Taken off when it returns elsewhere on the keyboard, or with its rhythm only. */
  moved: 1,
  rhythm: 2,
} as const;

export function cadencePoints(cadence: Cadence): number {
  return cadence === 'closed' ? STRENGTH.closed : STRENGTH.open;
}
