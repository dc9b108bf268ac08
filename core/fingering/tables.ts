import type { Hand } from '../hands';
import { isBlack } from '../music';

/** The third above the tonic or root. */
export type Third = 'major' | 'minor';

type Fingers = readonly [right: string, left: string];

/**
 * Standard fingerings of the scales of one octave upwards, by the chroma of the tonic; source: the scale fingerings
 * printed in piano methods for two centuries. Minor is harmonic minor.
 */
const SCALES: Record<Third, Record<number, Fingers>> = {
  major: {
    1: ['23123412', '32143213'],
    3: ['31234123', '32143213'],
    5: ['12341234', '54321321'],
    6: ['23412312', '43213214'],
    8: ['34123123', '32143213'],
    10: ['41231234', '32143213'],
    11: ['12312345', '43214321'],
  },
  minor: {
    1: ['34123123', '32143213'],
    3: ['31234123', '21432132'],
    5: ['12341234', '54321321'],
    6: ['34123123', '43213214'],
    8: ['34123123', '32143213'],
    10: ['41231234', '21321432'],
    11: ['12312345', '43214321'],
  },
};
const WHITE_SCALE: Fingers = ['12312345', '54321321'];

/** The same for triads broken over one octave. */
const ARPEGGIOS: Record<Third, Record<number, Fingers>> = {
  major: {
    1: ['4124', '2142'],
    3: ['4124', '2142'],
    6: ['1235', '5321'],
    8: ['4124', '2142'],
    10: ['4124', '3213'],
  },
  minor: {
    1: ['4124', '2142'],
    3: ['1235', '5421'],
    6: ['4124', '2142'],
    8: ['4124', '2142'],
    10: ['2312', '3213'],
  },
};

/** Fingers of a figure that goes on over octaves, rising: inside by degree, and at its lowest and highest tonic. */
export interface FigureFingers {
  readonly inside: readonly number[];
  readonly first: number;
  readonly last: number;
}

/** The usual fingers of a scale from the chroma of its tonic; minor is harmonic (the melodic one goes alike). */
export function scaleFingers(third: Third, tonic: number, hand: Hand): FigureFingers {
  return overOctaves(scaleOver(third, tonic, hand));
}

/** The usual fingers of a broken triad from the chroma of its root. */
export function arpeggioFingers(third: Third, root: number, hand: Hand): FigureFingers {
  return overOctaves(arpeggioOver(third, root, hand));
}

/** One octave of a scale, rising, as a string of fingers. */
export function scaleOver(third: Third, tonic: number, hand: Hand): string {
  return (SCALES[third][tonic] ?? WHITE_SCALE)[hand === 'right' ? 0 : 1];
}

/** One octave of a broken triad, rising. */
export function arpeggioOver(third: Third, root: number, hand: Hand): string {
  const middle = (root + (third === 'major' ? 4 : 3)) % 12;
  const white: Fingers = ['1235', isBlack(middle) ? '5321' : '5421'];
  return (ARPEGGIOS[third][root] ?? white)[hand === 'right' ? 0 : 1];
}

/** The little finger stands at an end only: where the figure goes on, the thumb takes its place. */
export function overOctaves(octave: string): FigureFingers {
  const fingers = [...octave].map(Number);
  const [first, last] = [fingers[0], fingers[fingers.length - 1]];
  const joint = first === 5 || last === 5 || first !== last ? 1 : first;
  return { inside: [joint, ...fingers.slice(1, -1)], first, last };
}
