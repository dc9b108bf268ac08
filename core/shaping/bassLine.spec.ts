import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChord, type Chord } from '../music';
import { DEFAULT_PROFILE } from '../song';
import { runs } from '../testing';
import { type Bass, bassLine, type BassPlace, candidatesAt, costOfLine, stepInto } from './bassLine';
import { styleOf } from './styles';

const C = { tonic: { letter: 'C', alter: 0 }, mode: 'major' } as const;

function place(symbol: string, own: Partial<BassPlace> = {}): BassPlace {
  return {
    chord: parseChord(symbol) as Chord,
    key: C,
    style: styleOf('march'),
    kind: 'first',
    hasSecond: false,
    isWalking: false,
    isDownbeat: true,
    isStrong: true,
    isBegin: false,
    isClose: false,
    tune: null,
    ceiling: 128,
    upperCeiling: 128,
    above: null,
    register: 0,
    kept: null,
    ...own,
  };
}

const line = (...places: BassPlace[]): string =>
  bassLine(places, DEFAULT_PROFILE)
    .map(({ midi, role }) => `${midi} ${role}`)
    .join(', ');

describe('a bass line', () => {
  const symbols = fc.constantFrom('C', 'Dm', 'G7', 'F', 'Am7', 'E7', 'C/E', 'Bdim', 'Dsus4');
  const places = fc.array(
    fc.record({
      symbol: symbols,
      style: fc.constantFrom('march', 'ballad', 'hymn', 'classical', 'drone'),
      kind: fc.constantFrom('first' as const, 'second' as const),
      isStrong: fc.boolean(),
      isDownbeat: fc.boolean(),
      isBegin: fc.boolean(),
      isClose: fc.boolean(),
      tune: fc.option(fc.integer({ min: 57, max: 79 })),
    }),
    { minLength: 1, maxLength: 5 },
  );

  it('costs as little as any other, every way tried', () => {
    fc.assert(
      fc.property(places, (rows) => {
        const all = rows.map(({ symbol, style, tune, ...own }) =>
          place(symbol, { ...own, tune, ceiling: tune ?? 128, style: styleOf(style) }),
        );
        const ways = all.reduce<Bass[][]>(
          (found, one) =>
            found.flatMap((way) => candidatesAt(one, DEFAULT_PROFILE).map((bass) => [...way, bass])),
          [[]],
        );
        const least = Math.min(...ways.map((way) => costOfLine(all, way)));
        expect(costOfLine(all, bassLine(all, DEFAULT_PROFILE))).toBe(least);
      }),
      { numRuns: runs(320) },
    );
  });

  it('begins and closes a phrase on the root, and keeps a written bass', () => {
    expect(line(place('C', { isBegin: true }), place('G7'), place('C', { isClose: true }))).toMatch(
      /^\d+ root, .*, 48 root$/,
    );
    expect(line(place('C/E'))).toMatch(/slash$/);
  });

  it('goes in no octaves with the tune from one downbeat to the next', () => {
    const with_ = (tune: number): Partial<BassPlace> => ({ tune, ceiling: tune });
    const found = bassLine(
      [place('C', with_(72)), place('F', with_(77)), place('G', with_(79))],
      DEFAULT_PROFILE,
    );
    const intervals = found.map(({ midi }, i) => ([72, 77, 79][i] - midi) % 12);
    expect(intervals.some((one, i) => i > 0 && one === intervals[i - 1] && [0, 7].includes(one))).toBe(false);
  });

  it('takes another bass where a chord goes on', () => {
    const found = bassLine(
      [place('G'), place('G', { kind: 'second' }), place('G', { kind: 'second' })],
      DEFAULT_PROFILE,
    );
    expect(new Set(found.map(({ midi }) => midi)).size).toBeGreaterThan(1);
  });

  it('has room for the third of a chord the hand strikes with its bass', () => {
    // Over A flat in the bass C lies too low beside it, or beyond the hand: the third is the bass.
    const hymn = { style: styleOf('hymn'), tune: 68, ceiling: 68 };
    expect(line(place('Eb', hymn), place('Ab', hymn), place('Eb', { ...hymn, tune: 67 }))).toMatch(
      /, 48 third, /,
    );
  });

  it('keeps the key of what is learned', () => {
    expect(line(place('C', { kept: 55 }), place('F'))).toMatch(/^55 kept/);
  });
});

describe('a step into the next bass', () => {
  const into = (symbol: string, from: number, to: number, next = symbol, ceiling = 72): number | null => {
    const [chord, onwards] = [symbol, next].map((name) => parseChord(name) as Chord);
    return stepInto({ chord, next: onwards, key: C, style: styleOf('march'), from, to, ceiling });
  };

  it('comes by the scale or the chord from the side the bass comes from', () => {
    expect([into('C', 48, 41), into('C', 40, 45), into('G7', 43, 48)]).toEqual([43, 43, 47]);
    // Under A7 the C♯ of the chord leads up to D.
    expect(into('A7', 45, 50, 'D')).toBe(49);
  });

  it('is no note that the next chord has otherwise', () => {
    // F is a note of G7 and leads to F♯; under C it would only clash with it: E does.
    expect(into('G7', 43, 42, 'D/F#')).toBe(41);
    expect(into('C', 43, 42, 'D/F#')).toBe(40);
  });

  it('is none where the tune lies in its way', () => {
    expect(into('C', 48, 53, 'C', 54)).toBeNull();
  });
});
