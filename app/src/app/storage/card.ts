import type { SongFacts } from '@joined-hands/core/arrangement';
import { classNameOf, keyName, metreName, withSigns } from '@joined-hands/core/music';
import { migrateSong, type Song, songSchema, SongShapeError } from '@joined-hands/core/song';
import { fingerprint } from '../ui/fingerprint';
import { numberOf, recordOf, textOf, timeOf } from './believed';
import { FIRST_PLACE, type Place, placeOf } from './place';
import { type ShelfCard, songIn, type StoredSong } from './stored';

/** What is stored of a song beside it, as far as it is known. */
export interface AboutSong {
  readonly place?: Partial<Place>;
  readonly openedAt?: number | null;
  readonly savedAt?: number;
  readonly facts?: SongFacts | null;
  readonly deletedAt?: number | null;
  readonly tune?: ShelfCard['tune'] | null;
}

/** What can be believed of a stored card, whatever else is wrong with it. */
export function aboutOf(stored: unknown): AboutSong {
  const { place, openedAt, savedAt, facts, deletedAt, tune } = recordOf(stored);
  const { parts, seconds } = recordOf(facts);
  const { print, at } = recordOf(tune);
  const [known, since] = [textOf(print, 40), timeOf(at)];
  const [count, length] = [numberOf(parts, 0, 20_000), numberOf(seconds, 0, 1e6)];
  return {
    place: placeOf(place),
    openedAt: timeOf(openedAt),
    savedAt: timeOf(savedAt) ?? 0,
    facts: count === null || length === null ? null : { parts: count, seconds: length },
    deletedAt: timeOf(deletedAt),
    tune: known === null || since === null ? null : { print: known, at: since },
  };
}

/** A stored card, with what can be believed of it; null where it does not tell its song. */
export function readCard(stored: unknown): ShelfCard | null {
  const { id, revision, title, subtitle, tags, version, opening, key, metre, bars, trouble } =
    recordOf(stored);
  const texts = [id, title, subtitle, opening, key, metre].map((text) => textOf(text, 1000));
  const told = songSchema.pick({ tags: true, version: true }).safeParse({ tags, version });
  const numbers = [revision, bars].map((number) => numberOf(number, 0, Number.MAX_SAFE_INTEGER));
  if ([...texts, ...numbers].includes(null) || !title || !told.success) return null;
  const [known, about] = [stored as ShelfCard, aboutOf(stored)];
  if (!about.tune) return null;
  const place = { ...FIRST_PLACE, ...about.place };
  return { ...known, ...about, place, trouble: textOf(trouble, 1000) } as ShelfCard;
}

/** The card of a song that is whole. */
export function cardOf(
  song: Song,
  revision: number,
  { place, openedAt = null, savedAt = 0, facts = null, deletedAt = null, tune = null }: AboutSong,
): ShelfCard {
  const { tonic, mode } = song.keyMap[0];
  const print = printOf(song);
  return {
    id: song.id,
    revision,
    title: song.title,
    subtitle: song.subtitle,
    tags: song.tags,
    version: song.version,
    opening: openingOf(song),
    key: withSigns(keyName({ tonic, mode })),
    metre: metreName(song.metreMap[0]),
    bars: song.barCount,
    facts,
    trouble: null,
    place: { ...FIRST_PLACE, ...place },
    openedAt,
    savedAt,
    tune: tune?.print === print ? tune : { print, at: savedAt },
    deletedAt,
  };
}

/** A short name for a tune: its notes and words, whatever they are numbered. */
function printOf({ melody }: Song): string {
  return fingerprint(JSON.stringify(melody.map(({ id: _id, ...note }) => note)));
}

/** Letters of the tune a song is found by. */
const OPENING = 12;

function openingOf({ melody }: Song): string {
  const struck = melody.filter(({ grace }, i) => !grace && !melody[i - 1]?.tiedToNext);
  return struck
    .slice(0, OPENING)
    .map(({ pitch }) => withSigns(classNameOf(pitch)))
    .join(' ');
}

/** The card of whatever lies in the store: where no song can be made of it, the card says why. */
export function cardFrom(stored: StoredSong, about: AboutSong): ShelfCard {
  const { id, revision } = stored;
  const song = songIn(stored);
  try {
    return { ...cardOf(migrateSong(song), revision, about), id };
  } catch (error) {
    return troubled(id, revision, song, about, whyNot(error));
  }
}

/** Why something stored cannot be opened, in a sentence. */
export function whyNot(error: unknown): string {
  if (error instanceof SongShapeError) return error.message;
  return error instanceof Error ? `It cannot be read: ${error.message.slice(0, 200)}.` : 'It cannot be read.';
}

function troubled(
  id: string,
  revision: number,
  song: unknown,
  { place, openedAt = null, savedAt = 0, deletedAt = null }: AboutSong,
  trouble: string,
): ShelfCard {
  const { title } = typeof song === 'object' && song !== null ? (song as { title?: unknown }) : {};
  return {
    id,
    revision,
    title: typeof title === 'string' && title.trim() ? title.slice(0, 200) : 'A song without a title',
    subtitle: '',
    tags: [],
    version: null,
    opening: '',
    key: '',
    metre: '',
    bars: 0,
    facts: null,
    trouble,
    tune: { print: '', at: 0 },
    place: placeOf(place),
    openedAt: timeOf(openedAt),
    savedAt: timeOf(savedAt) ?? 0,
    deletedAt: timeOf(deletedAt),
  };
}
