/** One of a row of pieces that are put on lines or pages: none is ever broken. */
export interface Piece {
  readonly size: number;
  /** Room before it, left out where it is the first. */
  readonly before: number;
  /** What it costs that a line ends before it; 1: as much as an empty line. */
  readonly cost?: number;
}

/**
 * Puts pieces in order on as few lines as hold them, those filled as evenly as they can be: the squares of what is left
 * empty, and the costs of the breaks, are least. A piece that is larger than a line has one to itself.
 *
 * @returns how many pieces each line has.
 */
export function brokenEvenly(pieces: readonly Piece[], limit: number): number[] {
  const best: { lines: number; cost: number; from: number }[] = [{ lines: 0, cost: 0, from: 0 }];
  for (let to = 1; to <= pieces.length; to++) {
    let filled = 0;
    for (let from = to - 1; from >= 0; from--) {
      filled += pieces[from].size + (from + 1 < to ? pieces[from + 1].before : 0);
      if (filled > limit && from < to - 1) break;
      const before = best[from];
      const empty = Math.max(0, 1 - filled / limit);
      const cost = before.cost + empty ** 2 + (from > 0 ? (pieces[from].cost ?? 0) : 0);
      const lines = before.lines + 1;
      const known = best[to];
      // Of breaks that cost the same, those that leave the last line shortest.
      if (!known || lines < known.lines || (lines === known.lines && cost < known.cost - 1e-9))
        best[to] = { lines, cost, from };
    }
  }
  const counts: number[] = [];
  for (let to = pieces.length; to > 0; to = best[to].from) counts.unshift(to - best[to].from);
  return counts;
}
