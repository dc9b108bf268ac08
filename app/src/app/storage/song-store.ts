import { inject, Injectable } from '@angular/core';
import type { SongFacts } from '@joined-hands/core/arrangement';
import { readProject } from '@joined-hands/core/formats';
import {
  cutTo,
  migrateSong,
  type OwnPattern,
  DEFAULT_PROFILE,
  type Profile,
  profileSchema,
  type Song,
  songSchema,
} from '@joined-hands/core/song';
import { numberOf, timeOf } from './believed';
import { aboutOf, type AboutSong, cardFrom, cardOf, readCard, whyNot } from './card';
import { Bin } from './bin';
import { Database } from './database';
import { draftOf, dropDraft, isEmptySong, keepDraft } from './drafts';
import { type Place, placeOf } from './place';
import { type ShelfCard, songIn, type StoredSong, storedSong } from './stored';

/** Another tab wrote the song in the meantime. */
export class StaleRevisionError extends Error {
  constructor() {
    super('This song was changed in another tab. Download a copy of yours, then reload to see that version.');
    this.name = 'StaleRevisionError';
  }
}

/** What lies under an id is no song that can be opened. */
export class UnreadableSongError extends Error {
  constructor(reason: string) {
    super(reason);
    this.name = 'UnreadableSongError';
  }
}

/** The store of the browser does not answer. */
export class SilentStoreError extends Error {
  constructor() {
    super(
      'the browser does not answer when it is asked for stored data; close its other tabs of this page, then reload',
    );
    this.name = 'SilentStoreError';
  }
}

/** A song to be opened. */
export interface OpenedSong {
  readonly song: Song;
  readonly revision: number;
  readonly place: Place;
  /** It is deleted, and may be put back. */
  readonly isInBin?: boolean;
}

/** A pattern of the pianist's own in another song. */
export interface PatternElsewhere {
  /** Title of the song. */
  readonly song: string;
  readonly pattern: OwnPattern;
}

/** What of a stored song is looked at for its patterns. */
const withPatterns = songSchema.pick({ title: true, patterns: true });

const DEMO_FILES = ['lanterns', 'sluicegate', 'rain', 'mudflat', 'jig', 'snow'];
/** A store that has not answered after this long will not, in milliseconds. */
const SILENT_AFTER_MS = 10_000;

/** Reads and writes songs; each write is compare-and-swap on the revision. */
@Injectable({ providedIn: 'root' })
export class SongStore {
  private readonly database = inject(Database);
  private readonly bin = inject(Bin);
  private added: Song | null = null;

  /** The card of every song on the shelf, the last opened first. The demo songs are put there the first time. */
  async all(): Promise<ShelfCard[]> {
    await answered(this.addDemoSongsOnce());
    const whole = (await this.cards()).filter(({ deletedAt }) => !deletedAt);
    return whole.sort((a, b) => (b.openedAt ?? 0) - (a.openedAt ?? 0) || a.title.localeCompare(b.title));
  }

  /** The card of every song that is stored, those in the bin among them. */
  async cards(): Promise<ShelfCard[]> {
    const [cards, ids] = await answered(
      Promise.all([this.database.cards.toArray(), this.database.songs.toCollection().primaryKeys()]),
    );
    const stored = new Map(cards.map((card) => [card.id, card]));
    const whole: ShelfCard[] = [];
    for (const id of ids) whole.push(readCard(stored.get(id)) ?? (await this.cardMade(id, stored.get(id))));
    return whole;
  }

  /** A song whose card is missing or damaged gets a new one; what can be believed of the old one stays. */
  private async cardMade(id: string, old: unknown): Promise<ShelfCard> {
    const about = aboutOf(old);
    try {
      const stored = await answered(this.database.songs.get(id));
      const card = cardFrom(stored ?? { id, revision: 0, song: null }, about);
      await this.database.cards.put(card);
      return card;
    } catch (error) {
      return { ...cardFrom({ id, revision: 0, song: null }, about), trouble: whyNot(error) };
    }
  }

