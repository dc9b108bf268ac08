import { chroma, type Key, leadingSteps } from '../music';
import { indexAt, type PlayedChange, type PlayedSong } from '../song';

/** How a stretch ends: home on I after V, or open on V. */
export type Cadence = 'closed' | 'open';

const FIFTH = 7;
/** The root of vii°, which stands in for V. */
const LEADING_NOTE = 11;

/**
 * The cadence the chords make just before a tick; null when there is none. Closed: V (or vii°) to I; open: the
 * last chord is V. Of a mode its own chords that lead home. Source: cadences of tonal harmony and of the modes.
 */
export function cadenceBefore(
  { changes }: Pick<PlayedSong, 'changes'>,
  tick: number,
  keyOf: (tick: number) => Key,
): Cadence | null {
  if (changes.length === 0) return null;
  let at = indexAt(changes, tick);
  if (changes[at].tick >= tick) at--;
  const last = changes[at];
  if (!last?.chord) return null;
  const tonic = chroma(keyOf(last.tick).tonic);
  const above = (change: PlayedChange): number | null =>
    change.chord ? (chroma(change.chord.root) - tonic + 12) % 12 : null;
  const degree = above(last);
  const { mode } = keyOf(last.tick);
  const leading = leadingSteps(mode);
  if (degree !== null && leading.includes(degree)) return 'open';
  const before = changes[at - 1];
  const led = before ? above(before) : null;
  const isLed = led !== null && (leading.includes(led) || (led === LEADING_NOTE && leading.includes(FIFTH)));
  return degree === 0 && isLed ? 'closed' : null;
}
