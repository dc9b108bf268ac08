import { medianOf } from './median';
import type { WantedKey } from './wanted';

/** Beats on either side by whose strikes a player's own tempo is known at one, and the fewest strikes for it. */
const AROUND_BEATS = 2;
const FEWEST = 4;
/** So many of them, the nearest, tell where the line stands. */
const NEAREST = 5;
/** So many strikes on either side tell how far a line is off where the tempo bends. Source: twicing (Tukey). */
const BESIDE = 2;
/** So little, in seconds, is how strikes stray, and no bend. */
const STRAY = 0.03;
/** A gap longer than the running tempo has it by so many seconds, or such a share of it, is a stop: what comes after is played at a tempo of its own. */
const STOP_SECONDS = 0.35;
const STOP_SHARE = 0.35;
/** The running tempo is that of so many gaps; before, a gap so many times longer than the music's is a stop. */
const GAPS = 8;
const STOP_AT_FIRST = 3;

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
 * The tempo a take was played at: at each strike a line through those of two beats around it, itself left out, by medians,
 * so that a drifting tempo is followed and no stray pulls it; corrected where the tempo bends by how far the strikes beside it are off their own lines.
 * Stretches are those without a new beginning; a stop inside one parts it. `leftAfter`: seconds the left hand comes after the right throughout. Source: repeated medians (Siegel).
 */
export function tempoOf(
  wanted: readonly WantedKey[],
  segments: readonly (readonly (readonly [wanted: number, seconds: number])[])[],
  beatSeconds: number,
  leftAfter = 0,
): OwnTempo {
  const expected: (number | null)[] = wanted.map(() => null);
  const slopes: number[] = [];
  for (const stretch of segments.flatMap((segment) => withoutStops(strikesOf(wanted, segment, leftAfter)))) {
    if (stretch.length < FEWEST) continue;
    const lines = stretch.map(({ x }, at) => lineAt(around(stretch, at, AROUND_BEATS * beatSeconds), x));
    slopes.push(...lines.map(({ slope }) => slope));
    const off = stretch.map(({ y }, at) => y - lines[at].value);
    stretch.forEach(({ keys }, at) => {
      const value = lines[at].value + bendAt(off, at);
      for (const key of keys) expected[key] = value;
    });
  }
  const share = slopes.length < FEWEST ? null : { from: 1 / slopes[0], to: 1 / slopes[slopes.length - 1] };
  return { expected, share };
}

/** How far a line is off at one strike because the tempo bends there: as far as those beside it are off theirs. At the ends nothing tells it. */
function bendAt(off: readonly number[], at: number): number {
  const beside = [...off.slice(Math.max(0, at - BESIDE), at), ...off.slice(at + 1, at + 1 + BESIDE)];
  if (beside.length < 2 * BESIDE) return 0;
  const bend = medianOf(beside);
  return Math.sign(bend) * Math.max(0, Math.abs(bend) - STRAY);
}

/** The strikes around one, itself left out: those within so many seconds of the music, and the nearest where they are few. */
function around(stretch: readonly Strike[], at: number, seconds: number): readonly Strike[] {
  let [from, to] = [at, at + 1];
  const { x } = stretch[at];
  while (from > 0 && x - stretch[from - 1].x <= seconds) from--;
  while (to < stretch.length && stretch[to].x - x <= seconds) to++;
  while (to - from <= FEWEST && to - from < stretch.length) {
    const isBefore = to === stretch.length || (from > 0 && x - stretch[from - 1].x < stretch[to].x - x);
    if (isBefore) from--;
    else to++;
  }
  return [...stretch.slice(from, at), ...stretch.slice(at + 1, to)];
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
  const stretches: Strike[][] = [];
  let running: number[] = [];
  strikes.forEach((strike, i) => {
    const before = strikes[i - 1];
    const [music, gap] = before ? [strike.x - before.x, strike.y - before.y] : [0, 0];
    const then = running.length < 2 ? STOP_AT_FIRST * music : medianOf(running) * music;
    const beyond = running.length < 2 ? STOP_SECONDS : Math.max(STOP_SECONDS, STOP_SHARE * then);
    if (!before || gap > then + beyond) {
      stretches.push([strike]);
      running = [];
    } else {
      stretches[stretches.length - 1].push(strike);
      running = [...running, gap / music].slice(-GAPS);
    }
  });
  return stretches;
}

/** The line through points by repeated medians, at one x. */
function lineAt(points: readonly Strike[], x: number): { readonly value: number; readonly slope: number } {
  const slope = medianOf(
    points.map((one) =>
      medianOf(points.flatMap((other) => (other === one ? [] : [(other.y - one.y) / (other.x - one.x)]))),
    ),
  );
  // Where the line stands is told by the strikes next to it: those further off lie on a bent line.
  const near = [...points].sort((a, b) => Math.abs(a.x - x) - Math.abs(b.x - x)).slice(0, NEAREST);
  return { value: medianOf(near.map((one) => one.y - slope * (one.x - x))), slope };
}
