import type { Strike } from './ear';
import type { KeyShapes, Likeness } from './keyShapes';
import { type Meeting, rivalsOf, SLIPS } from './meetings';

/** A strike, and how alike what came with it is to each key. */
export interface Likened {
  readonly strike: Strike;
  readonly came: Likeness;
  /** How high the piano is taken to be tuned, in bands. */
  readonly higher: number;
}

/** A key of which there is so little is not heard; of what sounded before already there must be more. */
const [HEARD, HEARD_BEFORE] = [0.02, 0.1];
/** A rival of which there is less than this is no rival; the key wanted must be softer by this factor. */
const [RIVAL, SOFTER] = [0.06, 0.25];
/**
 * When a rival is called a wrong key: by how much better it explains the sound than the keys wanted do. How much there is of
 * it speaks for it; the key wanted being in the sound, many keys at once, and an octave below, which has all partials of the
 * key wanted, against. Found by logistic regression on takes of a simulated player through pianos of two sound fonts, in rooms
 * and through a dull and a thin microphone, one font left out in turn.
 */
const SPEAKS = { share: 0.68, keys: -0.37, wanted: -2.56, wantedSounds: -2.47, octaveBelow: 0.31 } as const;
const SURE = 0.0043;
/** How far an octave is as a slip, in half steps. */
const OCTAVE_FAR = 2.5;

/** What was heard of each key of a meeting. */
export interface HeardKey {
  readonly key: number;
  readonly how: 'heard' | 'not-heard' | 'wrong';
  /** The key that was heard in its place. */
  readonly struck: number | null;
}

/** What was heard of the keys of a meeting, in a strike and those that followed it too soon to be the next. */
export function heardOf(
  shapes: KeyShapes,
  strikes: readonly Likened[],
  meeting: Meeting,
  beside: readonly number[],
): HeardKey[] {
  const each = strikes.map((strike) => heardIn(shapes, strike, meeting, beside));
  return meeting.keys.map((key, i): HeardKey => {
    if (each.some((heard) => heard[i].how === 'heard')) return { key, how: 'heard', struck: null };
    return each.map((heard) => heard[i]).find(({ how }) => how === 'wrong') ?? each[0][i];
  });
}

function heardIn(
  shapes: KeyShapes,
  { strike, came, higher }: Likened,
  { keys, sounding }: Meeting,
  beside: readonly number[],
): HeardKey[] {
  const rivals = rivalsOf({ keys, sounding });
  const all = shapes.fit(came, [...keys, ...rivals, ...sounding]);
  const own = shapes.fit(came, [...keys, ...sounding]);
  const sounded = shapes.likeness(strike.sounded, higher);
  const before = shapes.fit(sounded, [...keys, ...rivals, ...beside, ...sounding]);
  // Each rival stands for one key: the nearest of those that are missing.
  const standsFor = new Map<number, number>();
  for (const rival of rivals.toSorted((a, b) => all.shareOf(b) - all.shareOf(a))) {
    if (all.shareOf(rival) < RIVAL) break;
    const [nearest] = keys
      .filter(
        (key) =>
          !standsFor.has(key) &&
          SLIPS.some((by) => key + by === rival) &&
          all.shareOf(key) < SOFTER * all.shareOf(rival),
      )
      .sort((a, b) => farFrom(rival, a) - farFrom(rival, b));
    if (nearest !== undefined) standsFor.set(nearest, rival);
  }
  const speaksForRival = (key: number, rival: number): number =>
    (shapes.fit(came, [...keys, ...sounding, rival]).explained - own.explained) *
    all.shareOf(rival) ** SPEAKS.share *
    keys.length ** SPEAKS.keys *
    Math.exp(SPEAKS.wanted * Math.min(1, own.shareOf(key)) + SPEAKS.wantedSounds * before.shareOf(key)) *
    (rival - key === -12 ? SPEAKS.octaveBelow : 1);
  return keys.map((key): HeardKey => {
    const rival = standsFor.get(key);
    if (rival !== undefined && speaksForRival(key, rival) >= SURE)
      return { key, how: 'wrong', struck: rival };
    const isHeard = own.shareOf(key) > HEARD || before.shareOf(key) > HEARD_BEFORE;
    return { key, how: isHeard ? 'heard' : 'not-heard', struck: null };
  });
}

function farFrom(rival: number, key: number): number {
  const by = Math.abs(rival - key);
  return by === 12 ? OCTAVE_FAR : by;
}

/** A key counts fully from this share on, and a wrong one in its place so much of it. */
const [FULLY, INSTEAD] = [0.5, 0.6];
const OTHERS = 0.7;

/** What speaks for a strike being a meeting: its keys are heard, or slips of them, and little else. About 1 where it is, below 0 where it is not. */
export function speaksFor(
  shapes: KeyShapes,
  came: Likeness,
  { keys, sounding }: Meeting,
  beside: readonly number[],
): number {
  const rivals = rivalsOf({ keys, sounding });
  const { shareOf, explained } = shapes.fit(came, [...keys, ...rivals, ...beside, ...sounding]);
  let [own, others] = [0, 0];
  for (const key of keys) {
    let [rival, share] = [0, 0];
    for (const by of SLIPS) {
      const other = rivals.includes(key + by) ? shareOf(key + by) : 0;
      if (other > share) [rival, share] = [key + by, other];
    }
    const [mine, instead] = [Math.min(FULLY, shareOf(key)), INSTEAD * Math.min(FULLY, share)];
    own += Math.max(mine, instead);
    if (instead > mine) others -= shareOf(rival);
  }
  for (const key of new Set([...rivals, ...beside]))
    if (!keys.includes(key) && !sounding.includes(key)) others += shareOf(key);
  return ((2 * own - OTHERS * Math.max(0, others)) / keys.length) * explained;
}
