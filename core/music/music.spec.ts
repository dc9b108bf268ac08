import { describe, expect, it } from 'vitest';
import { fifthsOf, type Key, keyFromFifths, keyName, scaleOf, spellInKey, withSignature } from './key';
import { centreMm, isBlack, KEYBOARDS, OCTAVE_MM, reachMm, spanMm, WHITE_MM } from './keyboard';
import { landmarkOf } from './landmarks';
import { MODES } from './mode';
import { chroma, classNameOf, nameOf, parsePitch, parsePitchClass } from './pitch';

describe('key', () => {
  it('has the signature of the circle of fifths, both modes, all fifteen', () => {
    const majors = ['Cb', 'Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#'];
    majors.forEach((tonic, i) => {
      const key = { tonic: parsePitchClass(tonic), mode: 'major' as const };
      expect(fifthsOf(key)).toBe(i - 7);
      expect(keyName(keyFromFifths(i - 7, 'major'))).toBe(`${tonic} major`);
    });
    expect(keyName(keyFromFifths(0, 'minor'))).toBe('A minor');
    expect(keyName(keyFromFifths(-3, 'minor'))).toBe('C minor');
    expect(keyName(keyFromFifths(7, 'minor'))).toBe('A# minor');
  });

  it('are written with at most seven accidentals, on the same key of the piano', () => {
    expect(keyName(withSignature({ tonic: { letter: 'G', alter: 1 }, mode: 'major' }))).toBe('Ab major');
    expect(keyName(withSignature({ tonic: { letter: 'C', alter: 1 }, mode: 'major' }))).toBe('C# major');
    for (const letter of 'CDEFGAB')
      for (const alter of [-2, -1, 0, 1, 2])
        for (const mode of MODES) {
          const key = { tonic: { letter: letter as Key['tonic']['letter'], alter }, mode };
          const written = withSignature(key);
          expect(Math.abs(fifthsOf(written))).toBeLessThanOrEqual(7);
          expect([chroma(written.tonic), written.mode]).toEqual([chroma(key.tonic), mode]);
        }
  });

  it('spells its scale and the raised degrees of minor', () => {
    const aMinor = keyFromFifths(0, 'minor');
    expect(scaleOf(keyFromFifths(-3, 'major')).map(classNameOf).join(' ')).toBe('Eb F G Ab Bb C D');
    expect(nameOf(spellInKey(68, aMinor))).toBe('G#4');
    expect(nameOf(spellInKey(66, aMinor))).toBe('F#4');
    expect(nameOf(spellInKey(65, keyFromFifths(1, 'major')))).toBe('F4');
  });
});

describe('keyboard geometry', () => {
  it('is 164 mm to the octave everywhere, keys left to right', () => {
    for (let midi = 21; midi < 108; midi++) {
      expect(centreMm(midi + 1)).toBeGreaterThan(centreMm(midi));
      expect(spanMm(midi - 12, midi)).toBeCloseTo(OCTAVE_MM, 9);
    }
  });

  it('places black keys in the stated slots', () => {
    expect(centreMm(1)).toBeCloseTo(1.5 * ((3 * WHITE_MM) / 5), 9);
    expect(centreMm(10)).toBeCloseTo(3 * WHITE_MM + 5.5 * ((4 * WHITE_MM) / 7), 9);
  });

  it('lets a reach of an octave hold every octave and no white ninth', () => {
    expect(spanMm(60, 72)).toBeLessThanOrEqual(reachMm(8));
    expect(spanMm(60, 74)).toBeGreaterThan(reachMm(8));
    expect(spanMm(60, 74)).toBeLessThanOrEqual(reachMm(9));
  });

  it('knows the ends of the usual keyboards', () => {
    for (const [size, { low, high }] of Object.entries(KEYBOARDS)) expect(high - low + 1).toBe(Number(size));
    expect([1, 3, 6, 8, 10].every(isBlack)).toBe(true);
  });
});

describe('landmarks', () => {
  it('tells keys from the nearest C the way pianists do', () => {
    expect(landmarkOf(parsePitch('A3'))).toBe('the A below middle C');
    expect(landmarkOf(parsePitch('C4'))).toBe('middle C');
    expect(landmarkOf(parsePitch('G4'))).toBe('the G above middle C');
    expect(landmarkOf(parsePitch('E5'))).toBe('the E above the C above middle C');
    expect(landmarkOf(parsePitch('Bb2'))).toBe('the B♭ below the C below middle C');
  });
});
