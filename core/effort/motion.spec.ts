import { describe, expect, it } from 'vitest';
import type { HandNote } from '../hands';
import { centreMm, parsePitch, type Pitch, reachMm, spanMm } from '../music';
import { DEFAULT_PROFILE, type Profile } from '../song';
import { blacksIn, carriedMm, openedAlong, openedBy, passOrSlide } from './motion';

/** Keys struck together, with their fingers. */
function strike(...keys: readonly (readonly [midi: number, finger: number | null])[]): HandNote[] {
  return keys.map(([midi, finger]) => ({
    hand: 'right',
    tick: 0,
    length: 480,
    midi,
    pitch: parsePitch('C4') as Pitch,
    source: 'melody',
    from: 'n',
    lyric: null,
    grace: false,
    finger,
  }));
}

describe('how far a hand is carried', () => {
  it('is told by where its thumb would lie: five fingers over five keys stay in their place', () => {
    const five = [60, 62, 64, 65, 67].map((midi, i) => strike([midi, i + 1]));
    for (const from of five) for (const to of five) expect(carriedMm(from, to, 'right')).toBe(0);
    const mirrored = [48, 50, 52, 53, 55].map((midi, i) => strike([midi, 5 - i]));
    for (const from of mirrored) for (const to of mirrored) expect(carriedMm(from, to, 'left')).toBe(0);
  });

  it('is what the thumb moves beyond turning and opening', () => {
    const octave = centreMm(72) - centreMm(60);
    expect(carriedMm(strike([60, 1]), strike([72, 1]), 'right')).toBeCloseTo(octave - 35);
    expect(carriedMm(strike([72, 1]), strike([60, 1]), 'right')).toBeCloseTo(octave - 35);
    // From the thumb to the little finger an octave up the hand moves by less; the left hand the other way round.
    expect(carriedMm(strike([60, 1]), strike([72, 5]), 'right')).toBeCloseTo(octave - 94 - 35);
    expect(carriedMm(strike([60, 5]), strike([72, 1]), 'left')).toBeCloseTo(octave - 94 - 35);
    expect(carriedMm(strike([60, 1]), strike([72, 5]), 'left')).toBeCloseTo(octave + 94 - 35);
    expect(carriedMm(strike([60, 2]), strike([72, 3]), 'right')).toBeCloseTo(octave - (47 - 24) - 35);
    expect(carriedMm(strike([60, 4]), strike([72, 1]), 'right')).toBeCloseTo(octave + 70 - 35);
  });

  it('goes by the middle of the keys where no finger is known', () => {
    const triad = strike([60, null], [64, null], [67, null]);
    const higher = strike([72, null], [76, null], [79, null]);
    expect(carriedMm(triad, higher, 'right')).toBeCloseTo(centreMm(72) - centreMm(60) - 35);
  });
});

describe('a pass of the thumb, or a finger that slides', () => {
  it.each([
    ['thumb under the third finger, a step', 64, 3, 65, 1, 1],
    ['thumb under the fourth finger, a third', 64, 4, 67, 1, 1 + 0.9],
    ['thumb under, a fourth', 62, 3, 67, 1, 1 + 3 * 0.9],
    ['one finger to the next key', 60, 2, 62, 2, 1],
    ['one finger on one key', 60, 2, 60, 2, 0],
    ['the next finger to the next key', 60, 1, 62, 2, 0],
    ['another finger on one key', 60, 1, 60, 3, 0],
  ])('%s', (_, from, finger, to, next, counts) => {
    expect(passOrSlide(strike([from, finger]), strike([to, next]), 'right')).toBeCloseTo(counts);
  });

  it('is none where a chord is struck or a finger is not known', () => {
    const third = strike([60, 1], [64, 3]);
    expect(passOrSlide(third, strike([65, 1]), 'right')).toBe(0);
    expect(passOrSlide(strike([65, 1]), third, 'right')).toBe(0);
    expect(passOrSlide(strike([64, null]), strike([65, 1]), 'right')).toBe(0);
    expect(passOrSlide(strike([64, 3]), strike([65, null]), 'right')).toBe(0);
  });
});

describe('how far a hand is opened', () => {
  const profile: Profile = { ...DEFAULT_PROFILE, rightReach: 8, leftReach: 10 };

  it('is nothing up to 85 hundredths of its reach, everything at the whole of it, and in between in proportion', () => {
    const share = (low: number, high: number): number => spanMm(low, high) / reachMm(8);
    const opened = (low: number, high: number): number =>
      openedBy(strike([low, 1], [high, 5]), 'right', profile);
    expect(share(60, 72)).toBeLessThanOrEqual(1);
    expect(opened(60, 72)).toBeCloseTo((share(60, 72) - 0.85) / 0.15);
    expect(opened(60, 67)).toBe(0);
    expect(opened(60, 76)).toBe(1);
    expect(openedBy(strike([48, 5], [60, 1]), 'left', profile)).toBe(0);
  });

  it('is nothing in a chord that is rolled', () => {
    const rolled = strike([48, null], [64, null]).map((note, i) => ({ ...note, rolled: i }));
    expect(openedBy(rolled, 'right', profile)).toBe(0);
  });

  it('by three single notes that lie wider than its reach, an octave from one to the next at most', () => {
    const along = (...keys: number[]): number =>
      openedAlong(
        keys.map((midi) => strike([midi, null])),
        'right',
        profile,
      );
    expect([along(60, 67, 72), along(60, 72, 60)]).toEqual([0, 0]);
    const share = spanMm(60, 74) / reachMm(8);
    expect(along(60, 67, 74)).toBeCloseTo((share - 1) / 0.2);
    expect(along(60, 71, 82)).toBe(1);
    // Thirteen half steps at once are a leap; two notes are no figure, nor is a chord among them.
    expect(along(60, 73, 74)).toBe(0);
    expect(along(60, 74)).toBe(0);
    expect(
      openedAlong([strike([60, null]), strike([67, null], [71, null]), strike([76, null])], 'right', profile),
    ).toBe(0);
  });
});

describe('black keys', () => {
  it('are counted', () => {
    expect([blacksIn(strike([60, 1], [63, 2], [66, 3])), blacksIn(strike([60, 1]))]).toEqual([2, 0]);
  });
});
