import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { harmonyContent, readHarmony } from '../formats/musicxmlChords';
import { el, parseXml, writeXml } from '../formats/xmlTree';
import { type Chord, ChordSymbolError, membersOf, parseChord, symbolOf } from './chord';
import { typeOfMembers, typeOfSuffix } from './chordTypes';
import { membersRead } from './writtenChords';

/** How it is written here, its members from the root, and the spellings after a C that mean it. */
const TABLE: readonly (readonly [suffix: string, members: string, spellings: string])[] = [
  ['', '1P 3M 5P', 'M maj major'],
  ['m', '1P 3m 5P', 'm - min mi'],
  ['maj7', '1P 3M 5P 7M', 'Δ ^ ^7 Δ7 maj7 Maj7 ma7 M7 j7'],
  ['7', '1P 3M 5P 7m', '7 dom7'],
  ['m7', '1P 3m 5P 7m', 'm7 -7 min7 mi7'],
  ['m7b5', '1P 3m 5d 7m', 'm7b5 -7b5 m7-5 m7(b5) ø ø7 min7b5'],
  ['dim', '1P 3m 5d', 'dim ° o mb5 m(b5)'],
  ['dim7', '1P 3m 5d 7d', 'dim7 °7 o7'],
  ['aug', '1P 3M 5A', 'aug + (#5)'],
  ['sus4', '1P 4P 5P', 'sus sus4 4'],
  ['sus2', '1P 2M 5P', 'sus2'],
  ['5', '1P 5P', '5 no3 (no3) omit3'],
  ['(no5)', '1P 3M', 'no5'],
  ['6', '1P 3M 5P 6M', '6 maj6 M6 add6'],
  ['m6', '1P 3m 5P 6M', 'm6 -6 min6'],
  ['6/9', '1P 3M 5P 6M 9M', '6/9 69 6add9 6(9)'],
  ['m6/9', '1P 3m 5P 6M 9M', 'm6/9 m69'],
  ['m(maj7)', '1P 3m 5P 7M', 'm(maj7) mM7 mMaj7 -Δ7 mΔ -Δ minmaj7 m(M7)'],
  ['m(maj9)', '1P 3m 5P 7M 9M', 'm(maj9) mM9'],
  ['7sus4', '1P 4P 5P 7m', '7sus4 7sus sus7 m7sus4'],
  ['aug7', '1P 3M 5A 7m', 'aug7 +7 7#5 7+ 7(#5)'],
  ['7b5', '1P 3M 5d 7m', '7b5 7(b5) 7-5'],
  ['maj7#5', '1P 3M 5A 7M', 'maj7#5 M7#5 Δ#5 +maj7 augmaj7'],
  ['maj7(b5)', '1P 3M 5d 7M', 'maj7b5'],
  ['add9', '1P 3M 5P 9M', 'add9 add2 (add9) 2'],
  ['(add11)', '1P 3M 5P 11P', 'add4 add11'],
  ['m(add9)', '1P 3m 5P 9M', 'madd9 m(add9)'],
  ['(b9)', '1P 3M 5P 9m', 'addb9 addb2'],
  ['(#11)', '1P 3M 5P 11A', 'add#11 add#4'],
  ['(b13)', '1P 3M 5P 13m', 'addb13 addb6'],
  ['m(add11)', '1P 3m 5P 11P', 'madd11'],
  ['9', '1P 3M 5P 7m 9M', '9 7(9) 7/9 dom9'],
  ['maj9', '1P 3M 5P 7M 9M', 'maj9 Maj9 M9 Δ9 ^9 maj7(9) maj7/9'],
  ['m9', '1P 3m 5P 7m 9M', 'm9 -9'],
  ['m9(b5)', '1P 3m 5d 7m 9M', 'm9b5 m9-5'],
  ['9sus4', '1P 4P 5P 7m 9M', '9sus4 9sus'],
  ['7b9', '1P 3M 5P 7m 9m', '7b9 7-9 7(b9)'],
  ['7#9', '1P 3M 5P 7m 9A', '7#9 7+9 7(#9)'],
  ['7(b9,#9)', '1P 3M 5P 7m 9m 9A', '7b9#9'],
  ['7(b5,b9)', '1P 3M 5d 7m 9m', '7b9b5 7b5b9'],
  ['7(#5,b9)', '1P 3M 5A 7m 9m', '7(b9,#5) 7#5b9'],
  ['7(#5,#9)', '1P 3M 5A 7m 9A', '7#5#9'],
  ['7(#9,b13)', '1P 3M 5P 7m 9A 13m', '7#9b13'],
  ['7(b9,b13)', '1P 3M 5P 7m 9m 13m', '7(b9,b13)'],
  ['7sus4(b9)', '1P 4P 5P 7m 9m', '7b9sus4 7sus4b9 7b9sus'],
  ['7#11', '1P 3M 5P 7m 11A', '7#11 7(#11) 7+11'],
  ['maj7#11', '1P 3M 5P 7M 11A', 'maj7#11 M7#11 Δ#11'],
  ['9(#11)', '1P 3M 5P 7m 9M 11A', '9#11'],
  ['13(#11)', '1P 3M 5P 7m 9M 11A 13M', '13#11 13(#11)'],
  ['7b13', '1P 3M 5P 7m 13m', '7b13 7(b13)'],
  ['7alt', '1P 3M 7m 9m 9A 13m', '7alt alt 7(alt)'],
  ['11', '1P 3M 5P 7m 9M 11P', '11'],
  ['m11', '1P 3m 5P 7m 9M 11P', 'm11 -11 min11'],
  ['maj11', '1P 3M 5P 7M 9M 11P', 'maj11'],
  ['13', '1P 3M 5P 7m 9M 13M', '13 7(13)'],
  ['maj13', '1P 3M 5P 7M 9M 13M', 'Maj13 maj13'],
  ['m13', '1P 3m 5P 7m 9M 13M', 'm13 -13'],
  ['13sus4', '1P 4P 5P 7m 9M 13M', '13sus4 13sus'],
  ['13(b9)', '1P 3M 5P 7m 9m 13M', '13b9 13(b9)'],
  ['9(b13)', '1P 3M 5P 7m 9M 13m', '9b13'],
  ['9(#5)', '1P 3M 5A 7m 9M', '9#5 +9 9+ aug9'],
  ['7(#9,#11)', '1P 3M 5P 7m 9A 11A', '7#9#11'],
  ['7(b5,#9)', '1P 3M 5d 7m 9A', '7b5#9'],
  ['dim7(add9)', '1P 3m 5d 7d 9M', 'dim7(add9)'],
  ['m7(add11)', '1P 3m 5P 7m 11P', 'm7add11 m7(11)'],
  ['sus24', '1P 2M 4P 5P', 'sus2sus4 sus24 sus2/4'],
  ['6sus4', '1P 4P 5P 6M', '6sus4'],
  ['maj7sus2', '1P 2M 5P 7M', 'M7sus2'],
  ['maj7sus4', '1P 4P 5P 7M', 'maj7sus4'],
  ['maj9(#11)', '1P 3M 5P 7M 9M 11A', 'maj9#11'],
  ['(b5)', '1P 3M 5d', '(b5) -5'],
];

