/** Letters of a message that are read before one gives up; the whole stays under 300. */
const LONGEST = { what: 150, place: 50 };

/** The beginning of a text that came from a file, where it is too long to be read out. */
export function shortened(text: string, most: number): string {
  return text.length <= most ? text : `${text.slice(0, most - 1)}…`;
}

/** A file that cannot be read at all: says what, where and what to do. */
export class FileError extends Error {
  constructor(
    /** What is wrong, as a sentence. */
    readonly what: string,
    /** Where: "line 12", "bar 3"; empty when it is the whole file. */
    readonly place: string,
    /** What the pianist can do. */
    readonly remedy: string,
  ) {
    const said = shortened(what, LONGEST.what);
    const where = shortened(place, LONGEST.place);
    super([where ? `${said} (${where}).` : `${said}.`, remedy].filter(Boolean).join(' '));
    this.name = 'FileError';
  }
}

/** The largest file read, in bytes. */
export const MOST_BYTES = 20 * 1024 * 1024;

/** Refuses what is longer, in bytes, than may be read. */
export function refuseTooLarge(length: number, most = MOST_BYTES): void {
  if (length <= most) return;
  const [size, at] = [length, most].map((bytes) => bytes / 1024 / 1024);
  throw new FileError(
    `The file is too large: ${size.toFixed(1)} MB, and at most ${at} MB are read`,
    '',
    most === MOST_BYTES
      ? 'Export only the melody from where it was made.'
      : 'Choose an older or smaller one.',
  );
}
