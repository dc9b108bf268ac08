import type { Arrangement } from '../arrangement';
import { strikesOf } from '../hands';
import { reachMm, spanMm } from '../music';
import type { Profile } from '../song';
import type { Turn } from './log';

/** So long without a turn is a rest, in milliseconds. */
const REST_MS = 5 * 60_000;
/** Minutes of playing after which a rest is due, when nobody chose otherwise. */
export const REST_AFTER_MINUTES = 30;
/** A strike this near to the hand's reach, or wider, is wide. */
const WIDE_SHARE = 0.94;
/** So many wide strikes in a part are a passage. */
const FEWEST_WIDE = 3;

/** Minutes played since the last rest, up to now; 0 after one. A clock set back counts as no time gone. */
export function minutesSinceRest(turns: readonly Pick<Turn, 'at' | 'seconds'>[], now: number): number {
  const last = turns.at(-1);
  if (!last || now - last.at > REST_MS) return 0;
  let from = last.at - last.seconds * 1000;
  for (const { at, seconds } of turns.slice(0, -1).toReversed()) {
    if (from - at > REST_MS) break;
    from = Math.min(from, at - seconds * 1000);
  }
  return Math.max(0, Math.max(now, last.at) - from) / 60_000;
}

/** What of a stretch asks for a warm, loose hand. */
export interface WidePassage {
  readonly hand: 'right' | 'left';
  readonly kind: 'octaves' | 'wide-chords';
  readonly strikes: number;
}

/** Passages of wide strikes for these hands in a stretch: octaves, or chords at the end of the reach. */
export function widePassages(
  { right, left }: Pick<Arrangement, 'right' | 'left'>,
  { fromTick, toTick }: { readonly fromTick: number; readonly toTick: number },
  profile: Pick<Profile, 'rightReach' | 'leftReach'>,
): WidePassage[] {
  return (['right', 'left'] as const).flatMap((hand) => {
    const reach = reachMm(hand === 'right' ? profile.rightReach : profile.leftReach);
    const notes = (hand === 'right' ? right : left).filter(({ tick }) => tick >= fromTick && tick < toTick);
    const wide = strikesOf(notes).filter((strike) => {
      const [low, high] = [strike[0].midi, strike[strike.length - 1].midi];
      return strike.length > 1 && strike[0].rolled === undefined && spanMm(low, high) >= WIDE_SHARE * reach;
    });
    if (wide.length < FEWEST_WIDE) return [];
    const octaves = wide.filter((strike) => strike[strike.length - 1].midi - strike[0].midi === 12);
    const kind = octaves.length * 2 > wide.length ? 'octaves' : 'wide-chords';
    return [{ hand, kind, strikes: wide.length } as const];
  });
}
