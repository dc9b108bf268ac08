import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange/song';
import { barTicks } from '../music/metre';
import { barAt } from '../song/bars';
import { applyEdit } from '../song/edits';
import { DEFAULT_PROFILE } from '../song/schema';
import { type PlayedSong, unfold } from '../song/unfold';
import { randomSong } from '../testing';
import { splitAt } from './cutting';
import { divide, DIVISION, lengthCost } from './divide';
import { partsOf } from './parts';
import { type FigureNote, returnsOf } from './returns';
import { boundariesOf, stepTicks } from './strength';

/** What a division costs, added up from its definition. */
function costOf(played: PlayedSong, cuts: readonly number[]): number {
  const strength = new Map(boundariesOf(played).map((b) => [b.tick, b.strength]));
  const stops = [0, ...cuts, played.endTick];
  let before = 0;
  return stops.slice(1).reduce((sum, to, i) => {
    const from = stops[i];
    const { metre } = barAt(played.bars, from);
    const length = Math.round((100 * (to - from)) / barTicks(metre));
    const gain = to === played.endTick ? 0 : DIVISION.tenths * (strength.get(to) ?? 0) - DIVISION.worthACut;
    const other = before === 0 || before === length ? 0 : DIVISION.otherLength;
    before = length;
    return sum + lengthCost(length, (to - from) / stepTicks(metre)) + other - gain;
  }, 0);
}

/** Every subset of the places worth a cut. */
function leastCost(played: PlayedSong): number {
  const places = boundariesOf(played).filter((b) => b.strength >= 2 && b.tick > 0 && b.tick < played.endTick);
  let best = Infinity;
  for (let mask = 0; mask < 1 << places.length; mask++) {
    const cuts = places.filter((_, i) => mask & (1 << i)).map((b) => b.tick);
    best = Math.min(best, costOf(played, cuts));
  }
  return best;
}

describe('the best division', () => {
  it('costs what trying every division finds', () => {
    let tried = 0;
    for (let seed = 0; seed < 60; seed++) {
      const played = unfold(randomSong({ bars: 3 + (seed % 6), changesPerBar: 1, seed }));
      const places = boundariesOf(played).filter((b) => b.strength >= 2);
      if (places.length > 13) continue;
      tried++;
      const cuts = divide(played)
        .map((cut) => cut.tick)
        .filter((tick) => tick > 0);
      expect(costOf(played, cuts), `seed ${seed}`).toBe(leastCost(played));
    }
    expect(tried).toBeGreaterThan(20);
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

describe('figures that return', () => {
  const tokens = fc.array(fc.tuple(fc.integer({ min: 0, max: 3 }), fc.constantFrom(240, 480)), {
    minLength: 2,
    maxLength: 14,
  });

  it('are as long as comparing every pair of places finds', () => {
    fc.assert(
      fc.property(tokens, (list) => {
        let tick = 0;
        const notes = list.map(([step, wait]): FigureNote => {
          const note = { tick, midi: 60 + 2 * step, step, inBar: tick % 960 };
          tick += wait;
          return note;
        });
        const found = returnsOf(notes, tick);
        const wait = (i: number): number => (notes[i + 1]?.tick ?? tick) - notes[i].tick;
        const same = (i: number, j: number): boolean =>
          notes[i].midi === notes[j].midi && notes[i].inBar === notes[j].inBar;
        for (let i = 1; i < notes.length; i++) {
          let longest = 0;
          for (let j = 0; j < i; j++) {
            if (!same(i, j) || (j > 0 && same(i - 1, j - 1) && wait(i - 1) === wait(j - 1))) continue;
            let length = 1;
            while (
              i + length < notes.length &&
              wait(i + length - 1) === wait(j + length - 1) &&
              same(i + length, j + length)
            )
              length++;
            if (length < 2) continue;
            const ticks = (notes[i + length]?.tick ?? tick) - notes[i].tick;
            longest = Math.max(longest, Math.min(ticks, notes[i].tick - notes[j].tick));
          }
          const own = found.get(i)?.find((r) => r.likeness === 'same' && !r.isFirst);
          expect(own?.ticks ?? 0).toBe(longest);
        }
      }),
      { numRuns: 300 },
    );
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
