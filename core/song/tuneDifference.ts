import { writtenBars } from './bars';
import type { Song } from './schema';

/** What of a song says where its notes are. */
type LaidOut = Pick<Song, 'melody' | 'keyMap' | 'metreMap' | 'pickup' | 'barCount' | 'playingOrder'>;

/**
 * The written bars in which the tunes of two versions of a song differ, by number (0 the pick-up), in order; null where
 * the versions are in other keys or metres, or have other bars: then no bar of one is a bar of the other.
 */
export function tuneDiffers(own: LaidOut, other: LaidOut): number[] | null {
  const layout = ({ keyMap, metreMap, pickup, barCount, playingOrder }: LaidOut): string =>
    JSON.stringify([keyMap, metreMap, pickup, barCount, playingOrder]);
  if (layout(own) !== layout(other)) return null;
  const notesIn = ({ melody }: LaidOut, from: number, to: number): string =>
    JSON.stringify(
      melody
        .filter(({ tick }) => tick >= from && tick < to)
        .map(({ id: _id, harmony: _harmony, harmonies: _harmonies, ...note }) => note),
    );
  return writtenBars(own)
    .filter(({ tick, length }) => notesIn(own, tick, tick + length) !== notesIn(other, tick, tick + length))
    .map(({ number }) => number);
}
