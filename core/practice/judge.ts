import type { Hand } from '../hands';
import type { KeyEvent } from '../takes';
import { align } from './align';
import type { Alignment } from './alignment';
import type { Goal } from './goal';
import { medianOf } from './median';
import { tempoOf } from './tempo';
import type { WantedKey } from './wanted';

/** A key that was wanted and how it was played. */
export interface JudgedKey {
  readonly wanted: WantedKey;
  /**
   * "late" and "early" beyond what is heard as together; "not reached": the player stopped before; "not heard": the
   * microphone did not hear it, struck or not.
   */
  readonly how: 'right' | 'wrong' | 'missed' | 'late' | 'early' | 'not-reached' | 'not-heard';
  /** Seconds after (before: less than 0) where the player's own tempo puts it; null where it was not played. */
  readonly late: number | null;
  /** How hard it was struck, 1 … 127; null where it was not, or a microphone heard it. */
  readonly force: number | null;
  /** The key that was struck in its place, where it is wrong. */
  readonly struck?: number;
}

/** A take judged. */
export interface Judgement {
  readonly keys: readonly JudgedKey[];
  /** Keys nothing was wanted for, with the tick they came at. */
  readonly extra: readonly { readonly tick: number; readonly midi: number }[];
  /** Ticks at which the player began again. */
  readonly restarts: readonly number[];
  /** Median of the seconds the left hand came after the right where both were wanted at once; null where they never met. */
  readonly apart: number | null;
  /** Standard deviation of the strikes from the player's own tempo, in seconds; null for too few. */
  readonly unevenness: number | null;
  /** Share of the full tempo, at the beginning and at the end; null for too few strikes. */
  readonly tempo: { readonly from: number; readonly to: number } | null;
  /** Mean force of each hand, 1 … 127; null where it did not play. */
  readonly force: Readonly<Record<Hand, number | null>>;
  /** Keys right and in time, of all that were wanted, reached or not, 0 … 1. */
  readonly cleanShare: number;
  /** Whether a microphone heard it. */
  readonly bySound: boolean;
}

/**
 * Whether a take is a clean turn: to the end, without stopping, enough keys right and in time, of those wanted and those too
 * many. Of what a microphone heard only wrong keys count against it: what it did not hear may have been struck, and it hears
 * all keys of a strike at one time.
 */
export function isCleanTurn({ keys, extra, restarts, bySound }: Judgement, { cleanFrom }: Goal): boolean {
  const isWhole = keys.every(({ how }) => how !== 'not-reached') && restarts.length === 0;
  const heard = keys.filter(({ how }) => how !== 'not-heard').length;
  const wrong = keys.filter(({ how }) => how === 'wrong').length;
  const clean = bySound ? heard - wrong : rightOf(keys);
  return isWhole && heard > 0 && clean >= cleanFrom * (heard + extra.length);
}

/** Of fewer of the keys nothing can be said; where more are wrong it was something else that was heard. */
const [HEARD_ENOUGH, TOO_WRONG] = [0.6, 0.25];

/** Whether a take of so many keys that a microphone heard can be judged at all: enough of it was heard, and it was this. */
export function isHeardEnough({ keys }: Judgement, struck: number): boolean {
  const heard = keys.filter(({ how }) => how !== 'not-heard' && how !== 'not-reached');
  const all = keys.filter(({ how }) => how !== 'not-reached').length;
  const wrong = heard.filter(({ how }) => how === 'wrong').length;
  const isEnough = heard.length > 0 && heard.length >= HEARD_ENOUGH * Math.max(all, struck);
  return isEnough && wrong <= TOO_WRONG * heard.length;
}

/** How many keys were right and in time. */
export function rightOf(keys: readonly JudgedKey[]): number {
  return keys.filter(({ how }) => how === 'right').length;
}

/**
 * A strike is off that stands out of the take: never below so many seconds, and always from so much of a beat on. Who plays
 * freely is told of less than who plays evenly.
 */
const OFF_BEAT = 0.25;
const OFF_SECONDS = 0.05;
/** Heard through a room a strike is not told so exactly. */
const OFF_SECONDS_BY_SOUND = 0.09;
/** So many times what half of the strikes stay within. */
const STANDS_OUT = 4;

/**
 * Judges a take: `struck` are keys going down and up in time, `beatSeconds` a beat at the full tempo. Keys that come from a
 * microphone, `bySound`, are not all there are: what is missing was not heard, and nothing is too many. How hard they were
 * struck, and whether one hand came before the other, is not heard either.
 */
