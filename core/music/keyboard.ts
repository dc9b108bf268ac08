/** Geometry of a standard keyboard, in millimetres; an octave is 164 mm wide. */
export const OCTAVE_MM = 164;
export const WHITE_MM = OCTAVE_MM / 7;
/** A reach measured once is not exact: what is within a millimetre is played. */
const REACH_TOLERANCE_MM = 1;

const WHITE_INDEX: Record<number, number> = { 0: 0, 2: 1, 4: 2, 5: 3, 7: 4, 9: 5, 11: 6 };
const LOWER_SLOT = (3 * WHITE_MM) / 5;
const UPPER_SLOT = (4 * WHITE_MM) / 7;
const BLACK_MM: Record<number, number> = {
  1: 1.5 * LOWER_SLOT,
  3: 3.5 * LOWER_SLOT,
  6: 3 * WHITE_MM + 1.5 * UPPER_SLOT,
  8: 3 * WHITE_MM + 3.5 * UPPER_SLOT,
  10: 3 * WHITE_MM + 5.5 * UPPER_SLOT,
};

export function isBlack(midi: number): boolean {
  return BLACK_MM[((midi % 12) + 12) % 12] !== undefined;
}

/** Centre of a key in millimetres to the right of the left edge of C−1 (MIDI 0). */
export function centreMm(midi: number): number {
  const inOctave = ((midi % 12) + 12) % 12;
  const within = BLACK_MM[inOctave] ?? (WHITE_INDEX[inOctave] + 0.5) * WHITE_MM;
  return Math.floor(midi / 12) * OCTAVE_MM + within;
}

const CENTRES = Array.from({ length: 128 }, (_, midi) => centreMm(midi));

/** Distance between the centres of two keys, in millimetres; what a hand must span to hold both. */
export function spanMm(low: number, high: number): number {
  return Math.abs(CENTRES[high] - CENTRES[low]);
}

/** The widest white interval a hand plays with ease: 6 (a sixth) to 10 (a tenth). */
export type Reach = 6 | 7 | 8 | 9 | 10;

/** Millimetres between key centres that a reach allows: n white steps, and one millimetre more. */
export function reachMm(reach: number): number {
  return (reach - 1) * WHITE_MM + REACH_TOLERANCE_MM;
}

export type KeyboardSize = 49 | 61 | 73 | 76 | 88;

/** Lowest and highest key of the usual keyboards, as MIDI numbers. */
export const KEYBOARDS: Record<KeyboardSize, { readonly low: number; readonly high: number }> = {
  49: { low: 36, high: 84 },
  61: { low: 36, high: 96 },
  73: { low: 28, high: 100 },
  76: { low: 28, high: 103 },
  88: { low: 21, high: 108 },
};
