import { centreMm, isBlack, KEYBOARDS, type KeyboardSize, WHITE_MM } from '@joined-hands/core/music';

export interface KeyShape {
  readonly midi: number;
  readonly isBlack: boolean;
  /** Millimetres from the left end of the keyboard. */
  readonly x: number;
  readonly width: number;
}

export const WHITE_LENGTH_MM = 95;
export const BLACK_LENGTH_MM = 60;
const BLACK_WIDTH_MM = 13;

/** The keys between two keys (whole white keys at both ends), to scale. */
export function keysBetween(low: number, high: number): { keys: KeyShape[]; widthMm: number } {
  const from = isBlack(low) ? low - 1 : low;
  const to = isBlack(high) ? high + 1 : high;
  const left = centreMm(from) - WHITE_MM / 2;
  const keys: KeyShape[] = [];
  for (let midi = from; midi <= to; midi++) {
    const black = isBlack(midi);
    const width = black ? BLACK_WIDTH_MM : WHITE_MM;
    keys.push({ midi, isBlack: black, x: centreMm(midi) - left - width / 2, width });
  }
  // Black keys lie over white ones.
  keys.sort((a, b) => Number(a.isBlack) - Number(b.isBlack) || a.midi - b.midi);
  return { keys, widthMm: centreMm(to) - left + WHITE_MM / 2 };
}

/** The keyboard of a profile, or on a narrow screen the stretch that holds the keys used, an octave at least. */
export function keyboardShape(
  size: KeyboardSize,
  used: readonly number[],
  isNarrow: boolean,
): ReturnType<typeof keysBetween> {
  const { low, high } = KEYBOARDS[size];
  if (!isNarrow || used.length === 0) return keysBetween(low, high);
  const from = Math.max(low, Math.min(...used) - 2);
  const to = Math.min(high, Math.max(...used, from + 12) + 2);
  return keysBetween(from, to);
}
