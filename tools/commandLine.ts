import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { arrange } from '../core/arrange';
import { FileError, MOST_BYTES, openFile, reportOf, writeMidi, writeMusicXml } from '../core/formats';
import { type KeyboardSize, type Reach } from '../core/music';
import { PATTERNS, SUNG_FIGURES } from '../core/patterns';
import { applyEdit, type Choices, DEFAULT_PROFILE, type Profile, type Song } from '../core/song';
import { chordsFor, type Taste, TASTES } from '../core/suggesting';
import { writeWalkthrough } from '../core/words';

/** Anything the caller can put right; its message is the one line on stderr. */
class UsageError extends Error {}

const SCHOOLS: Record<string, Choices['layout']> = {
  nearest: 'block',
  three: 'three',
  root: 'root',
  partial: 'partial',
  shell: 'shell',
  fifth: 'fifth',
  rootless: 'rootless',
  tenth: 'tenth',
  'under-melody': 'under-melody',
  singing: 'singing',
};

interface Request {
  readonly input: string;
  readonly out: string;
  readonly choices: Partial<Choices>;
  readonly profile: Partial<Profile>;
  readonly everyBars: number | undefined;
  /** What a tune without chords is given; null: nothing. */
  readonly taste: Taste | null;
}

function readRequest(argv: readonly string[]): Request {
  const text = { type: 'string' } as const;
  const { values, positionals } = parseArgs({
    args: [...argv],
    allowPositionals: true,
    options: {
      out: text,
      school: text,
      rung: text,
      pattern: text,
      reach: text,
      keys: text,
      parts: text,
      chords: text,
      fills: text,
    },
  });
  if (positionals.length !== 1)
    throw new UsageError('Name one file to arrange: npm run arrange -- IN --out DIR');
  if (values.out === undefined) throw new UsageError('Say where to write: --out DIR');
  const reach = wanted('--reach', values.reach, [6, 7, 8, 9, 10]) as Reach | undefined;
  const keyboard = wanted('--keys', values.keys, [49, 61, 73, 76, 88]) as KeyboardSize | undefined;
  return {
    input: positionals[0],
    out: values.out,
    choices: {
      ...schoolOf(values.school),
      ...rungOf(values.rung),
      ...patternOf(values.pattern),
      ...fillsOf(values.fills),
    },
    profile: { ...(reach ? { leftReach: reach, rightReach: reach } : {}), ...(keyboard ? { keyboard } : {}) },
    everyBars: barsOf(values.parts),
    taste: tasteOf(values.chords),
  };
}

function wanted(option: string, value: string | undefined, allowed: readonly number[]): number | undefined {
  if (value === undefined) return undefined;
  if (!allowed.includes(Number(value)))
    throw new UsageError(`${option} ${value}: choose one of ${allowed.join(', ')}`);
  return Number(value);
}

function schoolOf(school: string | undefined): Partial<Choices> {
  if (school === undefined) return {};
  const layout = SCHOOLS[school];
  if (layout === undefined)
    throw new UsageError(`--school ${school}: choose one of ${Object.keys(SCHOOLS).join(', ')}`);
  return { layout };
}

function rungOf(value: string | undefined): Partial<Choices> {
  const rung = wanted('--rung', value, [1, 2, 3, 4, 5, 6, 7]);
  return rung === undefined ? {} : { rung };
}

/** Chords for a tune that has none: the key's own, unless another taste is asked for, or none at all. */
function tasteOf(value = 'sevenths'): Taste | null {
  const names = [...TASTES.map(({ taste }) => taste), 'none'];
  if (!names.includes(value)) throw new UsageError(`--chords ${value}: choose one of ${names.join(', ')}`);
  return value === 'none' ? null : (value as Taste);
}

function patternOf(name: string | undefined): Partial<Choices> {
  if (name === undefined) return {};
  const all = [...PATTERNS, ...SUNG_FIGURES].map(({ id }) => id);
  const pattern = all.find((id) => id === name.toLowerCase());
  if (!pattern) throw new UsageError(`--pattern ${name}: choose one of ${[...new Set(all)].join(', ')}`);
  return { pattern };
}

function fillsOf(measure: string | undefined): Partial<Choices> {
  if (measure === undefined) return {};
  const allowed = ['none', 'few', 'some', 'many'] as const;
  const found = allowed.find((name) => name === measure);
  if (!found) throw new UsageError(`--fills ${measure}: choose one of ${allowed.join(', ')}`);
  return { fills: { measure: found, seed: 0 } };
}

function barsOf(value: string | undefined): number | undefined {
  if (value === undefined || value === 'auto') return undefined;
  const bars = Number(value);
  if (!Number.isInteger(bars) || bars < 1 || bars > 64)
    throw new UsageError(`--parts ${value}: give "auto" or a number of bars from 1 to 64`);
  return bars;
}

function readInput(path: string): { song: Song; profile: Profile } {
  const name = basename(path);
  const size = statSync(path).size;
  if (size > MOST_BYTES)
    throw new UsageError(
      `${path}: the file is too large: ${(size / 1024 / 1024).toFixed(1)} MB, and at most 20 MB are read`,
    );
  const songId = name.replace(/\.[^.]+$/, '').slice(0, 64) || 'song';
  const opened = openFile(name, new Uint8Array(readFileSync(path)), songId);
  return opened.kind === 'project' ? opened : { song: opened.tunes[0].song, profile: DEFAULT_PROFILE };
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

/** Arranges what is asked for; gives what is to be said of it. */
function run(argv: readonly string[]): string {
  const request = readRequest(argv);
  const { song: read, profile: own } = readInput(request.input);
  const { everyBars, taste } = request;
  const isBare = read.changes.length === 0;
  const proposed = isBare && taste ? chordsFor(read, taste, 'gaps', true) : null;
  const given = proposed ? applyEdit(read, proposed) : read;
  const asked = { ...given, choices: { ...given.choices, ...request.choices } };
  const song =
    everyBars === undefined
      ? asked
      : applyEdit(asked, { kind: 'division-chosen', division: { school: 'bars', bars: everyBars } });
  const profile = { ...own, ...request.profile };
  const started = performance.now();
  const arrangement = arrange(song, profile);
  const milliseconds = performance.now() - started;
  const name = basename(request.input).replace(/(\.joined)?\.[^.]+$/, '');
  writeAll(request.out, [
    [`${name}.musicxml`, writeMusicXml(arrangement)],
    [`${name}.mid`, writeMidi(arrangement)],
    [`${name}.txt`, writeWalkthrough(arrangement)],
    [`${name}.json`, `${JSON.stringify(reportOf(arrangement, milliseconds), null, 1)}\n`],
  ]);
  const { findings, parts } = arrangement;
  const chords = proposed ? `no chords were given, ${song.changes.length} are suggested; ` : '';
  return `${song.title}: ${chords}${parts.length} parts, ${findings.length} findings; wrote ${join(request.out, name)}.musicxml, .mid, .txt and .json`;
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

/** The command line's work; gives its exit code. What can be put right is said in one line. */
export function main(argv: readonly string[], speaker: Speaker): 0 | 1 {
  try {
    speaker.log(run(argv));
    return 0;
  } catch (error) {
    const line = inOneLine(error, argv);
    if (line === null) throw error;
    speaker.error(line);
    return 1;
  }
}
