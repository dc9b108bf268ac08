import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { READ_ENDINGS } from '../core/formats';
import { type KeyboardSize, type Reach } from '../core/music';
import { PATTERNS, SUNG_FIGURES } from '../core/patterns';
import { type SheetId, SHEETS } from '../core/sheets';
import { type Choices, type Profile } from '../core/song';
import { type Taste, TASTES } from '../core/suggesting';

/** Anything the caller can put right; its message is the one line on stderr. */
export class UsageError extends Error {}

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
  /** What a tune without chords is given; null: nothing. */
  readonly taste: Taste | null;
  readonly sheets: readonly SheetId[];
}

/** Reads the arguments. Throws {@link UsageError} for what cannot be. */
export function readRequest(argv: readonly string[]): Request {
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
      taste: text,
      sheet: { type: 'string', multiple: true },
    },
  });
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
      ...schoolOf(values.school),
      ...rungOf(values.rung),
      ...patternOf(values.pattern),
      ...fillsOf(values.fills),
    },
    profile: { ...(reach ? { leftReach: reach, rightReach: reach } : {}), ...(keyboard ? { keyboard } : {}) },
    everyBars: barsOf(values.parts),
    taste: tasteOf(values.taste ?? values.chords),
    sheets: (values.sheet ?? []).map(sheetOf),
  };
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

/** Sheets that need no engraver: staff notation is drawn by the application. */
function sheetOf(name: string): SheetId {
  const fitting = SHEETS.filter((row) => !('staves' in row));
  const found = fitting.find(({ id }) => id === name);
  if (!found)
    throw new UsageError(`--sheet ${name}: choose one of ${fitting.map(({ id }) => id).join(', ')}`);
  return found.id;
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
