import { chroma, type Key } from '../music';
import { indexAt, type PlayedChange, type PlayedSong } from '../song';

/** How a stretch ends: home on I after V, or open on V. */
export type Cadence = 'closed' | 'open';

const FIFTH = 7;

/**
 * The cadence the chords make just before a tick; null when there is none. Closed: V (or vii°) to I; open: the
 * last chord is V. Source: cadences of tonal harmony.
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
  if (degree === FIFTH) return 'open';
  const before = changes[at - 1];
  const led = before ? above(before) : null;
  return degree === 0 && (led === FIFTH || led === 11) ? 'closed' : null;
}
