import { offsetInBar } from '../song';
import { barTicks, unitTicks, type Metre } from '../music';
import { EntryError } from './letters';

/** One strike told by its count. */
interface TypedStrike {
  /** Ticks from the beginning of the song. */
  readonly tick: number;
  readonly length: number;
  readonly at: number;
}

interface TypedRhythm {
  readonly strikes: readonly TypedStrike[];
  readonly pickup: number;
  readonly barCount: number;
}

/** Where a sign stands within the beat, as a fraction of it. */
const PLACES: Record<string, readonly [number, number]> = {
  '': [0, 1],
  e: [1, 4],
  t: [1, 3],
  '&': [1, 2],
  l: [2, 3],
  a: [3, 4],
};
const COUNT = /^(\()?(\d+)(e|&|a|t|l|\+(\d+)\/(\d+))?(\))?$/;

/**
 * Reads the counts that are struck, bar by bar between "|": "1 2 2& 3 4e 4a", triplets "2 2t 2l", any other place
 * as a fraction "2+1/6". A note lasts to the next strike, to "(3)" (a rest from 3), or to the bar line; a bar that
 * begins with "-" goes on holding. A first bar that begins after 1, struck or silent, is the pick-up; "(1)" keeps it
 * a whole bar.
 * `metreOf` tells the metre of a written bar, 0 the pick-up. Throws {@link EntryError}.
 */
export function readCounts(text: string, metreOf: (bar: number) => Metre): TypedRhythm {
  return strikesIn(splitBars(text), metreOf);
}

/**
 * The same for bars that are there, the first of which may be a pick-up: a bar that is left out is silent, and what
 * begins after 1 is no pick-up. Throws {@link EntryError}, also for more bars than there are.
 */
export function readCountsIn(text: string, bars: readonly CountedBar[]): readonly TypedStrike[] {
  const told = splitBars(text);
  if (told.length > bars.length) {
    const { at, text: more } = told[bars.length];
    const many = bars.length === 1 ? 'There is one bar' : `There are ${bars.length} bars`;
    throw new EntryError(`${many} here: this one is too many.`, at, Math.max(1, more.length));
  }
  const missing = barTicks(bars[0].metre) - bars[0].length;
  const whole = strikesIn(told, (bar) => bars[bar - 1].metre, false).strikes;
  const early = whole.find(({ tick }) => tick < missing);
  if (early) throw new EntryError(`The pick-up begins on ${countOf(missing, bars[0].metre)}.`, early.at, 1);
  return whole.map((strike) => ({ ...strike, tick: strike.tick - missing }));
}

function strikesIn(
  bars: readonly BarText[],
  metreOf: (bar: number) => Metre,
  mayHavePickup = true,
): TypedRhythm {
  const strikes: { tick: number; length: number; at: number }[] = [];
  let [start, pickup, number, isHeld] = [0, 0, 1, false];
  bars.forEach((bar, index) => {
    const metre = metreOf(number);
    const marks = marksOf(bar, metre);
    const [first] = marks;
    const isPickup = mayHavePickup && index === 0 && bars.length > 1 && first?.offset > 0;
    const from = isPickup ? first.offset : 0;
    const whole = barTicks(metre);
    if (!bar.goesOn) isHeld = false;
    let at = from;
    const hold = (to: number): void => {
      if (isHeld && strikes.length > 0) strikes[strikes.length - 1].length += to - at;
      at = to;
    };
    for (const mark of marks) {
      hold(mark.offset);
      isHeld = !mark.isSilence;
      if (isHeld) strikes.push({ tick: start + mark.offset - from, length: 0, at: mark.at });
    }
    hold(whole);
    start += whole - from;
    if (isPickup) pickup = whole - from;
    else number++;
  });
  return { strikes, pickup, barCount: Math.max(1, number - 1) };
}

interface BarText {
  readonly text: string;
  readonly at: number;
  readonly goesOn: boolean;
}

