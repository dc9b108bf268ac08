import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { applyEdit, DEFAULT_PROFILE, unfold } from '../song';
import { randomSong } from '../testing';
import { splitAt } from './cutting';
import { againstTwoBars, divide, lengthCost, partCost, type Stop, stopsOf, USUAL_LENGTHS } from './divide';
import { partsOf } from './parts';

/** Least cost of all: every usual length with every subset of the places. */
function leastCost(stops: readonly Stop[]): number {
  const places = stops.slice(1, -1);
  let best = Infinity;
  for (const [usual, points] of USUAL_LENGTHS)
    for (let mask = 0; mask < 1 << places.length; mask++) {
      const cuts = places.filter((_, i) => mask & (1 << i));
      best = Math.min(
        best,
        points + usualCost(stops, usual) + costOf([stops[0], ...cuts, stops[stops.length - 1]], usual),
      );
    }
  return best;
}

/** What a usual length costs a song beside its points. */
function usualCost(stops: readonly Stop[], usual: number): number {
  return usual === 2 ? againstTwoBars(stops) : 0;
}

/** What a division costs in a song with one usual length, added up part by part. */
function costOf(stops: readonly Stop[], usual: number): number {
  return stops
    .slice(1)
    .reduce((sum, to, i) => sum + partCost(stops[i], to, usual, i === stops.length - 2), 0);
}

describe('the best division', () => {
  it('costs what trying every division finds', () => {
    let tried = 0;
    for (let seed = 0; seed < 60; seed++) {
      const played = unfold(randomSong({ bars: 3 + (seed % 9), changesPerBar: 1, seed }));
      const stops = stopsOf(played);
      if (stops.length > 13) continue;
      tried++;
      const ticks = new Set(divide(played).map((cut) => cut.tick));
      const chosen = stops.filter(({ tick }, i) => i === 0 || i === stops.length - 1 || ticks.has(tick));
      const cost = Math.min(
        ...USUAL_LENGTHS.map(([usual, points]) => points + usualCost(stops, usual) + costOf(chosen, usual)),
      );
      expect(cost, `seed ${seed}`).toBe(leastCost(stops));
    }
    expect(tried).toBeGreaterThan(20);
  });

  it('costs nothing for a part of the usual length, and says what any other costs', () => {
    expect(lengthCost(400, 16, 4, false)).toBe(0);
    expect([lengthCost(200, 8, 4, false), lengthCost(800, 16, 4, false)]).toEqual([40, 40]);
    expect([lengthCost(300, 12, 4, false), lengthCost(500, 20, 4, false)]).toEqual([55, 71]);
    // Seven beats are one too few, nineteen one too many.
    expect([lengthCost(400, 7, 4, false), lengthCost(400, 19, 4, false)]).toEqual([12, 8]);
    // Not whole bars, unless the last bar completes the pick-up.
    expect([lengthCost(375, 15, 4, false), lengthCost(375, 15, 4, true)]).toEqual([30, 0]);
  });

  it('cuts where it is told to, whatever speaks for it', () => {
    for (const song of DEMO_SONGS) {
      const played = unfold(song);
      const wanted = played.bars[Math.min(2, played.bars.length - 1)].tick;
      expect(divide(played, [wanted]).map((cut) => cut.tick)).toContain(wanted);
      expect(divide(played, [-5, 0, played.endTick, 10 ** 7])).toEqual(divide(played));
    }
  });
});

describe('a cut inside a bar', () => {
  it('leaves the left hand of the part before whole', () => {
    const lanterns = DEMO_SONGS[0];
    const edit = splitAt(partsOf(lanterns, unfold(lanterns)), 2 * 2880 + 960);
    if (!edit) throw new Error('cannot be cut there');
    const [before, after] = [
      arrange(lanterns, DEFAULT_PROFILE),
      arrange(applyEdit(lanterns, edit), DEFAULT_PROFILE),
    ];
    const block = (a: typeof before) =>
      a.left.filter((n) => n.tick === 2 * 2880).map((n) => [n.midi, n.length]);
    expect(block(after).map(([, length]) => length)).toEqual([2880, 2880, 2880]);
    expect(block(after)).toHaveLength(block(before).length);
    expect(after.parts).toHaveLength(before.parts.length + 1);
  });
});
