import { ChordSymbolError, inEnglish, parseChord } from '../music';
import { hasBrackets, type Heading, headingIn, headingNamed } from './chartHeadings';
import { inBrackets, overWords, type Placed, plainly, type Sung } from './chartWords';
import { FileError } from './fileError';

/** A bar holds the chord before for one of its shares. */
export const HOLDS: readonly string[] = ['.', '%', '/'];
const TAB_STOP = 8;
const MOST_TIMES = 16;

/** A line of bars, or of chords with their words; the other lines of words below it are further verses. */
export type Row = { readonly line: number; readonly times: number; readonly verses: readonly string[] } & (
  { readonly kind: 'bars'; readonly text: string } | ({ readonly kind: 'sung' } & Sung)
);

/** What a line of a chart is. */
export type ChartLine =
  | Row
  | { readonly kind: 'heading'; readonly line: number; readonly heading: Heading }
  | { readonly kind: 'section'; readonly line: number; readonly name: string; readonly times: number }
  | { readonly kind: 'words'; readonly line: number; readonly text: string }
  /** Said of the song, as far as the program knows no use for it: a capo, a tuning, where it is from. */
  | { readonly kind: 'note'; readonly line: number; readonly text: string }
  /** Guitar tablature. */
  | { readonly kind: 'tablature'; readonly line: number };

