import { cutTo, checkedSong, type Profile, SongShapeError } from '../song';
import type { TuneCandidate } from './candidates';
import { type ChartReading, readChart } from './chart';
import { kindOf, READ_ENDINGS, type ReadKind } from './endings';
import { FileError, refuseTooLarge } from './fileError';
import { readMidiTunes } from './midiRead';
import { readMusicXmlTunes } from './musicxmlRead';
import { readProject } from './project';
import { isZip, scoreInMxl, textOf } from './unzip';

/** What a file holds: a project with its profile, or one or more lines that could be the melody. */
export type OpenedFile =
  | {
      readonly kind: 'project';
      readonly song: TuneCandidate['song'];
      readonly profile: Profile;
      /** What was practised, as the file has it. */
      readonly practice?: unknown;
    }
  | { readonly kind: 'tunes'; readonly tunes: readonly TuneCandidate[] };

type Reader = (bytes: Uint8Array, songId: string, title: string, open: ChartReading) => OpenedFile;

const tunes = (list: readonly TuneCandidate[]): OpenedFile => ({ kind: 'tunes', tunes: list.map(checked) });

/** What is opened can be stored and opened again: past the bounds of a song it is refused here, not later. */
function checked(tune: TuneCandidate): TuneCandidate {
  try {
    return { ...tune, song: checkedSong(tune.song) };
  } catch (error) {
    if (!(error instanceof SongShapeError)) throw error;
    throw new FileError(
      `The file cannot be made a song: ${error.message.replace(/\.$/, '')}`,
      '',
      'Put it right where the file comes from, or export only the melody.',
    );
  }
}

/** How each kind is read: a new format is a file that reads it, its endings, and a row here. */
const READERS: Record<ReadKind, Reader> = {
  musicxml: (bytes, id, title) => tunes(readMusicXmlTunes(textOf(bytes), id, title)),
  mxl: (bytes, id, title) => tunes(readMusicXmlTunes(scoreInMxl(bytes), id, title)),
  midi: (bytes, id, title) => tunes(readMidiTunes(bytes, id, title)),
  project: (bytes) => ({ kind: 'project', ...readProject(textOf(bytes)) }),
  chart: (bytes, id, title, open) => tunes(chart(bytes, id, title, open)),
};

function chart(bytes: Uint8Array, songId: string, title: string, open: ChartReading): TuneCandidate[] {
  const song = readChart(textOf(bytes), songId, title, open);
  return [{ id: 'chart', label: 'Chords to sing to', facts: `${song.changes.length} chords`, song }];
}

/**
 * Opens a file of any kind that is read, known by its ending; a zip is a score whatever it is called. What a chart leaves
 * open is as `open` says. Throws {@link FileError}.
 */
export function openFile(
  name: string,
  bytes: Uint8Array,
  songId: string,
  open: ChartReading = {},
): OpenedFile {
  refuseTooLarge(bytes.length);
  const title = cutTo(name.replace(/(\.joined)?\.[^.]+$/, ''), 200) || 'Untitled';
  if (bytes.length === 0) throw new FileError('The file is empty', '', 'Choose another file.');
  const kind = isZip(bytes) ? 'mxl' : kindOf(name);
  if (!kind)
    throw new FileError('This kind of file is not known', '', `Choose one of ${READ_ENDINGS.join(', ')}.`);
  return READERS[kind](bytes, songId, title, open);
}
