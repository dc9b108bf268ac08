import type { PlayedSong, Song } from '../core/song';
import { MARKS_APART } from './kept-apart';
import { MARKS, type Marks } from './marks';
import { UNSEEN_MARKS } from './unseen';

/** A teacher's marks of a song, whichever set it belongs to. */
export function marksOf({ id }: Pick<Song, 'id'>): Marks {
  return MARKS[id] ?? MARKS_APART[id] ?? UNSEEN_MARKS[id];
}

/** Ticks of the cuts a teacher marked: "5-1" is a quarter before the line of bar 5. Throws for a bar that is not there. */
export function markedCuts(song: Song, played: PlayedSong): number[] {
  return marksOf(song)
    .cuts.split(' ')
    .map((mark) => {
      const [bar, quarters = '0'] = mark.split('-');
      const found = played.bars.find(({ number }) => number === Number(bar));
      if (!found) throw new Error(`${song.title} has no bar ${bar}`);
      return found.tick - Number(quarters) * 960;
    });
}
