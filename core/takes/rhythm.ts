/** A strike of one hand, in seconds from the first. */
export interface Stroke {
  readonly hand: 'right' | 'left';
  readonly seconds: number;
}

/** A strike that was wanted and what became of it. */
interface JudgedStroke<T extends Stroke> {
  readonly wanted: T;
  /** Seconds it came late, less than 0 early; null where it was missed. */
  readonly late: number | null;
}

/** How a rhythm was tapped. */
export interface JudgedRhythm<T extends Stroke> {
  /** In the order they were wanted. */
  readonly strokes: readonly JudgedStroke<T>[];
  /** Taps nothing was wanted for. */
  readonly extra: readonly Stroke[];
  /** Mean of the seconds each hand came late; null where it struck nothing that was wanted. */
  readonly meanLate: Readonly<Record<Stroke['hand'], number | null>>;
  /** Mean of the seconds the hands were apart where both were wanted at once; null where they never met. */
  readonly apart: number | null;
}

/** A tap further than this from what was wanted is no tap for it, in seconds. */
export const WINDOW_SECONDS = 0.35;
/** Strikes wanted within this of one another are wanted together. */
const TOGETHER_SECONDS = 0.005;

/**
 * Taps laid against the strikes wanted, each hand by itself and in order: so that the fewest are missed or over, and of
 * those ways the one in which the taps come nearest. Dynamic programming over both rows.
 */
export function judgeRhythm<T extends Stroke>(
  wanted: readonly T[],
  taps: readonly Stroke[],
): JudgedRhythm<T> {
  const found = new Map<T, number>();
  const used = new Set<Stroke>();
  for (const hand of ['right', 'left'] as const) {
    const own = wanted.filter((stroke) => stroke.hand === hand);
    const tapped = taps.filter((tap) => tap.hand === hand).sort((a, b) => a.seconds - b.seconds);
    for (const [i, j] of laidAgainst(own, tapped)) {
      found.set(own[i], tapped[j].seconds - own[i].seconds);
      used.add(tapped[j]);
    }
  }
  const strokes = wanted.map((stroke) => ({ wanted: stroke, late: found.get(stroke) ?? null }));
  return {
    strokes,
    extra: taps.filter((tap) => !used.has(tap)),
    meanLate: { right: mean(latesOf(strokes, 'right')), left: mean(latesOf(strokes, 'left')) },
    apart: mean(apartAtMeetings(strokes)),
  };
}

function latesOf(strokes: readonly JudgedStroke<Stroke>[], hand: Stroke['hand']): number[] {
  return strokes.flatMap(({ wanted, late }) => (wanted.hand === hand && late !== null ? [late] : []));
}

function apartAtMeetings(strokes: readonly JudgedStroke<Stroke>[]): number[] {
  const left = strokes.filter(({ wanted }) => wanted.hand === 'left');
  return strokes.flatMap(({ wanted, late }) => {
    if (wanted.hand !== 'right' || late === null) return [];
    const other = left.find((l) => Math.abs(l.wanted.seconds - wanted.seconds) <= TOGETHER_SECONDS);
    return other && other.late !== null ? [Math.abs(late - other.late)] : [];
  });
}

function mean(values: readonly number[]): number | null {
  return values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length;
}

/** What a strike left without a tap, or a tap without a strike, costs beside being a window away. */
const LEFT_OVER = WINDOW_SECONDS;

/** Pairs of indices of what is wanted and what was tapped, in order. */
function laidAgainst(wanted: readonly Stroke[], taps: readonly Stroke[]): [number, number][] {
  // cost[i][j]: the best for the first i wanted and the first j taps.
  const cost = Array.from({ length: wanted.length + 1 }, () => new Float64Array(taps.length + 1));
  for (let i = 0; i <= wanted.length; i++)
    for (let j = 0; j <= taps.length; j++) {
      if (i === 0 || j === 0) cost[i][j] = (i + j) * LEFT_OVER;
      else cost[i][j] = Math.min(pairedCost(i, j), cost[i - 1][j] + LEFT_OVER, cost[i][j - 1] + LEFT_OVER);
    }
  function pairedCost(i: number, j: number): number {
    const off = Math.abs(taps[j - 1].seconds - wanted[i - 1].seconds);
    return off > WINDOW_SECONDS ? Infinity : cost[i - 1][j - 1] + off;
  }
  const pairs: [number, number][] = [];
  let [i, j] = [wanted.length, taps.length];
  while (i > 0 && j > 0) {
    if (cost[i][j] === pairedCost(i, j)) pairs.unshift([--i, --j]);
    else if (cost[i][j] === cost[i - 1][j] + LEFT_OVER) i--;
    else j--;
  }
  return pairs;
}
