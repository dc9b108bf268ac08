import type { ChartLine, Row } from './chartLines';

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
  for (const part of partsIn(lines)) {
    const written = withChords(part, before);
    const one = written ? written.lines : versesOf(part);
    if (written?.isAgain) all.push({ kind: 'again', line: part.lines[0].line, name: part.name });
    for (let i = 0; i < part.times; i++) all.push(...one);
    if (rowsOf(part).length > 0) before.push(part);
  }
  return all;
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

/** The chords of a section that has none of its own, from one before; null where it has, or there is none. */
function withChords(
  part: Part,
  before: readonly Part[],
): { readonly lines: PlayedLine[]; readonly isAgain: boolean } | null {
  if (part.name === '' || rowsOf(part).length > 0) return null;
  const same = (kindOf: (name: string) => string) =>
    before.findLast(({ name }) => name !== '' && kindOf(name) === kindOf(part.name));
  const other = same((name) => name.toLowerCase()) ?? same(sortOf);
  if (!other) return null;
  const words = part.lines.filter((line) => line.kind === 'words');
  const head = part.lines.filter((line): line is Exclude<ChartLine, Row> => line.kind === 'section');
  const kept = part.lines.filter(
    (line): line is Exclude<ChartLine, Row> => line.kind === 'heading' || line.kind === 'note',
  );
  if (words.length === 0)
    return { lines: [...head, ...kept, ...versesOf({ ...other, lines: bodyOf(other) })], isAgain: true };
  const rows = rowsOf(other).flatMap((row) => Array.from({ length: row.times }, () => row));
  const sung = rows.map((row, i) => ({ kind: 'row' as const, row, spread: words[i]?.text ?? '' }));
  return { lines: [...head, ...kept, ...sung, ...words.slice(rows.length)], isAgain: false };
}

const bodyOf = ({ lines }: Part): ChartLine[] => lines.filter(({ kind }) => kind !== 'section');

/** "Verse 2", "2nd verse" and "Last verse" are verses. */
function sortOf(name: string): string {
  const words = name.toLowerCase().split(/[\s.]+/);
  const isCount = (word: string): boolean => /^(?:\d{1,2}(?:st|nd|rd|th)?|[a-z]|i{1,3}|iv|v)?$/.test(word);
  return words.filter((word) => !isCount(word) && !ORDINALS.includes(word)).join(' ');
}

const ORDINALS = ['first', 'second', 'third', 'last', 'final'];

/** Bars with several lines of words, or chords with numbered ones, come once for each; other lines are sung on. */
function versesOf(part: Part): PlayedLine[] {
  const rows = rowsOf(part);
  const isInVerses =
    rows.length > 0 &&
    rows.every(({ kind, verses }) => kind === 'bars' || (verses.length > 0 && verses.every(isNumbered)));
  const most = isInVerses ? Math.max(1, ...rows.map((row) => wordsOf(row).length)) : 1;
  const one = (verse: number): PlayedLine[] =>
    part.lines.flatMap((line): PlayedLine[] => {
      if (line.kind !== 'bars' && line.kind !== 'sung') return verse === 0 ? [line] : [];
      const row = {
        kind: 'row' as const,
        row: line,
        spread: wordsOf(line)[verse] ?? (verse === 0 ? null : ''),
      };
      const again = Array.from({ length: line.times }, () => row);
      if (isInVerses) return again;
      const on = wordsOf(line)
        .slice(1)
        .filter((text) => text !== null);
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
