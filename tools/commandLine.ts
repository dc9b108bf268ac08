import {
  existsSync,
  mkdirSync,
  readFileSync,
  realpathSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';
import { arrange } from '../core/arrange';
import type { Arrangement } from '../core/arrangement';
import { FileError, isBare, MOST_BYTES, openFile, reportOf, writeMidi, writeMusicXml } from '../core/formats';
import { endingsFor, type FrameProposal, introsFor } from '../core/framing';
import { keyName } from '../core/music';
import { DEFAULT_PAPER, layOut, sheetDocument, type SheetId } from '../core/sheets';
import { applyEdit, DEFAULT_PROFILE, keyAt, type Profile, type Song } from '../core/song';
import { chordsFor } from '../core/suggesting';
import { writeWalkthrough } from '../core/words';
import { useNoteNames } from '../core/music';
import type { Toolkit } from '../app/src/app/notation/engraving';
import { engraved } from './engraver';
import { readRequest, type Request, UsageError } from './request';
import { sheetFonts } from './sheetFonts';

/** Bars of an intro. */
const INTRO_BARS = 2;

function readInput(path: string): { song: Song; profile: Profile; wasBare: boolean } {
  const name = basename(path);
  const size = statSync(path).size;
  if (size > MOST_BYTES)
    throw new UsageError(
      `${path}: the file is too large: ${(size / 1024 / 1024).toFixed(1)} MB, and at most 20 MB are read`,
    );
  const songId = name.replace(/\.[^.]+$/, '').slice(0, 64) || 'song';
  const opened = openFile(name, new Uint8Array(readFileSync(path)), songId);
  if (opened.kind === 'project') return { ...opened, wasBare: opened.song.changes.length === 0 };
  const { song } = opened.tunes[0];
  return { song, profile: DEFAULT_PROFILE, wasBare: isBare(song) };
}

/** Makes a folder and those above it, one at a time: Node's own recursive way never returns on some file systems. */
function makeFolder(dir: string): void {
  if (existsSync(dir)) return;
  makeFolder(dirname(dir));
  mkdirSync(dir);
}

/** Writes all files or none: first beside their places under other names, then renamed. */
function writeAll(
  dir: string,
  files: readonly (readonly [name: string, content: string | Uint8Array])[],
): void {
  const made: string[] = [];
  try {
    makeFolder(resolve(dir));
    for (const [name, content] of files) {
      const path = join(dir, `.${name}.part`);
      made.push(path);
      writeFileSync(path, content);
    }
    for (const [name] of files) renameSync(join(dir, `.${name}.part`), join(dir, name));
  } catch (error) {
    for (const path of made) if (existsSync(path)) rmSync(path);
    if (error instanceof Error && 'code' in error)
      throw new UsageError(`--out ${dir}: cannot be written there (${String(error.code)})`);
    throw error;
  }
}

/** A tune that came without chords, with those of a taste; without one those the shelf gives it; none where none are asked for. */
function dressed(song: Song, taste: Request['taste']): Song {
  if (taste === null && song.changes.length > 0) return song;
  const bare = applyEdit(song, { kind: 'changes-set', what: 'suggested chords', changes: [] });
  if (taste === 'none') return bare;
  const proposed = chordsFor(bare, taste ?? 'sevenths', 'gaps', taste === null);
  return proposed ? applyEdit(bare, proposed) : bare;
}

/** The song with the intro and the ending asked for. Throws {@link UsageError} where the song has no room or no chords for one. */
function framed(song: Song, profile: Profile, { intro, ending }: Request): Song {
  let whole = song;
  const put = (option: string, id: string | null, found: (to: Arrangement) => FrameProposal[]): void => {
    if (id === null) return;
    const offered = found(arrange(whole, profile, { withoutFingers: true }));
    const chosen = offered.find(({ variant }) => variant === id);
    if (!chosen) {
      const names = offered.map(({ variant }) => variant).join(', ');
      throw new UsageError(
        `${option} ${id}: ${names ? `here choose one of ${names}` : 'this song has none'}`,
      );
    }
    whole = applyEdit(whole, { kind: 'frame-added', piece: chosen.piece });
  };
  put('--intro', intro, (to) => introsFor(to, INTRO_BARS));
  put('--ending', ending, endingsFor);
  return whole;
}

/** What came of one file. */
interface Result {
  readonly line: string;
  /** Cells of the table: title, key, parts, bars, findings, effort. */
  readonly cells: readonly string[];
}

/** Arranges one file as asked for. */
function arrangeFile(input: string, name: string, request: Request, engraver: Toolkit | null): Result {
  const { song: read, profile: own, wasBare } = readInput(input);
  const { everyBars } = request;
  const given = wasBare ? dressed(read, request.taste) : read;
  const asked = { ...given, choices: { ...given.choices, ...request.choices } };
  const divided =
    everyBars === undefined
      ? asked
      : applyEdit(asked, { kind: 'division-chosen', division: { method: 'bars', bars: everyBars } });
  const profile = { ...own, ...request.profile };
  const song = framed(divided, profile, request);
  const started = performance.now();
  const arrangement = arrange(song, profile);
  const milliseconds = performance.now() - started;
  writeAll(request.out, [
    [`${name}.musicxml`, writeMusicXml(arrangement)],
    [`${name}.mid`, writeMidi(arrangement)],
    [`${name}.txt`, writeWalkthrough(arrangement)],
    [`${name}.json`, `${JSON.stringify(reportOf(arrangement, milliseconds), null, 1)}\n`],
    ...request.sheets.map(
      (sheet) => [`${name}-${sheet}.html`, sheetPage(arrangement, sheet, engraver)] as const,
    ),
  ]);
  const { findings, parts, efforts } = arrangement;
  const chords =
    wasBare && song.changes.length > 0 ? `no chords were given, ${song.changes.length} are suggested; ` : '';
  const sheets = request.sheets.map((sheet) => `, ${name}-${sheet}.html`).join('');
  const hardest = Math.max(0, ...efforts.map((effort) => effort?.total ?? 0));
  return {
    line: `${song.title}: ${chords}${parts.length} parts, ${findings.length} findings; wrote ${join(request.out, name)}.musicxml, .mid, .txt and .json${sheets}`,
    cells: [
      basename(input),
      song.title,
      keyName(keyAt(arrangement.played, 0)),
      String(parts.length),
      String(song.barCount),
      String(findings.length),
      String(hardest),
    ],
  };
}

function sheetPage(arrangement: Arrangement, sheet: SheetId, engraver: Toolkit | null): string {
  const staves = engraver ? engraved(engraver, arrangement, sheet, DEFAULT_PAPER) : {};
  const pages = layOut(arrangement, [sheet], DEFAULT_PAPER, { staves });
  return sheetDocument(arrangement.song.title, pages, DEFAULT_PAPER, sheetFonts());
}

/** The real path of a file, as far as it is there, whatever links lead to it. */
function realPath(path: string): string {
  return existsSync(path) ? realpathSync(path) : resolve(path);
}

/** Names for what is written: two files of one name do not write over one another, and none over a file that is read. */
function outNames({ inputs, out, sheets }: Request): string[] {
  const read = new Set(inputs.map(realPath));
  const names: string[] = [];
  const isFree = (name: string): boolean =>
    !names.includes(name) &&
    endingsOf(sheets).every((ending) => !read.has(realPath(join(out, name + ending))));
  for (const input of inputs) {
    const name = basename(input).replace(/(\.joined)?\.[^.]+$/, '');
    let free = name;
    for (let count = 2; !isFree(free); count++) free = `${name}-${count}`;
    names.push(free);
  }
  return names;
}

/** How the names of the files written for a song end. */
function endingsOf(sheets: readonly SheetId[]): string[] {
  return ['.musicxml', '.mid', '.txt', '.json', ...sheets.map((sheet) => `-${sheet}.html`)];
}

/** Arranges every file asked for; a bad one stops none. */
function runAll(request: Request, speaker: Speaker, engraver: Toolkit | null): 0 | 1 {
  const names = outNames(request);
  const rows: string[][] = [];
  let failed = 0;
  request.inputs.forEach((input, i) => {
    try {
      const { line, cells } = arrangeFile(input, names[i], request, engraver);
      speaker.log(line);
      rows.push([...cells]);
    } catch (error) {
      const line = inOneLine(error, [input]);
      if (line === null) throw error;
      speaker.error(line);
      failed++;
      rows.push([basename(input), 'failed', '', '', '', '', '']);
    }
  });
  if (request.isMany) for (const line of tableOf(rows)) speaker.log(line);
  return failed === 0 ? 0 : 1;
}

const HEADS = ['File', 'Title', 'Key', 'Parts', 'Bars', 'Findings', 'Effort'];

function tableOf(rows: readonly (readonly string[])[]): string[] {
  const all = [HEADS, ...rows];
  const widths = HEADS.map((_, column) => Math.max(...all.map((row) => row[column].length)));
  return [
    '',
    ...all.map((row) =>
      row
        .map((cell, column) => cell.padEnd(widths[column]))
        .join('  ')
        .trimEnd(),
    ),
  ];
}

/** What went wrong in one line: which file, where, why. */
function inOneLine(error: unknown, argv: readonly string[]): string | null {
  if (error instanceof UsageError) return error.message;
  const input = argv.find((arg) => !arg.startsWith('-')) ?? '';
  if (error instanceof FileError) return `${input}: ${error.message}`;
  if (!(error instanceof Error) || !('code' in error)) return null;
  if (String(error.code).startsWith('ERR_PARSE_ARGS')) return error.message.split('. ')[0];
  const path = 'path' in error ? String(error.path) : input;
  const reasons: Record<string, string> = {
    ENOENT: 'there is no such file',
    EACCES: 'permission denied',
    EROFS: 'the disk is read-only',
    EISDIR: 'this is a folder',
    ENOTDIR: 'this is not a folder',
    EEXIST: 'this is not a folder',
  };
  return `${path}: ${reasons[String(error.code)] ?? error.message}`;
}

/** Where the command line speaks. */
interface Speaker {
  log(line: string): void;
  error(line: string): void;
}

/** The command line's work; gives its exit code. What can be put right is said in one line. Sheets with staves ask for an engraver. */
export function main(argv: readonly string[], speaker: Speaker, engraver: Toolkit | null = null): 0 | 1 {
  try {
    const request = readRequest(argv);
    if (typeof request !== 'string') {
      useNoteNames(request.names);
      return runAll(request, speaker, engraver);
    }
    speaker.log(request);
    return 0;
  } catch (error) {
    const line = inOneLine(error, argv);
    if (line === null) throw error;
    speaker.error(line);
    return 1;
  }
}
