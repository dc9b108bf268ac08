import { Injectable } from '@angular/core';
import type { SongFacts } from '@joined-hands/core/arrangement';
import { readProject } from '@joined-hands/core/formats';
import { migrateSong, type Profile, profileSchema, SCHEMA_VERSION, type Song } from '@joined-hands/core/song';
import { Database, type StoredSong } from './database';
import { draftOf, dropDraft, isEmptySong, keepDraft } from './drafts';
import { FIRST_PLACE, type Place } from './place';

/** Another tab wrote the song in the meantime. */
export class StaleRevisionError extends Error {
  constructor() {
    super('This song was changed in another tab. Reload to see that version, or export yours first.');
    this.name = 'StaleRevisionError';
  }
}

const DEMO_FILES = ['lanterns', 'sluicegate', 'rain', 'mudflat', 'jig', 'snow'];

/** What this version wrote is as it was; checking a long song anew would keep the interface waiting. */
function upToDate(song: Song): Song {
  return song.schemaVersion === SCHEMA_VERSION ? song : migrateSong(song);
}

/** Reads and writes songs; each write is compare-and-swap on the revision. */
@Injectable({ providedIn: 'root' })
export class SongStore {
  private readonly database = new Database();

  /** Every song, the last opened first. The demo songs are put on the shelf the first time. */
  async all(): Promise<StoredSong[]> {
    await this.addDemoSongsOnce();
    const songs = await this.database.songs.toArray();
    return songs.sort(
      (a, b) => (b.openedAt ?? 0) - (a.openedAt ?? 0) || a.song.title.localeCompare(b.song.title),
    );
  }

  /** A stored song, brought to this version of the program; undefined when there is none. */
  async get(id: string): Promise<StoredSong | undefined> {
    const stored = (await this.database.songs.get(id)) ?? (await this.notYetStored(id));
    return stored && { ...stored, song: upToDate(stored.song), place: { ...FIRST_PLACE, ...stored.place } };
  }

  /** A song begun in this tab, or a demo song asked for by its address before the shelf was ever seen. */
  private async notYetStored(id: string): Promise<StoredSong | undefined> {
    const song = draftOf(id);
    if (song) return { id, revision: 0, song, place: FIRST_PLACE, openedAt: null, savedAt: 0 };
    await this.addDemoSongsOnce();
    return this.database.songs.get(id);
  }

  /** Begins a song: it comes to the shelf with its first note or chord. */
  begin(song: Song): void {
    keepDraft(song);
  }

  /** Puts a new song on the shelf. */
  async add(song: Song, place: Place = FIRST_PLACE): Promise<void> {
    await this.database.songs.add({
      id: song.id,
      revision: 1,
      song,
      place,
      openedAt: null,
      savedAt: Date.now(),
    });
  }

  /** Puts a deleted song back as it was. */
  async restore(stored: StoredSong): Promise<void> {
    await this.database.songs.put(stored);
  }

  async remove(id: string): Promise<void> {
    await this.database.songs.delete(id);
  }

  async opened(id: string): Promise<void> {
    await this.database.songs.update(id, { openedAt: Date.now() });
  }

  /** Writes a song over the revision that was read; throws {@link StaleRevisionError} if it is no longer there. */
  async save(song: Song, place: Place, seen: number, facts: SongFacts | null = null): Promise<number> {
    if (isEmptySong(song) && draftOf(song.id)) {
      keepDraft(song);
      return seen;
    }
    const revision = await this.write(song, place, seen, facts);
    dropDraft(song.id);
    return revision;
  }

  private write(song: Song, place: Place, seen: number, facts: SongFacts | null): Promise<number> {
    return this.database.transaction('rw', this.database.songs, async () => {
      const stored = await this.database.songs.get(song.id);
      if (stored && stored.revision !== seen) throw new StaleRevisionError();
      const revision = seen + 1;
      const openedAt = stored?.openedAt ?? Date.now();
      await this.database.songs.put({
        id: song.id,
        revision,
        song,
        place,
        openedAt,
        savedAt: Date.now(),
        facts,
      });
      return revision;
    });
  }

  /** Remembers where the pianist is without touching the song's revision. */
  async savePlace(id: string, place: Place): Promise<void> {
    await this.database.songs.update(id, { place });
  }

  /** Remembers what the shelf tells of a song, without touching its revision. */
  async saveFacts(id: string, facts: SongFacts): Promise<void> {
    await this.database.songs.update(id, { facts });
  }

  async profile(): Promise<Profile | null> {
    const stored = await this.database.settings.get('profile');
    const parsed = profileSchema.safeParse(stored?.value);
    return parsed.success ? parsed.data : null;
  }

  async saveProfile(profile: Profile): Promise<void> {
    await this.database.settings.put({ key: 'profile', value: profile });
  }

  async keysAreOn(): Promise<boolean> {
    return (await this.database.settings.get('keys-on'))?.value !== false;
  }

  async saveKeysAreOn(on: boolean): Promise<void> {
    await this.database.settings.put({ key: 'keys-on', value: on });
  }

  /** Puts the demo songs that are not there (back) on the shelf; gives the id of the first. */
  async addDemoSongs(): Promise<string> {
    const songs = await this.demoSongs();
    for (const song of songs) if (!(await this.database.songs.get(song.id))) await this.add(song);
    return songs[0].id;
  }

  private async addDemoSongsOnce(): Promise<void> {
    const done = await this.database.settings.get('demo-songs');
    if (done) return;
    const songs = await this.demoSongs();
    await this.database.transaction('rw', this.database.songs, this.database.settings, async () => {
      if (await this.database.settings.get('demo-songs')) return;
      await this.database.settings.put({ key: 'demo-songs', value: true });
      for (const song of songs) await this.add(song);
    });
  }

  private async demoSongs(): Promise<Song[]> {
    const texts = await Promise.all(
      DEMO_FILES.map(async (name) => (await fetch(`/demo/${name}.joined.json`)).text()),
    );
    return texts.map((text) => readProject(text).song);
  }
}
