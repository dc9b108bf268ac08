import type { Profile } from '../song';
import type { TuneCandidate } from './candidates';
import { readChart } from './chordPro';
import { FileError, refuseTooLarge } from './fileError';
import { readMidiTunes } from './midiRead';
import { readMusicXmlTunes } from './musicxmlRead';
import { readProject } from './project';
import { isZip, scoreInMxl, textOf } from './unzip';

/** What a file holds: a project with its profile, or one or more lines that could be the melody. */
export type OpenedFile =
  | { readonly kind: 'project'; readonly song: TuneCandidate['song']; readonly profile: Profile }
  | { readonly kind: 'tunes'; readonly tunes: readonly TuneCandidate[] };

type Tunes = (bytes: Uint8Array, songId: string, title: string) => OpenedFile;

const tunes =
  (read: (bytes: Uint8Array, songId: string, title: string) => readonly TuneCandidate[]): Tunes =>
  (bytes, songId, title) => ({ kind: 'tunes', tunes: read(bytes, songId, title) });

/** Kinds of files that are read, by ending: a new format is a file that reads it and a row here. */
const FORMATS: readonly { readonly endings: readonly string[]; readonly read: Tunes }[] = [
  {
    endings: ['.musicxml', '.xml'],
    read: tunes((bytes, id, title) => readMusicXmlTunes(textOf(bytes), id, title)),
  },
  { endings: ['.mxl'], read: tunes((bytes, id, title) => readMusicXmlTunes(scoreInMxl(bytes), id, title)) },
  { endings: ['.mid', '.midi'], read: tunes(readMidiTunes) },
  {
    endings: ['.joined.json', '.json'],
    read: (bytes) => ({ kind: 'project', ...readProject(textOf(bytes)) }),
  },
  { endings: ['.txt', '.cho', '.chopro', '.pro'], read: tunes(chart) },
];

/** Endings of the files that are read. */
export const READ_ENDINGS = FORMATS.flatMap(({ endings }) => endings);

function chart(bytes: Uint8Array, songId: string, title: string): TuneCandidate[] {
  const song = readChart(textOf(bytes), songId, title);
  return [{ id: 'chart', label: 'Chords to sing to', facts: `${song.changes.length} chords`, song }];
}

/** Opens a file of any kind that is read, known by its ending; a zip is a score whatever it is called. Throws {@link FileError}. */
export function openFile(name: string, bytes: Uint8Array, songId: string): OpenedFile {
  refuseTooLarge(bytes.length);
  const lower = name.toLowerCase();
  const title = name.replace(/(\.joined)?\.[^.]+$/, '').slice(0, 200) || 'Untitled';
  if (bytes.length === 0) throw new FileError('The file is empty', '', 'Choose another file.');
  const ending = isZip(bytes) ? '.mxl' : lower;
  const format = FORMATS.find(({ endings }) => endings.some((known) => ending.endsWith(known)));
  if (!format)
    throw new FileError('This kind of file is not known', '', `Choose one of ${READ_ENDINGS.join(', ')}.`);
  return format.read(bytes, songId, title);
}
