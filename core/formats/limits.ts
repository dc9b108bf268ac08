import type { PlayedSong } from '../song';
import { FileError, MOST_BYTES } from './fileError';

/** Written bars of a file that are read, a pick-up among them: as many as a song may have. */
export const MOST_READ_BARS = 4001;

/**
 * Refuses to write what could not be opened again: repeats are written out, and a song played for longer than a score
 * may be has no score. Throws {@link FileError}.
 */
export function refuseTooLong({ bars }: PlayedSong): void {
  if (bars.length <= MOST_READ_BARS) return;
  throw new FileError(
    `Played out the song has ${bars.length} bars, and a score holds at most ${MOST_READ_BARS - 1}`,
    '',
    'Export it as a project, which keeps its repeats.',
  );
}

/** Refuses a written file that is larger than those that are read. Throws {@link FileError}. */
export function refuseTooMuch(bytes: number): void {
  if (bytes <= MOST_BYTES) return;
  throw new FileError(
    `The score would be ${Math.round(bytes / 1024 / 1024)} MB, and at most 20 MB are read`,
    '',
    'Export the song as a project.',
  );
}
