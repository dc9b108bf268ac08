import { cutTo, emptySong, type Song, syllablesOf } from '../song';
import { stored } from './stored';
import { findKeys } from '../harmony';
import {
  barTicks,
  beatTicks,
  ChordSymbolError,
  type Key,
  inEnglish,
  parseChord,
  symbolOf,
  TICKS_PER_QUARTER,
} from '../music';
import { type Heading, headingIn, keyFrom } from './chartHeadings';
import { FileError, refuseTooLarge } from './fileError';
import { type BarSigns, playingOrderOf } from './repeats';

const MOST_BARS = 4000;
const MOST_CHORDS_A_BAR = 32;
/** A bar holds the chord before for one of its shares. */
export const HOLDS: readonly string[] = ['.', '%', '/'];

/** Gathers bars, changes and words as lines are read; both kinds of chart fill one. */
export class ChartBuilder {
  private readonly base: Song;
  private title: string | null = null;
  private subtitle = '';
  private key: Key | null = null;
  private readonly metres: Song['metreMap'][number][] = [{ tick: 0, numerator: 4, denominator: 4 }];
  private readonly tempi: Song['tempoMap'][number][] = [];
  private readonly changes: Song['changes'][number][] = [];
  private readonly words: Song['words'][number][] = [];
  private readonly sections: Song['sections'][number][] = [];
  readonly signs: { -readonly [K in keyof BarSigns]: BarSigns[K] }[] = [];
  readonly notes: Song['imported'][number][] = [];
  /** Where the next bar begins. */
  tick = 0;

  constructor(songId: string, fallbackTitle: string) {
    this.base = emptySong(songId, cutTo(fallbackTitle, 200) || 'Untitled');
  }

  get barTicks(): number {
    return barTicks(this.metres[this.metres.length - 1]);
  }

  get pulse(): number {
    return beatTicks(this.metres[this.metres.length - 1]);
  }

  get bars(): number {
    return this.signs.length;
  }

  get hasChanges(): boolean {
    return this.changes.length > 0;
  }

  /** "Key: Am", "Metre: 3/4", "Tempo: 96", a title. */
  heading({ name, value }: Heading, line: number): void {
    switch (name) {
      case 'title':
        this.title = cutTo(value, 200) || null;
        break;
      case 'subtitle':
        this.subtitle ||= cutTo(value, 200);
        break;
      case 'key':
        this.key = keyFrom(value, line);
        break;
      case 'metre':
        this.setMetre(value, line);
        break;
      case 'tempo':
        this.setTempo(value, line);
        break;
    }
  }

  private setMetre(text: string, line: number): void {
    const match = /^(\d+)\s*\/\s*(\d+)$/.exec(text);
    const numerator = Number(match?.[1]);
    const denominator = ([1, 2, 4, 8, 16, 32] as const).find((d) => d === Number(match?.[2]));
    if (!denominator || !(numerator >= 1 && numerator <= 64))
      throw new FileError(`"${text}" is not a metre`, `line ${line}`, 'Write it like 3/4 or 6/8.');
    const last = this.metres[this.metres.length - 1];
    if (last.tick === this.tick) this.metres.pop();
    this.metres.push({ tick: this.tick, numerator, denominator });
  }

  private setTempo(text: string, line: number): void {
    const tempo = Number(/\d+(\.\d+)?/.exec(text)?.[0]);
    if (!(tempo >= 10 && tempo <= 400))
      throw new FileError(`"${text}" is not a tempo`, `line ${line}`, 'Write the beats a minute, 10 to 400.');
    this.tempi.push({ tick: this.tick, quartersPerMinute: tempo });
  }

  section(name: string): void {
    const last = this.sections[this.sections.length - 1];
    if (last?.tick === this.tick) this.sections.pop();
    this.sections.push({
      id: `s${this.sections.length + 1}`,
      tick: this.tick,
      name: cutTo(name, 80),
      energy: 3,
      dynamics: 'even',
    });
  }

  /** A chord at a tick, as long as its share of the bar. What cannot be read is kept and becomes a finding. */
  chord(symbol: string, tick: number, length: number): void {
    const written = readable(symbol);
    const last = this.changes[this.changes.length - 1];
    const goesOn = last && last.symbol === written && last.tick + last.length === tick && tick !== this.tick;
    if (goesOn) this.changes[this.changes.length - 1] = { ...last, length: last.length + length };
    else
      this.changes.push({
        id: `c${this.changes.length + 1}`,
        tick,
        length,
        symbol: written,
        given: true,
        layout: null,
      });
  }

  /** The chord before goes on. */
  hold(ticks: number): void {
    const last = this.changes[this.changes.length - 1];
    if (last) this.changes[this.changes.length - 1] = { ...last, length: last.length + ticks };
  }

  bar(line: number): void {
    if (this.signs.length >= MOST_BARS)
      throw new FileError(`The chart has more than ${MOST_BARS} bars`, `line ${line}`, 'Split it.');
    this.tick += this.barTicks;
    this.signs.push({ number: this.signs.length + 1 });
  }

