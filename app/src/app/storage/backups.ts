import { inject, Injectable } from '@angular/core';
import { type BackedUp, BackupWriter, FileError, openBackup } from '@joined-hands/core/formats';
import { readRecord } from '@joined-hands/core/practice';
import { cutTo, type Song } from '@joined-hands/core/song';
import { counted } from '@joined-hands/core/words';
import { fingerprint } from '../ui/fingerprint';
import { Bin } from './bin';
import { PracticeStore } from './practice-store';
import { SongStore, UnreadableSongError } from './song-store';

/** Told after each song: how many are done, of how many. */
type Progress = (done: number, of: number) => void;

/** What came of restoring a backup. */
export interface Restored {
  /** Songs that were not here. */
  readonly added: number;
  /** Songs that were here as they are in the backup. */
  readonly known: number;
  /** Songs that are here in another state: that of the backup stands beside. */
  readonly beside: number;
  /** Profiles that were not here. */
  readonly profiles: number;
  readonly refused: readonly string[];
}

/** All songs with what was practised and the profiles, out in one file and in again, without loss or doubles. */
@Injectable({ providedIn: 'root' })
export class Backups {
  private readonly songs = inject(SongStore);
  private readonly practice = inject(PracticeStore);
  private readonly bin = inject(Bin);

  /** Gives the file, and the titles of songs that cannot be read and so are not in it. */
  async write(told: Progress): Promise<{ readonly bytes: Uint8Array; readonly leftOut: readonly string[] }> {
    const cards = await this.songs.all();
    const writer = new BackupWriter(await this.songs.profiles());
    const leftOut: string[] = [];
    for (const [i, { id, title }] of cards.entries()) {
      told(i + 1, cards.length);
      await aMoment();
      const song = await this.stored(id);
      if (typeof song === 'string') leftOut.push(title);
      else writer.add({ song, practice: await this.practice.recordOf(id) });
    }
    return { bytes: writer.finish(), leftOut };
  }

  /** Puts what a backup holds on the shelf. Restored once more it changes nothing. Throws what cannot be read as a sentence. */
  async restore(bytes: Uint8Array, told: Progress): Promise<Restored> {
    const backup = openBackup(bytes);
    const counts = { added: 0, known: 0, beside: 0 };
    const refused: string[] = [];
    for (let i = 0; i < backup.count; i++) {
      told(i + 1, backup.count);
      await aMoment();
      try {
        counts[await this.restoreOne(backup.read(i))]++;
      } catch (error) {
        if (!(error instanceof FileError)) throw error;
        refused.push(`Song ${i + 1}: ${error.message}`);
      }
    }
    const here = await this.songs.storedProfiles();
    const profiles = backup.profiles.filter(({ id }) => !here.some((own) => own.id === id));
    if (profiles.length > 0) await this.songs.saveProfiles([...here, ...profiles]);
    return { ...counts, profiles: profiles.length, refused };
  }

  private async restoreOne({ song, practice }: BackedUp): Promise<'added' | 'known' | 'beside'> {
    const stored = await this.stored(song.id);
    if (stored === 'none') await this.songs.add(song);
    if (stored === 'none' || (stored !== 'unreadable' && isSame(stored, song))) {
      const wasAway = stored === 'none' || (await this.bin.has(song.id));
      await this.bin.putBack(song.id);
      await this.takePractice(song.id, practice);
      return wasAway ? 'added' : 'known';
    }
    // By what is in it, so that the same backup gives the same song beside, once.
    const id = `${song.id.split('~', 1)[0].slice(0, 36)}~${fingerprint(JSON.stringify(song))}`;
    const isHere = (await this.stored(id)) !== 'none';
    if (!isHere) await this.songs.add({ ...song, id, title: besideTitle(song.title) });
    await this.takePractice(id, practice);
    return isHere ? 'known' : 'beside';
  }

  private async stored(id: string): Promise<Song | 'none' | 'unreadable'> {
    try {
      return (await this.songs.get(id))?.song ?? 'none';
    } catch (error) {
      if (error instanceof UnreadableSongError) return 'unreadable';
      throw error;
    }
  }

  private async takePractice(songId: string, practice: unknown): Promise<void> {
    const read = readRecord(practice);
    if (read) await this.practice.take(songId, read.record);
  }
}

const BESIDE = ' (from a backup)';

/** The title of a song that stands beside another state of it; said once, and never longer than a title may be. */
function besideTitle(title: string): string {
  return cutTo(title.replaceAll(BESIDE, ''), 200 - BESIDE.length) + BESIDE;
}

/** What came of it, in words: "198 songs were added; 2 were here already." */
export function restoredInWords({ added, known, beside, profiles, refused }: Restored): string {
  const was = (count: number): string => (count === 1 ? 'was' : 'were');
  const parts = [
    `${counted(added, 'song')} ${was(added)} added`,
    ...(known > 0 ? [`${known} ${was(known)} here already`] : []),
    ...(beside > 0
      ? [`${beside} ${was(beside)} here in another state and ${beside === 1 ? 'stands' : 'stand'} beside`]
      : []),
  ];
  const profile =
    profiles > 0 ? ` ${counted(profiles, 'profile')} came too.` : ' The profiles here were left as they are.';
  const lost =
    refused.length > 0 ? ` ${counted(refused.length, 'song')} could not be read: ${refused[0]}` : '';
  return `${parts.join('; ')}.${profile}${lost}`;
}

function isSame(a: Song, b: Song): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

/** Lets the screen show how far it is. */
function aMoment(): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve));
}
