import type { Hand } from '../hands';
import { forceOf, type Judgement, type JudgedKey, rightOf } from './judge';

/** How one bar of a turn was played. */
export interface PlayedBar {
  /** Its number; 0 is the pick-up. */
  readonly bar: number;
  /** Keys right and in time, of those that can be told of. */
  readonly right: number;
  readonly of: number;
  /** How far the strikes were from the player's own tempo, in seconds, as their mean square tells it; null for fewer than two. */
  readonly off: number | null;
  /** Mean force of each hand, 1 … 127; null where it did not play, or was only heard. */
  readonly force: Readonly<Record<Hand, number | null>>;
}

/** A turn bar by bar, as far as it came. */
export function byBar({ keys }: Pick<Judgement, 'keys'>, numberAt: (tick: number) => number): PlayedBar[] {
  const bars = new Map<number, JudgedKey[]>();
  for (const key of keys) {
    if (key.how === 'not-reached') continue;
    const number = numberAt(key.wanted.tick);
    bars.set(number, [...(bars.get(number) ?? []), key]);
  }
  return [...bars].map(([bar, own]) => ({
    bar,
    right: rightOf(own),
    of: own.filter(({ how }) => how !== 'not-heard').length,
    off: offOf(own),
    force: { right: forceOf(own, 'right'), left: forceOf(own, 'left') },
  }));
}

function offOf(keys: readonly JudgedKey[]): number | null {
  const off = keys.flatMap(({ late }) => (late === null ? [] : [late * late]));
  return off.length < 2 ? null : Math.sqrt(off.reduce((sum, x) => sum + x, 0) / off.length);
}