/** Bars between "|"; one before the first and one after the last may be left out. */
function splitBars(text: string): BarText[] {
  const pieces: BarText[] = [];
  let at = 0;
  for (const piece of text.split('|')) {
    const indent = piece.length - piece.trimStart().length;
    const body = piece.trim();
    const goesOn = body.startsWith('-');
    pieces.push({ text: goesOn ? body.slice(1) : body, at: at + indent + (goesOn ? 1 : 0), goesOn });
    at += piece.length + 1;
  }
  if (pieces.length > 1 && pieces[0].text === '' && !pieces[0].goesOn) pieces.shift();
  const last = pieces[pieces.length - 1];
  if (pieces.length > 1 && last.text === '' && !last.goesOn) pieces.pop();
  return pieces;
}

interface Mark {
  readonly offset: number;
  readonly isSilence: boolean;
  readonly at: number;
}

function marksOf(bar: BarText, metre: Metre): Mark[] {
  const marks: Mark[] = [];
  for (const match of bar.text.matchAll(/\S+/g)) {
    const [token] = match;
    const at = bar.at + match.index;
    const offset = offsetOf(token, metre, at);
    const before = marks[marks.length - 1];
    if (before && offset <= before.offset)
      throw new EntryError(`"${token}" does not come after the count before it.`, at, token.length);
    marks.push({ offset, isSilence: token.startsWith('('), at });
  }
  return marks;
}

function offsetOf(token: string, metre: Metre, at: number): number {
  const parts = COUNT.exec(token);
  if (!parts || (parts[1] === undefined) !== (parts[6] === undefined))
    throw new EntryError(
      `"${token}" is not a count: a beat, then e, & or a (sixteenths) or t, l (triplets), as in 2& or (3).`,
      at,
      token.length,
    );
  const beat = Number(parts[2]);
  if (beat < 1 || beat > metre.numerator)
    throw new EntryError(
      `There is no count ${beat} in a bar of ${metre.numerator}/${metre.denominator}.`,
      at,
      token.length,
    );
  const sign = parts[3] ?? '';
  const [over, under] = sign.startsWith('+') ? [Number(parts[4]), Number(parts[5])] : PLACES[sign];
  if (under === 0 || over >= under)
    throw new EntryError(`"${token}": the fraction must be less than a beat.`, at, token.length);
  return Math.round((beat - 1 + over / under) * unitTicks(metre));
}

/** A bar as the writer needs it. */
export interface CountedBar {
  readonly number: number;
  readonly tick: number;
  readonly length: number;
  readonly metre: Metre;
}

/**
 * A rhythm in counts, bar by bar: the inverse of {@link readCounts}. Notes must be sorted; one that reaches into the
 * next ends there, since a line has one note at a time.
 */
export function writeCounts(
  notes: readonly { readonly tick: number; readonly length: number }[],
  bars: readonly CountedBar[],
): string {
  const spans = notes.map((note, i) => {
    const next = notes[i + 1]?.tick ?? Infinity;
    return { from: note.tick, to: Math.min(note.tick + note.length, next) };
  });
  let i = 0;
  const texts = bars.map((bar, index) => {
    const end = bar.tick + bar.length;
    const words: string[] = [];
    const count = (tick: number): string => countOf(offsetInBar(bar, tick), bar.metre);
    const held = i > 0 ? spans[i - 1] : undefined;
    let silentFrom: number | null = null;
    if (held && held.to > bar.tick) {
      words.push('-');
      if (held.to < end) silentFrom = held.to;
    } else if (index === 0 && (spans[0]?.from ?? 1) > 0) silentFrom = bar.tick;
    for (; i < spans.length && spans[i].from < end; i++) {
      const { from, to } = spans[i];
      if (silentFrom !== null && silentFrom < from) words.push(`(${count(silentFrom)})`);
      words.push(count(from));
      silentFrom = to < end ? to : null;
    }
    if (silentFrom !== null) words.push(`(${count(silentFrom)})`);
    return words.join(' ');
  });
  return `${texts.join(' | ')} |`;
}

function countOf(offset: number, metre: Metre): string {
  const beat = unitTicks(metre);
  const number = Math.floor(offset / beat) + 1;
  const within = offset % beat;
  const sign = Object.entries(PLACES).find(
    ([, [over, under]]) => Math.round((over / under) * beat) === within,
  )?.[0];
  if (sign !== undefined) return `${number}${sign}`;
  const divisor = commonDivisor(within, beat);
  return `${number}+${within / divisor}/${beat / divisor}`;
}

function commonDivisor(a: number, b: number): number {
  return b === 0 ? a : commonDivisor(b, a % b);
}
