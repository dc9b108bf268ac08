import { membersOf, type Reach, reachMm, spanMm } from '../music';
import { aboveRoot } from '../patterns';
import type { VoicedChange } from '../voicing';

interface Closing {
  /** The bass it stands on. */
  readonly root: number;
  /** Whether a key is clear of the tune. */
  readonly isFree: (key: number) => boolean;
  readonly reach: Reach;
  /** The upper notes the chord had in its figure. */
  readonly upper: readonly number[];
  /** On root, fifth and octave, without a third. */
  readonly isOpen: boolean;
}

/** C3: from here on a root may have its third beside it. */
const CLOSE_THIRD = 48;

/**
 * The chord a song closes on: root lowest, then fifth (of a seventh chord the seventh) and tenth where the tune leaves them
 * room, rolled where the hand does not span them; else what the figure had above the root. A drone closes without a third.
 */
export function closingKeys(
  { chord }: VoicedChange,
  { root, isFree, reach, upper, isOpen }: Closing,
): readonly number[] {
  const third = aboveRoot(chord, 3);
  // A chord with a seventh is told by it.
  const hasSeventh = membersOf(chord).some(({ number }) => number === 7);
  const fifth = aboveRoot(chord, hasSeventh ? 7 : 5);
  if (isOpen && !hasSeventh) return [root, ...[root + fifth, root + 12].filter(isFree)];
  const close = upper.filter((key) => key > root + 2 && isFree(key));
  const spansClose = close.length > 0 && spanMm(root, close[close.length - 1]) <= reachMm(reach);
  if (spansClose && close.some((key) => (key - root) % 12 === third % 12)) return [root, ...close];
  const tenth = root + third + (third < 12 ? 12 : 0);
  if (isFree(tenth)) return [...new Set([root, root + fifth, tenth])].sort((a, b) => a - b);
  if (isFree(root + third) && root >= CLOSE_THIRD) return [root, root + third];
  return isFree(root + fifth) ? [root, root + fifth] : [root];
}
