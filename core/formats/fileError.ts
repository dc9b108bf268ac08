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
    super([place ? `${what} (${place}).` : `${what}.`, remedy].filter(Boolean).join(' '));
    this.name = 'FileError';
  }
}

/** The largest file read, in bytes. */
export const MOST_BYTES = 20 * 1024 * 1024;

/** Refuses text longer than a file may be. */
export function refuseTooLarge(length: number): void {
  if (length <= MOST_BYTES) return;
  const size = (length / 1024 / 1024).toFixed(1);
  throw new FileError(
    `The file is too large: ${size} MB, and at most 20 MB are read`,
    '',
    'Export only the melody from where it was made.',
  );
}
