import { imports } from '../sentences';
import { cutTo, type Song } from '../song';
import { chartBars, wordsByBar } from './chartBars';
import type { Heading } from './chartHeadings';
import { ChartBuilder } from './chartBuilder';
import { played, type PlayedLine } from './chartForm';
import { chartLines, HOLDS, type Row } from './chartLines';
import { FileError, refuseTooLarge } from './fileError';

/** How long a chord without bar lines lasts, in bars. */
export const CHORD_BARS = [0.5, 1, 2] as const;
export type ChordBars = (typeof CHORD_BARS)[number];

/** What a chart without bar lines or a metre leaves open. */
export interface ChartReading {
  /** 1 where it is not said. */
  readonly chordBars?: ChordBars;
  /** For a chart that names no metre; 4/4 where it is not told. */
  readonly metre?: string;
}

/**
 * Reads a chart of chords and words, however it is written, line by line: bars between "|" with the chords of each ("."
 * and "/" hold a chord for their share of the bar, "%" repeats the bar before, "|:" and ":|" repeat, "1." and "2." begin
 * endings) and the words on the line below; chords over words; words with chords in brackets, with directives in braces;
 * sections, "x2", "Key: Am", "Metre: 3/4", "Tempo: 96", a title at the head. Chords without bar lines get a bar each, two
 * without words between them share one. Throws {@link FileError}.
 */
export function readChart(
  text: string,
  songId: string,
  fallbackTitle: string,
  { chordBars = 1, metre = '4/4' }: ChartReading = {},
): Song {
  refuseTooLarge(text.length);
  if (text.trim() === '') throw new FileError('The file is empty', '', 'Choose another file.');
  if (text.includes('\0'))
    throw new FileError('This is not text', '', 'Choose a chord chart or words with chords.');
  const lines = chartLines(text);
  if (!lines.some(({ kind }) => kind === 'bars' || kind === 'sung'))
    throw new FileError(
      'No chords were found in this text',
      'line 1',
      'Write bars like "| Am | Dm E7 |", chords over words, or words with chords like "[Am]The tide".',
    );
  const chart = new ChartBuilder(songId, fallbackTitle);
  chart.heading({ name: 'metre', value: metre }, 0);
  for (const line of withHead(played(lines))) readLine(line, chart, chordBars);
  if (!chart.hasChanges)
    throw new FileError('The chart holds no chords', '', 'Write bars like "| Am | Dm E7 |".');
  const tablature = lines.filter(({ kind }) => kind === 'tablature');
  if (tablature.length > 0) chart.tell(imports.tablatureLeftOut(tablature.length, tablature[0].line));
  if (lines.some(({ kind }) => kind === 'sung')) chart.tell(imports.lengthsGuessed(chordBars));
  return chart.toSong();
}

/** The first lines of text, before any section or chord, are the title, the subtitle and notes; unless the title is told. */
function withHead(lines: readonly PlayedLine[]): PlayedLine[] {
  const head = lines.findIndex(({ kind }) => kind === 'row' || kind === 'section');
  const isTold = lines.some((line) => line.kind === 'heading' && line.heading.name === 'title');
  const names: Heading['name'][] = isTold ? [] : ['title', 'subtitle'];
  return lines.map((line, i) => {
    if (line.kind !== 'words' || i >= head) return line;
    const name = names.shift();
    const { text, line: number } = line;
    return name
      ? { kind: 'heading', line: number, heading: { name, value: text } }
      : { kind: 'note', line: number, text };
  });
}

function readLine(line: PlayedLine, chart: ChartBuilder, chordBars: ChordBars): void {
  switch (line.kind) {
    case 'heading':
      return chart.heading(line.heading, line.line);
    case 'section':
      return chart.section(line.name);
    case 'note':
      return chart.note(line.text);
    case 'again':
      return chart.tell(imports.comesAgain(cutTo(line.name, 40), chart.bars + 1));
    case 'words': {
      // Words without a chord are sung to the chord before.
      const from = chart.tick;
      chart.hold(chart.barTicks);
      chart.bar(line.line);
      return chart.sing(line.text, from, chart.tick);
    }
    case 'row':
      if (line.row.kind === 'bars') readBars(line.row, line.spread, chart);
      else readSung(line.row, line.spread, chart, chordBars);
  }
}

function readBars(row: Extract<Row, { kind: 'bars' }>, words: string | null, chart: ChartBuilder): void {
  const bars = chartBars(row.text, row.line);
  const first = chart.bars;
  const places = bars.map(({ tokens, repeatStarts, repeatEnds }) => {
    const from = chart.tick;
    readBar(tokens, chart);
    chart.bar(row.line);
    const sign = chart.signs[chart.signs.length - 1];
    if (repeatStarts) sign.repeatStarts = true;
    if (repeatEnds) sign.repeatEnds = Math.max(2, row.times);
    return from;
  });
  let ending: number | null = null;
  bars.forEach((bar, i) => {
    ending = bar.ending ?? ending;
    if (ending === null) return;
    const goesOn = !bar.repeatEnds && i + 1 < bars.length && bars[i + 1].ending === null;
    Object.assign(chart.signs[first + i], { endings: [ending], endingStaysOpen: goesOn });
    if (!goesOn) ending = null;
  });
  if (!words || bars.length === 0) return;
  const byBar = wordsByBar(row.text, bars, words);
  if (!byBar) return chart.sing(words, places[0], chart.tick);
  byBar.forEach((text, i) => chart.sing(text, places[i], places[i + 1] ?? chart.tick));
}

function readBar(tokens: readonly string[], chart: ChartBuilder): void {
  const whole = chart.barTicks;
  if (tokens.length === 0 || (tokens.length === 1 && tokens[0] === '%')) return chart.hold(whole);
  const place = (i: number): number => chart.tick + Math.round((i * whole) / tokens.length);
  tokens.forEach((token, i) => {
    const length = place(i + 1) - place(i);
    if (HOLDS.includes(token)) chart.hold(length);
    else chart.chord(token, place(i), length);
  });
}

function readSung(
  row: Extract<Row, { kind: 'sung' }>,
  words: string | null,
  chart: ChartBuilder,
  chordBars: ChordBars,
): void {
  if (row.lead && words === null) singBefore(row.lead, chart);
  const { pieces, line } = row;
  const from = chart.tick;
  const unit = chart.barTicks * chordBars;
  const places = [from];
  for (const { shares } of pieces) places.push(places[places.length - 1] + (shares ? unit / 2 : unit));
  // A line ends with its bar: the last chord goes on that long.
  const bars = Math.ceil((places[pieces.length] - from) / chart.barTicks);
  places[pieces.length] = from + bars * chart.barTicks;
  pieces.forEach(({ symbol }, i) => {
    const length = places[i + 1] - places[i];
    if (symbol) chart.chord(symbol, places[i], length);
    else chart.hold(length);
  });
  for (let i = 0; i < bars; i++) chart.bar(line);
  if (words !== null) return chart.sing(words, from, chart.tick);
  pieces.forEach((piece, i) => chart.sing(piece.words, places[i], places[i + 1]));
}

/** Words before the first chord of a line lead into it: sung on the last beats of the bar before. */
function singBefore(words: string, chart: ChartBuilder): void {
  // At the very beginning they get a bar of their own in which the hands wait.
  if (chart.tick === 0) chart.bar(1);
  chart.lead(words);
}

/** Whether how long the chords of a song last was guessed: its chart has no bar lines. */
export function isGuessed({ imported }: Song): boolean {
  return imported.some(({ said }) => said.code === 'lengthsGuessed');
}
