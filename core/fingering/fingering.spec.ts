import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { onLevel } from '../../demo/arranged';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { LEVELS } from '../levels';
import { DEFAULT_PROFILE } from '../song';
import { runs } from '../testing';
import { aloneCost, pairCost, placed, tripleCost } from './cost';
import type { HandEvent } from './event';
import { finger } from './finger';

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
      { numRuns: runs(60) },
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

  it('takes no finger twice in a row for other keys in any demo song, at any level, the hand not being free', () => {
    const played = LEVELS.map(({ number }) => number);
    for (const song of DEMO_SONGS)
      for (const level of played) {
        const { right, left, parts } = onLevel(song, level);
        const partAt = (tick: number): number => parts.findLastIndex(({ fromTick }) => fromTick <= tick);
        for (const notes of [right, left]) {
          const strikes: (typeof notes)[number][][] = [];
          for (const note of notes) {
            const last = strikes.at(-1);
            if (last && last[0].tick === note.tick && !last[0].grace && !note.grace) last.push(note);
            else strikes.push([note]);
          }
          const slides = strikes.flatMap((now, i) => {
            const before = strikes[i - 1] ?? [];
            const isChords = now.length > 1 && before.length > 1;
            // The hand comes from anywhere after a rest of a beat, and in a new part after a note of two.
            const [note, last] = [now[0], before[0]];
            const isFree =
              i === 0 ||
              note.tick - (last.tick + last.length) >= 960 ||
              (partAt(note.tick) !== partAt(last.tick) && last.length >= 1920);
            if (isChords || isFree) return [];
            // From a low bass to a chord of three above it, and back, the whole hand leaps.
            const [bass, chord] = now.length === 1 ? [now, before] : [before, now];
            const isLeap =
              chord.length > 2 && notes === left && bass[0].midi < Math.min(...chord.map((n) => n.midi));
            // To a chord that fills the hand the whole hand goes.
            const keys = now.map(({ midi }) => midi);
            const isFull = keys.length > 2 && Math.max(...keys) - Math.min(...keys) >= 12;
            const same = (isFull ? [] : now).filter((n) =>
              before.some((b) => b.finger === n.finger && b.midi !== n.midi && !(isLeap && n.finger === 5)),
            );
            return same.map((n) => `bar ${n.tick / 3840}: ${n.midi} by ${n.finger}`);
          });
          expect([song.title, level, slides]).toEqual([song.title, level, []]);
        }
      }
  });

  it('keeps fingers that are pinned across one another, or one on two keys', () => {
    for (const pinned of [
      [1, 4, 2],
      [3, 2, 2],
      [1, 1, 1],
    ])
      for (const hand of ['left', 'right'] as const) {
        const events = [
          { keys: [48], afterRest: false, pinned: null },
          { keys: [48, 52, 55], afterRest: false, pinned },
        ];
        expect(finger(events, hand, 8)[1]).toEqual(pinned);
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
