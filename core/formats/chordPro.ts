import { imports } from '../sentences';
import { stored } from './stored';
import type { Song } from '../song';
import { headingIn, headingNamed } from './chartHeadings';
import { ChartBuilder, readChordChart } from './chordChart';
import { FileError, refuseTooLarge } from './fileError';

/** The name of a directive, and what parts it from its value. */
const DIRECTIVE_NAME = /^([a-z_]+)(?:\s*:|\s|$)/i;
const SECTION_WORDS: Record<string, string> = {
  start_of_verse: 'Verse',
  sov: 'Verse',
  start_of_chorus: 'Chorus',
  soc: 'Chorus',
  start_of_bridge: 'Bridge',
  sob: 'Bridge',
};

/**
 * Reads words with chords in brackets (ChordPro): directives in braces, "[Am]" before the syllable it is struck with.
 * Each chord gets a bar, chords without words between them share one. Throws {@link FileError}.
 */
function readChordPro(text: string, songId: string, fallbackTitle: string): Song {
  refuseTooLarge(text.length);
  const chart = new ChartBuilder(songId, fallbackTitle);
  text.split(/\r?\n/).forEach((line, index) => {
    if (line.trim() === '' || line.startsWith('#')) return;
    const directive = directiveIn(line);
    if (directive) return readDirective(directive.name, directive.value, chart, index + 1);
    // Some write the head without braces.
    const heading = chart.hasChanges ? null : headingIn(line, chart.bars === 0);
    if (heading) return chart.heading(heading, index + 1);
    readLine(line, chart, index + 1);
  });
  if (!chart.hasChanges)
    throw new FileError('The text holds no chords', '', 'Write them like [Am] or "| Am | Dm |".');
  chart.notes.unshift({ tick: 0, said: stored(imports.lengthsGuessed()) });
  return chart.toSong();
}

/** "{title: Low Water}": its name and its value; null for any other line. */
function directiveIn(line: string): { readonly name: string; readonly value: string } | null {
  const text = line.trim();
  if (!text.startsWith('{') || text.indexOf('}') !== text.length - 1) return null;
  const inside = text.slice(1, -1).trim();
  const name = DIRECTIVE_NAME.exec(inside);
  return name && { name: name[1].toLowerCase(), value: inside.slice(name[0].length).trim() };
}

function readDirective(name: string, value: string, chart: ChartBuilder, line: number): void {
  const heading = headingNamed(name, value);
  if (heading) return chart.heading(heading, line);
  const section = SECTION_WORDS[name];
  if (section) chart.section(value.trim() || section);
  else if ((name === 'comment' || name === 'c') && value.trim()) chart.section(value.trim());
  // Directives about print and fonts say nothing about the song.
}

interface Piece {
  readonly symbol: string;
  readonly words: string;
}

function readLine(line: string, chart: ChartBuilder, number: number): void {
  if (line.lastIndexOf('[') > line.lastIndexOf(']'))
    throw new FileError('A bracket is opened and not closed', `line ${number}`, 'Write chords like [Am].');
  const [lead, ...rest] = line.split('[');
  const pieces = rest.flatMap((piece): Piece[] => {
    const [symbol, ...words] = piece.split(']');
    return words.length === 0 ? [] : [{ symbol: symbol.trim(), words: words.join(']') }];
  });
  if (pieces.length === 0) {
    // Words without a chord are sung to the chord before.
    chart.hold(chart.barTicks);
    const from = chart.tick;
    chart.bar(number);
    return chart.sing(line, from, chart.tick);
  }
  if (lead.trim()) singBefore(lead, chart);
  for (let i = 0; i < pieces.length; i++) {
    const from = chart.tick;
    const pair = pieces[i].words.trim() === '' && i + 1 < pieces.length;
    const inBar = pair ? [pieces[i], pieces[i + 1]] : [pieces[i]];
    const share = chart.barTicks / inBar.length;
    inBar.forEach((piece, k) => {
      if (piece.symbol) chart.chord(piece.symbol, from + k * share, share);
      else chart.hold(share);
    });
    if (pair) i++;
    chart.bar(number);
    inBar.forEach((piece, k) => chart.sing(piece.words, from + k * share, from + (k + 1) * share));
  }
}

/** Words before the first chord of a line lead into it: sung on the last beats of the bar before. */
function singBefore(words: string, chart: ChartBuilder): void {
  if (chart.tick > 0) return chart.sing(words, chart.tick - chart.pulse, chart.tick);
  // At the very beginning they get a bar of their own in which the hands wait.
  const from = chart.tick;
  chart.bar(1);
  chart.sing(words, from + chart.barTicks - chart.pulse, chart.tick);
}

/** Reads a chart in either form, told apart by what stands in it. Throws {@link FileError}. */
export function readChart(text: string, songId: string, fallbackTitle: string): Song {
  if (text.trim() === '') throw new FileError('The file is empty', '', 'Choose another file.');
  if (text.includes('\0'))
    throw new FileError('This is not text', '', 'Choose a chord chart or words with chords.');
  const hasBrackets = /\[[A-G][^\]]*\]/.test(text);
  if (hasBrackets || directiveIn(text.split('\n')[0])) return readChordPro(text, songId, fallbackTitle);
  if (!text.includes('|'))
    throw new FileError(
      'No chords were found in this text',
      'line 1',
      'Write bars like "| Am | Dm E7 |", or words with chords like "[Am]The tide".',
    );
  const song = readChordChart(text, songId, fallbackTitle);
  if (song.changes.length === 0)
    throw new FileError('The chart holds no chords', '', 'Write bars like "| Am | Dm E7 |".');
  return song;
}
