import type { KeyEvent } from '../takes';
import type { Alignment, Struck } from './alignment';
import { inOrder, isNear } from './outOfOrder';
import type { WantedKey } from './wanted';

/** Another key for one wanted; one passed over; one too many; beginning again somewhere before. */
const COST = { wrong: 1.5, far: 1.95, missed: 1, extra: 1.05, restart: 3.2, restartAfterPause: 1.6 } as const;
/** How many keys back one may begin again; what costs so much more than the best is too dear to matter, and so many keys past it. */
const BACK = 400;
const TOO_DEAR = 14;
const AHEAD = 30;
/** So long without a key, in seconds: who begins again takes a breath. */
const PAUSE_SECONDS = 0.8;
/** What a second away from where it was wanted counts, and the most: a right key is believed sooner than a wrong one. */
const AWAY = { right: { second: 0.6, most: 0.25 }, wrong: { second: 5, most: 1 } } as const;
/**
 * Lays the keys struck against those wanted: fewest wrong, missed and extra keys, and fewest new beginnings (dynamic
 * programming over both rows). Tempo plays no part, so that any steady or drifting one will do. Keys struck together in
 * another order are found again afterwards. Memory grows with the product of both: ten minutes are 72 MB for a moment.
 */
export function align(wanted: readonly WantedKey[], struck: readonly KeyEvent[]): Alignment {
  const order = fromBelow(struck);
  const { struck: found, ...rest } = laid(
    wanted,
    order.map((at) => struck[at]),
  );
  const inTime = found.map((s) => ({ ...s, played: order[s.played] })).sort((a, b) => a.played - b.played);
  return {
    ...rest,
    struck: inTime,
    restarts: rest.restarts.map((r) => ({ ...r, played: order[r.played] })),
  };
}

/** Keys struck within this of one another, in seconds, are one chord: laid from the lowest up, as they are wanted. */
const TOGETHER = 0.04;

/** Indices of keys struck, those of one chord from below. */
function fromBelow(struck: readonly KeyEvent[]): number[] {
  const order: number[] = [];
  for (let from = 0; from < struck.length;) {
    let to = from + 1;
    while (to < struck.length && struck[to].seconds - struck[to - 1].seconds < TOGETHER) to++;
    const chord = Array.from({ length: to - from }, (_, i) => from + i);
    order.push(...chord.sort((a, b) => struck[a].midi - struck[b].midi));
    from = to;
  }
  return order;
}

function laid(wanted: readonly WantedKey[], struck: readonly KeyEvent[]): Alignment {
  const [n, m] = [struck.length, wanted.length];
  if (n === 0 || m === 0)
    return {
      struck: struck.map((_, played) => ({ played, wanted: null, kind: 'extra' })),
      missed: wanted.map((_, i) => i),
      restarts: [],
    };
  const lay = (positions: Float32Array | null, mayRestart: boolean): Alignment =>
    inOrder(layOnce(wanted, struck, positions, mayRestart), wanted, struck);
  // Once it is known about where in the music each key was struck, time tells a wrong key from one missed and one too many.
  const twice = (mayRestart: boolean): Alignment =>
    lay(positionsOf(lay(null, mayRestart), wanted, struck), mayRestart);
  const found = twice(true);
  if (found.restarts.length === 0) return found;
  // Keys of two hands that came in another order look like a new beginning until they are put in order.
  const straight = twice(false);
  return priceOfAll(straight) <= priceOfAll(found) ? straight : found;
}

/** What is wrong in a laying, all together. */
function priceOfAll({ struck, missed, restarts }: Alignment): number {
  const count = (kind: Struck['kind']): number => struck.filter((one) => one.kind === kind).length;
  return (
    COST.wrong * count('wrong') +
    COST.extra * count('extra') +
    COST.missed * missed.length +
    COST.restart * restarts.length
  );
}

/** One laying, the cheapest there is; `positions` say about where in the music each key was struck, null: nothing is known. */
export function layOnce(
  wanted: readonly WantedKey[],
  struck: readonly KeyEvent[],
  positions: Float32Array | null,
  mayRestart = true,
): Alignment {
  const { steps, jumps, end } = solve(wanted, struck, positions, mayRestart);
  return walkBack(wanted, struck, steps, jumps, end);
}

/** Right keys on either side by which it is known where in the music a key was struck. */
const AROUND = 4;

/** Where in the music, in seconds at the full tempo, each key was struck: a line through the right keys around it; NaN where there are too few. */
function positionsOf(
  { struck, restarts }: Alignment,
  wanted: readonly WantedKey[],
  played: readonly KeyEvent[],
): Float32Array {
  const positions = new Float32Array(played.length).fill(Number.NaN);
  const begins = new Set(restarts.map((r) => r.played));
  const stretches: Struck[][] = [[]];
  for (const s of [...struck].sort((a, b) => a.played - b.played)) {
    if (begins.has(s.played)) stretches.push([]);
    stretches[stretches.length - 1].push(s);
  }
  for (const stretch of stretches) {
    const right = stretch.filter(({ kind }) => kind === 'right');
    let next = 0;
    for (const { played: j } of stretch) {
      while (next < right.length && right[next].played < j) next++;
      const near = [
        ...right.slice(Math.max(0, next - AROUND), next),
        ...right.slice(next, next + AROUND + 1).filter((r) => r.played !== j),
      ];
      positions[j] = lineAt(
        near.map((r) => [played[r.played].seconds, wanted[r.wanted ?? 0].seconds]),
        played[j].seconds,
      );
    }
  }
  return positions;
}

