import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  chroma,
  classAbove,
  classNameOf,
  midiOf,
  movedBy,
  nameOf,
  otherNameOf,
  parsePitch,
  parsePitchClass,
  pitchAt,
  PitchNameError,
  strikeNumber,
  typeset,
} from './pitch';

const anyClass = fc.record({
  letter: fc.constantFrom('C', 'D', 'E', 'F', 'G', 'A', 'B'),
  alter: fc.integer({ min: -2, max: 2 }),
} as const);

describe('pitch', () => {
  it('numbers middle C 60 and keeps spelling', () => {
    expect(midiOf(parsePitch('C4'))).toBe(60);
    expect(midiOf(parsePitch('Cb4'))).toBe(59);
    expect(midiOf(parsePitch('B#3'))).toBe(60);
    expect(nameOf(parsePitch('a♭3'))).toBe('Ab3');
  });

  it('spells by interval, not by key number', () => {
    expect(classNameOf(classAbove(parsePitchClass('Db'), '7m'))).toBe('Cb');
    expect(classNameOf(classAbove(parsePitchClass('F#'), '7M'))).toBe('E#');
    expect(classNameOf(classAbove(parsePitchClass('B'), '5A'))).toBe('F##');
  });

  it('never needs a triple accidental', () => {
    fc.assert(
      fc.property(anyClass, fc.constantFrom('3m', '5d', '7d', '5A', '7M', '9m', '11A'), (root, interval) => {
        expect(Math.abs(classAbove(root, interval).alter)).toBeLessThanOrEqual(2);
      }),
    );
  });

  it('finds the octave of a spelling for every key', () => {
    fc.assert(
      fc.property(fc.integer({ min: 21, max: 108 }), anyClass, (near, spelling) => {
        const midi = near - ((((near - chroma(spelling)) % 12) + 12) % 12);
        expect(midiOf(pitchAt(midi, spelling))).toBe(midi);
      }),
    );
  });

  it('reads what it writes and refuses the rest by name', () => {
    fc.assert(
      fc.property(anyClass, fc.integer({ min: 0, max: 8 }), (spelling, octave) => {
        expect(parsePitch(nameOf({ ...spelling, octave }))).toEqual({ ...spelling, octave });
      }),
    );
    expect(() => parsePitch('H4')).toThrow(PitchNameError);
    expect(() => parsePitchClass('C4')).toThrow('"C4" is not the name of a note');
  });

  it('typesets accidentals after letters and before numbers only', () => {
    expect(typeset('Bbm7b5/Db')).toBe('B♭m7♭5/D♭');
    expect(typeset('F#7#11')).toBe('F♯7♯11');
    expect(typeset('Abb')).toBe('A♭♭');
  });

  it('have another usual name, but for D, G and A', () => {
    const names = ['C#', 'Db', 'F#', 'E', 'F', 'B', 'C', 'B#', 'Cb', 'D', 'G', 'A', 'Ebb'];
    expect(
      names.map((name) => {
        const other = otherNameOf(parsePitchClass(name));
        return other && classNameOf(other);
      }),
    ).toEqual(['Db', 'C#', 'Gb', 'Fb', 'E#', 'Cb', 'B#', 'C', 'B', null, null, null, 'D']);
  });
});

describe('a letter moved as a transposing instrument sounds', () => {
  it.each([
    ['C', -1, -2, 'Bb'],
    ['C', 1, 2, 'D'],
    ['E', 2, 4, 'G#'],
    ['B', 1, 1, 'C'],
    ['F', -5, -9, 'Ab'],
    ['Bb', 1, 2, 'C'],
    ['F#', 3, 5, 'B'],
    ['Cb', -1, -1, 'Bb'],
    ['B#', 1, 2, 'C##'],
    // A triple accidental is written more simply.
    ['C##', 1, 3, 'F'],
  ])('%s by %i letters and %i half steps is %s', (from, steps, semitones, to) => {
    expect(classNameOf(movedBy(parsePitchClass(from), steps, semitones))).toBe(to);
  });
});

describe('the number of a strike', () => {
  it('is that of its key and tick alone, from the lowest key to the highest', () => {
    const ticks = [0, 1, 2, 200_000_000];
    const numbers = ticks.flatMap((tick) => [0, 1, 126, 127].map((midi) => strikeNumber({ tick, midi })));
    expect(new Set(numbers).size).toBe(16);
    expect(strikeNumber({ tick: 960, midi: 60 })).toBe(strikeNumber({ tick: 960, midi: 60 }));
    expect(numbers.every(Number.isSafeInteger)).toBe(true);
  });
});
