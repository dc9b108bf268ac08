import { cutTo, emptySong, inOrder, type Song, spreadWords, syllablesOf } from '../song';
import type { Phrase } from '../sentences';
import { stored } from './stored';
import { findKeys } from '../harmony';
import { barTicks, beatTicks, ChordSymbolError, type Key, inEnglish, parseChord, symbolOf } from '../music';
import { type Heading, keyFrom } from './chartHeadings';
import { FileError } from './fileError';
import { type BarSigns, playingOrderOf } from './repeats';

/** As many bars as a chart may have. */
export const MOST_BARS = 4000;

/** Gathers bars, changes and words as lines are read; both kinds of chart fill one. */
export class ChartBuilder {
  private readonly base: Song;
  private title: string | null = null;
  private subtitle = '';
  private readonly credits = { words: '', music: '' };
  private key: Key | null = null;
  private readonly metres: Song['metreMap'][number][] = [{ tick: 0, numerator: 4, denominator: 4 }];
  private readonly tempi: Song['tempoMap'][number][] = [];
  private readonly changes: Song['changes'][number][] = [];
  private readonly words: Song['words'][number][] = [];
  private readonly sections: Song['sections'][number][] = [];
  readonly signs: { -readonly [K in keyof BarSigns]: BarSigns[K] }[] = [];
  private readonly found: Song['imported'][number][] = [];
  private readonly forPlayer: string[] = [];
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
      case 'words':
      case 'music':
        this.credits[name] ||= cutTo(value, 120);
        break;
      case 'key':
        this.key = keyFrom(value, line);
        break;
      case 'metre':
        this.setMetre(value, line);
        break;
      case 'tempo':
        if (/\d/.test(value)) this.setTempo(value, line);
        else this.note(`Tempo: ${value}`);
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

  /** Words that lead into the bar that comes: a half beat each, at most all of the bar before. */
  lead(text: string): void {
    const syllables = syllablesOf(text).filter((s) => s !== null).length;
    const beats = Math.ceil(syllables / 2) * this.pulse;
    this.sing(text, this.tick - Math.min(beats, this.barTicks), this.tick);
  }

  /** Words sung over a stretch. */
  sing(text: string, from: number, to: number): void {
    this.words.push(...spreadWords(text, from, to));
  }

  /** A line for who plays it. */
  note(text: string): void {
    this.forPlayer.push(text);
  }

  /** What reading it found. */
  tell(said: Phrase): void {
    this.found.push({ tick: 0, said: stored(said) });
  }

  toSong(): Song {
    const { playingOrder, problems } = playingOrderOf(this.signs);
    const heard = { melody: [], changes: this.changes };
    const key = this.key ?? findKeys(heard)[0].key;
    return {
      ...this.base,
      title: this.title ?? this.base.title,
      subtitle: this.subtitle,
      credits: { ...this.credits },
      notes: cutTo(this.forPlayer.join('\n'), 2000),
      keyMap: [{ tick: 0, ...key }],
      metreMap: this.metres,
      tempoMap:
        this.tempi.length > 0 ? [{ ...this.tempi[0], tick: 0 }, ...this.tempi.slice(1)] : this.base.tempoMap,
      barCount: Math.max(1, this.bars),
      playingOrder,
      changes: this.changes,
      words: inOrder(this.words),
      sections: this.sections,
      choices: { ...this.base.choices, layout: 'singing' },
      imported: [...this.found, ...problems.map((said) => ({ tick: 0, said: stored(said) }))],
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
