import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { READ_ENDINGS } from '../core/formats';
import { ENDINGS, INTROS } from '../core/framing';
import { type KeyboardSize, NOTE_NAMES, type NoteNames, type Reach } from '../core/music';
import { PATTERNS, SUNG_FIGURES } from '../core/patterns';
import { type SheetId, SHEETS } from '../core/sheets';
import { type Choices, type Profile } from '../core/song';
import { type Taste, TASTES } from '../core/suggesting';

/** Anything the caller can put right; its message is the one line on stderr. */
export class UsageError extends Error {}

const STYLES: Record<string, Choices['layout']> = {
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

const HELP = `Arranges songs for solo piano: npm run arrange -- IN… --out DIR [options]

IN         a score (${READ_ENDINGS.join(', ')}) or a folder of them
--out DIR  where NAME.musicxml, NAME.mid, NAME.txt and NAME.json are written; never over a file that is read

--level 1..7     how much is played, from the melody alone to fills and an ending (also --rung; 4)
--voicing NAME   the left hand's chords: ${Object.keys(STYLES).join(', ')} (also --school; nearest)
--pattern NAME   what the left hand plays on level 5 and above: rocking, waltz … (the one proposed)
--parts N        bars a part, or auto (auto)
--taste NAME     chords for a tune that has none: ${TASTES.map(({ taste }) => taste).join(', ')}, none (the key's triads)
--fills NAME     none, few, some or many, on level 7 (few)
--intro NAME     ${INTROS.join(', ')} (none)
--ending NAME    ${ENDINGS.join(', ')} (none)
--reach 6..10    how far each hand reaches (8: an octave)
--keys N         keys of the piano: 49, 61, 73, 76 or 88 (88)
--names NAME     how notes are named: ${NOTE_NAMES.join(', ')} (english)
--sheet NAME     also a sheet to print, as often as you like: ${SHEETS.map(({ id }) => id).join(', ')}
--help, --version`;

/** What the caller asks for. */
export interface Request {
  /** Files to arrange, those of a folder in order of their names. */
  readonly inputs: readonly string[];
  /** A folder or several files: one line each, and a table at the end. */
  readonly isMany: boolean;
  readonly out: string;
  readonly choices: Partial<Choices>;
  readonly profile: Partial<Profile>;
  readonly everyBars: number | undefined;
  /** What a tune without chords is given; null: what the shelf gives it. */
  readonly taste: Taste | 'none' | null;
  /** How the song begins and ends, beside what it is; null: as it is. */
  readonly intro: string | null;
  readonly ending: string | null;
  /** How notes are named in what is told and printed. */
  readonly names: NoteNames;
  readonly sheets: readonly SheetId[];
}

/** Reads the arguments; what is to be said where help or the version is asked for. Throws {@link UsageError} for what cannot be. */
export function readRequest(argv: readonly string[]): Request | string {
  const text = { type: 'string' } as const;
  const { values, positionals } = parseArgs({
    args: [...argv],
    allowPositionals: true,
    options: {
      help: { type: 'boolean', short: 'h' },
      version: { type: 'boolean' },
      out: text,
      school: text,
      voicing: text,
      rung: text,
      level: text,
      pattern: text,
      reach: text,
      keys: text,
      parts: text,
      chords: text,
      fills: text,
      taste: text,
      intro: text,
      ending: text,
      names: text,
      sheet: { type: 'string', multiple: true },
    },
  });
  if (values.help) return HELP;
  if (values.version) return version();
  if (positionals.length === 0)
    throw new UsageError('Name a file or a folder to arrange: npm run arrange -- IN… --out DIR');
  if (values.out === undefined) throw new UsageError('Say where to write: --out DIR');
  const reach = wanted('--reach', values.reach, [6, 7, 8, 9, 10]) as Reach | undefined;
  const keyboard = wanted('--keys', values.keys, [49, 61, 73, 76, 88]) as KeyboardSize | undefined;
  return {
    inputs: positionals.flatMap(filesAt),
    isMany: positionals.length > 1 || isFolder(positionals[0]),
    out: values.out,
    choices: {
      ...styleOf(values.voicing ?? values.school),
      ...levelOf(values.level ?? values.rung),
      ...patternOf(values.pattern),
      ...fillsOf(values.fills),
    },
    profile: { ...(reach ? { leftReach: reach, rightReach: reach } : {}), ...(keyboard ? { keyboard } : {}) },
    names: oneOf('--names', values.names, NOTE_NAMES) ?? 'english',
    everyBars: barsOf(values.parts),
    taste: oneOf('--taste', values.taste ?? values.chords, CHORD_TASTES),
    intro: oneOf('--intro', values.intro, INTROS),
    ending: oneOf('--ending', values.ending, ENDINGS),
    sheets: (values.sheet ?? []).map(sheetOf),
  };
}

function version(): string {
  const manifest = JSON.parse(readFileSync(new URL('../package.json', import.meta.url), 'utf8')) as {
    version: string;
  };
  return `Joined Hands ${manifest.version}`;
}

function isFolder(path: string): boolean {
  return existsSync(path) && statSync(path).isDirectory();
}

/** A file, or those of a folder that can be opened. */
function filesAt(path: string): string[] {
  if (!isFolder(path)) return [path];
  const files = readdirSync(path)
    .filter((name) => READ_ENDINGS.some((ending) => name.toLowerCase().endsWith(ending)))
    .sort();
  if (files.length === 0)
    throw new UsageError(`${path}: there is no file to arrange in this folder (${READ_ENDINGS.join(', ')})`);
  return files.map((name) => join(path, name));
}

function sheetOf(name: string): SheetId {
  const found = SHEETS.find(({ id }) => id === name);
  if (!found) throw new UsageError(`--sheet ${name}: choose one of ${SHEETS.map(({ id }) => id).join(', ')}`);
  return found.id;
}

function wanted(option: string, value: string | undefined, allowed: readonly number[]): number | undefined {
  if (value === undefined) return undefined;
  if (!allowed.includes(Number(value)))
    throw new UsageError(`${option} ${value}: choose one of ${allowed.join(', ')}`);
  return Number(value);
}

function styleOf(style: string | undefined): Partial<Choices> {
  const name = oneOf('--voicing', style, Object.keys(STYLES));
  return name === null ? {} : { layout: STYLES[name] };
}

function levelOf(value: string | undefined): Partial<Choices> {
  const level = wanted('--level', value, [1, 2, 3, 4, 5, 6, 7]);
  return level === undefined ? {} : { level };
}

/** Chords for a tune that has none. */
const CHORD_TASTES = [...TASTES.map(({ taste }) => taste), 'none'] as const;

function oneOf<T extends string>(option: string, value: string | undefined, allowed: readonly T[]): T | null {
  if (value === undefined) return null;
  const found = allowed.find((name) => name === value);
  if (found === undefined) throw new UsageError(`${option} ${value}: choose one of ${allowed.join(', ')}`);
  return found;
}

function patternOf(name: string | undefined): Partial<Choices> {
  if (name === undefined) return {};
  const all = [...PATTERNS, ...SUNG_FIGURES].map(({ id }) => id);
  const pattern = all.find((id) => id === name.toLowerCase());
  if (!pattern) throw new UsageError(`--pattern ${name}: choose one of ${[...new Set(all)].join(', ')}`);
  return { pattern };
}

function fillsOf(value: string | undefined): Partial<Choices> {
  const measure = oneOf('--fills', value, ['none', 'few', 'some', 'many'] as const);
  return measure ? { fills: { measure, seed: 0 } } : {};
}

function barsOf(value: string | undefined): number | undefined {
  if (value === undefined || value === 'auto') return undefined;
  const bars = Number(value);
  if (!Number.isInteger(bars) || bars < 1 || bars > 64)
    throw new UsageError(`--parts ${value}: give "auto" or a number of bars from 1 to 64`);
  return bars;
}
