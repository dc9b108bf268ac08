import { describe, expect, it } from 'vitest';
import { type Chord, ChordSymbolError, membersOf, parseChord, symbolOf } from './chord';
import { CHORD_TYPES } from './chordTypes';
import { classNameOf } from './pitch';

const ROOTS = [
  'C',
  'Db',
  'D',
  'Eb',
  'E',
  'F',
  'F#',
  'Gb',
  'G',
  'Ab',
  'A',
  'Bb',
  'B',
  'C#',
  'D#',
  'G#',
  'A#',
  'Cb',
];

function spelled(symbol: string): string {
  return membersOf(parseChord(symbol) as Chord)
    .map((m) => classNameOf(m.pitchClass))
    .join(' ');
}

describe('chord symbols', () => {
  it('reads every spelling of every type on every root and writes one that reads the same', () => {
    for (const root of ROOTS) {
      for (const type of CHORD_TYPES) {
        for (const suffix of [type.suffix, ...type.spellings]) {
          const chord = parseChord(root + suffix) as Chord;
          expect(chord.type.suffix, root + suffix).toBe(type.suffix);
          expect(parseChord(symbolOf(chord))).toEqual(chord);
          const chromas = membersOf(chord).map((m) => (m.chroma - membersOf(chord)[0].chroma + 12) % 12);
          expect(chromas).toEqual(type.semitones.map((s) => s % 12));
        }
      }
    }
  });

  it('spells members by letter, as the rules give them', () => {
    expect(spelled('Db7')).toBe('Db F Ab Cb');
    expect(spelled('Fm7')).toBe('F Ab C Eb');
    expect(spelled('B7')).toBe('B D# F# A');
    expect(spelled('C°7')).toBe('C Eb Gb Bbb');
    expect(spelled('Cø')).toBe('C Eb Gb Bb');
    expect(spelled('CΔ')).toBe('C E G B');
    expect(spelled('G7#11')).toBe('G B D F C#');
  });

  it('reads the same chord from the usual spellings', () => {
    for (const same of [
      ['C-7', 'Cm7', 'Cmin7'],
      ['Cø', 'Cm7b5'],
      ['C°7', 'Cdim7'],
      ['CΔ', 'Cmaj7', 'CM7'],
    ]) {
      expect(new Set(same.map((s) => symbolOf(parseChord(s)))).size).toBe(1);
    }
  });

  it('reads slash chords, keeps 6/9 whole, and knows no chord', () => {
    expect(symbolOf(parseChord('Bbmaj7/D'))).toBe('Bbmaj7/D');
    expect((parseChord('C6/9') as Chord).bass).toBeNull();
    expect(symbolOf(parseChord('C6/9/E'))).toBe('C6/9/E');
    expect(parseChord('N.C.')).toBeNull();
  });

  it('points at the first character it does not understand', () => {
    expect(() => parseChord('Hm')).toThrow(ChordSymbolError);
    for (const [symbol, at] of [
      ['Hm', 0],
      ['C7maj7', 2],
      ['Cqq', 1],
      ['Cm7b5x', 5],
      ['C/X', 2],
    ] as const) {
      try {
        parseChord(symbol);
        expect.unreachable();
      } catch (error) {
        expect((error as ChordSymbolError).at, symbol).toBe(at);
      }
    }
  });
});
