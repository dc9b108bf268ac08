import type { Hand } from '../hands';
import { isBlack } from '../music';
import { classOf } from './runs';
import { type FigureFingers, overOctaves, scaleFingers } from './tables';

/** Fewer notes in one direction are a tune's own. */
const FEWEST_OF_SCALE = 8;
/** The widest step of a scale, in semitones: the augmented second of harmonic minor. */
const WIDEST_STEP = 3;

const NATURAL = [0, 2, 3, 5, 7, 8, 10] as const;
/** Half steps above the tonic: major, then harmonic, melodic and natural minor. */
const SCALES = [
  ['major', [0, 2, 4, 5, 7, 9, 11]],
  ['minor', [0, 2, 3, 5, 7, 8, 11]],
  ['minor', [0, 2, 3, 5, 7, 9, 11]],
  ['minor', NATURAL],
] as const;

type Steps = readonly number[];

/**
 * The usual fingers of a scale that goes in one direction, note by note; null for what is none. Source: the tables of
 * piano methods; a mode that begins on a white key has the fingers of the scales that begin there.
 */
export function scaleRun(keys: readonly number[], hand: Hand): number[] | null {
  if (keys.length < FEWEST_OF_SCALE) return null;
  if (keys.some((key, i) => i > 0 && Math.abs(key - keys[i - 1]) > WIDEST_STEP)) return null;
  const classes = new Set(keys.map(classOf));
  // No note is left out: a broken diminished seventh is no scale.
  if (classes.size !== 7) return null;
  const fits = (tonic: number, steps: Steps): boolean => {
    const scale = new Set(steps.map((step) => (tonic + step) % 12));
    return [...classes].every((c) => scale.has(c));
  };
  const ends = [classOf(keys[0]), classOf(keys[keys.length - 1])];
  for (const tonic of ends)
    for (const [mode, steps] of SCALES)
      // Natural minor from a black key goes as its major does: its seventh note may be black, where harmonic minor's is not.
      if (fits(tonic, steps) && !(steps === NATURAL && isBlack(tonic)))
        return fingersAlong(keys, scaleFingers(mode, tonic, hand), steps, tonic);
  // Natural minor is a turn of major: what has no tonic at an end is told by its major.
  for (const [mode, steps] of SCALES)
    for (let tonic = 0; tonic < 12; tonic++) {
      if (!fits(tonic, steps)) continue;
      const turned = ends[0] === ends[1] ? turnedTo(ends[0], tonic, steps) : null;
      const own = turned && modeFingers(ends[0], turned, hand);
      if (turned && own) return fingersAlong(keys, own, turned, ends[0]);
      return fingersAlong(keys, scaleFingers(mode, tonic, hand), steps, tonic);
    }
  return null;
}

/** The steps of a scale from another of its notes. */
function turnedTo(from: number, tonic: number, steps: Steps): Steps {
  return steps.map((step) => classOf(tonic + step - from)).sort((a, b) => a - b);
}

/** A mode from a white key: three fingers and four, or four and three where the thumb would come on a black key. */
function modeFingers(tonic: number, steps: Steps, hand: Hand): FigureFingers | null {
  if (isBlack(tonic)) return null;
  const isWhite = (degree: number): boolean => !isBlack((tonic + steps[degree]) % 12);
  const [fourth, fifth] = [isWhite(3), isWhite(4)];
  if (hand === 'right') return fourth ? overOctaves('12312345') : fifth ? overOctaves('12341234') : null;
  return fifth ? overOctaves('54321321') : fourth ? overOctaves('43214321') : null;
}

/** Each note's finger within the run; a tonic at an end has the finger the figure begins or ends with. */
export function fingersAlong(
  keys: readonly number[],
  table: FigureFingers,
  steps: Steps,
  tonic: number,
): number[] {
  const low = Math.min(...keys);
  const high = Math.max(...keys);
  return keys.map((key) => {
    const degree = steps.indexOf(classOf(key - tonic));
    const inside = table.inside[degree];
    if (degree !== 0) return inside;
    if (key === low) return table.first;
    return key === high ? table.last : inside;
  });
}

/** So many half steps in one direction make a chromatic run. */
const FEWEST_CHROMATIC = 5;

/**
 * A chromatic run: the third finger on black keys, the second where two white ones meet, else the thumb. Source: the
 * usual fingering of methods.
 */
export function chromaticRun(keys: readonly number[], hand: Hand): number[] | null {
  if (keys.length < FEWEST_CHROMATIC) return null;
  if (keys.some((key, i) => i > 0 && Math.abs(key - keys[i - 1]) !== 1)) return null;
  // Where two white keys meet the hand has one for the thumb, and the next on the far side for the second finger.
  const [seconds, end] = hand === 'right' ? [[0, 5], Math.min(...keys)] : [[4, 11], Math.max(...keys)];
  return keys.map((key) => {
    if (isBlack(key)) return 3;
    return seconds.includes(classOf(key)) && key !== end ? 2 : 1;
  });
}
