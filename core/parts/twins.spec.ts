import { offers } from '../sentences';
import { describe, expect, it } from 'vitest';
import { parseChord } from '../music';
import type { PlayedChange } from '../song';
import { cadenceBefore } from './cadences';
import { melodyUp } from './melodyUp';
import type { Part } from './parts';
import { twinsOf } from './twins';

/** Changes of a beat each; a part is told by where it begins and what it follows. */
const changesOf = (symbols: string): PlayedChange[] =>
  symbols.split(' ').map((symbol, i) => ({
    id: `c${i}`,
    writtenId: `c${i}`,
    tick: 960 * i,
    length: 960,
    symbol,
    chord: symbol === 'N.C.' ? null : (parseChord(symbol) as PlayedChange['chord']),
    given: true,
    layout: null,
  })) as PlayedChange[];
const partsOf = (...list: (readonly [from: number, to: number, sharesWith: number | null])[]): Part[] =>
  list.map(([from, to, sharesWith], i) => ({
    number: i + 1,
    fromTick: 960 * from,
    toTick: 960 * to,
    sharesWith,
  })) as Part[];

const up = offers.partMelodyUp();

describe('chords of parts that follow another', () => {
  it('stand for those of the other, in order', () => {
    expect([...twinsOf(partsOf([0, 2, null], [2, 4, 1]), changesOf('C G C G'))]).toEqual([
      ['c2', 'c0'],
      ['c3', 'c1'],
    ]);
  });

  it('stand for nothing where the symbol is another, or there is none; what comes after still does', () => {
    const twins = twinsOf(partsOf([0, 3, null], [3, 7, 1]), changesOf('C G F C Am F C'));
    expect([...twins]).toEqual([
      ['c3', 'c0'],
      ['c5', 'c2'],
    ]);
  });

  it('follow the part that is named, not the one before', () => {
    const twins = twinsOf(partsOf([0, 1, null], [1, 2, null], [2, 3, 1], [3, 4, 2]), changesOf('C F C F'));
    expect([...twins]).toEqual([
      ['c2', 'c0'],
      ['c3', 'c1'],
    ]);
  });

  it('are none where no part follows another', () => {
    expect(twinsOf(partsOf([0, 2, null], [2, 4, null]), changesOf('C G C G')).size).toBe(0);
  });
});

describe('a cadence', () => {
  const C = { tonic: { letter: 'C', alter: 0 }, mode: 'major' } as const;
  const A = { tonic: { letter: 'A', alter: 0 }, mode: 'minor' } as const;
  const before = (symbols: string, beat: number, key: typeof C | typeof A = C) =>
    cadenceBefore({ changes: changesOf(symbols) }, 960 * beat, () => key);

  it('is closed on I after V or vii, open on V, and none on anything else', () => {
    expect(before('C G7 C F', 3)).toBe('closed');
    expect(before('C Bdim C F', 3)).toBe('closed');
    expect(before('C F C F', 3)).toBeNull();
    expect(before('C F G F', 3)).toBe('open');
    expect(before('C G Am F', 3)).toBeNull();
  });

  it('looks at the chord before a place, not at the one struck there', () => {
    expect(before('F G C C', 2)).toBe('open');
    expect(before('F G C C', 3)).toBe('closed');
    expect(before('F G C C', 2.5)).toBe('closed');
  });

  it('is none before the first chord, after one alone, and where no chord is played', () => {
    expect(before('C G', 0)).toBeNull();
    expect(before('C G', 1)).toBeNull();
    expect(before('G N.C. C C', 2)).toBeNull();
    expect(before('G N.C. C C', 3)).toBeNull();
    expect(cadenceBefore({ changes: [] }, 960, () => C)).toBeNull();
  });

  it('goes by the key', () => {
    expect(before('Am E7 Am F', 3, A)).toBe('closed');
    expect(before('Am G#dim Am F', 3, A)).toBe('closed');
    expect(before('Am Dm E7 F', 3, A)).toBe('open');
    expect(before('Am G C F', 3, A)).toBeNull();
  });
});

describe('the melody of a part an octave higher', () => {
  const part = (octaveShift: number): Parameters<typeof melodyUp>[0] =>
    ({ cutId: 'cut', choices: { octaveShift } }) as Parameters<typeof melodyUp>[0];

  it('is offered from where it lies, and no more where it is that high', () => {
    expect(melodyUp(part(0), up)).toEqual({
      offer: up,
      edit: { kind: 'choose-for-part', cutId: 'cut', choices: { octaveShift: 1 } },
    });
    expect(melodyUp(part(-1), up)?.edit).toMatchObject({ choices: { octaveShift: 0 } });
    expect(melodyUp(part(1), up)).toBeNull();
  });
});