const SECTION = new RegExp(
  '^(?:(?:\\d(?:st|nd|rd|th)|first|second|third|last|final|repeat|repeat the) )?' +
    '(?:intro(?:duction)?|verse|chorus|refrain|(?:pre|post)[- ]?chorus|bridge|middle(?: eight| 8)?|interlude|' +
    'instrumental|solo|break|turnaround|tag|coda|outro|ending|part|strain|section)' +
    '(?: ?(?:\\d{1,2}|[a-z]|i{1,3}|iv|v))?\\.?$',
  'i',
);
const TIMES = /(?:^|[\s([])(?:[x×] ?(\d{1,2})|(\d{1,2}) ?[x×])$/i;
const NOTE = /^[[(]?(?:capo|tuning|tuned|strum|strumming|rhythm|album|year|copyright|by|words|music)\b/i;
const TABLATURE = /^(?:[a-g][#b]?)? ?\|? ?[-–]{2}/i;

/**
 * What the lines of a chart are, in order. A line of chords goes with the line of words below it, a line of bars with all
 * lines of words below it. Throws {@link FileError} where a bracket is not closed.
 */
export function chartLines(text: string): ChartLine[] {
  const raw = text
    .replace(/^\uFEFF/, '')
    .split(/\r?\n/)
    .map(tidied);
  const lines: ChartLine[] = [];
  /** Headings that need no sign between are told apart from words only at the head. */
  let isHead = true;
  for (let at = 0; at < raw.length; at++) {
    const { rest, found } = isLetter(raw, at)
      ? { rest: '', found: [{ kind: 'section', line: at + 1, name: plainly(raw[at], 8), times: 1 } as const] }
      : beginning(raw[at], at + 1, isHead);
    lines.push(...found);
    if (rest.trim() === '') continue;
    const last = lines.at(-1);
    const { plain, times: again } = timesOf(rest);
    if (plain.trim() === '' && last && (last.kind === 'bars' || last.kind === 'sung')) {
      lines[lines.length - 1] = { ...last, times: again };
      continue;
    }
    const row = rowIn(rest, at + 1);
    if (!row) {
      lines.push({ kind: 'words', line: at + 1, text: rest.trim() });
      continue;
    }
    isHead = false;
    const below: string[] = [];
    while (isWords(raw[at + 1] ?? '')) below.push(raw[++at]);
    lines.push(row(below));
  }
  return lines;
}

/** "A" or "[A]" above a line of bars or of several chords is the letter of a section, and no chord. */
function isLetter(raw: readonly string[], at: number): boolean {
  if (!/^\s*(?:\[[A-H]\]|\([A-H]\)|[A-H])\s*$/.test(raw[at])) return false;
  let next = '';
  for (let i = at + 1; i < raw.length && next === ''; i++) next = raw[i].trim() === '' ? '' : raw[i];
  return (next.includes('|') && !isTablature(next)) || (chordsIn(timesOf(next).plain)?.length ?? 0) > 1;
}

/** A line of music, made once it is known which lines of words stand below it; null for any other line. */
function rowIn(text: string, line: number): ((below: readonly string[]) => Row) | null {
  if (text.lastIndexOf('[') > text.lastIndexOf(']') && !text.includes('|'))
    throw new FileError('A bracket is opened and not closed', `line ${line}`, 'Write chords like [Am].');
  const { plain, times } = timesOf(text);
  if (text.includes('|')) return (verses) => ({ kind: 'bars', line, times, text: plain, verses });
  if (hasBrackets(text)) return (verses) => ({ kind: 'sung', line, times, ...inBrackets(plain), verses });
  const chords = chordsIn(plain);
  return (
    chords &&
    (([first = '', ...verses]) => ({ kind: 'sung', line, times, ...overWords(chords, first), verses }))
  );
}

/** What a line begins with that is no music: a directive, a heading, a section; and what is left of the line. */
function beginning(
  text: string,
  line: number,
  isHead: boolean,
): { readonly found: readonly ChartLine[]; readonly rest: string } {
  const done = (...found: ChartLine[]) => ({ found, rest: '' });
  if (text.startsWith('#')) return done();
  const directive = directiveIn(text);
  if (directive) return done(...directed(directive.name, directive.value, line));
  if (isTablature(text)) return done({ kind: 'tablature', line });
  const heading = headingIn(text, isHead);
  if (heading) return done({ kind: 'heading', line, heading });
  const section = sectionIn(text);
  if (section) return { found: [{ kind: 'section', line, ...section }], rest: section.rest };
  if (isHead && NOTE.test(text.trim()) && !text.includes('|'))
    return done({ kind: 'note', line, text: text.trim() });
  return { found: [], rest: text };
}

/** "{title: Low Water}": its name and its value; null for any other line. */
function directiveIn(line: string): { readonly name: string; readonly value: string } | null {
  const text = line.trim();
  if (!text.startsWith('{') || text.indexOf('}') !== text.length - 1) return null;
  const inside = text.slice(1, -1).trim();
  const name = /^([a-z_]+)(?:\s*:|\s|$)/i.exec(inside);
  return name && { name: name[1].toLowerCase(), value: inside.slice(name[0].length).trim() };
}

const SECTION_DIRECTIVES: Record<string, string> = {
  start_of_verse: 'Verse',
  sov: 'Verse',
  start_of_chorus: 'Chorus',
  soc: 'Chorus',
  start_of_bridge: 'Bridge',
  sob: 'Bridge',
  chorus: 'Chorus',
};

function directed(name: string, value: string, line: number): ChartLine[] {
  const heading = headingNamed(name, value);
  if (heading) return [{ kind: 'heading', line, heading }];
  const section = SECTION_DIRECTIVES[name];
  if (section) return [{ kind: 'section', line, name: value || section, times: 1 }];
  if ((name === 'comment' || name === 'c') && value)
    return [{ kind: 'section', line, name: value, times: 1 }];
  if (NOTE.test(`${name}: ${value}`)) return [{ kind: 'note', line, text: `${name}: ${value}` }];
  // Directives about print and fonts say nothing about the song.
  return [];
}

/** "[Verse 2]", "Chorus (x2):", "Intro: Am F": a section, and what stands behind it on its line. */
function sectionIn(text: string): { name: string; times: number; rest: string } | null {
  const bracket = /^\s*\[([^\]]+)\](.*)$/.exec(text);
  if (bracket && !isChord(bracket[1].trim()) && !looksLikeChord(bracket[1].trim())) {
    const { plain, times } = timesOf(bracket[2]);
    const isOnlyTimes = plain.trim() === '';
    return {
      name: plainly(bracket[1], 80),
      times: isOnlyTimes ? times : 1,
      rest: isOnlyTimes ? '' : bracket[2],
    };
  }
  const { plain, times } = timesOf(text.trim().replace(/:\s*$/, ''));
  const name = plainly(plain, 80);
  if (isNamed(name)) return { name: name.replace(/^repeat (?:the )?/i, ''), times, rest: '' };
  const colon = /^([^:|[\]]{1,60}):(.*)$/.exec(text.trim());
  if (!colon) return null;
  const counted = timesOf(colon[1]);
  if (!isNamed(plainly(counted.plain, 80)) && colon[2].trim() !== '') return null;
  return { name: plainly(counted.plain, 80), times: counted.times, rest: colon[2] };
}

function isNamed(name: string): boolean {
  return SECTION.test(name.split(/\s+/).join(' '));
}

/** "Am F (x2)": without how often it is played. */
function timesOf(text: string): { readonly plain: string; readonly times: number } {
  const end = text.trimEnd();
  const found = TIMES.exec(/[)\]]$/.test(end) ? end.slice(0, -1) : end);
  const times = Number(found?.[1] ?? found?.[2] ?? 1);
  if (!found || times < 1 || times > MOST_TIMES) return { plain: text, times: 1 };
  return { plain: text.slice(0, found.index), times };
}

/** "e|--0--2--|". */
function isTablature(line: string): boolean {
  return TABLATURE.test(line.trim()) && /\d[-–]|[-–]\|/.test(line);
}

function isWords(line: string): boolean {
  if (line.trim() === '' || line.startsWith('#') || line.includes('|') || isTablature(line)) return false;
  if (directiveIn(line) || headingIn(line, false) || sectionIn(line)) return false;
  const { plain } = timesOf(line);
  return plain.trim() !== '' && !/\[[A-H][^\]]*\]/.test(line) && !chordsIn(plain);
}

/** The chords of a line that holds nothing else, each with its column; null where it holds words. */
function chordsIn(line: string): Placed[] | null {
  const found: Placed[] = [];
  let unread = 0;
  // A row may be numbered.
  const row = line.replace(/^\s{0,40}\d{1,2}[.)] /, (number) => ' '.repeat(number.length));
  for (const { 0: token, index } of row.matchAll(/[^\s,;–—→]+/g)) {
    if (HOLDS.includes(token) || /^[-/>|:]+$/.test(token)) continue;
    const parts = isChord(token) ? [token] : token.split('-');
    let column = index;
    for (const part of parts) {
      const symbol = part.replace(/^\((.*)\)$/, '$1').replace(/[*.]{1,2}$/, '');
      if (!isChord(symbol)) {
        if (!looksLikeChord(symbol) || ++unread > 1) return null;
      }
      found.push({ symbol, column });
      column += part.length + 1;
    }
  }
  // One chord that cannot be read among others is kept and said; words that could be chords are words.
  if (found.length === 0 || (unread > 0 && found.length < 3)) return null;
  return found.every(({ symbol }) => symbol === 'Go' || symbol === 'Do') ? null : found;
}

function isChord(token: string): boolean {
  try {
    parseChord(inEnglish(token));
    return true;
  } catch (error) {
    if (error instanceof ChordSymbolError) return false;
    throw error;
  }
}

/** A letter of a chord with signs behind it, and no word. */
function looksLikeChord(token: string): boolean {
  return /^[A-H][#b♯♭]?(?:maj|min|dim|aug|sus|add|omit|no|alt|[mM]|[-+°øΔ△^#b♯♭\d(),/A-H])*$/.test(token);
}

/** As far as columns go: a tab is as wide as the stop it jumps to, whatever space stands there. */
function tidied(line: string): string {
  let text = '';
  for (const sign of line.replace(/[\u00A0\u2007\u202F]/g, ' ').trimEnd())
    text += sign === '\t' ? ' '.repeat(TAB_STOP - (text.length % TAB_STOP)) : sign;
  return text;
}
