import { inject, Injectable, signal } from '@angular/core';
import {
  isGuessed,
  MOST_BYTES,
  type OpenedFile,
  textOf,
  type TuneCandidate,
} from '@joined-hands/core/formats';
import { readRecord } from '@joined-hands/core/practice';
import { asPreferred, type Profile, profileOf, type Song } from '@joined-hands/core/song';
import { counted } from '@joined-hands/core/words';
import { NzModalService } from 'ng-zorro-antd/modal';
import { firstValueFrom } from 'rxjs';
import { FIRST_PLACE } from '../storage/place';
import { PracticeStore } from '../storage/practice-store';
import { SongStore } from '../storage/song-store';
import { openDialog } from '../ui/dialog';
import { messageOf } from '../ui/message';
import { Problems } from '../ui/problems';
import { ArrangerClient } from '../workers/arranger';
import { FileReaderClient } from '../workers/reader';

/** What a file is read for. */
interface Task {
  /** Which of several it is: "16 of 25: ". */
  readonly which: string;
  readonly isAlone: boolean;
  /** Restores a backup. */
  readonly restore: (file: File) => Promise<void>;
}

/** A file, and what stands in it. */
interface ReadFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** Files that come to the shelf, each made into a song. */
@Injectable()
export class Importing {
  private readonly songs = inject(SongStore);
  private readonly practice = inject(PracticeStore);
  private readonly reader = inject(FileReaderClient);
  private readonly arranger = inject(ArrangerClient);
  private readonly problems = inject(Problems);
  private readonly modal = inject(NzModalService);
  /** The file that is being read; null while none is. */
  readonly reading = signal<string | null>(null);
  /** Why something did not come to the shelf. */
  readonly problem = signal<string | null>(null);

  /** Reads files one after the other, backups by `restore`; gives the id of the last song put on the shelf, if any. */
  async all(files: readonly File[], restore: Task['restore']): Promise<string | null> {
    this.problem.set(null);
    const isAlone = files.length === 1;
    let last: string | null = null;
    for (const [i, file] of files.entries()) {
      const which = isAlone ? '' : `${i + 1} of ${files.length}: `;
      last = (await this.one(file, { which, isAlone, restore })) ?? last;
    }
    return last;
  }

  /** Puts the song of a file on the shelf; one that comes alone is opened next. */
  private async one(file: File, { which, isAlone, restore }: Task): Promise<string | null> {
    const size = `${(file.size / 1024 / 1024).toFixed(1)} MB`;
    this.reading.set(which + (file.size > 1024 * 1024 ? `${file.name} (${size})` : file.name));
    try {
      if (/\.zip$/i.test(file.name)) {
        this.reading.set(null);
        await restore(file);
        return null;
      }
      if (file.size > MOST_BYTES) {
        this.problem.set(
          `${file.name}: the file is too large, ${size}; at most 20 MB are read. Export only the melody.`,
        );
        return null;
      }
      this.arranger.warm();
      // Loads while the file is read; where it cannot be, going there says so.
      import('../frame/song-route').catch(() => undefined);
      const bytes = new Uint8Array(await file.arrayBuffer());
      const [result, profiles] = await Promise.all([
        this.reader.read(file.name, bytes, crypto.randomUUID()),
        this.songs.profiles(),
      ]);
      this.reading.set(null);
      if (result === null) return null;
      if (result.kind === 'refused') {
        this.problem.set(`${file.name}: ${result.reason} The songs on the shelf are untouched.`);
        return null;
      }
      const song = await this.chosen(result.opened, profiles[0], isAlone ? { name: file.name, bytes } : null);
      if (!song) return null;
      const own = { ...song, id: crypto.randomUUID() };
      if (isAlone) this.arranger.begin(own, profileOf(own, profiles), FIRST_PLACE.part);
      if (result.opened.kind === 'project') await this.takeProfile(own, result.opened.profile, profiles);
      await this.songs.add(own);
      if (result.opened.kind === 'project')
        await this.takePractice(file.name, own.id, result.opened.practice);
      return own.id;
    } catch (error) {
      this.problem.set(`${file.name}: it could not be stored: ${messageOf(error)}.`);
      return null;
    } finally {
      this.reading.set(null);
    }
  }

  /** The hands a song was arranged for come along with it, where they are not known here. */
  private async takeProfile(song: Song, profile: Profile, known: readonly Profile[]): Promise<void> {
    if (song.profile !== profile.id || known.some(({ id }) => id === profile.id)) return;
    await this.songs.saveProfiles([...known, profile]);
    this.problems.tell(`The profile “${profile.name}” came with “${song.title}”.`);
  }

  /** What was practised comes along with a project; the song is there whatever becomes of it. */
  private async takePractice(name: string, songId: string, practice: unknown): Promise<void> {
    const read = readRecord(practice);
    if (!read) return;
    try {
      await this.practice.take(songId, read.record);
      if (read.refused > 0)
        this.problems.tell(
          `${name}: ${counted(read.refused, 'entry', 'entries')} of what was practised could not be read and ${read.refused === 1 ? 'was' : 'were'} left out.`,
        );
    } catch (error) {
      this.problems.say(`${name}: what was practised could not be stored`, error);
    }
  }

  /** The song of a file: where several lines could be the melody, the one the pianist takes; null when none is. */
  private async chosen(opened: OpenedFile, profile: Profile, alone: ReadFile | null): Promise<Song | null> {
    if (opened.kind === 'project') return opened.song;
    if (alone && isGuessed(opened.tunes[0].song)) {
      const song = await this.lookedOver(alone);
      return song ? asPreferred(song, profile) : null;
    }
    if (opened.tunes.length === 1) return asPreferred(opened.tunes[0].song, profile);
    const { TuneChoice } = await import('./tune-choice');
    const modal = openDialog(this.modal, {
      nzTitle: 'Which line is the melody?',
      nzContent: TuneChoice,
      nzData: opened.tunes,
      nzWidth: 640,
    });
    const taken: TuneCandidate | undefined = await firstValueFrom(modal.afterClose);
    return taken ? asPreferred(taken.song, profile) : null;
  }

  /** A chart without bar lines, its bars and words looked over before it is a song; undefined where it is not to be one. */
  private async lookedOver({ name, bytes }: ReadFile): Promise<Song | undefined> {
    const { writeChords } = await import('./chords-entry');
    return writeChords(this.modal, { name, text: textOf(bytes) });
  }
}
