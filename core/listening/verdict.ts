import type { Strike } from './ear';
import type { KeyShapes, Likeness } from './keyShapes';
import { type Meeting, SLIPS } from './meetings';

/** A strike, and how alike what came with it, and what sounded then, is to each key. */
export interface Likened {
  readonly strike: Strike;
  readonly came: Likeness;
  readonly sounded: Likeness;
}

/** A key of which there is so little is not heard; among the keys wanted alone, and of what sounded before already, there must be more. */
const [HEARD, HEARD_ALONE, HEARD_BEFORE] = [0.01, 0.02, 0.05];
/** A rival of which there is less than this is no rival. */
const RIVAL = 0.03;
/**
 * When a rival is called a wrong key: how much there is of it speaks for it, and that it sounds on; against it the key
 * wanted, in what came and in what sounds, and other rivals, which tell that something else was heard. Found by logistic
 * regression on takes of the demo songs by a simulated player, through pianos of two sound fonts, in rooms.
 */
const SPEAKS = { share: 2.1, sounds: 1.2, wanted: -4, wantedSounds: -5.5, others: -2.9 } as const;
const SURE = -5.3;
/** A quick look, a full one while it is played, and all that was heard, once it is over. */
export type Look = 'quick' | 'full' | 'over';
/** So much surer it must be by each look, and where the piano is not known yet. */
const SURER = { quick: 3, full: 1, over: 0, unknown: 3 } as const;
/** What there is less of counts as so much. */
const LEAST = 1e-4;

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
  look: Look = 'over',
): HeardKey[] {
  const each = strikes.map((strike) => heardIn(shapes, strike, meeting, look));
  return meeting.keys.map((key, i): HeardKey => {
    if (each.some((heard) => heard[i].how === 'heard')) return { key, how: 'heard', struck: null };
    return each.map((heard) => heard[i]).find(({ how }) => how === 'wrong') ?? each[0][i];
  });
}

function heardIn(
  shapes: KeyShapes,
  { came, sounded }: Likened,
  { keys, sounding, rivals, beside }: Meeting,
  look: Look,
): HeardKey[] {
  const doubtful = SURE + (shapes.areOwn ? 0 : SURER.unknown);
  // For octaves the piano must be known well: a full look is no surer than a quick one.
  const sureFrom = (by: number): number =>
    doubtful + SURER[look === 'full' && Math.abs(by) === 12 ? 'quick' : look];
  const struck = shapes.fit(came, [...keys, ...rivals, ...sounding]);
  // Once it is over, where the piano is not known, a rival may be taken for a key wanted: it is looked for among those wanted alone, too.
  const alone = shapes.areOwn || look !== 'over' ? struck : shapes.fit(came, [...keys, ...sounding]);
  const sounds = shapes.fit(sounded, [...keys, ...rivals, ...beside, ...sounding]);
  let all = 0;
  for (const rival of rivals) all += struck.shareOf(rival);
  const speaks = (key: number, rival: number): number =>
    SPEAKS.share * Math.log(struck.shareOf(rival)) +
    SPEAKS.sounds * Math.log(Math.max(LEAST, sounds.shareOf(rival))) +
    SPEAKS.wanted * struck.shareOf(key) +
    SPEAKS.wantedSounds * sounds.shareOf(key) +
    (SPEAKS.others * (all - struck.shareOf(rival))) / keys.length;
  const pairs = [...rivals]
    .filter((rival) => struck.shareOf(rival) >= RIVAL)
    .flatMap((rival) => keys.map((key) => ({ key, rival })))
    .filter(({ key, rival }) => SLIPS.some((by) => key + by === rival))
    .map((pair) => ({ ...pair, speaks: speaks(pair.key, pair.rival) }))
    .filter((pair) => pair.speaks >= doubtful)
    .sort((a, b) => b.speaks - a.speaks);
  // Each rival stands for one key.
  const standsFor = new Map<number, number>();
  const taken = new Set<number>();
  const open = new Set<number>();
  for (const { key, rival, speaks: by } of pairs) {
    if (standsFor.has(key) || taken.has(rival)) continue;
    if (by >= sureFrom(rival - key)) {
      standsFor.set(key, rival);
      taken.add(rival);
    } else if (look === 'quick') open.add(key);
  }
  return keys.map((key): HeardKey => {
    const rival = standsFor.get(key);
    if (rival !== undefined) return { key, how: 'wrong', struck: rival };
    const isHeard =
      !open.has(key) &&
      (struck.shareOf(key) > HEARD || alone.shareOf(key) > HEARD_ALONE || sounds.shareOf(key) > HEARD_BEFORE);
    return { key, how: isHeard ? 'heard' : 'not-heard', struck: null };
  });
}

/** A key counts fully from this share on, and a wrong one in its place so much of it. */
const [FULLY, INSTEAD] = [0.5, 0.6];
const OTHERS = 0.7;
/** As much as this may speak against a meeting: a key struck again while it sounds may come to little, and in odd colours. */
const AGAINST = -0.2;

/** What speaks for a strike being a meeting: its keys are heard, or slips of them, and little else. About 1 where it is, below 0 where it is not. */
export function speaksFor(
  shapes: KeyShapes,
  came: Likeness,
  { keys, sounding, rivals, beside }: Meeting,
): number {
  const { shareOf, explained } = shapes.fit(came, [...keys, ...rivals, ...beside, ...sounding]);
  let [own, others] = [0, 0];
  for (const key of keys) {
    let [rival, share] = [0, 0];
    for (const by of SLIPS) {
      const other = rivals.has(key + by) ? shareOf(key + by) : 0;
      if (other > share) [rival, share] = [key + by, other];
    }
    const [mine, instead] = [Math.min(FULLY, shareOf(key)), INSTEAD * Math.min(FULLY, share)];
    own += Math.max(mine, instead);
    if (instead > mine) others -= shareOf(rival);
  }
  for (const rival of rivals) others += shareOf(rival);
  for (const key of new Set(beside))
    if (!rivals.has(key) && !keys.includes(key) && !sounding.includes(key)) others += shareOf(key);
  return Math.max(AGAINST, ((2 * own - OTHERS * Math.max(0, others)) / keys.length) * explained);
}
