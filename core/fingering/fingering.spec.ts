import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange/song';
import { DEFAULT_PROFILE } from '../song/schema';
import { aloneCost, pairCost, placed, tripleCost } from './cost';
import { finger, type HandEvent } from './finger';

const line = (...keys: number[]): HandEvent[] =>
  keys.map((key) => ({ keys: [key], afterRest: false, pinned: null }));
const REACH = 8;

function costOf(keys: readonly number[], fingers: readonly number[], hand: 'right' | 'left'): number {
  const at = keys.map((key, i) => placed(key, fingers[i], hand));
  return at.reduce((sum, p, i) => {
    const pair = i > 0 ? pairCost(at[i - 1], p, REACH) : 0;
    const triple = i > 1 ? tripleCost(at[i - 2], at[i - 1], p, REACH) : 0;
    return sum + aloneCost(p) + pair + triple;
  }, 0);
}

describe('fingering', () => {
  it('of a single line costs what the cheapest of all fingerings costs, both hands', () => {
    const keys = fc.array(fc.integer({ min: 55, max: 79 }), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(keys, fc.constantFrom<'right' | 'left'>('right', 'left'), (list, hand) => {
        let best = Infinity;
        const walk = (fingers: number[]): void => {
          if (fingers.length === list.length) best = Math.min(best, costOf(list, fingers, hand));
          else for (let f = 1; f <= 5; f++) walk([...fingers, f]);
        };
        walk([]);
        const chosen = finger(line(...list), hand, REACH).map(([f]) => f);
        expect(costOf(list, chosen, hand)).toBe(best);
      }),
      { numRuns: 60 },
    );
  });

  it('gives a tune that fits five keys one finger a key', () => {
    expect(finger(line(60, 62, 64, 65, 67, 65, 64, 62, 60), 'right', REACH).flat()).toEqual([
      1, 2, 3, 4, 5, 4, 3, 2, 1,
    ]);
    expect(finger(line(48, 50, 52, 53, 55, 53, 52, 50, 48), 'left', REACH).flat()).toEqual([
      5, 4, 3, 2, 1, 2, 3, 4, 5,
    ]);
  });

  it('passes the thumb under in a scale and never crosses fingers in a chord', () => {
    const scale = finger(line(60, 62, 64, 65, 67, 69, 71, 72), 'right', REACH).flat();
    expect(scale.slice(0, 4)).toEqual([1, 2, 3, 1]);
    const chords: HandEvent[] = [
      [48, 52, 55],
      [47, 50, 55],
      [48, 53, 57],
    ].map((keys) => ({ keys, afterRest: false, pinned: null }));
    for (const fingers of finger(chords, 'left', REACH))
      expect([...fingers].sort((a, b) => b - a)).toEqual(fingers);
  });

  it('keeps pinned fingers', () => {
    const events = line(60, 64, 67).map((e, i) => (i === 1 ? { ...e, pinned: [4] } : e));
    expect(finger(events, 'right', REACH)[1]).toEqual([4]);
  });

  it('puts a finger on every key of the demo songs, thumbs seldom on black', () => {
    for (const song of DEMO_SONGS) {
      const { right, left } = arrange(song, DEFAULT_PROFILE);
      expect([...right, ...left].every((n) => n.finger !== null && n.finger >= 1 && n.finger <= 5)).toBe(
        true,
      );
      const thumbsOnBlack = right.filter((n) => n.finger === 1 && n.pitch.alter !== 0);
      // The first two need one at most; low E♭ and D♯ under a wide phrase take the thumb in the others.
      const most = DEMO_SONGS.indexOf(song) < 2 ? 1 : Math.floor(right.length / 18);
      expect(thumbsOnBlack.length).toBeLessThanOrEqual(most);
    }
  });
});
