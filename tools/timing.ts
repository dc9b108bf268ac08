import type { Song } from '../core/song';

const RUNS = 7;

/** The median time of some work, in milliseconds; what is made ready for each turn is not counted. */
export function prepared<T>(ready: (turn: number) => T, work: (from: T) => unknown, runs = RUNS): number {
  const times = Array.from({ length: runs }, (_, turn) => {
    const from = ready(turn);
    const start = performance.now();
    work(from);
    return performance.now() - start;
  });
  return times.sort((a, b) => a - b)[runs >> 1];
}

/** The same with nothing to make ready. */
export function median(work: () => unknown): number {
  return prepared(() => null, work);
}

/** A copy each time: what was worked out for the same song is remembered. */
export function copyOf(song: Song): Song {
  return JSON.parse(JSON.stringify(song)) as Song;
}
