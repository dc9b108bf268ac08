import { stored } from './stored';
import { imports } from '../sentences';
import * as z from 'zod';
import '../schemas';
import {
  DEFAULT_PROFILE,
  firstIssue,
  migrateSong,
  type Profile,
  profileSchema,
  type Song,
  SongShapeError,
} from '../song';
import { FileError, refuseTooLarge } from './fileError';

const FORMAT = 'joined-hands-project';

export interface Project {
  readonly song: Song;
  /** The profile the song was last arranged with. */
  readonly profile: Profile;
  /** What was practised of it, as it was handed in: whoever practises knows what it means. */
  readonly practice?: unknown;
}

const shell = z.object({
  format: z.literal(FORMAT),
  song: z.unknown(),
  profile: z.unknown(),
  practice: z.unknown().optional(),
});

/** A song, its profile and what was practised as a project file (.joined.json). Reading it gives the same song. */
export function writeProject({ song, profile, practice }: Project): string {
  const along = practice === undefined ? {} : { practice };
  return `${JSON.stringify({ format: FORMAT, song, profile, ...along }, null, 1)}\n`;
}

/** Reads a project file of this or an older version. Throws {@link FileError} naming the place. */
export function readProject(text: string): Project {
  refuseTooLarge(text.length);
  const json = parseJson(text);
  const outer = shell.safeParse(json);
  if (!outer.success) {
    throw new FileError(
      'This JSON is not a project file of Joined Hands',
      '',
      'Choose a file that ends in .joined.json.',
    );
  }
  try {
    const song = migrateSong(outer.data.song);
    const profile = profileSchema.safeParse(outer.data.profile ?? DEFAULT_PROFILE, { reportInput: true });
    const { practice } = outer.data;
    const along = practice === undefined ? {} : { practice };
    if (profile.success) return { song, profile: profile.data, ...along };
    // A hand or keyboard there is not: the song opens all the same, with the usual ones.
    const said = stored(imports.profileUnfit(firstIssue(profile.error).replace(/\.$/, '')));
    const imported = [...song.imported, { tick: 0, said }];
    return { song: { ...song, imported }, profile: DEFAULT_PROFILE, ...along };
  } catch (error) {
    if (!(error instanceof SongShapeError)) throw error;
    throw new FileError(
      `The project file cannot be opened: ${error.message.replace(/\.$/, '')}`,
      '',
      'Export it again, or open an older copy.',
    );
  }
}

function parseJson(text: string): unknown {
  if (text.trim() === '') throw new FileError('The file is empty', '', 'Choose another file.');
  try {
    return JSON.parse(text);
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    throw new FileError(
      'The project file is damaged or cut short',
      '',
      'Export it again, or open an older copy.',
    );
  }
}