/** The line nearest to points (least squares), at one x; NaN for fewer than three, or all at one place. */
function lineAt(points: readonly (readonly [x: number, y: number])[], x: number): number {
  const n = points.length;
  if (n < 3) return Number.NaN;
  const [mx, my] = [0, 1].map((at) => points.reduce((sum, p) => sum + p[at], 0) / n);
  const over = points.reduce((sum, p) => sum + (p[0] - mx) ** 2, 0);
  if (over < 1e-6) return Number.NaN;
  return my + (points.reduce((sum, p) => sum + (p[0] - mx) * (p[1] - my), 0) / over) * (x - mx);
}

/** How a cell was reached: 1 the key fits or is wrong, 2 passed over, 3 extra, 4 a new beginning just before. */
type Steps = Uint8Array;

function solve(
  wanted: readonly WantedKey[],
  struck: readonly KeyEvent[],
  positions: Float32Array | null,
  mayRestart: boolean,
): { readonly steps: Steps; readonly jumps: Int32Array; readonly end: number } {
  const [n, m] = [struck.length, wanted.length];
  const width = m + 1;
  const keys = Int16Array.from(wanted, ({ midi }) => midi);
  const times = Float32Array.from(wanted, ({ seconds }) => seconds);
  const steps = new Uint8Array((n + 1) * width);
  /** For each key struck: from where the music was left to begin again before it, per place it is begun at. */
  const jumps = new Int32Array(n + 1);
  let before = new Float32Array(width);
  let now = new Float32Array(width);
  for (let i = 1; i <= m; i++) {
    before[i] = before[i - 1] + COST.missed;
    steps[i] = 2;
  }
  let [from, to] = [0, m];
  for (let j = 1; j <= n; j++) {
    const midi = struck[j - 1].midi;
    const row = j * width;
    const position = positions ? positions[j - 1] : Number.NaN;
    const isPlaced = position === position;
    // The best place to have been left: beginning again from anywhere costs the same.
    let least = from;
    for (let i = from; i <= to; i++) if (before[i] <= before[least]) least = i;
    jumps[j] = least;
    // What lies farther off is too dear to matter: the row grows with the take, not with the piece.
    let last = to;
    while (last > least && before[last] > before[least] + TOO_DEAR) last--;
    from = Math.max(0, least - BACK);
    to = Math.min(m, last + AHEAD);
    now.fill(Infinity);
    const rests = j > 1 && struck[j - 1].seconds - struck[j - 2].seconds > PAUSE_SECONDS;
    const price = rests ? COST.restartAfterPause : COST.restart;
    const again = mayRestart ? before[least] + price : Infinity;
    if (from === 0) {
      now[0] = before[0] + COST.extra;
      steps[row] = 3;
    }
    for (let i = Math.max(1, from); i <= to; i++) {
      const off = midi - keys[i - 1];
      const away = isPlaced ? Math.abs(position - times[i - 1]) : 0;
      let best = before[i - 1] + priceOf(off, away);
      let step = 1;
      const extra = before[i] + COST.extra;
      if (extra < best) {
        best = extra;
        step = 3;
      }
      const missed = now[i - 1] + COST.missed;
      if (missed < best) {
        best = missed;
        step = 2;
      }
      // Only backwards, and on a key that is right: nobody begins again on a wrong one.
      if (off === 0 && i <= least && again < best) {
        best = again;
        step = 4;
      }
      now[i] = best;
      steps[row + i] = step;
    }
    const spare = before;
    before = now;
    now = spare;
  }
  let end = to;
  // What was not reached was not missed: the player stopped.
  for (let i = to; i >= from; i--) if (before[i] < before[end]) end = i;
  return { steps, jumps, end };
}

/** What a key costs that is so many half steps off, struck so many seconds away from where it was wanted. */
function priceOf(off: number, away: number): number {
  if (off === 0) return away === 0 ? 0 : Math.min(AWAY.right.most, away * AWAY.right.second);
  return (
    (isNear(off) ? COST.wrong : COST.far) +
    (away === 0 ? 0 : Math.min(AWAY.wrong.most, away * AWAY.wrong.second))
  );
}

function walkBack(
  wanted: readonly WantedKey[],
  played: readonly KeyEvent[],
  steps: Steps,
  jumps: Int32Array,
  end: number,
): Alignment {
  const width = wanted.length + 1;
  const struck: Struck[] = [];
  const missed: number[] = [];
  const restarts: { played: number; wanted: number }[] = [];
  let [i, j] = [end, played.length];
  while (j > 0 || i > 0) {
    switch (steps[j * width + i]) {
      case 1:
        struck.push({
          played: j - 1,
          wanted: i - 1,
          kind: played[j - 1].midi === wanted[i - 1].midi ? 'right' : 'wrong',
        });
        i--;
        j--;
        break;
      case 2:
        missed.push(i - 1);
        i--;
        break;
      case 4:
        struck.push({ played: j - 1, wanted: i - 1, kind: 'right' });
        restarts.push({ played: j - 1, wanted: i - 1 });
        i = jumps[j];
        j--;
        break;
      default:
        struck.push({ played: j - 1, wanted: null, kind: 'extra' });
        j--;
    }
  }
  return { struck: struck.reverse(), missed: missed.reverse(), restarts: restarts.reverse() };
}
