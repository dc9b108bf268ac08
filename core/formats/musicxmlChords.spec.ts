import { describe, expect, it } from 'vitest';
import { type Chord, parseChord, symbolOf, CHORD_TYPES } from '../music';
import { harmonyContent, readHarmony } from './musicxmlChords';
import { el, parseXml, writeXml } from './xmlTree';

const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B', 'C#'];

/** Through text and back, as a file would. */
function through(chord: Chord | null): ReturnType<typeof readHarmony> {
  return readHarmony(parseXml(writeXml(el('harmony', harmonyContent(chord)), '')));
}

const harmony = (inner: string): ReturnType<typeof readHarmony> =>
  readHarmony(parseXml(`<harmony>${inner}</harmony>`));
const root = '<root><root-step>C</root-step></root>';
const degree = (value: number, alter: number, type: string): string =>
  `<degree><degree-value>${value}</degree-value><degree-alter>${alter}</degree-alter><degree-type>${type}</degree-type></degree>`;

describe('chord symbols in MusicXML', () => {
  it('come back the same, every type on every root, with and without a slash bass', () => {
    for (const name of ROOTS) {
      for (const type of CHORD_TYPES) {
        for (const over of ['', '/E', '/Bb']) {
          const symbol = symbolOf(parseChord(name + type.suffix + over));
          expect(through(parseChord(symbol)), symbol).toEqual({ symbol, known: true, kind: type.xml[0] });
        }
      }
    }
  });

  it('know no chord', () => {
    expect(through(null)).toMatchObject({ symbol: 'N.C.', known: true });
  });

  it('read degrees as others write them', () => {
    expect(harmony(`${root}<kind>dominant</kind>${degree(9, -1, 'add')}`).symbol).toBe('C7b9');
    expect(harmony(`${root}<kind>dominant</kind>${degree(5, 1, 'alter')}`).symbol).toBe('Caug7');
    expect(harmony(`${root}<kind>minor-seventh</kind>${degree(5, -1, 'alter')}`).symbol).toBe('Cm7b5');
    expect(
      harmony(`${root}<kind>dominant-ninth</kind>${degree(3, 0, 'subtract')}${degree(4, 0, 'add')}`).symbol,
    ).toBe('C9sus4');
    expect(harmony(`${root}<kind>major</kind>${degree(7, 1, 'add')}`).symbol).toBe('Cmaj7');
    expect(harmony(`${root}<kind>major</kind>${degree(3, 0, 'subtract')}`).symbol).toBe('C5');
  });

  it('say what they do not know and keep what they can', () => {
    expect(harmony(`${root}<kind>Tristan</kind>`)).toEqual({
      symbol: 'Cpedal',
      known: false,
      kind: 'Tristan',
    });
    expect(harmony(`${root}<kind>major</kind>${degree(4, 1, 'add')}`)).toMatchObject({
      symbol: 'C',
      known: false,
    });
    expect(harmony('<kind>major</kind>')).toMatchObject({ symbol: 'N.C.', known: false });
    expect(harmony('<root><root-step>H</root-step></root><kind>major</kind>').known).toBe(false);
  });

  it('keep accidentals of root and bass', () => {
    const flat =
      '<root><root-step>B</root-step><root-alter>-1</root-alter></root><kind>major</kind><bass><bass-step>D</bass-step></bass>';
    expect(harmony(flat).symbol).toBe('Bb/D');
    expect(harmony(flat.replace('-1', '0')).symbol).toBe('B/D');
  });
});
