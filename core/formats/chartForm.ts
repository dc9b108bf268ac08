import { MOST_BARS } from './chartBuilder';
import type { ChartLine, Row } from './chartLines';
import { FileError } from './fileError';

/** What is read of a chart, one after the other, as it is played: nothing in it comes "as before". */
export type PlayedLine =
  | Exclude<ChartLine, Row>
  /** Words for a row that has none of its own are spread over the whole of it. */
  | { readonly kind: 'row'; readonly row: Row; readonly spread: string | null }
  /** A section comes again that is written once. */
  | { readonly kind: 'again'; readonly line: number; readonly name: string };

interface Part {
  readonly name: string;
  readonly times: number;
  readonly lines: ChartLine[];
}

/**
 * The lines of a chart as they are played: rows and sections as often as is said, a section that is only named as it was
 * written before, one that has only words to the chords of the last of its kind, and bars with several lines of words once
 * for each.
 */
export function played(lines: readonly ChartLine[]): PlayedLine[] {
  const all: PlayedLine[] = [];
  const before: Part[] = [];
  let rows = 0;
  for (const part of partsIn(lines)) {
    const model = rowsOf(part).length > 0 ? null : modelOf(part, before);
    // A row is a bar at the least: what goes beyond the bars of a song is refused before it is written out.
    rows += part.times * writtenOut(model ?? part);
    if (rows > MOST_BARS)
      throw new FileError(`The chart has more than ${MOST_BARS} bars`, `line ${lineOf(part)}`, 'Split it.');
    const one = model ? asBefore(part, model) : versesOf(part);
    for (let i = 0; i < part.times; i++) all.push(...one);
    if (rowsOf(part).length > 0) before.push(part);
  }
  return all;
}

const lineOf = ({ lines }: Part): number => lines[0]?.line ?? 1;

/** How many rows a section comes to, each as often as is said and once for each verse. */
function writtenOut(part: Part): number {
  const rows = rowsOf(part);
  const verses = isInVerses(rows) ? rows.reduce((most, row) => Math.max(most, row.verses.length), 1) : 1;
  return verses * rows.reduce((sum, { times }) => sum + times, 0);
}

/** The chart in stretches that begin with the name of a section; the first may have none. */
function partsIn(lines: readonly ChartLine[]): Part[] {
  const parts: Part[] = [{ name: '', times: 1, lines: [] }];
  for (const line of lines) {
    if (line.kind === 'section') parts.push({ name: line.name, times: line.times, lines: [line] });
    else parts[parts.length - 1].lines.push(line);
  }
  return parts;
}

const rowsOf = (part: Part): Row[] =>
  part.lines.filter((line): line is Row => line.kind === 'bars' || line.kind === 'sung');

/** The section before whose chords one without any has: of its name, else of its kind; null where there is none. */
function modelOf(part: Part, before: readonly Part[]): Part | null {
  if (part.name === '') return null;
  const same = (kindOf: (name: string) => string) =>
    before.findLast(({ name }) => name !== '' && kindOf(name) === kindOf(part.name));
  return same((name) => name.toLowerCase()) ?? same(sortOf) ?? null;
}

/** A section that is only named, as it was before; one that has only words, sung to the chords of the one before. */
function asBefore(part: Part, model: Part): PlayedLine[] {
  const words = part.lines.filter((line) => line.kind === 'words');
  const own = part.lines.filter((line): line is Exclude<ChartLine, Row> =>
    ['section', 'heading', 'note'].includes(line.kind),
  );
  if (words.length === 0) {
    const again = { kind: 'again' as const, line: lineOf(part), name: part.name };
    return [again, ...own, ...versesOf({ ...model, lines: bodyOf(model) })];
  }
  const rows = rowsOf(model).flatMap((row) => Array.from({ length: row.times }, () => row));
  const sung = rows.map((row, i) => ({ kind: 'row' as const, row, spread: words[i]?.text ?? '' }));
  return [...own, ...sung, ...words.slice(rows.length)];
}

const bodyOf = ({ lines }: Part): ChartLine[] => lines.filter(({ kind }) => kind !== 'section');

/** "Verse 2", "2nd verse" and "Last verse" are verses. */
function sortOf(name: string): string {
  const words = name.toLowerCase().split(/[\s.]+/);
  const isCount = (word: string): boolean => /^(?:\d{1,2}(?:st|nd|rd|th)?|[a-z]|i{1,3}|iv|v)?$/.test(word);
  return words.filter((word) => !isCount(word) && !ORDINALS.includes(word)).join(' ');
}

const ORDINALS = ['first', 'second', 'third', 'last', 'final'];

/** Whether the further lines of words of a section are verses: all those below bars, and numbered ones below chords. */
function isInVerses(rows: readonly Row[]): boolean {
  return (
    rows.length > 0 &&
    rows.every(({ kind, verses }) => kind === 'bars' || (verses.length > 0 && verses.every(isNumbered)))
  );
}

/** Bars with several lines of words, or chords with numbered ones, come once for each; other lines are sung on. */
function versesOf(part: Part): PlayedLine[] {
  const rows = rowsOf(part);
  const words = new Map(rows.map((row) => [row, wordsOf(row)]));
  const inVerses = isInVerses(rows);
  const most = inVerses ? Math.max(1, ...[...words.values()].map(({ length }) => length)) : 1;
  const one = (verse: number): PlayedLine[] =>
    part.lines.flatMap((line): PlayedLine[] => {
      if (line.kind !== 'bars' && line.kind !== 'sung') return verse === 0 ? [line] : [];
      const own = words.get(line) ?? [];
      const row = { kind: 'row' as const, row: line, spread: own[verse] ?? (verse === 0 ? null : '') };
      const again = Array.from({ length: line.times }, () => row);
      if (inVerses) return again;
      const on = own.slice(1).filter((text) => text !== null);
      return [...again, ...on.map((text) => ({ kind: 'words' as const, line: line.line, text }))];
    });
  return Array.from({ length: most }, (_, verse) => one(verse)).flat();
}

const NUMBER = /^\s*\d{1,2}[.)]\s*/;

function isNumbered(text: string): boolean {
  return NUMBER.test(text);
}

/** The lines of words of a row without their numbers; null for the one that stands under its chords. */
function wordsOf(row: Row): (string | null)[] {
  const verses = row.verses.map((text) => text.replace(NUMBER, (number) => ' '.repeat(number.length)));
  return row.kind === 'bars' ? verses : [null, ...verses];
}
