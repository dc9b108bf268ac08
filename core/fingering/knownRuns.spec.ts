import { describe, expect, it } from 'vitest';
import type { Hand } from '../hands';
import { midiOf, parsePitch } from '../music';
import { brokenFigures } from './brokenFigures';
import { chordRun } from './chordRuns';
import { chromaticRun, scaleRun } from './scaleRuns';

const keysOf = (names: string): number[] => names.split(' ').map((name) => midiOf(parsePitch(name)));
const fingers = (
  run: (keys: readonly number[], hand: Hand) => number[] | null,
  names: string,
  hand: Hand,
): string | null => run(keysOf(names), hand)?.join(' ') ?? null;

describe('the fingers of a broken chord over the octaves', () => {
  it.each([
    ['C4 E4 G4 C5 E5 G5 C6', '1 2 3 1 2 3 5', '5 4 2 1 4 2 1'],
    ['D4 F#4 A4 D5 F#5 A5 D6', '1 2 3 1 2 3 5', '5 3 2 1 3 2 1'],
    ['E4 G4 C5 E5 G5 C6 E6', '1 2 4 1 2 4 5', '5 4 2 1 4 2 1'],
    ['G4 C5 E5 G5 C6', '1 2 4 1 2', '5 3 2 1 3'],
    ['C4 E4 G4 Bb4 C5 E5 G5 Bb5 C6', '1 2 3 4 1 2 3 4 5', '5 4 3 2 1 4 3 2 1'],
    ['Bb3 D4 F4 Ab4 Bb4 D5 F5 Ab5 Bb5', '4 1 2 3 4 1 2 3 4', '3 2 1 4 3 2 1 4 3'],
    ['Bb3 D4 F4 A4 Bb4 D5 F5 A5 Bb5', '4 1 2 3 4 1 2 3 4', '4 3 2 1 4 3 2 1 4'],
  ])('%s', (names, right, left) => {
    expect(fingers(chordRun, names, 'left')).toBe(left);
    expect(fingers(chordRun, names, 'right')).toBe(right);
    const falling = names.split(' ').reverse().join(' ');
    expect(fingers(chordRun, falling, 'right')).toBe(right.split(' ').reverse().join(' '));
  });

  it('are none for four notes, for a note left out, and for what is no chord', () => {
    expect(fingers(chordRun, 'C4 E4 G4 C5', 'right')).toBeNull();
    expect(fingers(chordRun, 'C4 E4 G4 C5 G5', 'right')).toBeNull();
    expect(fingers(chordRun, 'C4 D4 G4 C5 D5', 'right')).toBeNull();
    expect(fingers(chordRun, 'C4 E4 G4 A4 C5', 'right')).toBe('1 2 3 4 5');
  });
});

describe('the fingers of a scale', () => {
  it.each([
    ['C4 D4 E4 F4 G4 A4 B4 C5', '1 2 3 1 2 3 4 5', '5 4 3 2 1 3 2 1'],
    ['F4 G4 A4 Bb4 C5 D5 E5 F5', '1 2 3 4 1 2 3 4', '5 4 3 2 1 3 2 1'],
    ['A4 B4 C5 D5 E5 F5 G#5 A5', '1 2 3 1 2 3 4 5', '5 4 3 2 1 3 2 1'],
    ['A4 B4 C5 D5 E5 F#5 G#5 A5', '1 2 3 1 2 3 4 5', '5 4 3 2 1 3 2 1'],
    // Modes: dorian, lydian (its fourth is black), locrian (its fifth is black).
    ['D4 E4 F4 G4 A4 B4 C5 D5', '1 2 3 1 2 3 4 5', '5 4 3 2 1 3 2 1'],
    ['C4 D4 E4 F#4 G4 A4 B4 C5', '1 2 3 4 1 2 3 4', '5 4 3 2 1 3 2 1'],
    ['E4 F4 G4 A4 Bb4 C5 D5 E5', '1 2 3 1 2 3 4 5', '4 3 2 1 4 3 2 1'],
    // Natural minor from a black key goes as its major, here D flat's.
    ['Bb4 C5 Db5 Eb5 F5 Gb5 Ab5 Bb5', '4 1 2 3 1 2 3 4', '2 1 3 2 1 4 3 2'],
  ])('%s', (names, right, left) => {
    expect(fingers(scaleRun, names, 'right')).toBe(right);
    expect(fingers(scaleRun, names, 'left')).toBe(left);
  });

  it('are none for seven notes, a step wider than an augmented second, or a note left out', () => {
    expect(fingers(scaleRun, 'C4 D4 E4 F4 G4 A4 B4', 'right')).toBeNull();
    expect(fingers(scaleRun, 'C4 D4 E4 F4 G4 A4 B4 C5 E5', 'right')).toBeNull();
    expect(fingers(scaleRun, 'C4 D4 E4 G4 A4 C5 D5 E5', 'right')).toBeNull();
    expect(fingers(scaleRun, 'C4 D4 Eb4 F4 F#4 A4 B4 C5', 'right')).toBeNull();
  });

  it('of half steps: the third on black, five at least and nothing wider', () => {
    expect(fingers(chromaticRun, 'C4 C#4 D4 D#4 E4 F4 F#4', 'right')).toBe('1 3 1 3 1 2 3');
    expect(fingers(chromaticRun, 'F4 E4 Eb4 D4 C#4 C4 B3', 'left')).toBe('1 2 3 1 3 1 2');
    expect(fingers(chromaticRun, 'C4 C#4 D4 D#4', 'right')).toBeNull();
    expect(fingers(chromaticRun, 'C4 C#4 D4 E4 F4', 'right')).toBeNull();
  });
});

describe('accompanying figures of the left hand', () => {
  const found = (names: string, hand: Hand = 'left') =>
    brokenFigures({ from: 3, keys: keysOf(names) }, hand).map(
      ({ from, fingers }) => `${from}: ${fingers.join(' ')}`,
    );

  it('are found one after another, the longest first, with their printed fingers', () => {
    expect(found('C3 G3 C4 G3')).toEqual(['3: 5 2 1 2']);
    expect(found('C3 G3 C4 E4 C4 G3')).toEqual(['3: 5 2 1 2 1 2']);
    expect(found('C3 G3 E3 G3 F2 C3 F3 A3')).toEqual(['3: 5 1 3 1', '7: 5 2 1 2']);
    expect(found('D3 C3 G3 C4')).toEqual(['4: 5 2 1']);
    expect(found('A2 E3 A3 C4 E4 A4 E4 C4')).toEqual(['3: 5 2 1 3 2 1 2 3']);
  });

  it('have fifths of three sizes, and nothing else in their place; the right hand has none', () => {
    expect(found('B2 F3 B3')).toEqual(['3: 5 2 1']);
    expect(found('C3 G#3 C4')).toEqual(['3: 5 2 1']);
    expect(found('C3 F3 C4')).toEqual([]);
    expect(found('C3 A3 C4')).toEqual([]);
    expect(found('C3 G3 C4 G3', 'right')).toEqual([]);
  });
});
