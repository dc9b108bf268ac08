import { type Chord, ChordSymbolError, parseChord } from '../music';
import type { Profile } from '../song';
import { leftBounds } from './bounds';
import { candidatesFor } from './candidates';
import { semitonesBetween } from './movement';

/** A chord symbol that may be written, or why it cannot be read. */
type ReadSymbol = { readonly chord: Chord | null } | { readonly problem: string };

/** Reads a symbol as the pianist typed it; what cannot be read is said in a sentence. */
export function readSymbol(text: string): ReadSymbol {
  try {
    return { chord: parseChord(text) };
  } catch (error) {
    if (error instanceof ChordSymbolError) return { problem: error.message };
    throw error;
  }
}

/**
 * Keys to hear a chord by in the place of another: the block of the left hand that moves least from the keys there,
 * below the melody. Empty where the hand has no room.
 */
export function keysInPlace(
  chord: Chord,
  near: readonly number[],
  ceiling: number,
  profile: Profile,
): number[] {
  const bounds = leftBounds(profile, ceiling);
  const all = candidatesFor(chord, 'block', bounds);
  const few = all.length > 0 ? all : candidatesFor(chord, 'three', bounds);
  const best = few.reduce<readonly number[] | null>(
    (kept, { keys }) =>
      kept === null || semitonesBetween(near, keys) < semitonesBetween(near, kept) ? keys : kept,
    null,
  );
  return best ? [...best] : [];
}
