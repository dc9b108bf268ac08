import { Memory } from '../memory';
import { divides, type Phrase } from '../sentences';
import { type Division, type PlayedSong } from '../song';
import { divide, type ProposedCut, SONG_BEGINS } from './divide';
import type { Boundary } from './boundary';
import { barsBetween, boundariesOf, upbeatOf } from './strength';

/** How a song may be cut, for the pianist to choose from. */
export const METHODS = [
  { method: 'phrase', name: 'By phrase', says: 'where the tune breathes' },
  { method: 'types', name: 'Every two bars', says: 'two bars a part; matching parts share a letter' },
  { method: 'bars', name: 'Every few bars', says: 'a fixed number of bars' },
  { method: 'halves', name: 'Halves', says: 'halves, then quarters, then eighths' },
  { method: 'lines', name: 'By line of words', says: 'one line of the words a part' },
] as const;

/**
 * The cuts a method proposes, the first at 0, in time; `locked` places are always among them. A method that finds
 * nothing to go by (no words, say) cuts by phrase.
 */
export function propose(
  played: PlayedSong,
  { method, bars, depth }: Division,
  locked: readonly number[] = [],
  memory = new Memory(),
): readonly ProposedCut[] {
  switch (method) {
    case 'bars':
      return withLocked(played, divideEvery(played, bars, locked), locked);
    case 'types':
      return withLocked(played, divideEvery(played, 2, locked), locked);
    case 'halves':
      return withLocked(played, divideInHalves(played, depth, memory), locked);
    case 'lines': {
      const lines = divideByLines(played, memory);
      return lines.length > 1 ? withLocked(played, lines, locked) : divide(played, locked, memory);
    }
    default:
      return divide(played, locked, memory);
  }
}

/**
 * Cuts every so many bars, counted anew from each locked cut; in a song with a pick-up each cut lies as far before
 * the bar line as the pick-up, where a note begins there.
 */
export function divideEvery(played: PlayedSong, bars: number, locked: readonly number[] = []): readonly ProposedCut[] {
  const upbeat = upbeatOf(played);
  const onsets = new Set(played.melody.map((note) => note.tick));
  let since = 0;
  const cuts = played.bars.flatMap((bar): readonly ProposedCut[] => {
    if (bar.number < 1) return [];
    if (locked.some((tick) => tick > bar.tick - bar.length && tick <= bar.tick)) since = 0;
    if (since++ % bars !== 0 || bar.number === 1) return [];
    const early = bar.tick - upbeat;
    return [{ tick: onsets.has(early) ? early : bar.tick, strength: 0, reasons: [divides.everyBars(bars)] }];
  });
  return [SONG_BEGINS, ...cuts];
}

/** How far (hundredths of a bar) from its middle a stretch may be halved at a stronger boundary. */
const FROM_MIDDLE = 250;
const SHORTEST_HALF = 100;

/** Halves (depth 1), quarters, eighths: each stretch is halved at the boundary that is strong and near its middle. */
function divideInHalves(played: PlayedSong, depth: number, memory: Memory): readonly ProposedCut[] {
  const all = boundariesOf(played, memory);
  let stretches: [number, number][] = [[0, played.endTick]];
  let cuts: readonly ProposedCut[] = [SONG_BEGINS];
  for (let at = 1; at <= depth; at++) {
    stretches = stretches.flatMap(([from, to]): [number, number][] => {
      const middle = middleOf(played, all, from, to);
      if (!middle) return [[from, to]];
      cuts = [...cuts, { ...middle, reasons: [divides.shareComplete(at as 1 | 2 | 3), ...middle.reasons] }];
      return [
        [from, middle.tick],
        [middle.tick, to],
      ];
    });
  }
  return [...cuts].sort((a, b) => a.tick - b.tick);
}

function middleOf(played: PlayedSong, all: readonly Boundary[], from: number, to: number): Boundary | null {
  const half = (from + to) / 2;
  const away = (b: Boundary): number =>
    Math.abs(barsBetween(played, 0, b.tick) - barsBetween(played, 0, half));
  const inside = all.filter(
    (b) =>
      barsBetween(played, from, b.tick) >= SHORTEST_HALF &&
      barsBetween(played, b.tick, to) >= SHORTEST_HALF &&
      away(b) <= FROM_MIDDLE,
  );
  const worth = (b: Boundary): number => b.strength * 100 - 2 * away(b);
  return inside.reduce<Boundary | null>((best, b) => (!best || worth(b) > worth(best) ? b : best), null);
}

const OF_LINES: readonly Phrase['code'][] = ['lineEnds', 'lineBegins', 'sectionBegins'];

/** One part for each line of the words: where punctuation ends one or a capital begins one. */
function divideByLines(played: PlayedSong, memory: Memory): readonly ProposedCut[] {
  const hasWords = played.melody.some((note) => note.lyric !== null);
  if (!hasWords) return [SONG_BEGINS];
  const lines = boundariesOf(played, memory).filter((b) => b.reasons.some((r) => OF_LINES.includes(r.code)));
  return [SONG_BEGINS, ...lines.filter((b) => b.tick > 0)];
}

/** Locked cuts take the place of proposed ones less than a bar away. */
function withLocked(
  played: PlayedSong,
  cuts: readonly ProposedCut[],
  locked: readonly number[],
): readonly ProposedCut[] {
  const near = (tick: number): boolean =>
    tick > 0 && locked.some((l) => Math.abs(barsBetween(played, 0, tick) - barsBetween(played, 0, l)) < 100);
  const own = locked.map((tick) => ({ tick, strength: 0, reasons: [divides.lockedCut()] }));
  return [...cuts.filter((cut) => !near(cut.tick)), ...own.filter((cut) => cut.tick > 0)].sort(
    (a, b) => a.tick - b.tick,
  );
}
