import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import { CHORD_TYPES } from './chordTypes';
import { parseChord, symbolOf } from './chord';
import { landmarkOf, parseLandmark } from './landmarks';
import { inEnglish, NOTE_NAMES, ownName, readName, useNoteNames } from './noteNames';
import { LETTERS, parsePitch, typeset } from './pitch';

afterEach(() => useNoteNames('english'));
const inNames = <T>(names: (typeof NOTE_NAMES)[number], said: () => T): T => {
  useNoteNames(names);
  return said();
};
const ascii = (text: string): string => text.replaceAll('♭', 'b').replaceAll('♯', '#');
const pitchClasses = fc.record({
  letter: fc.constantFrom(...LETTERS),
  alter: fc.integer({ min: -1, max: 1 }),
});

describe('names of notes', () => {
  it.each([
    ['english', 'C♯ D E♭ F G A B B♭ B♭♭'],
    ['solfege', 'Do♯ Re Mi♭ Fa Sol La Si Si♭ Si♭♭'],
    ['german', 'C♯ D E♭ F G A H B B♭'],
  ] as const)('%s: %s', (names, wanted) => {
    const said = inNames(names, () => typeset('C# D Eb F G A B Bb Bbb'));
    expect(said).toBe(wanted);
  });

  it('are told in symbols, keys and places, and in nothing else', () => {
    const all = [
      'Bb7/D',
      'Bm7b5',
      'Cadd9',
      'Dsus4/G',
      'N.C.',
      'Bb major',
      'Ebmaj7, root position',
      'Ab3 B4',
      'A+B3',
    ];
    expect(inNames('german', () => all.map(typeset))).toEqual([
      'B7/D',
      'Hm7♭5',
      'Cadd9',
      'Dsus4/G',
      'N.C.',
      'B major',
      'E♭maj7, root position',
      'A♭3 H4',
      'A+H3',
    ]);
    expect(inNames('solfege', () => all.map(typeset))).toEqual([
      'Si♭7/Re',
      'Sim7♭5',
      'Doadd9',
      'Resus4/Sol',
      'N.C.',
      'Si♭ major',
      'Mi♭maj7, root position',
      'La♭3 Si4',
      'La+Si3',
    ]);
    expect(inNames('solfege', () => landmarkOf(parsePitch('Bb3')))).toBe('the Si♭ below middle Do');
    expect(inNames('german', () => landmarkOf(parsePitch('B2')))).toBe('the H below the C below middle C');
  });

  it('are read as they are told: every chord on every root, over every bass', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...NOTE_NAMES),
        fc.constantFrom(...CHORD_TYPES),
        pitchClasses,
        fc.option(pitchClasses),
        (names, type, root, bass) => {
          const symbol = symbolOf({ root, type, bass });
          const read = inNames(names, () => inEnglish(ascii(typeset(symbol))));
          expect(symbolOf(parseChord(read))).toBe(symbolOf(parseChord(symbol)));
        },
      ),
    );
    expect(
      inNames('solfege', () => ['lam7/sol', 'Do6/9', 'rém', 'N.C.', 'sib', 'xyz'].map(inEnglish)),
    ).toEqual(['Am7/G', 'C6/9', 'Dm', 'N.C.', 'Bb', 'xyz']);
    const german = [
      'H7',
      'B',
      'Bb7',
      'Hb',
      'Fis7',
      'Es',
      'Esus4',
      'Asus4',
      'Asmaj7',
      'Des/As',
      'Hm',
      'His',
      'Cism',
    ];
    expect(inNames('german', () => german.map(inEnglish))).toEqual([
      'B7',
      'Bb',
      'Bb7',
      'Bb',
      'F#7',
      'Eb',
      'Esus4',
      'Asus4',
      'Abmaj7',
      'Db/Ab',
      'Bm',
      'B#',
      'C#m',
    ]);
  });

  it('name each note once', () => {
    for (const names of NOTE_NAMES) {
      const told = LETTERS.flatMap((letter) =>
        [-1, 0, 1].map((alter) => inNames(names, () => ownName({ letter, alter }))),
      );
      expect(new Set(told).size).toBe(21);
    }
    expect(inNames('english', () => readName('h'))).toBeNull();
    expect(inNames('solfege', () => parseLandmark('Si♭ below middle Do'))).toEqual(parsePitch('Bb3'));
  });
});
