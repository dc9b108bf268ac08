import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  type Chord,
  membersOf,
  parseChord,
  symbolOf,
  CHORD_TYPES,
  type Key,
  keyFromFifths,
  chroma,
  classNameOf,
} from '../music';
import { inversionOf } from './inversion';
import { nameKeys, rootInKey } from './naming';

const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
const C = keyFromFifths(0, 'major');
const read = (symbol: string) => {
  const chord = parseChord(symbol);
  if (!chord) throw new Error(`${symbol} is no chord`);
  return chord;
};

describe('what two hands leave out', () => {
  const first = (keys: readonly number[], key = C): (string | undefined)[] => {
    const [best] = nameKeys(keys, key);
    return [best && symbolOf(best.chord), best?.reason];
  };

  it('of an eleventh or thirteenth chord: what lies between, never third and seventh', () => {
    expect(first([48, 58, 64, 69])[0]).toBe('C13');
    expect(first([48, 58, 64, 69])[1]).toContain('without its fifth and ninth');
    const names = nameKeys([48, 58, 69], C).map(({ chord }) => symbolOf(chord));
    expect(names).not.toContain('C13');
  });

  it('a root that another plays: Bm9 as A C# D F#', () => {
    const D = keyFromFifths(2, 'major');
    expect(nameKeys([57, 61, 62, 66], D).map(({ chord }) => symbolOf(chord))).toContain('Bm9');
  });

  it('a bass that is none of the chord: F#m over B', () => {
    const A = keyFromFifths(3, 'major');
    const named = nameKeys([47, 54, 57, 61], A).map(({ chord, reason }) => [symbolOf(chord), reason]);
    expect(named.find(([symbol]) => symbol === 'F#m/B')?.[1]).toContain(
      'a bass foreign to the chord lies lowest; above it every note of it',
    );
  });
});

describe('every chord type on every root', () => {
  for (const type of CHORD_TYPES.filter((t) => t.members.length > 1)) {
    it(`${type.suffix || 'major'}: parsed from each usual spelling, spelled, named in each inversion, parsed again`, () => {
      for (const root of ROOTS) {
        const chord = read(root + type.suffix);
        for (const spelling of [type.suffix, ...type.spellings]) {
          const again = read(root + spelling);
          expect(symbolOf(again), root + spelling).toBe(symbolOf(chord));
        }
        const chromas = membersOf(chord).map((m) => m.chroma);
        expect(chromas).toEqual(type.semitones.map((s) => (chroma(chord.root) + s) % 12));
        for (let turn = 0; turn < chromas.length; turn++) {
          // Close position from each member up; a thirteenth chord in full has seven.
          const lowest = 48 + chromas[turn];
          const keys = [...new Set(chromas)]
            .map((c) => lowest + ((c - chromas[turn] + 12) % 12))
            .sort((a, b) => a - b);
          const names = nameKeys(keys, C);
          const own = names.find(
            (n) => n.name.startsWith(`${symbolOf(n.chord)},`) && isSame(symbolOf(n.chord), symbolOf(chord)),
          );
          expect(own, `${root}${type.suffix} from ${turn}`).toBeDefined();
          expect(own?.inversion).toBe(inversionOf(keys, chord));
          expect(own?.reason).toContain('every note of it');
          const reparsed = read(symbolOf(own?.chord ?? chord));
          expect(symbolOf(reparsed)).toBe(symbolOf(own?.chord ?? chord));
        }
      }
    });
  }
});

/** The same chord, whichever enharmonic its root is written as. */
function isSame(a: string, b: string): boolean {
  const [x, y] = [read(a), read(b)];
  return chroma(x.root) === chroma(y.root) && x.type === y.type;
}

describe('roots read off keys', () => {
  const spelled = (symbol: string, tonic: Key['tonic'], mode: Key['mode']): string => {
    const { type } = parseChord(symbol) as Chord;
    return Array.from({ length: 12 }, (_, root) => classNameOf(rootInKey(root, type, { tonic, mode }))).join(
      ' ',
    );
  };
  const [c, d, aFlat] = [
    { letter: 'C', alter: 0 },
    { letter: 'D', alter: 0 },
    { letter: 'A', alter: -1 },
  ] as const;

  it.each([
    ['C', c, 'major', 'C Db D Eb E F F# G Ab A Bb B'],
    ['Cdim7', c, 'major', 'C C# D D# E F F# G G# A A# B'],
    ['C', d, 'major', 'C C# D Eb E F F# G G# A Bb B'],
    ['Cm', aFlat, 'major', 'C Db D Eb E F F# G Ab A Bb B'],
    ['C7', aFlat, 'major', 'C Db D Eb E F Gb G Ab A Bb B'],
    ['Cm', c, 'minor', 'C Db D Eb E F F# G Ab A Bb B'],
  ] as const)('%s in the key of %o %s', (symbol, tonic, mode, roots) => {
    expect(spelled(symbol, tonic, mode)).toBe(roots);
  });
});

describe('names of any keys', () => {
  it('hold every key, and say what is left out', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 40, max: 76 }), { minLength: 2, maxLength: 5 }),
        (keys) => {
          for (const { chord, leftOut, reason } of nameKeys(keys, C)) {
            const bass = chord.bass ? [chroma(chord.bass)] : [];
            const chromas = [...membersOf(chord).map((m) => m.chroma), ...bass];
            expect(keys.every((key) => chromas.includes(key % 12))).toBe(true);
            if (leftOut.length === 0) expect(reason).toContain('every note of it');
            else expect(reason).toContain('without its');
          }
        },
      ),
    );
  });

  it('tell several names of the same keys, the likely one first with its reason', () => {
    const names = nameKeys([61, 64, 67, 71], C);
    expect(names.map((n) => symbolOf(n.chord)).slice(0, 3)).toEqual(['C#m7b5', 'Em6', 'A9']);
    expect(names[0].reason).toBe('every note of it; root position: its root lies lowest');
    expect(names[2].reason).toContain('without its root');
    expect(nameKeys([60, 64, 67], C)[0].reason).toBe(
      'every note of it; root position: its root lies lowest, in the key',
    );
  });
});

describe('symbols that contradict themselves or say nothing', () => {
  it('are refused with what was not understood', () => {
    expect(() => parseChord('Hm')).toThrow(/"Hm" is not a chord: it should begin with a letter A to G/);
    expect(() => parseChord('C7maj7')).toThrow(/"maj7" is not a known quality/);
    expect(() => parseChord('C/H')).toThrow(/not a chord/);
    expect(parseChord('N.C.')).toBeNull();
  });
});
