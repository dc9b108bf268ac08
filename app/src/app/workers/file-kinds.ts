import type { FileKind } from './answers';

/** Ending and media type of each kind of file. */
export const FILES: Record<FileKind, readonly [ending: string, type: string]> = {
  project: ['.joined.json', 'application/json'],
  musicxml: ['.musicxml', 'application/vnd.recordare.musicxml+xml'],
  mxl: ['.mxl', 'application/vnd.recordare.musicxml'],
  midi: ['.mid', 'audio/midi'],
  walkthrough: ['.txt', 'text/plain;charset=utf-8'],
  cards: ['-cards.txt', 'text/plain;charset=utf-8'],
};
