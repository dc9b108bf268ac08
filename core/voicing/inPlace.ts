import {
  asTyped,
  type Chord,
  ChordSymbolError,
  inEnglish,
  KEYBOARDS,
  midiOf,
  parseChord,
  parsePitch,
  PitchNameError,
} from '../music';
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

/** Most keys one hand holds: two under one finger. */
const MOST_KEYS = 10;

/** Reads keys told by letter and octave, "A2 C#3", as the pianist names notes; what is no key of a piano is said. */
export function readKeys(text: string): { readonly keys: readonly number[] } | { readonly problem: string } {
  const { low, high } = KEYBOARDS[88];
  const keys = new Set<number>();
  for (const word of text.split(/[\s+,]+/).filter(Boolean)) {
    const key = keyNamed(word);
    if (key === null)
      return { problem: `“${word}” is no key: write its letter and its octave, like ${asTyped('C#3')}.` };
    if (key < low || key > high) return { problem: `No piano has the key ${word}.` };
    keys.add(key);
  }
  if (keys.size > MOST_KEYS)
    return { problem: `${keys.size} keys are more than a hand holds: at most ${MOST_KEYS}.` };
  return { keys: [...keys].sort((a, b) => a - b) };
}

function keyNamed(word: string): number | null {
  try {
    return midiOf(parsePitch(inEnglish(word)));
  } catch (error) {
    if (error instanceof PitchNameError) return null;
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
