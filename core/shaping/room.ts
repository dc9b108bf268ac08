import { type Reach, reachMm, spanMm } from '../music';
import type { Style } from './styles';

/** C3 and A2: no upper note lies lower, unless the style is open. */
const [LOWEST, LOWEST_OPEN] = [48, 45];
/** From A2 on a bass may have its upper notes nearer. */
const HIGH_BASS = 45;
/** E4: nothing the left hand strikes above a bass goes higher. */
const HIGHEST = 64;
/** Half steps under the tune that a key of the left hand keeps. */
export const CLEAR = 3;

/** The lowest key an upper note may have over a bass. */
export function lowestOver(bass: number, style: Style): number {
  return Math.max(bass + (bass >= HIGH_BASS ? 3 : 5), style.isOpen ? LOWEST_OPEN : LOWEST);
}

/** The highest an upper note may have under a note of the tune. */
export function highestUnder(tune: number): number {
  return Math.min(tune - CLEAR, HIGHEST);
}

/** The highest key a hand reaches from a bass it strikes at the same time. */
export function highestInReach(bass: number, reach: Reach): number {
  let key = bass + 12;
  while (spanMm(bass, key + 1) <= reachMm(reach)) key++;
  return key;
}
