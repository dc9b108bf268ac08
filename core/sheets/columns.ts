import { type Arrangement, type ArrangedChange, changesIn } from '../arrangement';
import { type HandNote, isPass, type Strike, strikesOf } from '../hands';
import { countAt } from '../joining';
import { typeset } from '../music';
import type { Part } from '../parts';
import { gotOrMade } from '../memory';
import { type Bar, barAt, type PlayedSong, sungIn, within } from '../song';
import { shownNote } from '../words';
import { brokenEvenly } from '../paths';
import { SIZE, widthOf } from './text';

/** One moment of a part at which something is struck, sung or changed: a column of a row. */
export interface Column {
  readonly tick: number;
  readonly bar: Bar;
  /** The first of its bar in the part. */
  readonly beginsBar: boolean;
  /** "5", or "pick-up", where a bar begins. */
  readonly number: string;
  readonly right: Strike;
  readonly left: Strike;
  readonly change: ArrangedChange | null;
  readonly count: string;
  /** "tur-": a syllable as it is set. */
  readonly syllable: string;
  /** Both hands strike; true where the chord changes with them. */
  readonly meets: 'at-a-change' | 'in-passing' | null;
  /** Fingers to be written: where a phrase begins and where a hand crosses. */
  readonly rightFinger: number | null;
  /** How wide it must be, in units. */
  readonly width: number;
}

/** The least a column is wide: a letter with its finger. */
const NARROWEST = 8;
const GAP = 1.6;

/** The columns of a part, in time. */
export function columnsOf(arrangement: Arrangement, index: number): Column[] {
  const part = arrangement.parts[index];
  const { played, changes } = arrangement;
  const hands = arrangement.arranged[index];
  const right = byTick((hands?.right ?? []).map((note) => shownNote(note, part)));
  const left = byTick(hands?.left ?? []);
  const struck = new Map(changesIn(changes, part).map((change) => [change.change.tick, change]));
  const words = new Map(wordsIn(arrangement, part));
  const meetings = new Map((hands?.meetings ?? []).map(({ tick, atChange }) => [tick, atChange]));
  const bars = played.bars.filter(({ tick, length }) => tick < part.toTick && tick + length > part.fromTick);
  const starts = bars.map(({ tick }) => Math.max(tick, part.fromTick));
  const ticks = [
    ...new Set([...starts, ...right.keys(), ...left.keys(), ...struck.keys(), ...words.keys()]),
  ].sort((a, b) => a - b);
  let before: HandNote | null = null;
  return ticks.map((tick): Column => {
    const bar = barAt(played.bars, tick);
    const [up, down] = [right.get(tick) ?? [], left.get(tick) ?? []];
    const change = struck.get(tick) ?? null;
    const syllable = words.get(tick) ?? '';
    const tune = up.at(-1) ?? null;
    const isNew = tune !== null && (before === null || isPass(before, tune, 'right'));
    before = tune ?? before;
    const atChange = meetings.get(tick);
    const symbol = change ? typeset(change.change.symbol) : '';
    const number = starts.includes(tick) ? numberOf(bar, tick) : '';
    return {
      tick,
      bar,
      beginsBar: starts.includes(tick),
      number,
      right: up,
      left: down,
      change,
      count: up.length + down.length > 0 || change ? countAt(bar, tick) : '',
      syllable,
      meets: atChange === undefined ? null : atChange ? 'at-a-change' : 'in-passing',
      rightFinger: isNew ? tune.finger : null,
      width: Math.max(
        NARROWEST,
        widthOf(number, 'regular', SIZE.small) + GAP,
        widthOf(syllable, 'italic', SIZE.body) + GAP,
        widthOf(symbol, 'bold', SIZE.large) + GAP,
      ),
    };
  });
}

function numberOf(bar: Bar, tick: number): string {
  return bar.number === 0 || tick > bar.tick ? 'pick-up' : String(bar.number);
}

/** What a hand strikes, by when. */
export function byTick(notes: readonly HandNote[]): Map<number, Strike> {
  return new Map(strikesOf(notes).map((keys) => [keys[0].tick, keys]));
}

/** Everything sung in a song, put in order once for all its parts. */
const SUNG = new WeakMap<PlayedSong, PlayedSong['words']>();

/** Every syllable of a part with its tick, with a hyphen where its word goes on. */
export function wordsIn({ played }: Arrangement, { fromTick, toTick }: Pick<Part, 'fromTick' | 'toTick'>) {
  const sung = gotOrMade(SUNG, played, () => sungIn(played));
  return within(sung, fromTick, toTick).map(({ tick, text, syllabic }): [tick: number, syllable: string] => [
    tick,
    syllabic === 'begin' || syllabic === 'middle' ? `${text}-` : text,
  ]);
}

/** What it costs to break a bar over two rows, of what a row left empty does. */
const BAR_BROKEN = 0.5;

/** Columns in rows no wider than so many units: one wider than a row is a row, and what it holds is set smaller. */
export function rowsOf(columns: readonly Column[], width: number): Column[][] {
  return inRows(columns, (column) => Math.min(width, column.width), width);
}

/**
 * What stands beside one another in rows no wider than so many units, as few and as evenly filled as can be, broken at bar
 * lines wherever a bar is not wider than a row.
 */
export function inRows<T extends Pick<Column, 'beginsBar'>>(
  all: readonly T[],
  widthOfOne: (one: T) => number,
  width: number,
): T[][] {
  const wide = (list: readonly T[]): number => list.reduce((sum, one) => sum + widthOfOne(one), 0);
  const pieces = barsOf(all).flatMap((bar) => (wide(bar) <= width ? [bar] : bar.map((one) => [one])));
  const sizes = pieces.map((piece) => ({
    size: wide(piece),
    before: 0,
    cost: piece[0].beginsBar ? 0 : BAR_BROKEN,
  }));
  let at = 0;
  return brokenEvenly(sizes, width).map((count) => {
    const row = pieces.slice(at, at + count).flat();
    at += count;
    return row;
  });
}

function barsOf<T extends Pick<Column, 'beginsBar'>>(all: readonly T[]): T[][] {
  const bars: T[][] = [];
  for (const one of all) {
    if (one.beginsBar || bars.length === 0) bars.push([]);
    bars[bars.length - 1].push(one);
  }
  return bars;
}