export function judgeTake(
  wanted: readonly WantedKey[],
  struck: readonly KeyEvent[],
  beatSeconds: number,
  bySound = false,
): Judgement {
  const downs = struck.filter(({ velocity }) => velocity > 0);
  const alignment = align(wanted, downs);
  const times = timesOf(alignment, wanted, downs);
  const tempo = tempoOf(wanted, times.segments, beatSeconds, handOffset(wanted, times, beatSeconds));
  const lateAt = (i: number): number | null => {
    const at = times.last[i];
    const expected = tempo.expected[i];
    return at === null || expected === null ? null : at - expected;
  };
  const strays = wanted.flatMap((_, i) => Math.abs(lateAt(i) ?? NaN)).filter(Number.isFinite);
  const least = bySound ? OFF_SECONDS_BY_SOUND : OFF_SECONDS;
  const off = Math.min(Math.max(least, STANDS_OUT * medianOf(strays)), OFF_BEAT * beatSeconds);
  const reached = Math.max(-1, ...times.last.flatMap((at, i) => (at === null ? [] : [i])));
  // A key left out of the last chord is missed: the chord was reached.
  const lastTick = wanted[reached]?.tick ?? -Infinity;
  const keys = wanted.map((key, i): JudgedKey => {
    const late = lateAt(i);
    if (times.last[i] === null) {
      const passed = bySound ? 'not-heard' : 'missed';
      return { wanted: key, how: key.tick > lastTick ? 'not-reached' : passed, late: null, force: null };
    }
    const how = late !== null && late > off ? 'late' : late !== null && late < -off ? 'early' : 'right';
    const struckInstead = times.wrong[i];
    const force = bySound ? null : times.force[i];
    if (struckInstead !== null) return { wanted: key, how: 'wrong', late, force, struck: struckInstead };
    return { wanted: key, how, late, force };
  });
  const lates = keys.flatMap(({ late }) => (late === null ? [] : [late]));
  return {
    keys,
    extra: bySound ? [] : extrasOf(alignment, wanted, downs),
    restarts: alignment.restarts.map(({ wanted: at }) => wanted[at].tick),
    apart: bySound ? null : apartOf(wanted, times.last),
    unevenness: lates.length < 4 ? null : Math.sqrt(lates.reduce((sum, x) => sum + x * x, 0) / lates.length),
    tempo: tempo.share,
    force: { right: forceOf(keys, 'right'), left: forceOf(keys, 'left') },
    cleanShare: rightOf(keys) / Math.max(1, keys.length),
    bySound,
  };
}

/** Seconds by which the left hand comes after the right throughout: taken off before the tempo is followed, so that it does not bend it. */
function handOffset(wanted: readonly WantedKey[], { last, segments }: Times, beatSeconds: number): number {
  let offset = 0;
  for (let round = 0; round < 2; round++) {
    const { expected } = tempoOf(wanted, segments, beatSeconds, offset);
    const off = (hand: Hand): number[] =>
      wanted.flatMap((key, i) => {
        const [at, then] = [last[i], expected[i]];
        return key.hand === hand && at !== null && then !== null ? [at - then] : [];
      });
    const [right, left] = [off('right'), off('left')];
    if (right.length === 0 || left.length === 0) return 0;
    offset = medianOf(left) - medianOf(right);
  }
  return offset;
}

interface Times {
  /** When each wanted key was struck last, rightly or wrongly; null where it was not. */
  readonly last: readonly (number | null)[];
  /** How hard. */
  readonly force: readonly (number | null)[];
  /** The key that was struck instead; null where none was. */
  readonly wrong: readonly (number | null)[];
  /** Stretches without a new beginning: pairs of a wanted key and when it was struck. */
  readonly segments: readonly (readonly (readonly [wanted: number, seconds: number])[])[];
}

function timesOf(
  { struck, restarts }: Alignment,
  wanted: readonly WantedKey[],
  downs: readonly KeyEvent[],
): Times {
  const last: (number | null)[] = wanted.map(() => null);
  const wrong: (number | null)[] = wanted.map(() => null);
  const force: (number | null)[] = wanted.map(() => null);
  const begins = new Set(restarts.map(({ played }) => played));
  const segments: [number, number][][] = [[]];
  for (const { played, wanted: i, kind } of struck) {
    if (begins.has(played)) segments.push([]);
    if (i === null) continue;
    const { seconds, midi, velocity } = downs[played];
    last[i] = seconds;
    force[i] = velocity;
    wrong[i] = kind === 'wrong' ? midi : null;
    segments[segments.length - 1].push([i, seconds]);
  }
  return { last, force, wrong, segments };
}

/** Among so many keys to come a grace note belongs to one. */
const GRACE_KEYS = 6;

function extrasOf(
  { struck }: Alignment,
  wanted: readonly WantedKey[],
  downs: readonly KeyEvent[],
): Judgement['extra'] {
  const extras: { tick: number; midi: number }[] = [];
  let at = 0;
  let before: number | null = null;
  for (const { played, wanted: i, kind } of struck) {
    const { midi } = downs[played];
    if (i !== null) at = i;
    // A grace note is played with what it leads to, a little before or on it; a key struck over and over is one too many.
    const isGrace = [wanted[at], ...wanted.slice(at + 1, at + 1 + GRACE_KEYS)].some((key) =>
      key?.graces?.includes(midi),
    );
    if (kind === 'extra' && !isGrace && midi !== before) extras.push({ tick: wanted[at]?.tick ?? 0, midi });
    before = kind === 'extra' ? midi : null;
  }
  return extras;
}

function apartOf(wanted: readonly WantedKey[], last: readonly (number | null)[]): number | null {
  const byTick = new Map<number, { right: number[]; left: number[] }>();
  wanted.forEach(({ tick, hand }, i) => {
    const at = last[i];
    if (at === null) return;
    const both = byTick.get(tick) ?? { right: [], left: [] };
    both[hand].push(at);
    byTick.set(tick, both);
  });
  const apart = [...byTick.values()].flatMap(({ right, left }) =>
    right.length > 0 && left.length > 0 ? [mean(left) - mean(right)] : [],
  );
  return apart.length === 0 ? null : medianOf(apart);
}

/** Mean force with which one hand struck; null where nothing is known of it. */
export function forceOf(keys: readonly JudgedKey[], hand: Hand): number | null {
  const forces = keys.flatMap(({ wanted, force }) => (wanted.hand === hand && force !== null ? [force] : []));
  return forces.length === 0 ? null : mean(forces);
}

function mean(numbers: readonly number[]): number {
  return numbers.reduce((sum, x) => sum + x, 0) / numbers.length;
}
