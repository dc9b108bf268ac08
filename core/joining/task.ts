import type { HandNote } from '../hands';
import type { Part } from '../parts';
import { type Finding, type PlayedSong, type Profile, type Song } from '../song';
import { type Sounding, type VoicedSong } from '../voicing';

export interface LeftHandTask {
  readonly song: Song;
  readonly played: PlayedSong;
  readonly parts: readonly Part[];
  readonly profile: Profile;
  readonly voiced: VoicedSong;
  /** The melody as struck, sorted by onset. */
  readonly melody: readonly Sounding[];
  /** Changes of parts that follow another, with the change each stands for. */
  readonly twins: ReadonlyMap<string, string>;
  /** Ticks of the longest note of the melody. */
  readonly longestNote: number;
}

/** What a part adds to both hands; the melody is the right hand's own. */
export interface PartHands {
  /** The left hand. */
  readonly notes: HandNote[];
  readonly findings: Finding[];
  /** Keys of the right hand beside the melody. */
  readonly right?: readonly HandNote[];
}

/** Index of the first change at or after a tick. */
export function indexFrom(voiced: VoicedSong['voiced'], tick: number): number {
  let low = 0;
  let high = voiced.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (voiced[middle].change.tick < tick) low = middle + 1;
    else high = middle;
  }
  return low;
}
