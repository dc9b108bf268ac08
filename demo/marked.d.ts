import type { PlayedSong, Song } from '../core/song';
import { type Marks } from './marks';
/** A teacher's marks of a song, whichever set it belongs to. */
export declare function marksOf({ id }: Pick<Song, 'id'>): Marks;
/** Ticks of the cuts a teacher marked: "5-1" is a quarter before the line of bar 5. Throws for a bar that is not there. */
export declare function markedCuts(song: Song, played: PlayedSong): number[];
