import { normalFrom, seeded } from '../chance';
import type { KeyEvent } from '../takes';
import type { WantedKey } from './wanted';

/** How a pupil plays who practises. */
export interface Pupil {
  /** Chance is repeatable: the same seed plays the same. */
  readonly seed: number;
  /** Share of keys that are another, left out, or struck beside one. */
  readonly wrong: number;
  readonly missed: number;
  readonly extra: number;
  /** How often the pupil stops and begins again a little before. */
  readonly restarts: number;
  /** Share of the full tempo at the beginning and at the end. */
  readonly tempoFrom: number;
  readonly tempoTo: number;
  /** One standard deviation of a strike's time, in seconds. */
  readonly spreadSeconds: number;
  /** Seconds the left hand comes after the right. */
  readonly leftLate: number;
  /** How loud each hand is, 1 … 127. */
  readonly rightForce: number;
  readonly leftForce: number;
}

export const STEADY: Pupil = {
  seed: 1,
  wrong: 0,
  missed: 0,
  extra: 0,
  restarts: 0,
  tempoFrom: 1,
  tempoTo: 1,
  spreadSeconds: 0.012,
  leftLate: 0,
  rightForce: 84,
  leftForce: 66,
};

/** Something the pupil did on purpose of the test, to be found again. */
export interface Slip {
  readonly kind: 'wrong' | 'missed' | 'extra' | 'restart';
  /** Index of the key it happened at. */
  readonly wanted: number;
}

export interface Playing {
  /** Keys going down and up, in time. */
  readonly events: readonly KeyEvent[];
  readonly slips: readonly Slip[];
  /** For each key wanted: seconds it was struck away from where the pupil's tempo put it, the last time it was; null where it was not. */
  readonly strays: readonly (number | null)[];
}

/** How many strikes back a pupil begins again. */
const BACK = 4;
const PAUSE_SECONDS = 1.2;

/**
 * A stand-in for a pupil at the keyboard: plays what is wanted at a tempo that drifts, with slips, stops and uneven
 * hands, all by the seed. It has no ears: it does not play worse after a slip, nor better for having heard itself.
 */
export function playAsPupil(wanted: readonly WantedKey[], pupil: Pupil): Playing {
  const random = seeded(pupil.seed);
  const normal = normalFrom(random);
  const length = wanted.at(-1)?.seconds ?? 0;
  const events: KeyEvent[] = [];
  const slips: Slip[] = [];
  const strays: (number | null)[] = wanted.map(() => null);
  const stopsAt = stopsOf(wanted, pupil.restarts, random);
  /** Seconds at the pupil's own tempo: its share of the goal changes evenly over the piece. */
  const ownTime = (seconds: number): number => {
    const { tempoFrom: a, tempoTo: b } = pupil;
    if (length === 0 || Math.abs(a - b) < 1e-9) return seconds / a;
    const k = (b - a) / length;
    return Math.log((a + k * seconds) / a) / k;
  };
  let shift = 1;
  for (let i = 0; i < wanted.length; i++) {
    const { seconds, midi, hand } = wanted[i];
    const isLeft = hand === 'left';
    const stray = normal() * pupil.spreadSeconds + (isLeft ? pupil.leftLate : 0);
    const at = Math.max(0, ownTime(seconds) + shift + stray);
    const roll = random();
    if (roll < pupil.missed) slips.push({ kind: 'missed', wanted: i });
    else {
      const isWrong = roll < pupil.missed + pupil.wrong;
      if (isWrong) slips.push({ kind: 'wrong', wanted: i });
      const key = isWrong ? besideKey(wanted, i, random() < 0.5 ? 1 : -1) : midi;
      const force = Math.round(
        Math.min(120, Math.max(20, (isLeft ? pupil.leftForce : pupil.rightForce) + 6 * normal())),
      );
      events.push(
        { seconds: at, midi: key, velocity: force },
        { seconds: at + 0.18, midi: key, velocity: 0 },
      );
      if (!isWrong) strays[i] = stray;
    }
    // One too many beside a key that was left out would be that key, wrong.
    if (random() < pupil.extra && strays[i] !== null) {
      slips.push({ kind: 'extra', wanted: i });
      const beside = besideKey(wanted, i, 1);
      events.push(
        { seconds: at + 0.05, midi: beside, velocity: 45 },
        { seconds: at + 0.12, midi: beside, velocity: 0 },
      );
    }
    if (stopsAt.has(i)) {
      stopsAt.delete(i);
      const back = strikesBack(wanted, i, BACK);
      slips.push({ kind: 'restart', wanted: back });
      shift += PAUSE_SECONDS + ownTime(seconds) - ownTime(wanted[back].seconds);
      i = back - 1;
    }
  }
  return { events: events.sort((a, b) => a.seconds - b.seconds || a.velocity - b.velocity), slips, strays };
}

/** A key a little off one that is wanted, and none that is wanted near it: what was meant could not be told. */
function besideKey(wanted: readonly WantedKey[], at: number, side: 1 | -1): number {
  const { midi } = wanted[at];
  const near = new Set(wanted.slice(Math.max(0, at - 8), at + 9).map((key) => key.midi));
  return [1, -1, 2, -2, 3, -3].map((by) => midi + side * by).find((key) => !near.has(key)) ?? midi + 6 * side;
}

/** Ends of strikes at which the pupil will stop, well inside the piece. */
function stopsOf(wanted: readonly WantedKey[], count: number, random: () => number): Set<number> {
  const ends = wanted.flatMap(({ tick }, i) => (wanted[i + 1] && wanted[i + 1].tick !== tick ? [i] : []));
  const inside = ends.slice(2 * BACK, -BACK);
  const found = new Set<number>();
  for (let k = 0; k < count && inside.length > 0; k++)
    found.add(inside.splice(Math.floor(random() * inside.length), 1)[0]);
  return found;
}

/** The first key of the strike so many before the one a key belongs to. */
function strikesBack(wanted: readonly WantedKey[], at: number, strikes: number): number {
  let i = at;
  let left = strikes;
  while (i > 0) {
    if (wanted[i - 1].tick !== wanted[i].tick && left-- === 0) return i;
    i--;
  }
  return 0;
}
