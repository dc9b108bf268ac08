import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange/song';
import { DEFAULT_PROFILE } from '../song/schema';
import { aloneCost, pairCost, placed, tripleCost } from './cost';
import type { HandEvent } from './event';
import { finger } from './finger';
import { arpeggioFingers, scaleFingers } from './tables';

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
        const chosen = finger(line(...list), hand, REACH, false).map(([f]) => f);
        expect(costOf(list, chosen, hand)).toBeCloseTo(best, 9);
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
    expect(scale).toEqual([1, 2, 3, 1, 2, 3, 4, 5]);
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

  it.each([
    ['root position', [48, 52, 55], [5, 3, 1], [1, 3, 5]],
    ['first inversion', [52, 55, 60], [5, 3, 1], [1, 2, 5]],
    ['second inversion', [55, 60, 64], [5, 2, 1], [1, 3, 5]],
    ['a seventh', [43, 47, 50, 53], [5, 3, 2, 1], [1, 2, 3, 5]],
    ['an octave', [48, 60], [5, 1], [1, 5]],
  ])('a chord in %s as methods print it, on every key', (_, keys, left, right) => {
    for (let up = 0; up < 12; up++) {
      const chord = (shift: number): HandEvent[] => [
        { keys: keys.map((key) => key + shift + up), afterRest: false, pinned: null },
      ];
      expect([up, finger(chord(-12), 'left', REACH)]).toEqual([up, [left]]);
      expect([up, finger(chord(12), 'right', REACH)]).toEqual([up, [right]]);
    }
  });

  it('rocking: 5 2 1 2 on every root, no finger on two keys in a row', () => {
    for (let root = 36; root < 48; root++) {
      const keys = [0, 7, 12, 7].map((step) => root + step);
      expect(finger(line(...keys, ...keys), 'left', REACH).flat()).toEqual([5, 2, 1, 2, 5, 2, 1, 2]);
    }
  });

  it('a waltz: the little finger below, thumb and second or third above, on every chord and inversion', () => {
    for (let root = 36; root < 48; root++)
      for (const steps of [
        [0, 4, 7],
        [0, 3, 7],
        [4, 7, 12],
        [3, 7, 12],
        [7, 12, 16],
        [7, 12, 15],
      ]) {
        const [bass, ...above] = steps.map((step) => root + step);
        const bar: HandEvent[] = [[bass], above, above].map((keys) => ({
          keys,
          afterRest: false,
          pinned: null,
        }));
        const fingers = finger([...bar, ...bar], 'left', REACH).slice(3);
        const told = [root, steps, fingers[0], [2, 3].includes(fingers[1][0]), fingers[1][1], fingers[2]];
        expect(told).toEqual([root, steps, [5], true, 1, fingers[1]]);
      }
  });
});

describe('scales and broken triads over two octaves, up and down, in every key', () => {
  const STEPS = {
    'major scale': [0, 2, 4, 5, 7, 9, 11],
    'harmonic minor scale': [0, 2, 3, 5, 7, 8, 11],
    'melodic minor scale': [0, 2, 3, 5, 7, 9, 11],
    'major arpeggio': [0, 4, 7],
    'minor arpeggio': [0, 3, 7],
  };
  const kinds = Object.entries(STEPS);

  /** The keys, and the fingers methods print for them. */
  function figure(name: string, steps: readonly number[], tonic: number, hand: 'right' | 'left') {
    const lowest = (hand === 'right' ? 60 : 36) + tonic;
    const up = [0, 12].flatMap((octave) => steps.map((step) => lowest + octave + step));
    const keys = [...up, lowest + 24, ...[...up].reverse()];
    const mode = name.startsWith('major') ? 'major' : 'minor';
    const table = (name.endsWith('scale') ? scaleFingers : arpeggioFingers)(mode, tonic, hand);
    const printed = keys.map((key) => {
      const degree = steps.indexOf((key - lowest) % 12);
      if (degree !== 0) return table.inside[degree];
      return key === lowest ? table.first : key === lowest + 24 ? table.last : table.inside[0];
    });
    return { keys, printed };
  }

  it.each(kinds)('%s: as printed, both hands, no slide', (name, steps) => {
    for (const hand of ['right', 'left'] as const)
      for (let tonic = 0; tonic < 12; tonic++) {
        const { keys, printed } = figure(name, steps, tonic, hand);
        expect([tonic, hand, finger(line(...keys), hand, REACH).flat()]).toEqual([tonic, hand, printed]);
      }
  });

  it.each(kinds)(
    '%s: mostly as printed by the rules alone, without a table, and never a slide',
    (name, steps) => {
      for (const hand of ['right', 'left'] as const) {
        let [same, all] = [0, 0];
        for (let tonic = 0; tonic < 12; tonic++) {
          const { keys, printed } = figure(name, steps, tonic, hand);
          const chosen = finger(line(...keys), hand, REACH, false).flat();
          chosen.forEach((f, i) => {
            all++;
            if (f === printed[i]) same++;
            // One finger on two keys in a row is never the rules' choice here.
            if (i > 0) expect(f === chosen[i - 1] && keys[i] !== keys[i - 1]).toBe(false);
          });
        }
        expect(same / all).toBeGreaterThan(0.6);
      }
    },
  );

  it('the usual fingers of some, by heart', () => {
    const up = (name: keyof typeof STEPS, tonic: number, hand: 'right' | 'left'): string =>
      figure(name, STEPS[name], tonic, hand)
        .printed.slice(0, 2 * STEPS[name].length + 1)
        .join('');
    expect(up('major scale', 0, 'right')).toBe('123123412312345');
    expect(up('major scale', 0, 'left')).toBe('543213214321321');
    expect(up('major scale', 5, 'right')).toBe('123412312341234');
    expect(up('major scale', 10, 'right')).toBe('412312341231234');
    expect(up('major scale', 11, 'left')).toBe('432143213214321');
    expect(up('harmonic minor scale', 9, 'right')).toBe('123123412312345');
    expect(up('major arpeggio', 0, 'right')).toBe('1231235');
    expect(up('major arpeggio', 2, 'left')).toBe('5321321');
    expect(up('major arpeggio', 10, 'left')).toBe('3213213');
  });
});
