import { describe, expect, it } from 'vitest';
import { type Chord, parseChord } from '../music';
import { movementOf, nearestLine, rootPositionLine } from './baseline';
import { voicingOf } from './voicing';

const chord = (symbol: string): Chord => parseChord(symbol) as Chord;

describe('lines to compare with', () => {
  const bounds = { low: 40, high: 64, reachMm: 190 };

  it('in root position: each chord in the octave nearest to the one before', () => {
    const line = rootPositionLine(
      ['C', 'A', 'F', 'B'].map(chord),
      bounds,
      voicingOf([48, 52, 55], chord('C')),
    );
    expect(line.map(({ keys }) => keys[0])).toEqual([48, 45, 41, 47]);
    expect(movementOf(line)).toMatchObject({ semitones: 9 + 12 + 18 });
    expect(movementOf(line.slice(0, 1))).toEqual({ semitones: 0, millimetres: 0 });
  });

  it('the nearest: what moves least from the one before, the first of two, chords that cannot lie left out', () => {
    const one = (keys: number[]) => voicingOf(keys, chord('C'));
    const line = nearestLine([[one([48]), one([60])], [], [one([50]), one([46]), one([47])]], null);
    expect(line.map(({ keys }) => keys[0])).toEqual([48, 47]);
    expect(nearestLine([[one([50]), one([46])]], one([48])).map(({ keys }) => keys[0])).toEqual([50]);
  });
});
