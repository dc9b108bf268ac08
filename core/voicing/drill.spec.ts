import { describe, expect, it } from 'vitest';
import { arpeggioWarmUp, scaleWarmUp } from '../fingering';
import {
  type Chord,
  parseChord,
  keyFromFifths,
  isBlack,
  reachMm,
  spanMm,
  chroma,
  classNameOf,
} from '../music';
import { DEFAULT_PROFILE, twelveKeys } from '../song';
import { drillFrom, DRILLS, drillThrough, markKeys } from './drill';
import { keysInPlace, readSymbol } from './inPlace';
import { semitonesBetween } from './movement';

const C = keyFromFifths(0, 'major');

describe('drills', () => {
  it('go through all twelve keys, each once, with little movement, within the hand', () => {
    for (const pattern of DRILLS)
      for (const order of ['falling-fifths', 'half-steps-up', 'whole-steps-down'] as const)
        for (const hand of ['left', 'right'] as const) {
          const steps = drillThrough(pattern, { ...C, mode: pattern.mode }, order, 12, DEFAULT_PROFILE, hand);
          expect(steps).toHaveLength(12 * pattern.chords.length);
          expect(new Set(steps.map((s) => chroma(s.key.tonic))).size, order).toBe(12);
          const moved = steps.slice(1).map((s, i) => semitonesBetween(steps[i].keys, s.keys));
          expect(moved.reduce((sum, m) => sum + m, 0) / moved.length).toBeLessThan(9);
          for (const { keys } of steps)
            expect(spanMm(keys[0], keys[keys.length - 1])).toBeLessThanOrEqual(reachMm(8));
        }
  });

  it('spell each chord as its key does', () => {
    const steps = drillThrough(
      DRILLS[0],
      keyFromFifths(-6, 'major'),
      'falling-fifths',
      1,
      DEFAULT_PROFILE,
      'left',
    );
    expect(steps.map((s) => s.symbol)).toEqual(['Abm7', 'Db7', 'Gbmaj7']);
  });

  it('take the progressions of a song, and small hands', () => {
    const own = drillFrom(
      'mine',
      [parseChord('Am'), parseChord('F'), parseChord('E7')] as Chord[],
      keyFromFifths(0, 'minor'),
    );
    const steps = drillThrough(
      own,
      keyFromFifths(-1, 'minor'),
      'half-steps-up',
      2,
      { ...DEFAULT_PROFILE, leftReach: 6 },
      'left',
    );
    expect(steps.slice(0, 3).map((s) => s.symbol)).toEqual(['Dm', 'Bb', 'A7']);
    for (const { keys } of steps)
      expect(spanMm(keys[0], keys[keys.length - 1])).toBeLessThanOrEqual(reachMm(6));
  });

  it('are marked key by key; another octave is right, another inversion is not', () => {
    expect(markKeys([48, 52, 55], [55, 48, 52]).isRight).toBe(true);
    expect(markKeys([48, 52, 55], [60, 64, 67]).isRight).toBe(true);
    expect(markKeys([48, 52, 55], [52, 55, 60])).toEqual({ isRight: false, missing: [48], extra: [60] });
    expect(markKeys([48, 52, 55], [48, 51, 55])).toEqual({ isRight: false, missing: [52], extra: [51] });
    expect(markKeys([48, 52], []).missing).toEqual([48, 52]);
  });
});

describe('warm-ups', () => {
  const keys = [...twelveKeys('major'), ...twelveKeys('minor')];
  it('are the notes of the scale and of the tonic triad', () => {
    expect(
      scaleWarmUp(keyFromFifths(0, 'minor'), 'right')
        .map((n) => classNameOf(n.pitch))
        .join(' '),
    ).toBe('A B C D E F G# A');
    for (const key of keys)
      for (const hand of ['right', 'left'] as const) {
        const scale = scaleWarmUp(key, hand);
        expect(scale).toHaveLength(8);
        expect(scale[7].midi - scale[0].midi).toBe(12);
        expect(arpeggioWarmUp(key, hand)).toHaveLength(4);
      }
  });

  it('follow the rules every scale fingering follows: no thumb on a black key, thumbs at most four notes apart', () => {
    for (const key of keys)
      for (const hand of ['right', 'left'] as const) {
        const scale = scaleWarmUp(key, hand);
        for (const { midi, finger } of scale)
          if (finger === 1) expect(isBlack(midi), classNameOf(key.tonic)).toBe(false);
        const inside = scale.slice(1, -1).map((n) => n.finger);
        expect(Math.max(...inside)).toBeLessThanOrEqual(4);
        scale.slice(1).forEach((n, i) => {
          const before = scale[i].finger;
          // Upwards: the next finger, or the thumb under (right), a finger over the thumb (left).
          const step = hand === 'right' ? n.finger - before : before - n.finger;
          const passes = hand === 'right' ? n.finger === 1 : before === 1;
          expect(step === 1 || passes, `${classNameOf(key.tonic)} ${key.mode} ${hand}`).toBe(true);
        });
      }
  });

  it.each([
    ['C major', 0, 'major', '12312345', '54321321'],
    ['F major', -1, 'major', '12341234', '54321321'],
    ['B♭ major', -2, 'major', '41231234', '32143213'],
    ['E♭ major', -3, 'major', '31234123', '32143213'],
    ['B major', 5, 'major', '12312345', '43214321'],
    ['F♯ minor', 3, 'minor', '34123123', '43213214'],
  ] as const)('%s is fingered as in every method', (_, fifths, mode, right, left) => {
    const key = keyFromFifths(fifths, mode);
    expect(
      scaleWarmUp(key, 'right')
        .map((n) => n.finger)
        .join(''),
    ).toBe(right);
    expect(
      scaleWarmUp(key, 'left')
        .map((n) => n.finger)
        .join(''),
    ).toBe(left);
  });
});

describe('a chord heard in the place of another', () => {
  it('is the nearest block below the melody', () => {
    const f = parseChord('F') as Chord;
    expect(keysInPlace(f, [52, 57, 60], 69, DEFAULT_PROFILE)).toEqual([53, 57, 60]);
    expect(Math.max(...keysInPlace(f, [52, 57, 60], 55, DEFAULT_PROFILE))).toBeLessThan(55);
    expect(keysInPlace(f, [52], 22, DEFAULT_PROFILE)).toEqual([]);
    // A small hand low down has no room for all of it, but for three that tell it.
    const seventh = parseChord('Ebmaj7') as Chord;
    const small = { ...DEFAULT_PROFILE, leftReach: 6 } as const;
    expect(keysInPlace(seventh, [26], 32, small)).toEqual([26, 27, 31]);
  });

  it('is read, or refused in a sentence', () => {
    expect(readSymbol('N.C.')).toEqual({ chord: null });
    expect(readSymbol('Hm')).toHaveProperty('problem');
  });
});
