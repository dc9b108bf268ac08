import { type ChartReading, FileError, type OpenedFile, openFile } from '@joined-hands/core/formats';
import { type NoteNames, useNoteNames } from '@joined-hands/core/music';
import { expose } from 'comlink';

/** A file as read, or why it could not be. */
export type ReadResult =
  | { readonly kind: 'opened'; readonly opened: OpenedFile }
  | { readonly kind: 'refused'; readonly reason: string };

const reader = {
  /** Reads a file, its notes and chords named so; what cannot be read is refused with a sentence. */
  read(name: string, bytes: Uint8Array, songId: string, names: NoteNames, open: ChartReading): ReadResult {
    try {
      useNoteNames(names);
      return { kind: 'opened', opened: openFile(name, bytes, songId, open) };
    } catch (error) {
      if (error instanceof FileError) return { kind: 'refused', reason: error.message };
      throw error;
    }
  },
};

export type Reader = typeof reader;
expose(reader);
