import type { Profile } from '../song';
import type { TuneCandidate } from './candidates';
import { readChart } from './chordPro';
import { FileError, READ_ENDINGS, refuseTooLarge } from './fileError';
import { readMidiTunes } from './midiRead';
import { readMusicXmlTunes } from './musicxmlRead';
import { readProject } from './project';
import { isZip, scoreInMxl, textOf } from './unzip';

/** What a file holds: a project with its profile, or one or more lines that could be the melody. */
export type OpenedFile =
  | { readonly kind: 'project'; readonly song: TuneCandidate['song']; readonly profile: Profile }
  | { readonly kind: 'tunes'; readonly tunes: readonly TuneCandidate[] };

/** Opens a file of any kind that is read, known by its ending and its first bytes. Throws {@link FileError}. */
export function openFile(name: string, bytes: Uint8Array, songId: string): OpenedFile {
  refuseTooLarge(bytes.length);
  const lower = name.toLowerCase();
  const title = name.replace(/(\.joined)?\.[^.]+$/, '').slice(0, 200) || 'Untitled';
  if (bytes.length === 0) throw new FileError('The file is empty', '', 'Choose another file.');
  if (/\.midi?$/.test(lower)) return { kind: 'tunes', tunes: readMidiTunes(bytes, songId, title) };
  if (lower.endsWith('.mxl') || isZip(bytes))
    return { kind: 'tunes', tunes: readMusicXmlTunes(scoreInMxl(bytes), songId, title) };
  if (/\.(musicxml|xml)$/.test(lower))
    return { kind: 'tunes', tunes: readMusicXmlTunes(textOf(bytes), songId, title) };
  if (lower.endsWith('.json')) return { kind: 'project', ...readProject(textOf(bytes)) };
  if (/\.(txt|cho|chopro|pro)$/.test(lower)) {
    const song = readChart(textOf(bytes), songId, title);
    return {
      kind: 'tunes',
      tunes: [{ id: 'chart', label: 'Chords to sing to', facts: `${song.changes.length} chords`, song }],
    };
  }
  throw new FileError('This kind of file is not known', '', `Choose one of ${READ_ENDINGS.join(', ')}.`);
}
