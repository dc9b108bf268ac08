import { barTicks, groupsOf, type Metre, metreName, unitTicks } from '../music';
import type { FigureRow, Style } from './styles';

/** What a word of a figure strikes. */
export interface FigureEvent {
  /** Ticks from the beginning of the bar or chord, and how long it lasts. */
  readonly at: number;
  readonly length: number;
  /** The bass it strikes; null where it strikes upper notes alone. */
  readonly bass: 'B' | 'b' | 'w' | 'D' | null;
  /** Upper notes it strikes: all, or one by its place from below; null where it strikes a bass alone. */
  readonly upper: 'all' | number | null;
  /** A member of the chord above its bass: a walking figure. */
  readonly member: number | null;
  /** The bass struck before is held under it. */
  readonly holdsBass: boolean;
  /** The chord the song closes on, over its bass. */
  readonly closes?: true;
}

const SIMPLE: Readonly<Record<string, 'two' | 'three' | 'four'>> = {
  '2/4': 'two',
  '3/4': 'three',
  '4/4': 'four',
  '2/2': 'four',
  '4/8': 'two',
};

/** One bar of a figure in a metre. Every metre has one: unequal ones go group by group. */
export function figureIn(row: FigureRow, metre: Metre): readonly FigureEvent[] {
  const simple = SIMPLE[metreName(metre)];
  if (simple) return eventsOf(row[simple].split(' '), barTicks(metre));
  const groups = groupsOf(metre);
  if (groups.every((size) => size === 3))
    return eventsOf(inThrees(row.threes, groups.length), barTicks(metre));
  return eventsOf(inGroups(row, groups), groups.reduce((sum, size) => sum + size, 0) * unitTicks(metre));
}

/** The last bar of a style that has one of its own in a metre. */
export function closeIn({ close }: Style, metre: Metre): readonly FigureEvent[] | null {
  const simple = SIMPLE[metreName(metre)];
  return close && simple && simple !== 'three' ? eventsOf(close[simple].split(' '), barTicks(metre)) : null;
}

/** Groups of three: two as they are, three with the third, four as two twice, with the second bass. */
function inThrees(text: string, count: number): string[] {
  const groups = text.split('/').map((group) => group.trim().split(' '));
  const found = Array.from({ length: count }, (_, i) => {
    if (count === 3) return groups[Math.min(i, groups.length - 1)];
    const group = groups[i % Math.min(2, groups.length)];
    return i >= 2 && i % 2 === 0 ? group.map((word) => (word === 'B' ? 'b' : word)) : group;
  });
  return found.flat();
}

/** Unequal groups: a bass at each, above it what the row has in threes. */
function inGroups({ threes, two }: FigureRow, groups: readonly number[]): string[] {
  const [head, ...rest] = threes.split('/')[0].trim().split(' ');
  const isBroken = /\d/.test(two) && !two.includes('k');
  return groups.flatMap((size, i) => {
    const bass = i === 0 ? head : head.replace('B', 'b');
    const others = Array.from({ length: size - 1 }, (_, at) =>
      isBroken ? String((at % 2) + 1) : threes.includes('~x') && at > 0 ? '_' : (rest.at(-1) ?? 'x'),
    );
    return [bass, ...others.map((word) => (word === '_' && !threes.includes('~x') ? 'x' : word))];
  });
}

function eventsOf(words: readonly string[], ticks: number): FigureEvent[] {
  const unit = ticks / words.length;
  return words.flatMap((word, i): FigureEvent[] => {
    if (word === '_') return [];
    let count = 1;
    while (words[i + count] === '_') count++;
    const [at, length] = [Math.round(i * unit), Math.round(count * unit)];
    return [{ at, length, ...struckBy(word) }];
  });
}

function struckBy(word: string): Pick<FigureEvent, 'bass' | 'upper' | 'member' | 'holdsBass' | 'closes'> {
  const none = { bass: null, upper: null, member: null, holdsBass: false };
  if (word === 'B+x') return { ...none, bass: 'B', upper: 'all' };
  if (word === '~x') return { ...none, upper: 'all', holdsBass: true };
  if (word === 'C') return { ...none, bass: 'B', closes: true };
  if (word === 'x') return { ...none, upper: 'all' };
  if (word.startsWith('k')) return { ...none, member: Number(word.slice(1)) };
  if (/^\d$/.test(word)) return { ...none, upper: Number(word) };
  return { ...none, bass: word as 'B' | 'b' | 'w' | 'D' };
}