  /**
   * A stored song, checked and brought to this version of the program; undefined when there is none. Throws
   * {@link UnreadableSongError}, and marks its card, when what is stored is no song.
   */
  async get(id: string): Promise<OpenedSong | undefined> {
    const added = await this.justAdded(id);
    if (added) return added;
    const stored = (await answered(this.database.songs.get(id))) ?? (await this.notYetStored(id));
    if (!stored) return undefined;
    const card = await this.database.cards.get(id);
    try {
      return {
        song: migrateSong(songIn(stored)),
        revision: numberOf(stored.revision, 0, Number.MAX_SAFE_INTEGER) ?? 0,
        place: placeOf(card?.place),
        isInBin: aboutOf(card).deletedAt !== null,
      };
    } catch (error) {
      const known = readCard(card) ?? cardFrom(stored, aboutOf(card));
      // That the card cannot be marked is nothing beside what is said now.
      await this.database.cards.put({ ...known, trouble: whyNot(error) }).catch(() => undefined);
      throw new UnreadableSongError(whyNot(error));
    }
  }

  /** A long song that this page has just put on the shelf is opened as it is: reading and checking it again would only cost time. */
  private async justAdded(id: string): Promise<OpenedSong | undefined> {
    const { added } = this;
    this.added = null;
    if (added?.id !== id) return undefined;
    const card = readCard(await answered(this.database.cards.get(id)));
    return card?.revision === 1 ? { song: added, revision: 1, place: card.place } : undefined;
  }

  /** What lies in the store under an id, as text, whatever it is: to be taken away and looked at. */
  async raw(id: string): Promise<string> {
    const stored = await answered(this.database.songs.get(id));
    return JSON.stringify(stored ? { ...stored, song: songIn(stored) } : null, null, 1);
  }

  /** The pianist's own patterns of all songs but one; a song that cannot be read has none to give. */
  async patternsElsewhere(besideId: string): Promise<PatternElsewhere[]> {
    const found: PatternElsewhere[] = [];
    await answered(
      this.database.songs.each((stored) => {
        if (stored.id === besideId) return;
        const about = withPatterns.safeParse(songIn(stored));
        if (!about.success) return;
        for (const pattern of about.data.patterns) found.push({ song: about.data.title, pattern });
      }),
    );
    return found;
  }

  /** A song begun in this tab, or a demo song asked for by its address before the shelf was ever seen. */
  private async notYetStored(id: string): Promise<StoredSong | undefined> {
    const song = draftOf(id);
    if (song) return { id, revision: 0, song };
    await answered(this.addDemoSongsOnce());
    return answered(this.database.songs.get(id));
  }

  /** Begins a song: it comes to the shelf with its first note or chord. */
  begin(song: Song): void {
    keepDraft(song);
  }

  /** Puts a new song on the shelf. */
  async add(song: Song, about: AboutSong = {}): Promise<void> {
    await answered(
      this.inOne(async () => {
        await this.database.songs.add(storedSong(song, 1));
        await this.database.cards.put(cardOf(song, 1, { savedAt: Date.now(), ...about }));
      }),
    );
    this.added = song;
  }

  /** Puts what could not be stored under its own name on the shelf, as a song of its own; gives its title. */
  async addNotStored(song: Song): Promise<string> {
    const title = `${cutTo(song.title, 180)} (not stored)`;
    await this.add({ ...song, id: crypto.randomUUID(), title });
    return title;
  }

  async opened(id: string): Promise<void> {
    await this.database.cards.update(id, { openedAt: Date.now() });
  }

  /** Writes a song over the revision that was read; throws {@link StaleRevisionError} if it is no longer there. */
  async save(song: Song, place: Place, seen: number): Promise<number> {
    if (isEmptySong(song) && draftOf(song.id)) {
      keepDraft(song);
      return seen;
    }
    const revision = await answered(this.write(song, place, seen));
    dropDraft(song.id);
    return revision;
  }

