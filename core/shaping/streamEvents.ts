import type { HandNote } from '../hands';
import type { Memory } from '../memory';
import { barTicks, bassOf, chroma, type Metre, TICKS_PER_QUARTER } from '../music';
import {
  barAt,
  barsIn,
  lastAtOrBefore,
  placeIn,
  type PlayedBar,
  type PlayedSong,
  type Profile,
} from '../song';
import type { VoicedChange } from '../voicing';
import { closeIn, type FigureEvent, figureIn } from './figure';
import type { Phrase } from './phrases';
import type { Planned } from './plan';
import type { FigureRow, Style } from './styles';

/** A chord and how it is to be played. */
export interface Styled {
  readonly voiced: VoicedChange;
  /** Null: it is not played in a style, its bass is told by `kept`. */
  readonly style: Style | null;
  readonly row: FigureRow | null;
  readonly phrase: Phrase & Planned;
  readonly register: number;
  /** The lowest key where it is played otherwise. */
  readonly kept: number | null;
}

export interface StreamTask {
  readonly played: PlayedSong;
  readonly profile: Profile;
  readonly styled: readonly Styled[];
  /** The tune as struck, in time, and its longest note. */
  readonly melody: readonly HandNote[];
  readonly longestNote: number;
  readonly memory: Memory;
}

/** An event of a figure where it is played. */
export interface Placed extends Omit<FigureEvent, 'at'> {
  readonly tick: number;
  /** Index of its chord. */
  readonly at: number;
}

/** Where the song comes to rest: the last strong beat the tune strikes on or before its last note; null in the midst of a song. */
export function restsAt(
  { played, melody }: Pick<StreamTask, 'played' | 'melody'>,
  { change, length }: VoicedChange,
): number | null {
  const end = change.tick + length;
  if (end < played.endTick) return null;
  const last = melody.findLast(({ grace, tick }) => !grace && tick < end);
  const until = Math.max(change.tick, last?.tick ?? change.tick);
  const strong = played.bars
    .flatMap((bar) => [bar.tick, ...strongIn(bar)])
    .filter((tick) => tick >= change.tick && tick <= until);
  return strong.length > 0 ? strong[strong.length - 1] : change.tick;
}

function strongIn({ tick, length, metre }: PlayedBar): number[] {
  const half = tick + length / 2;
  return placeIn([{ tick, length, metre, number: 1 }], half).strength >= 3 ? [half] : [];
}

/** A bass struck alone. */
const BASS = { bass: 'B', upper: null, member: null, holdsBass: false } as const;

/** The figure of a chord (by index), bar by bar; where the song closes it stops. */
export function eventsOf(task: StreamTask, at: number): Placed[] {
  const styled = task.styled[at];
  const next = task.styled[at + 1] ?? null;
  const { voiced, style, row } = styled;
  const { tick: from } = voiced.change;
  const to = from + voiced.length;
  if (!style || !row) return [{ ...BASS, tick: from, length: voiced.length, at }];
  const rest = restsAt(task, voiced) ?? Infinity;
  const close = rest < to ? closeFrom(task, styled, rest, to).map((event) => ({ ...event, at })) : [];
  const figure = barsIn(task.played.bars, from, to)
    .filter((bar) => bar.number > 0)
    .flatMap((bar): readonly Placed[] => {
      const [start, end] = [Math.max(from, bar.tick), Math.min(to, bar.tick + bar.length, rest)];
      if (start >= end) return [];
      const inBar = style.onTunesBeats
        ? onTunesBeats(task, bar, start, end)
        : headOf([row, style.quiet], bar.metre, end - start, shortestAt(task.played, start));
      const events = inBar.map(({ at: after, length, ...event }): Placed => ({
        ...event,
        tick: start + after,
        length: Math.min(length, end - start - after),
        at,
      }));
      return walksOn(styled, next, bar, end, rest) ? withWalk(events) : events;
    });
  return [...figure, ...close];
}

/** A softer phrase closes on one chord. */
const SOFT = 0.45;

