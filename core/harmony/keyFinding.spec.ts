import { describe, expect, it } from 'vitest';
import { keyFromFifths } from '../music';
import { wholeBars } from '../testing';
import { keyReasonInWords } from '../sentences';
import { findKeys } from './keyFinding';

const C = keyFromFifths(0, 'major');
const A = keyFromFifths(0, 'minor');

describe('the key of a song', () => {
  const found = (melody: string[], chords: string[]) => findKeys(wholeBars(melody, chords));

  it('is told with what speaks for it', () => {
    const [best] = found(['C5', 'F5', 'B4', 'C5'], ['C', 'F', 'G', 'C']);
    expect(best.key).toEqual(C);
    expect(best.reasons.map(keyReasonInWords)).toEqual([
      'every note lies in it',
      'the last note is C',
      'the last chord is its tonic',
      'the first chord is its tonic',
    ]);
    const minor = found(['A4', 'D5', 'G#4', 'A4'], ['Am', 'Dm', 'E', 'Am']);
    expect(minor[0].key).toEqual(A);
    expect(minor[0].reasons.map(keyReasonInWords)).toContain('its raised leading note rises to it');
    const third = found(['C5', 'F5', 'B4', 'E5'], ['C', 'F', 'G', 'C']);
    expect(third[0].reasons.map(keyReasonInWords)).toContain('the last note belongs to its tonic chord');
  });

  it('says how much of the time lies in it', () => {
    const [best] = found(['C5', 'D#5', 'E5', 'C5'], ['C', 'C', 'G', 'C']);
    expect(best.key).toEqual(C);
    // One note of four, and chords for half of their length: a D sharp for 1 of 6 bars in all.
    expect(best.reasons[0]).toEqual({ kind: 'inside', percent: 83 });
  });

  it('has all twenty-four to choose from', () => {
    const keys = found(['C5'], ['C']);
    expect(new Set(keys.map(({ key }) => JSON.stringify(key))).size).toBe(24);
    expect(keys.every(({ fit }, i) => i === 0 || fit <= keys[i - 1].fit)).toBe(true);
  });
});
