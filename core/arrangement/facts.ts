import { Clock } from '../performance';
import type { PlayedSong, Song } from '../song';

/** What is told of a song on the shelf beside what it stores. */
export interface SongFacts {
  readonly parts: number;
  /** How long it lasts at its own tempo. */
  readonly seconds: number;
}

/** The facts of a song that has been unfolded and divided. */
export function factsOf(song: Song, played: PlayedSong, parts: readonly unknown[]): SongFacts {
  const clock = new Clock(played.tempoMap, song.feel);
  return { parts: parts.length, seconds: Math.round(clock.secondsAt(played.endTick)) };
}