/** How a song closes from where it rests: its style's last bar where the tune leaves a whole one, else one chord that is held. */
function closeFrom({ played }: StreamTask, styled: Styled, rest: number, to: number): Omit<Placed, 'at'>[] {
  const { metre, tick, length } = barAt(played.bars, rest);
  const isWhole = tick === rest && tick + length === to && length === barTicks(metre);
  const own =
    isWhole && styled.style && styled.phrase.intensity >= SOFT ? closeIn(styled.style, metre) : null;
  if (!own) return [{ ...BASS, tick: rest, length: to - rest, closes: true }];
  return own.map(({ at, ...event }) => ({ ...event, tick: rest + at }));
}

/** No figure strikes more often in a second. Source: what a hand plays with ease in a broken chord. */
const FASTEST = 7;

/** Ticks between two strikes that are as quick as a figure goes, at the tempo of a place. */
export function shortestAt({ tempoMap }: PlayedSong, tick: number): number {
  const { quartersPerMinute } = lastAtOrBefore(tempoMap, tick);
  return Math.floor((quartersPerMinute / 60 / FASTEST) * TICKS_PER_QUARTER);
}

/**
 * What of a figure goes into so many ticks: the first of the rows that is not too quick and whose head strikes more than
 * a bass, else the whole chord struck at once.
 */
function headOf(
  rows: readonly FigureRow[],
  metre: Metre,
  ticks: number,
  shortest: number,
): readonly FigureEvent[] {
  for (const row of rows) {
    const figure = figureIn(row, metre);
    const head = figure.filter(({ at }) => at < ticks);
    if (head.some(({ length }) => length < shortest)) continue;
    const last = head.findLastIndex(({ upper }) => upper !== null);
    if (head.some(({ member }) => member !== null)) return head;
    if (last < 0) continue;
    // A head that breaks off before two have sounded ends on the whole chord: two tell it.
    const hasChord = (events: readonly FigureEvent[]): boolean => events.some(({ upper }) => upper === 'all');
    const isWhole = hasChord(figure) ? hasChord(head) : named(head) >= Math.min(TELLING, named(figure));
    return isWhole ? head : head.with(last, { ...head[last], upper: 'all' });
  }
  return [{ ...BASS, at: 0, length: ticks, upper: 'all' }];
}

/** So many upper notes tell a chord over its bass: its third, and its seventh or fifth. */
const TELLING = 2;

/** How many upper notes a figure names one by one. */
function named(events: readonly FigureEvent[]): number {
  return new Set(events.flatMap(({ upper }) => (typeof upper === 'number' ? [upper] : []))).size;
}

/** In a phrase's last two bars the last strike leads to the next chord, where that has another root. */
function walksOn(
  { voiced, phrase, style }: Styled,
  next: Styled | null,
  bar: PlayedBar,
  end: number,
  rest: number,
): boolean {
  const isNearClose = bar.tick + 2 * bar.length >= phrase.toTick - TICKS_PER_QUARTER;
  return (
    isNearClose &&
    next !== null &&
    rest === Infinity &&
    end === voiced.change.tick + voiced.length &&
    style?.id !== 'drone' &&
    chroma(bassOf(next.voiced.chord)) !== chroma(bassOf(voiced.chord))
  );
}

/** The last chord of a bar gives way to a step of the bass, where the chord has been heard already. */
function withWalk(events: readonly Placed[]): readonly Placed[] {
  const last = events.length - 1;
  const isChord = ({ upper, bass }: Placed): boolean => upper === 'all' && bass === null;
  if (last < 2 || !isChord(events[last]) || !events.slice(0, last).some(isChord)) return events;
  return events.with(last, { ...events[last], bass: 'w', upper: null, holdsBass: false });
}

/** A chord with each note of the tune that falls on a beat, and where the chord begins. */
function onTunesBeats(
  { played, melody }: StreamTask,
  bar: PlayedBar,
  start: number,
  end: number,
): FigureEvent[] {
  const ticks = new Set(
    melody
      .filter(
        ({ tick, grace }) =>
          !grace && tick >= start && tick < end && placeIn(played.bars, tick).strength >= 2,
      )
      .map(({ tick }) => tick),
  );
  const all = [...new Set([start, ...ticks])].sort((a, b) => a - b);
  return all.map((tick, i) => ({
    at: tick - start,
    length: (all[i + 1] ?? Math.min(end, bar.tick + bar.length)) - tick,
    bass: 'B',
    upper: 'all',
    member: null,
    holdsBass: false,
  }));
}
