import type { Hand } from '../hands';
import { isBlack } from '../music';
import { classOf } from './runs';
import { fingersAlong } from './scaleRuns';
import { arpeggioFingers } from './tables';

/** Fewer notes in one direction are a tune's own. */
const FEWEST_OF_ARPEGGIO = 5;

/** Half steps of a perfect fourth. */
const FOURTH = 5;

/** Triads and sevenths as half steps above the root; the first two have tables of their own in root position. */
const CHORDS = {
  major: [0, 4, 7],
  minor: [0, 3, 7],
  diminished: [0, 3, 6],
  augmented: [0, 4, 8],
  seventh: [0, 4, 7, 10],
  'major seventh': [0, 4, 7, 11],
  'minor seventh': [0, 3, 7, 10],
  'half-diminished': [0, 3, 6, 10],
  'diminished seventh': [0, 3, 6, 9],
  'minor major seventh': [0, 3, 7, 11],
  'augmented major seventh': [0, 4, 8, 11],
  'augmented seventh': [0, 4, 8, 10],
} as const;

/**
 * The usual fingers of a triad or seventh broken over the octaves in one direction, note by note, in any inversion;
 * null for what is none. Source: the tables of piano methods for triads; for the rest their rule: the thumb on the
 * lowest note of the chord where that is white, else on the first white key after a black one, going up in the right
 * hand and down in the left.
 */
export function chordRun(keys: readonly number[], hand: Hand): number[] | null {
  if (keys.length < FEWEST_OF_ARPEGGIO) return null;
  const low = Math.min(...keys);
  const rising = [...keys].sort((a, b) => a - b);
  const classes = [...new Set(rising.map(classOf))];
  // One note of the chord after the other, none left out.
  if (!rising.every((key, i) => classOf(key) === classes[i % classes.length])) return null;
  for (const root of classes)
    for (const [name, steps] of Object.entries(CHORDS)) {
      if (steps.length !== classes.length) continue;
      if (!steps.every((step) => classes.includes((root + step) % 12))) continue;
      const hasTable = name === 'major' || name === 'minor';
      if (hasTable && (classOf(low) === root || (isBlack(root) && isBlack(low))))
        return fingersAlong(keys, arpeggioFingers(name, root, hand), steps, root);
      return byRule(keys, classes, hand);
    }
  return null;
}

/** Fingers of a chord whose classes are given from the lowest key of the run up. */
function byRule(keys: readonly number[], classes: readonly number[], hand: Hand): number[] {
  const thumb = thumbOf(classes, hand);
  const inside = new Map<number, number>();
  const size = classes.length;
  // From the thumb on, away from it: upwards in the right hand, downwards in the left.
  const away = (n: number): number => classes[(((thumb + (hand === 'right' ? n : -n)) % size) + size) % size];
  const outer = size === 3 ? outerTwo(away, hand) : [2, 3, 4];
  inside.set(away(0), 1);
  outer.forEach((finger, i) => inside.set(away(i + 1), finger));
  const end = hand === 'right' ? Math.max(...keys) : Math.min(...keys);
  return keys.map((key) => {
    const finger = inside.get(classOf(key)) ?? 1;
    // Where the run ends on the thumb's note away from it, the little finger takes it.
    return key === end && finger === 1 ? 5 : finger;
  });
}

/** Index of the note the thumb takes. */
function thumbOf(classes: readonly number[], hand: Hand): number {
  if (!isBlack(classes[0])) return 0;
  const size = classes.length;
  const beside = (i: number): number => classes[(i + (hand === 'right' ? size - 1 : 1)) % size];
  const at = classes.findIndex((c, i) => !isBlack(c) && isBlack(beside(i)));
  return Math.max(0, at);
}

/** Second and third finger away from the thumb: the fourth where one of the keys lies a fourth away. */
function outerTwo(away: (n: number) => number, hand: Hand): number[] {
  const apart = (a: number, b: number): number => classOf(hand === 'right' ? b - a : a - b);
  const isWide = apart(away(0), away(1)) >= FOURTH || apart(away(1), away(2)) >= FOURTH;
  return [2, isWide ? 4 : 3];
}
