import type { Arrangement } from '../arrangement';
import type { Effort } from '../effort';
import { fifthsOf } from '../music';
import { keyAt, placeIn, songName } from '../song';

/** What a pianist may want to work on; or simply the easiest song. */
export type Aim =
  'easiest' | 'left-hand' | 'leaps' | 'off-beats' | 'stretches' | 'black-keys' | 'speed' | 'reading';

/** A song as far as it is compared: how hard its parts are, and how many accidentals its key has. */
export interface SongToRank {
  readonly id: string;
  readonly title: string;
  readonly efforts: readonly (Pick<Effort, 'total' | 'measures'> | null)[];
  /** Sharps or flats of the key it begins in, 0 … 7. */
  readonly accidentals: number;
  /** Share of melody notes that begin off the beat, 0 … 1. */
  readonly offBeats: number;
}

/** What of an arrangement is compared with other songs. */
export function songToRank({ song, played, efforts }: Arrangement): SongToRank {
  const tune = played.melody.filter(({ grace }) => !grace);
  const off = tune.filter(({ tick }) => placeIn(played.bars, tick).inBeat !== 0);
  return {
    id: song.id,
    title: songName(song),
    efforts: efforts.map((effort) => effort && { total: effort.total, measures: effort.measures }),
    accidentals: Math.abs(fifthsOf(keyAt(played, 0))),
    offBeats: off.length / Math.max(1, tune.length),
  };
}

/** A song for an aim, with the part that has most of it. */
export interface RankedSong {
  readonly id: string;
  readonly title: string;
  /** 0 … 100: how much of it there is to work on. */
  readonly much: number;
  /** How hard the song is as a whole, 0 … 100. */
  readonly effort: number;
  /** Number of the part with most of it; null where parts do not matter. */
  readonly part: number | null;
}

/** How hard a song may be beyond the usual of those compared before it counts against it. */
const TOO_HARD = 25;

/**
 * Songs for an aim, the best first: those with most of it, less where the song as a whole is far harder than the others.
 * Source: common practice of teachers, who take new things in easy surroundings.
 */
export function rankSongs(songs: readonly SongToRank[], aim: Aim): RankedSong[] {
  const ranked = songs.map((song) => {
    const efforts = song.efforts.map((effort, i) => ({
      part: i + 1,
      much: muchOf(song, effort, aim),
      effort,
    }));
    const most = efforts.reduce((a, b) => (b.much > a.much ? b : a), efforts[0]);
    const totals = song.efforts.flatMap((effort) => (effort ? [effort.total] : []));
    const effort = totals.length === 0 ? 0 : totals.reduce((sum, total) => sum + total, 0) / totals.length;
    const isOfParts = aim !== 'reading' && aim !== 'off-beats' && aim !== 'easiest';
    return {
      id: song.id,
      title: song.title,
      much: Math.round(aim === 'easiest' ? 100 - effort : (most?.much ?? 0)),
      effort: Math.round(effort),
      part: isOfParts && most && most.much > 0 ? most.part : null,
    };
  });
  const usual = ranked.map(({ effort }) => effort).sort((a, b) => a - b)[ranked.length >> 1] ?? 0;
  const worth = ({ much, effort }: RankedSong): number => much - Math.max(0, effort - usual - TOO_HARD);
  return ranked.sort((a, b) => worth(b) - worth(a) || a.effort - b.effort || a.title.localeCompare(b.title));
}

function muchOf(song: SongToRank, effort: SongToRank['efforts'][number], aim: Aim): number {
  if (!effort) return 0;
  const { measures } = effort;
  switch (aim) {
    case 'left-hand':
      return measures.independence;
    case 'leaps':
      return measures.leaps;
    case 'stretches':
      return measures.stretch;
    case 'black-keys':
      return measures.blackKeys;
    case 'speed':
      return measures.speed;
    case 'off-beats':
      return 100 * song.offBeats;
    case 'reading':
      return (100 * song.accidentals) / 7;
    case 'easiest':
      return 0;
  }
}
