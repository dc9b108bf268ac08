import type { PlayedSong } from '../song/unfold';
import { type Boundary, barsBetween, boundariesOf, upbeatOf } from './strength';

export interface Division {
  /** Where parts begin, the first at 0. */
  readonly cuts: readonly { readonly tick: number; readonly reasons: readonly string[] }[];
}

/** A boundary must earn at least this much, or the part goes on. */
const WORTH_A_CUT = 5;
/** Parts of four bars are best, then two; longer than eight bars is no small job any more. */
const LONGEST_BARS = 9;

function lengthCost(hundredths: number): number {
  const bars = hundredths / 100;
  if (bars < 1) return 30;
  const fromFour = Math.abs(bars - 4);
  const fromTwo = Math.abs(bars - 2) + 2;
  return Math.min(fromFour, fromTwo) * 2.5 + (bars > 4.6 ? 2 : 0);
}

/**
 * Cuts the song into short parts: of all divisions the one whose boundaries are strongest and whose parts
 * are nearest to four (or two) bars. Dynamic programming over the boundaries, O(n · w) with w the boundaries
 * within nine bars. A pick-up belongs to the part it leads into.
 */
export function divide(played: PlayedSong): Division {
  const places: Boundary[] = [
    { tick: 0, strength: 0, reasons: ['the song begins'] },
    ...boundariesOf(played).filter((b) => b.tick > 0 && b.strength >= WORTH_A_CUT),
  ];
  const best: number[] = [0];
  const from: number[] = [-1];
  const end = { tick: played.endTick, strength: 0, reasons: [] };
  const stops = [...places, end];
  for (let i = 1; i < stops.length; i++) {
    best[i] = Infinity;
    from[i] = i - 1;
    for (let j = i - 1; j >= 0; j--) {
      const length = barsBetween(played, stops[j].tick, stops[i].tick);
      if (length > LONGEST_BARS * 100 && j < i - 1) break;
      const cost =
        best[j] + lengthCost(length) - (i < stops.length - 1 ? stops[i].strength - WORTH_A_CUT : 0);
      if (cost < best[i]) {
        best[i] = cost;
        from[i] = j;
      }
    }
  }
  const cuts: Boundary[] = [];
  for (let i = from[stops.length - 1]; i >= 0; i = from[i]) cuts.unshift(stops[i]);
  return { cuts };
}

/** Cuts every so many bars; in a song with a pick-up each cut lies as far before the bar line as the pick-up. */
export function divideEvery(played: PlayedSong, bars: number): Division {
  const upbeat = upbeatOf(played);
  const onsets = new Set(played.melody.map((note) => note.tick));
  const cuts = played.bars
    .filter((bar) => bar.number >= 1 && (bar.number - 1) % bars === 0)
    .map((bar, index) => {
      const early = bar.tick - upbeat;
      const tick = index === 0 ? 0 : onsets.has(early) ? early : bar.tick;
      return { tick, reasons: [index === 0 ? 'the song begins' : `every ${bars} bars, as asked`] };
    });
  return { cuts: cuts.length > 0 ? cuts : [{ tick: 0, reasons: ['the song begins'] }] };
}