  private write(song: Song, place: Place, seen: number): Promise<number> {
    const written = storedSong(song, seen + 1);
    const { id, revision } = written;
    return this.inOne(async () => {
      const stored = await this.database.songs.get(id);
      if (stored && stored.revision !== seen) throw new StaleRevisionError();
      const now = Date.now();
      const card = await this.database.cards.get(id);
      await this.database.songs.put(written);
      await this.database.cards.put(
        cardOf(song, revision, {
          place,
          openedAt: timeOf(card?.openedAt) ?? now,
          savedAt: now,
          tune: aboutOf(card).tune,
        }),
      );
      return revision;
    });
  }

  /** Both or neither: a song and its card. */
  private inOne<T>(work: () => Promise<T>): Promise<T> {
    return this.database.transaction('rw', this.database.songs, this.database.cards, work);
  }

  /** Remembers where the pianist is without touching the song. */
  async savePlace(id: string, place: Place): Promise<void> {
    await this.database.cards.update(id, { place });
  }

  /** Remembers what the shelf tells of a song, without touching it. */
  async saveFacts(id: string, facts: SongFacts): Promise<void> {
    await this.database.cards.update(id, { facts });
  }

  /** Whose hands songs are arranged for, the first for those that name none; never empty. */
  async profiles(): Promise<Profile[]> {
    const stored = await this.storedProfiles();
    return stored.length > 0 ? stored : [DEFAULT_PROFILE];
  }

  /** The profiles that were ever set, good ones only. Before there were several, one lay alone. */
  async storedProfiles(): Promise<Profile[]> {
    const { settings } = this.database;
    const list = (await answered(settings.get('profiles')))?.value ?? [
      (await answered(settings.get('profile')))?.value,
    ];
    return (Array.isArray(list) ? list : []).flatMap((stored) => {
      const read = profileSchema.safeParse(stored);
      return read.success ? [read.data] : [];
    });
  }

  async saveProfiles(profiles: readonly Profile[]): Promise<void> {
    await answered(this.database.settings.put({ key: 'profiles', value: profiles }));
  }

  async keysAreOn(): Promise<boolean> {
    return (await answered(this.database.settings.get('keys-on')))?.value !== false;
  }

  async saveKeysAreOn(on: boolean): Promise<void> {
    await answered(this.database.settings.put({ key: 'keys-on', value: on }));
  }

  /** Puts the demo songs that are not there (back) on the shelf; gives the id of the first. */
  async addDemoSongs(): Promise<string> {
    const songs = await this.demoSongs();
    for (const song of songs)
      if (!(await answered(this.database.songs.get(song.id)))) await this.add(song);
      else await this.bin.putBack(song.id);
    return songs[0].id;
  }

  private async addDemoSongsOnce(): Promise<void> {
    const done = await this.database.settings.get('demo-songs');
    if (done) return;
    const songs = await this.demoSongs();
    const { songs: table, cards, settings } = this.database;
    await this.database.transaction('rw', table, cards, settings, async () => {
      if (await settings.get('demo-songs')) return;
      await settings.put({ key: 'demo-songs', value: true });
      for (const song of songs) {
        if (await table.get(song.id)) continue;
        await table.put(storedSong(song, 1));
        await cards.put(cardOf(song, 1, { savedAt: Date.now() }));
      }
    });
  }

  private async demoSongs(): Promise<Song[]> {
    const texts = await Promise.all(
      DEMO_FILES.map(async (name) => (await fetch(`/demo/${name}.joined.json`)).text()),
    );
    return texts.map((text) => readProject(text).song);
  }
}

/** What the store says, unless it says nothing for too long. */
function answered<T>(asked: Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const silence = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new SilentStoreError()), SILENT_AFTER_MS);
  });
  return Promise.race([asked, silence]).finally(() => clearTimeout(timer));
}
