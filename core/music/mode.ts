/** The modes a key may have; "minor" is the tonal one, whose V takes the raised leading note. */
export const MODES = [
  'major',
  'minor',
  'dorian',
  'phrygian',
  'lydian',
  'mixolydian',
  'aeolian',
  'locrian',
] as const;
export type Mode = (typeof MODES)[number];

interface ModeRow {
  /** The seven degrees as intervals above the tonic. */
  readonly scale: readonly string[];
  /** The same in half steps. */
  readonly steps: readonly number[];
  /** Sharps more (flats, when negative) than major on the same tonic. */
  readonly fifths: number;
  /** Half steps above the tonic of the roots that lead home at a cadence, the usual one first. */
  readonly leading: readonly number[];
}

const HALF_STEPS: Readonly<Record<string, number>> = {
  '1P': 0,
  '2m': 1,
  '2M': 2,
  '3m': 3,
  '3M': 4,
  '4P': 5,
  '4A': 6,
  '5d': 6,
  '5P': 7,
  '6m': 8,
  '6M': 9,
  '7m': 10,
  '7M': 11,
};

/** Source: the church modes and their cadences as commonly taught; of minor and major the dominant leads home. */
const ROWS: Readonly<Record<Mode, ModeRow>> = {
  major: row('1P 2M 3M 4P 5P 6M 7M', 0, 7),
  minor: row('1P 2M 3m 4P 5P 6m 7m', -3, 7),
  dorian: row('1P 2M 3m 4P 5P 6M 7m', -2, 10, 5),
  phrygian: row('1P 2m 3m 4P 5P 6m 7m', -4, 1),
  lydian: row('1P 2M 3M 4A 5P 6M 7M', 1, 7, 2),
  mixolydian: row('1P 2M 3M 4P 5P 6M 7m', -1, 10, 7),
  aeolian: row('1P 2M 3m 4P 5P 6m 7m', -3, 10, 7),
  locrian: row('1P 2m 3m 4P 5d 6m 7m', -5, 1, 10),
};

function row(intervals: string, fifths: number, ...leading: number[]): ModeRow {
  const scale = intervals.split(' ');
  return {
    scale,
    steps: scale.map((interval) => HALF_STEPS[interval]),
    fifths,
    leading,
  };
}

/** Intervals of the seven degrees above the tonic. */
export function modeScale(mode: Mode): readonly string[] {
  return ROWS[mode].scale;
}

/** Half steps of the seven degrees above the tonic. `modeSteps('dorian') // [0, 2, 3, 5, 7, 9, 10]` */
export function modeSteps(mode: Mode): readonly number[] {
  return ROWS[mode].steps;
}

export function modeFifths(mode: Mode): number {
  return ROWS[mode].fifths;
}

/** Roots that lead home at a cadence, in half steps above the tonic: V in major and minor, VII and IV in dorian. */
export function leadingSteps(mode: Mode): readonly number[] {
  return ROWS[mode].leading;
}

/** A mode other than major and minor has its own cadences, and takes no leading note it has not got. */
export function isModal(mode: Mode): boolean {
  return mode !== 'major' && mode !== 'minor';
}

export function hasMinorThird(mode: Mode): boolean {
  return ROWS[mode].steps[2] === 3;
}