  /** Words sung over a stretch, spread evenly on its half beats. */
  sing(text: string, from: number, to: number): void {
    const syllables = syllablesOf(text).filter((s) => s !== null);
    if (syllables.length === 0 || to <= from) return;
    const grid = TICKS_PER_QUARTER / 2;
    let before = -1;
    syllables.forEach((lyric, i) => {
      const even = from + ((to - from) * i) / syllables.length;
      const onGrid = Math.floor(even / grid) * grid;
      const tick = Math.min(to - 1, Math.max(before + 1, onGrid, from));
      this.words.push({ tick, ...lyric });
      before = tick;
    });
  }

  toSong(): Song {
    const { playingOrder, problems } = playingOrderOf(this.signs);
    const heard = { melody: [], changes: this.changes };
    const key = this.key ?? findKeys(heard)[0].key;
    return {
      ...this.base,
      title: this.title ?? this.base.title,
      subtitle: this.subtitle,
      keyMap: [{ tick: 0, ...key }],
      metreMap: this.metres,
      tempoMap:
        this.tempi.length > 0 ? [{ ...this.tempi[0], tick: 0 }, ...this.tempi.slice(1)] : this.base.tempoMap,
      barCount: Math.max(1, this.bars),
      playingOrder,
      changes: this.changes,
      words: [...this.words].sort((a, b) => a.tick - b.tick),
      sections: this.sections,
      choices: { ...this.base.choices, layout: 'singing' },
      imported: [...this.notes, ...problems.map((said) => ({ tick: 0, said: stored(said) }))],
    };
  }
}

function readable(symbol: string): string {
  try {
    return symbolOf(parseChord(inEnglish(symbol)));
  } catch (error) {
    // Kept as it stands: the arrangement says where it is and that the left hand rests there.
    if (error instanceof ChordSymbolError) return cutTo(symbol, 40);
    throw error;
  }
}

/**
 * Reads a chord chart: lines of bars between "|" with the changes of each bar ("." and "/" hold a chord for their share of
 * the bar, "%" repeats the bar before, "|:" and ":|" repeat), lines "Key: Am", "Metre: 3/4", "Tempo: 96", "Title: …",
 * section names ending in ":", and under a line of bars the words sung to it. Throws {@link FileError}.
 */
export function readChordChart(text: string, songId: string, fallbackTitle: string): Song {
  refuseTooLarge(text.length);
  const chart = new ChartBuilder(songId, fallbackTitle);
  let row: { from: number; to: number } | null = null;
  text.split(/\r?\n/).forEach((line, index) => {
    if (line.trim() === '') return;
    const heading = headingIn(line, chart.bars === 0);
    if (heading) return chart.heading(heading, index + 1);
    if (line.includes('|')) {
      const from = chart.tick;
      readBars(line, chart, index + 1);
      row = { from, to: chart.tick };
    } else if (/^\s*[^|]{1,60}:\s*$/.test(line)) chart.section(line.trim().slice(0, -1));
    else if (row) {
      chart.sing(line, row.from, row.to);
      row = null;
    } else
      throw new FileError(
        `"${line.trim().slice(0, 40)}" is neither a line of bars nor words under one`,
        `line ${index + 1}`,
        'Write bars like "| Am | Dm E7 |", and words on the line below them.',
      );
  });
  return chart.toSong();
}

function readBars(line: string, chart: ChartBuilder, number: number): void {
  const pieces = line.trim().replace(/^\|+/, '|').split('|');
  const bars = pieces.slice(pieces[0].trim() === '' ? 1 : 0);
  if (bars.length > 0 && bars[bars.length - 1].trim() === '') bars.pop();
  for (const piece of bars) {
    const body = piece.trim();
    const starts = body.startsWith(':');
    const ends = body.endsWith(':') && body.length > 1;
    const tokens = tokensOf(body.replace(/^:/, '').replace(/:$/, ''));
    if (body === ':') {
      closeRepeat(chart);
      continue;
    }
    if (tokens.length > MOST_CHORDS_A_BAR)
      throw new FileError(`${tokens.length} chords in one bar`, `line ${number}`, 'Write at most 32.');
    readBar(tokens, chart);
    chart.bar(number);
    const sign = chart.signs[chart.signs.length - 1];
    if (starts) sign.repeatStarts = true;
    if (ends) sign.repeatEnds = 2;
  }
}

/** What a bar holds, one share each; slashes that stand together, or after a chord, are a beat each: "C / / /", "C ///". */
export function tokensOf(body: string): string[] {
  return body
    .trim()
    .split(/\s+/)
    .filter(Boolean)
    .flatMap((token) => {
      let end = token.length;
      while (token[end - 1] === '/') end--;
      const isSlashes = token.length - end >= 2;
      const chord = isSlashes ? token.slice(0, end) : token;
      return [...(chord ? [chord] : []), ...(isSlashes ? token.slice(end) : '')];
    });
}

function closeRepeat(chart: ChartBuilder): void {
  const last = chart.signs[chart.signs.length - 1];
  if (last) last.repeatEnds = 2;
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
