import { strFromU8, strToU8, Zip, ZipDeflate } from 'fflate';
import * as z from 'zod';
import '../schemas';
import { type Profile, profileOf, profileSchema, type Song } from '../song';
import { FIXED_DATE } from './archive';
import { FileError, refuseTooLarge } from './fileError';
import { readProject, writeProject } from './project';
import { unpacked } from './unzip';

const FORMAT = 'joined-hands-backup';
/** Raised when a backup means something older programs cannot know. */
const VERSION = 1;
const LIST = 'backup.json';
/** Bytes of a backup, packed or unpacked: some thousands of songs. */
const MOST_BACKUP_BYTES = 512 * 1024 * 1024;

/** One song of a backup: what was practised of it comes along as it was handed in. */
export interface BackedUp {
  readonly song: Song;
  readonly practice?: unknown;
}

/** Everything of a pianist's: all songs with what was practised, and the profiles; a song is read when it is asked for. */
interface Backup {
  readonly profiles: readonly Profile[];
  readonly count: number;
  /** The song with this number, from 0. Throws {@link FileError} where it cannot be read. */
  read(index: number): BackedUp;
}

const listSchema = z.object({
  format: z.literal(FORMAT),
  version: z.number().int().min(1),
  /** Backups of before have one. */
  profile: z.unknown(),
  profiles: z.array(z.unknown()).optional(),
  songs: z.array(z.string().max(300)).max(100_000),
});

/** A backup, packed song by song so that whoever writes it can say how far it is. */
export class BackupWriter {
  private readonly chunks: Uint8Array[] = [];
  private readonly names: string[] = [];
  private readonly zip = new Zip((error, chunk) => {
    if (error) throw error;
    this.chunks.push(chunk);
  });

  constructor(private readonly profiles: readonly Profile[]) {}

  add({ song, practice }: BackedUp): void {
    const name = `songs/${String(this.names.length + 1).padStart(4, '0')}.joined.json`;
    this.names.push(name);
    this.put(name, writeProject({ song, profile: profileOf(song, this.profiles), practice }));
  }

  finish(): Uint8Array {
    const { profiles } = this;
    const list = { format: FORMAT, version: VERSION, profile: profiles[0], profiles, songs: this.names };
    this.put(LIST, JSON.stringify(list, null, 1));
    this.zip.end();
    const whole = new Uint8Array(this.chunks.reduce((sum, chunk) => sum + chunk.length, 0));
    let at = 0;
    for (const chunk of this.chunks) {
      whole.set(chunk, at);
      at += chunk.length;
    }
    return whole;
  }

  private put(name: string, text: string): void {
    const file = new ZipDeflate(name, { level: 6 });
    file.mtime = FIXED_DATE;
    this.zip.add(file);
    file.push(strToU8(text), true);
  }
}

/** Opens a backup of this or an older version. Throws {@link FileError} where it is none. */
export function openBackup(bytes: Uint8Array): Backup {
  refuseTooLarge(bytes.length, MOST_BACKUP_BYTES);
  const remedy = 'Copy the file again from where it was kept, or use an older backup.';
  const entries = unpacked(bytes, MOST_BACKUP_BYTES, 'The backup', remedy);
  const { profile, profiles = [profile], songs } = listOf(entries[LIST]);
  return {
    profiles: profiles.flatMap((own) => {
      const read = profileSchema.safeParse(own);
      return read.success ? [read.data] : [];
    }),
    count: songs.length,
    read: (index) => {
      const name = songs[index];
      if (!Object.hasOwn(entries, name)) throw new FileError('It is missing from the file', '', remedy);
      const { song, practice } = readProject(strFromU8(entries[name]));
      return practice === undefined ? { song } : { song, practice };
    },
  };
}

function listOf(entry: Uint8Array | undefined): z.infer<typeof listSchema> {
  const none = new FileError(
    'This archive is not a backup of Joined Hands',
    '',
    'Choose a file that ends in .joined.zip.',
  );
  if (!entry) throw none;
  let value: unknown;
  try {
    value = JSON.parse(strFromU8(entry));
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    throw none;
  }
  const list = listSchema.safeParse(value);
  if (!list.success) throw none;
  if (list.data.version > VERSION)
    throw new FileError(
      `The backup is from a newer version of the program (its form is ${list.data.version}, known are up to ${VERSION})`,
      '',
      'Update the program first, then restore it.',
    );
  return list.data;
}
