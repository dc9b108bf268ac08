import type { SongFacts } from '@joined-hands/core/arrangement';
import { keyName, metreName, typeset } from '@joined-hands/core/music';
import { migrateSong, type Song, SongShapeError } from '@joined-hands/core/song';
import { FIRST_PLACE, type Place } from './place';
import type { ShelfCard, StoredSong } from './stored';

/** What is stored of a song beside it, as far as it is known. */
export interface AboutSong {
  readonly place?: Partial<Place>;
  readonly openedAt?: number | null;
  readonly savedAt?: number;
  readonly facts?: SongFacts | null;
}

/** The card of a song that is whole. */
export function cardOf(
  song: Song,
  revision: number,
  { place, openedAt = null, savedAt = 0, facts = null }: AboutSong,
): ShelfCard {
  const { tonic, mode } = song.keyMap[0];
  return {
    id: song.id,
    revision,
    title: song.title,
    subtitle: song.subtitle,
    key: typeset(keyName({ tonic, mode })),
    metre: metreName(song.metreMap[0]),
    bars: song.barCount,
    facts,
    trouble: null,
    place: { ...FIRST_PLACE, ...place },
    openedAt,
    savedAt,
  };
}

/** The card of whatever lies in the store: where no song can be made of it, the card says why. */
export function cardFrom({ id, revision, song }: StoredSong, about: AboutSong): ShelfCard {
  try {
    return { ...cardOf(migrateSong(song), revision, about), id };
  } catch (error) {
    return troubled(id, revision, song, about, whyNot(error));
  }
}

/** Why something stored cannot be opened, in a sentence. */
export function whyNot(error: unknown): string {
  if (error instanceof SongShapeError) return error.message.replace(/^song\./, 'At song.');
  return error instanceof Error ? `It cannot be read: ${error.message.slice(0, 200)}.` : 'It cannot be read.';
}

function troubled(
  id: string,
  revision: number,
  song: unknown,
  { place, openedAt = null, savedAt = 0 }: AboutSong,
  trouble: string,
): ShelfCard {
  const { title } = typeof song === 'object' && song !== null ? (song as { title?: unknown }) : {};
  return {
    id,
    revision,
    title: typeof title === 'string' && title.trim() ? title.slice(0, 200) : 'A song without a title',
    subtitle: '',
    key: '',
    metre: '',
    bars: 0,
    facts: null,
    trouble,
    place: { ...FIRST_PLACE, ...(typeof place === 'object' ? place : {}) },
    openedAt: typeof openedAt === 'number' ? openedAt : null,
    savedAt: typeof savedAt === 'number' ? savedAt : 0,
  };
}
