import type { WantedKey } from './wanted';

/** Strikes on either side by which a player's own tempo is known at one. */
const AROUND = 24;
const FEWEST = 4;
/** A gap so many times longer than the music's is a stop: what comes after it is played at a tempo of its own. */
const STOP = 3;
const STOP_SECONDS = 0.6;

/** A player's own tempo, whatever it was. */
interface OwnTempo {
  /** For each wanted key when it was to come, in seconds of the take; null where too little was played. */
  readonly expected: readonly (number | null)[];
  /** Share of the full tempo at the beginning and at the end; null for too few strikes. */
  readonly share: { readonly from: number; readonly to: number } | null;
}

interface Strike {
  /** Seconds at the full tempo, and of the take. */
  readonly x: number;
  readonly y: number;
  readonly keys: readonly number[];
}

/**
 * The tempo a take was played at, as a curve through its strikes: at each strike a parabola through those around it
 * (least squares), so that a steady and a drifting tempo are both followed and no single stray pulls it. Stretches are
 * those without a new beginning; a stop inside one parts it. `leftAfter`: seconds the left hand comes after the right
 * throughout.
 */
export function tempoOf(
  wanted: readonly WantedKey[],
  segments: readonly (readonly (readonly [wanted: number, seconds: number])[])[],
  leftAfter = 0,
): OwnTempo {
  const expected: (number | null)[] = wanted.map(() => null);
  const slopes: number[] = [];
  for (const stretch of segments.flatMap((segment) => withoutStops(strikesOf(wanted, segment, leftAfter)))) {
    if (stretch.length < FEWEST) continue;
    stretch.forEach(({ x, keys }, at) => {
      const near = stretch.slice(Math.max(0, at - AROUND), at + AROUND + 1);
      const { value, slope } = parabolaAt(near, x);
      slopes.push(slope);
      for (const key of keys) expected[key] = value;
    });
  }
  const share = slopes.length < FEWEST ? null : { from: 1 / slopes[0], to: 1 / slopes[slopes.length - 1] };
  return { expected, share };
}

/** What was struck at one tick is one strike, at the mean of its times. */
function strikesOf(
  wanted: readonly WantedKey[],
  pairs: readonly (readonly [number, number])[],
  leftAfter: number,
): Strike[] {
  const byTick = new Map<number, (readonly [number, number])[]>();
  for (const pair of pairs) {
    const { tick } = wanted[pair[0]];
    byTick.set(tick, [...(byTick.get(tick) ?? []), pair]);
  }
  return [...byTick.values()]
    .map((own) => ({
      x: wanted[own[0][0]].seconds,
      y:
        own.reduce(
          (sum, [key, seconds]) => sum + seconds - (wanted[key].hand === 'left' ? leftAfter : 0),
          0,
        ) / own.length,
      keys: own.map(([key]) => key),
    }))
    .sort((a, b) => a.x - b.x);
}

function withoutStops(strikes: readonly Strike[]): Strike[][] {
  const stretches: Strike[][] = [[]];
  strikes.forEach((strike, i) => {
    const before = strikes[i - 1];
    const gap = before ? strike.y - before.y : 0;
    if (before && gap > STOP_SECONDS && gap > STOP * (strike.x - before.x)) stretches.push([]);
    stretches[stretches.length - 1].push(strike);
  });
  return stretches;
}

/** The parabola that lies nearest to points (least squares; a line for fewer than six), at one x. */
function parabolaAt(
  points: readonly Strike[],
  x: number,
): { readonly value: number; readonly slope: number } {
  let [s1, s2, s3, s4, t0, t1, t2] = [0, 0, 0, 0, 0, 0, 0];
  for (const p of points) {
    const d = p.x - x;
    const square = d * d;
    s1 += d;
    s2 += square;
    s3 += square * d;
    s4 += square * square;
    t0 += p.y;
    t1 += p.y * d;
    t2 += p.y * square;
  }
  const n = points.length;
  const rows =
    n < 6
      ? [
          [n, s1, t0],
          [s1, s2, t1],
        ]
      : [
          [n, s1, s2, t0],
          [s1, s2, s3, t1],
          [s2, s3, s4, t2],
        ];
  const [value, slope] = solved(rows);
  return { value, slope };
}

/** A small system of equations by elimination; each row ends with its right side. */
function solved(rows: number[][]): number[] {
  const size = rows.length;
  for (let i = 0; i < size; i++) {
    const pivot = rows.reduce(
      (best, row, k) => (k >= i && Math.abs(row[i]) > Math.abs(rows[best][i]) ? k : best),
      i,
    );
    [rows[i], rows[pivot]] = [rows[pivot], rows[i]];
    for (let k = 0; k < size; k++) {
      if (k === i || rows[i][i] === 0) continue;
      const by = rows[k][i] / rows[i][i];
      for (let c = i; c <= size; c++) rows[k][c] -= by * rows[i][c];
    }
  }
  return rows.map((row, i) => (row[i] === 0 ? 0 : row[size] / row[i]));
}