describe('chord symbols as they are written', () => {
  it('are at least a hundred and fifty spellings', () => {
    const all = TABLE.flatMap(([, , spellings]) => spellings.split(' '));
    expect(new Set(all).size).toBe(all.length);
    expect(all.length).toBeGreaterThanOrEqual(150);
  });

  it.each(TABLE)('C%s is %s, however it is written: %s', (suffix, members, spellings) => {
    for (const spelling of ['', ...spellings.split(' ')]) {
      const written = `C${spelling || suffix}`;
      const chord = parseChord(written) as Chord;
      expect([written, symbolOf(chord)]).toEqual([written, `C${suffix}`]);
      expect(
        membersOf(chord)
          .map(({ interval }) => interval)
          .join(' '),
      ).toBe(members);
    }
  });

  it('are read with the signs of print, spaces and commas', () => {
    const same: Record<string, string> = {
      'C 7 (♭9, ♯5)': 'C7(#5,b9)',
      'B♭ maj7 / D': 'Bbmaj7/D',
      'F♯m7(♭5)/E': 'F#m7b5/E',
      'C6/9/G': 'C6/9/G',
      'C7(b9)/E': 'C7b9/E',
      'Eb^7': 'Ebmaj7',
      'C/E': 'C/E',
    };
    for (const [written, read] of Object.entries(same)) expect(symbolOf(parseChord(written))).toBe(read);
    expect([parseChord('N.C.'), parseChord('NC'), parseChord('n.c.')]).toEqual([null, null, null]);
  });

  it.each([
    ['Cm7x', 1],
    ['C7b7', 2],
    ['C7(b9,zz)', 1],
    ['Cadd12', 1],
    ['Cno7', 1],
    ['C7#13', 1],
    ['Cmajmin', 1],
    ['C/H', 2],
    ['H7', 0],
    ['C7//', 1],
  ])('%s is refused, and where is said', (symbol, at) => {
    try {
      parseChord(symbol);
      expect.unreachable(symbol);
    } catch (error) {
      expect(error).toBeInstanceOf(ChordSymbolError);
      expect((error as ChordSymbolError).at).toBeGreaterThanOrEqual(Math.min(1, at));
    }
  });
});

describe('a chord made of any members', () => {
  const members = fc
    .record({
      third: fc.constantFrom('3M', '3m', '2M', '4P', ''),
      fifth: fc.constantFrom('5P', '5d', '5A', ''),
      seventh: fc.constantFrom('7m', '7M', ''),
      tensions: fc.uniqueArray(fc.constantFrom('9m', '9M', '9A', '11P', '11A', '13m', '13M'), {
        maxLength: 3,
      }),
    })
    .map(({ third, fifth, seventh, tensions }) => ['1P', third, fifth, seventh, ...tensions].filter(Boolean))
    // A natural tension beside an altered one of its number is not written.
    .filter((list) => !(list.includes('9M') && (list.includes('9m') || list.includes('9A'))))
    .filter(
      (list) =>
        !(list.includes('11P') && list.includes('11A')) && !(list.includes('13M') && list.includes('13m')),
    );

  it('has a suffix that is read as the same chord, and a score that gives it back', () => {
    fc.assert(
      fc.property(members, (list) => {
        const type = typeOfMembers(list);
        const again = typeOfSuffix(type.suffix);
        expect([type.suffix, again?.members]).toEqual([type.suffix, type.members]);
        const chord: Chord = { root: { letter: 'C', alter: 0 }, type, bass: null };
        const read = readHarmony(parseXml(writeXml(el('harmony', harmonyContent(chord)), '')));
        expect([read.known, read.symbol]).toEqual([true, `C${type.suffix}`]);
      }),
      { numRuns: 1000 },
    );
  });

  it('is one type for the same members, a row of its own where there is one', () => {
    expect(typeOfMembers(['7m', '5P', '1P', '3M'])).toBe(typeOfSuffix('7'));
    expect(typeOfSuffix('7(b9,#5)')).toBe(typeOfSuffix('7#5b9'));
    expect(membersRead('7b9q')).toBeUndefined();
  });
});
