import { descendingLine } from '../patterns';
import { KEYBOARDS } from '../music';
import type { PartTask } from './task';

/** The highest key of a line below a tune (G3), and below chords round middle C (E♭3). */
const UNDER_TUNE = 55;
const UNDER_CHORDS = 51;

/** The notes of a descending line in a part, by the tick at which each begins: one a chord, and one a bar of a longer one. */
export function lineOf({ voiced, bars, profile, part }: PartTask): ReadonlyMap<number, number> {
  const places = voiced.flatMap((v) => {
    const from = v.change.tick;
    const to = from + v.length;
    return bars
      .filter((bar) => bar.number !== 0 && bar.tick < to && bar.tick + bar.length > from)
      .map((bar) => ({ voiced: v, tick: Math.max(from, bar.tick) }));
  });
  const highest = part.choices.layout === 'singing' ? UNDER_CHORDS : UNDER_TUNE;
  const keys = descendingLine(places, KEYBOARDS[profile.keyboard].low, highest);
  return new Map(places.map(({ tick }, i) => [tick, keys[i]]));
}
