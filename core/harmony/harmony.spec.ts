import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Chord, membersOf, parseChord, symbolOf, CHORD_TYPES, type Key, keyFromFifths } from '../music';
import { functionInWords } from '../sentences';
import { degreeOf, numeralOf } from './degree';
import { inversionName, inversionOf } from './inversion';
import { inversionReason, nameKeys } from './naming';

const chord = (symbol: string): Chord => parseChord(symbol) as Chord;
const C: Key = keyFromFifths(0, 'major');
const A_MINOR: Key = keyFromFifths(0, 'minor');

describe('degree and role', () => {
  const functionOf = (symbol: string, next: string): string =>
    functionInWords(degreeOf(chord(symbol), chord(next), C).chordFunction);

  it('numbers the sevenths of a major key', () => {
    const numerals = ['Cmaj7', 'Dm7', 'Em7', 'Fmaj7', 'G7', 'Am7', 'Bm7b5'].map((s) =>
      numeralOf(chord(s), C),
    );
    expect(numerals).toEqual(['Imaj7', 'ii7', 'iii7', 'IVmaj7', 'V7', 'vi7', 'viiø7']);
  });

  it('numbers minor with its raised leading note', () => {
    expect(
      ['Am', 'Bdim', 'C', 'Dm', 'E7', 'F', 'G', 'G#dim'].map((s) => numeralOf(chord(s), A_MINOR)),
    ).toEqual(['i', 'ii°', 'III', 'iv', 'V7', 'VI', 'VII', '♯vii°']);
  });

  it('are counted by the letter a root is written with, raised or lowered', () => {
    const B_FLAT: Key = { tonic: { letter: 'B', alter: -1 }, mode: 'major' };
    expect(['Bdim7', 'Cb7', 'Edim7', 'F#m7b5'].map((s) => numeralOf(chord(s), B_FLAT))).toEqual([
      '♯i°7',
      '♭II7',
      '♯iv°7',
      '♯vø7',
    ]);
    expect(['C#dim7', 'Db7', 'F#m7b5', 'Gb7', 'Ab7'].map((s) => numeralOf(chord(s), C))).toEqual([
      '♯i°7',
      '♭II7',
      '♯ivø7',
      '♭V7',
      '♭VI7',
    ]);
    // Spelled from another key: named by where it sounds.
    expect(numeralOf(chord('B#'), { tonic: { letter: 'G', alter: -1 }, mode: 'major' })).toBe('♯IV');
  });

  it('knows secondary dominants, the half step above, passing diminished and borrowed chords', () => {
    expect(functionOf('A7', 'Dm')).toBe('vi made dominant, leading to ii');
    expect(functionOf('D7', 'G7')).toBe('ii made dominant, leading to V');
    expect(functionOf('Db7', 'C')).toBe('a half step above the next: ♭II for V');
    expect(functionOf('C#dim7', 'Dm')).toBe('passing diminished');
    expect(functionOf('Fm', 'C')).toBe('borrowed from C minor');
    expect(functionOf('G7', 'C')).toBe('dominant, leads home');
    expect(functionOf('C', 'F')).toBe('tonic, home');
    expect(functionOf('C7', 'F')).toBe('V of IV');
    expect(functionOf('C7', 'Am')).toBe('would lead to IV');
    expect(functionOf('E7', 'F')).toBe('would lead to vi');
    expect(degreeOf(chord('G7b9'), chord('C'), C)).toMatchObject({
      numeral: 'V7♭9',
      chordFunction: { kind: 'dominant-leads-home' },
    });
    expect(functionOf('G7', 'Am')).toBe('dominant');
  });

  it('knows the chords of a minor key by what they do', () => {
    const Am = { tonic: { letter: 'A' as const, alter: 0 as const }, mode: 'minor' as const };
    const roles = (...symbols: string[]): string[] =>
      symbols.map((symbol, i) =>
        functionInWords(
          degreeOf(chord(symbol), symbols[i + 1] ? chord(symbols[i + 1]) : null, Am).chordFunction,
        ),
      );
    expect(roles('G', 'C', 'G', 'F')).toEqual([
      'leads to the relative major',
      'relative major',
      'subtonic',
      'stands in for the tonic or subdominant',
    ]);
    expect(roles('Caug', 'Am')).toEqual([
      'of harmonic minor, leads home by its raised seventh',
      'tonic, home',
    ]);
    expect(roles('G#dim7', 'Am', 'E7', 'Am')).toEqual([
      'stands in for the dominant',
      'tonic, home',
      'dominant, leads home',
      'tonic, home',
    ]);
    expect(nameKeys([60, 64, 68], Am)[0].reason).toMatch(/in the key/);
  });
});

describe('inversion', () => {
  it('is named by the member that lies lowest', () => {
    expect(inversionName(inversionOf([62, 65, 69], chord('Dm')))).toBe('root position');
    expect(inversionName(inversionOf([65, 69, 74], chord('Dm')))).toBe('first inversion');
    expect(inversionName(inversionOf([57, 62, 65], chord('Dm')))).toBe('second inversion');
    expect(inversionName(inversionOf([60, 62, 65], chord('Dm7')))).toBe('third inversion');
    expect(inversionName(inversionOf([58, 60, 65], chord('Fsus4')))).toBe('first inversion');
    expect(inversionOf([62, 64, 67, 72], chord('C/D'))).toBeNull();
    expect(inversionReason([57, 62, 65], chord('Dm'))).toBe('second inversion: its 5th lies lowest');
  });
});

describe('names of a set of keys', () => {
  it('gives all the names of C♯ E G B', () => {
    const names = nameKeys([61, 64, 67, 71], C);
    const symbols = names.map((n) => symbolOf(n.chord));
    expect(symbols).toEqual(expect.arrayContaining(['C#m7b5', 'Em6', 'A9']));
    expect(names.find((n) => symbolOf(n.chord) === 'Em6')?.inversion).toBe(3);
    expect(names.find((n) => symbolOf(n.chord) === 'A9')?.leftOut).toEqual(['1P']);
  });

  it('calls a diminished seventh by its four roots and a minor seventh also a sixth', () => {
    const sevenths = nameKeys([59, 62, 65, 68], C).filter((n) => n.chord.type.suffix === 'dim7');
    expect(sevenths).toHaveLength(4);
    const symbols = nameKeys([57, 60, 64, 67], C).map((n) => symbolOf(n.chord));
    expect(symbols.slice(0, 2)).toEqual(['Am7', 'C6']);
  });

  it('finds the name of every chord in every inversion', () => {
    const types = CHORD_TYPES.filter((t) => t.members.length >= 3 && t.members.length <= 4);
    fc.assert(
      fc.property(
        fc.constantFrom(...types),
        fc.constantFrom('C', 'Eb', 'F#', 'A'),
        fc.nat(3),
        (type, root, turn) => {
          const wanted = chord(root + type.suffix);
          const chromas = membersOf(wanted).map((m) => m.chroma);
          const from = turn % chromas.length;
          const keys = chromas
            .map((_, i) => chromas[(from + i) % chromas.length])
            .reduce<number[]>(
              (list, c) => [
                ...list,
                (list.at(-1) ?? 47) + ((((c - (list.at(-1) ?? 47)) % 12) + 12) % 12 || 12),
              ],
              [],
            );
          const named = nameKeys(keys, keyFromFifths(root === 'Eb' ? -3 : root === 'F#' ? 6 : 0, 'major'));
          expect(named.map((n) => n.chord.type.suffix)).toContain(type.suffix);
        },
      ),
    );
  });
});
