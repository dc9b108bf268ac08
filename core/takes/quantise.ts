import { imports, type Phrase } from '../sentences';
import { strikeNumber, TICKS_PER_QUARTER } from '../music';
import { type Fit, fitGrid, type Grid } from './grid';

/** One key as it was played: onset and end in beats (quarters) from the bar line the click began on. */
export interface PlayedKey {
  readonly onset: number;
  readonly end: number;
  readonly midi: number;
}

/** A key put on the grid. */
interface WrittenKey {
  readonly tick: number;
  readonly length: number;
  readonly midi: number;
  /** Beats it was moved: positive, it was late. */
  readonly movedBeats: number;
}

export interface Quantised {
  readonly keys: readonly WrittenKey[];
  /** Grid of the whole take; null when it changes from beat to beat. */
  readonly grid: Grid | null;
  /** Steady lateness that was taken off all of them, in beats. */
  readonly lateBeats: number;
}

/** The usual spread of a player's strikes, in seconds: one standard deviation (about 20 ms for amateurs at ease). */
const PLAYER_SPREAD_SECONDS = 0.02;
/** Strikes this close together are one chord, in seconds. */
const TOGETHER_SECONDS = 0.035;
/** A gap shorter than this share of the way to the next strike is breath, not a rest. */
const BREATH_SHARE = 0.35;
/** Rests shorter than this are not written, in ticks: half a beat. */
const SHORTEST_REST_TICKS = TICKS_PER_QUARTER / 2;

/**
 * Puts what was played on a grid found from it (or the one given). A steady lateness against the click is taken off
 * first. `secondsPerBeat` is the click's.
 */
export function quantise(
  played: readonly PlayedKey[],
  secondsPerBeat: number,
  only: Grid | null = null,
): Quantised {
  if (played.length === 0) return { keys: [], grid: only, lateBeats: 0 };
  const sorted = [...played].sort((a, b) => a.onset - b.onset || a.midi - b.midi);
  const spread = PLAYER_SPREAD_SECONDS / secondsPerBeat;
  const groups = together(sorted, TOGETHER_SECONDS / secondsPerBeat);
  const onsets = groups.map((group) => group.reduce((sum, key) => sum + key.onset, 0) / group.length);
  const first = fitGrid(onsets, spread, only);
  const late = median(onsets.map((onset, i) => onset - first.placed[i].heard));
  // Half a spread off is chance; more is habit or a slow device.
  const lateBeats = Math.abs(late) > spread / 2 ? late : 0;
  const settled = onsets.map((onset) => onset - lateBeats);
  const fit = lateBeats === 0 ? first : fitGrid(settled, spread, only);
  const keys = groups.flatMap((group, i) =>
    group.map((key) => ({
      tick: tickOf(fit.placed[i].written),
      length: lengthOf(key.end - lateBeats, fit, settled, i),
      midi: key.midi,
      movedBeats: settled[i] - fit.placed[i].heard,
    })),
  );
  return { keys: withoutDoubles(keys), grid: fit.grid, lateBeats };
}

function together(sorted: readonly PlayedKey[], within: number): PlayedKey[][] {
  const groups: PlayedKey[][] = [];
  for (const key of sorted) {
    const last = groups[groups.length - 1];
    if (last && key.onset - last[0].onset <= within) last.push(key);
    else groups.push([key]);
  }
  return groups;
}

/** Held to the place of the grid nearest the letting go, at least one place long. */
function lengthOf(end: number, fit: Fit, onsets: readonly number[], i: number): number {
  const start = fit.placed[i].written;
  const held = Math.max(0.05, end - onsets[i]);
  const shortest = shortestOf(fit.byBeat.get(Math.floor(onsets[i])) ?? 'eighths');
  return tickOf(start + Math.max(shortest, Math.round(held / shortest) * shortest)) - tickOf(start);
}

function shortestOf(grid: Grid): number {
  return { beat: 1, eighths: 0.5, swing: 0.5, triplets: 1 / 3, sixteenths: 0.25 }[grid];
}

/** One key struck twice on the same place is written once, as the longer. */
function withoutDoubles(keys: readonly WrittenKey[]): WrittenKey[] {
  const byPlace = new Map<number, WrittenKey>();
  for (const key of keys) {
    const place = strikeNumber(key);
    const other = byPlace.get(place);
    if (!other || other.length < key.length) byPlace.set(place, key);
  }
  return [...byPlace.values()];
}

function tickOf(beats: number): number {
  return Math.round(beats * TICKS_PER_QUARTER);
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[sorted.length >> 1];
}

/** The top line of what was played: of keys struck together the highest, each held no longer than to the next. */
export function topLine<T extends { readonly tick: number; readonly length: number; readonly midi: number }>(
  keys: readonly T[],
): T[] {
  const sorted = [...keys].sort((a, b) => a.tick - b.tick || b.midi - a.midi);
  const line = sorted.filter((key, i) => i === 0 || key.tick !== sorted[i - 1].tick);
  return line.map((key, i) => {
    const next = line[i + 1];
    return next && key.tick + key.length > next.tick ? { ...key, length: next.tick - key.tick } : key;
  });
}

/** A line in which a mere breath between two notes is filled by the first; real rests stay. */
export function withoutBreaths<T extends { readonly tick: number; readonly length: number }>(
  line: readonly T[],
  shortestRest = SHORTEST_REST_TICKS,
  breathShare = BREATH_SHARE,
): T[] {
  return line.map((key, i) => {
    const next = line[i + 1];
    if (!next) return key;
    const [gap, step] = [next.tick - key.tick - key.length, next.tick - key.tick];
    return gap > 0 && (gap < shortestRest || gap < breathShare * step) ? { ...key, length: step } : key;
  });
}

/** How far the notes were moved, in words: "on average 12 ms, at most 41 ms". */
export function movedSaid({ keys }: Quantised, secondsPerBeat: number): Phrase {
  if (keys.length === 0) return imports.nothingPlayed();
  const moved = keys.map((key) => Math.abs(key.movedBeats) * secondsPerBeat * 1000);
  const mean = moved.reduce((sum, ms) => sum + ms, 0) / moved.length;
  const most = Math.max(...moved);
  return most < 1 ? imports.nothingMoved() : imports.movedBy(Math.round(mean), Math.round(most));
}
