import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { besideBlacks, landmarkOf, parseLandmark, midiOf, nameOf, parsePitch } from '../music';
import { applyEdit, DEFAULT_PROFILE } from '../song';
import { rightHandInWords } from '../words';
import { repeatedFigure } from './figures';

const line = (...keys: number[]) => keys.map((midi, i) => ({ tick: 480 * i, length: 480, midi }));

describe('figures inside a part', () => {
  it('are the runs whose repeats save most', () => {
    expect(repeatedFigure(line(60, 62, 64, 60, 62, 64, 65))).toEqual({ starts: [0, 3], notes: 3 });
    expect(repeatedFigure(line(60, 60, 60, 60, 60, 60))).toEqual({ starts: [0, 3], notes: 3 });
    expect(repeatedFigure(line(60, 62, 64, 65, 67, 69))).toBeNull();
    expect(repeatedFigure([])).toBeNull();
  });

  it('must have the same rhythm, the last note apart', () => {
    const other = line(60, 62, 64, 60, 62, 64).map((n, i) => (i === 4 ? { ...n, length: 240 } : n));
    expect(repeatedFigure(other)).toBeNull();
  });
});

describe('the right hand in words', () => {
  const rain = DEMO_SONGS[2];

  it('tells landmark, letters, direction, repeats, counts and words', () => {
    const told = rightHandInWords(arrange(DEMO_SONGS[5], DEFAULT_PROFILE), 0);
    expect(told[0]).toBe('Start on the E above middle C with finger 1.');
    expect(told).toContain('Bar 1: E, up to G, up to B   (on 1, 2, 3)   “Snow comes down”');
  });

  it('names a figure once that comes again in the part', () => {
    const whole = applyEdit(rain, {
      kind: 'cuts-placed',
      what: 'one part',
      cuts: [{ id: 'a', tick: 0, locked: false }],
    });
    const told = rightHandInWords(arrange(whole, DEFAULT_PROFILE), 0);
    expect(
      told.some((l) => /^The figure .* comes (twice|\d times), in bars .*: learn it once\.$/.test(l)),
    ).toBe(true);
  });

  it('finds the first key by the black keys when that is preferred', () => {
    const told = rightHandInWords(arrange(rain, { ...DEFAULT_PROFILE, landmarks: 'black-keys' }), 0);
    expect(told[0]).toContain(
      'A, between the second and third of the three black keys, in the octave from middle C up',
    );
  });

  it('says where it is learned when that is not where it is played', () => {
    const lower = applyEdit(rain, { kind: 'choose', choices: { shownOctave: -1 } });
    const told = rightHandInWords(arrange(lower, DEFAULT_PROFILE), 0);
    expect(told.slice(0, 2)).toEqual([
      'Start on the A below middle C with finger 5.',
      'Shown an octave lower for learning; it is played an octave higher.',
    ]);
    expect(arrange(lower, DEFAULT_PROFILE).right[0].midi).toBe(69);
  });
});

describe('landmarks', () => {
  it('name a key and find it again, every key of a piano', () => {
    for (const letter of ['C', 'C#', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'])
      for (let octave = 1; octave <= 7; octave++) {
        const pitch = parsePitch(`${letter}${octave}`);
        expect(nameOf(parseLandmark(landmarkOf(pitch)) ?? pitch)).toBe(nameOf(pitch));
      }
    expect(parseLandmark('the Q above middle C')).toBeNull();
    expect(parseLandmark('A above the moon')).toBeNull();
  });

  it('by black keys say which group and which octave', () => {
    expect(besideBlacks(parsePitch('E4'))).toBe(
      'E, just right of the two black keys, in the octave from middle C up',
    );
    expect(besideBlacks(parsePitch('F#5'))).toBe(
      'F♯, the first of the three black keys, in the octave from the C above middle C up',
    );
    expect(midiOf(parsePitch('B3'))).toBe(59);
  });
});
