import { type Phrase } from '../sentences';
import type { Arrangement } from '../arrangement';
import { effortOf } from '../effort';
import type { Hand } from '../hands';
import { Clock } from '../performance';
import { within } from '../song';
import { barsLasting } from './stages/effort';

/** What is hard about a stretch for one hand or both, in words: what to watch for; nothing where it is easy. */
export function watchFor(
  { played, right, left, song, profile }: Arrangement,
  stretch: { readonly fromTick: number; readonly toTick: number },
  hands: Hand | 'both',
): readonly Phrase[] {
  const { fromTick, toTick } = stretch;
  const clock = new Clock(played.tempoMap, song.feel);
  const of = (hand: Hand) =>
    hands === 'both' || hands === hand ? within(hand === 'right' ? right : left, fromTick, toTick) : [];
  const bars = barsLasting(played, stretch, clock);
  return effortOf({ right: of('right'), left: of('left'), bars, profile }).reasons;
}
