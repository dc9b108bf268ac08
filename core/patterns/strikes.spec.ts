import { textOf } from '../testing';
import { describe, expect, it } from 'vitest';
import { type Chord, keyFromFifths, type Metre, parseChord } from '../music';
import { DEFAULT_PROFILE, type PlayedBar } from '../song';
import type { VoicedChange } from '../voicing';
import type { FigureContext } from './members';
import { dress, type DressTask } from './dress';
import type { Pattern } from './pattern';
import { heightOf, rootsTogether } from './roots';
import { PATTERNS } from './rows';
import { strikesOf, type Stretch } from './strikes';

const beat = 960;
const row = (id: string): Pattern => PATTERNS.find((pattern) => pattern.id === id) as Pattern;
const barOf = (numerator: number, denominator: Metre['denominator'] = 4, number = 2, from = 4): PlayedBar =>
  ({
    number,
    tick: from * beat,
    length: (numerator * 4 * beat) / denominator,
    metre: { numerator, denominator },
  }) as PlayedBar;

function voiced(symbol: string, keys: readonly number[], from = 4, beats = 4, id = 'c'): VoicedChange {
  return {
    change: { id, tick: from * beat, length: beats * beat, symbol },
    chord: parseChord(symbol) as Chord,
    voicing: { keys },
    key: keyFromFifths(0, 'major'),
    length: beats * beat,
  } as unknown as VoicedChange;
}
const context = (peak: FigureContext['peak'] = 8): FigureContext => ({
  voiced: voiced('C', [48, 52, 55]),
  profile: DEFAULT_PROFILE,
  root: 48,
  peak,
});

function told(id: string, stretch: Partial<Stretch> & { bar: PlayedBar }, of = context()): string[] {
  const { bar } = stretch;
  const whole: Stretch = {
    start: bar.tick,
    end: bar.tick + bar.length,
    firstBar: bar.tick,
    isAtRest: false,
    ...stretch,
  };
  return strikesOf(of, row(id), whole).map(
    ({ tick, length, keys }) => `${tick / beat}+${length / beat}: ${keys.join(' ')}`,
  );
}

describe('a pattern on one chord in one bar', () => {
  const bar = barOf(4);

  it('goes round until the bar ends', () => {
    expect(told('rocking', { bar })).toEqual([
      '4+0.5: 48',
      '4.5+0.5: 55',
      '5+0.5: 60',
      '5.5+0.5: 55',
      '6+0.5: 48',
      '6.5+0.5: 55',
      '7+0.5: 60',
      '7.5+0.5: 55',
    ]);
    expect(told('pulse', { bar: barOf(6, 8) })).toEqual(['4+1.5: 48 52 55', '5.5+1.5: 48 52 55']);
  });

  it('plays its first part on a chord that is shorter, with the third for its last fifth where its top is not reached', () => {
    expect(told('rocking', { bar, end: 5 * beat })).toEqual(['4+0.5: 48', '4.5+0.5: 55']);
    expect(told('rocking', { bar, end: 5 * beat }, context(10))).toEqual(['4+0.5: 48', '4.5+0.5: 52']);
    expect(told('rocking', { bar, end: 5.5 * beat }, context(10))[1]).toBe('4.5+0.5: 55');
    expect(told('rocking', { bar, start: 6 * beat, end: 7.25 * beat }).slice(-1)).toEqual(['7+0.25: 60']);
  });

  it('thins and holds at the end of its part: from the middle, in three after its first strike', () => {
    expect(told('rocking', { bar, isAtRest: true })).toEqual([
      '4+0.5: 48',
      '4.5+0.5: 55',
      '5+0.5: 60',
      '5.5+0.5: 55',
      '6+2: 48 52 55',
    ]);
    expect(told('waltz', { bar: barOf(3), isAtRest: true })).toEqual(['4+1: 48', '5+2: 48 52 55']);
    // Half of two beats is one: there is time for the bass alone.
    expect(told('rocking', { bar: barOf(2), isAtRest: true })).toEqual(['4+1: 48', '5+1: 48 52 55']);
  });

  it('of more than a bar goes on in the second bar of its chord, and begins anew after a change', () => {
    const second = told('waltz', { bar: barOf(3, 4, 3, 7), firstBar: 4 * beat });
    expect(second.map((strike) => strike.split(': ')[1])).toEqual(['43', '52 55', '52 55']);
    const anew = told('waltz', { bar: barOf(3, 4, 3, 7), firstBar: 7 * beat });
    expect(anew[0]).toBe('7+1: 48');
    const third = told('waltz', { bar: barOf(3, 4, 4, 10), firstBar: 4 * beat });
    expect(third[0]).toBe('10+1: 48');
  });
});

describe('the height of a figure', () => {
  it('is that of its highest member, a fifth at least', () => {
    expect(['block', 'waltz', 'fifths'].map((id) => heightOf(row(id)))).toEqual([7, 7, 7]);
    const of = (...members: number[]): number =>
      heightOf({ ...row('fifths'), events: members.map((m) => ({ onset: 0, length: 1, members: [m] })) });
    expect([8, 9, 10, 12, 14, 15].map((member) => of(1, member))).toEqual([12, 14, 16, 19, 23, 24]);
    expect(of(1, 10, 5)).toBe(16);
  });
});

describe('the octave of the bass of a part', () => {
  const roots = (
    chords: readonly (readonly [string, readonly number[]])[],
    melody: number | null = null,
    height?: number,
  ): number[] => {
    const list = chords.map(([symbol, keys], i) => voiced(symbol, keys, 4 * i, 4, `c${i}`));
    const notes = melody === null ? [] : [{ tick: 0, length: 99 * beat, midi: melody }];
    const map = rootsTogether({
      voiced: list,
      melody: notes,
      longestNote: 99 * beat,
      profile: DEFAULT_PROFILE,
      height,
    });
    return list.map(({ change }) => map.get(change.id) ?? -1);
  };

  it('is one for all chords, near A2, under the chord that follows it', () => {
    expect(roots([['C', [60, 64, 67]]])).toEqual([48]);
    expect(roots([['F', [60, 65, 69]]])).toEqual([41]);
    expect(
      roots([
        ['C', [60, 64, 67]],
        ['G', [59, 62, 67]],
        ['D', [62, 66, 69]],
      ]),
    ).toEqual([48, 43, 50]);
  });

  it('goes down where the melody or the chord leaves no room, E2 at the lowest where it can', () => {
    expect(roots([['C', [60, 64, 67]]], 58)).toEqual([48]);
    expect(roots([['C', [60, 64, 67]]], 57)).toEqual([36]);
    expect(roots([['C', [43, 48]]])).toEqual([36]);
    expect(roots([['C', [60, 64, 67]]], 66, 16)).toEqual([36]);
    expect(roots([['C', [60, 64, 67]]], 67, 16)).toEqual([48]);
  });

  it('is that of the slash bass', () => {
    expect(roots([['C/G', [60, 64, 67]]])).toEqual([43]);
  });
});

describe('a chord dressed with a pattern', () => {
  const bars = [barOf(4, 4, 1, 0), barOf(4, 4, 2, 4), barOf(4, 4, 3, 8)];
  const task = (more: Partial<DressTask> = {}, id = 'rocking'): DressTask => ({
    voiced: voiced('C', [48, 52, 55]),
    patternIn: () => row(id),
    bars,
    melody: [{ tick: 4 * beat, length: 4 * beat, midi: 76 }],
    longestNote: 4 * beat,
    profile: DEFAULT_PROFILE,
    root: 48,
    lineAt: () => 40,
    nextRoot: null,
    restsAt: [99 * beat],
    songEnd: 99 * beat,
    refused: false,
    ...more,
  });
  const played = (more: Partial<DressTask> = {}, id = 'rocking'): string[] => {
    const { notes, findings } = dress(task(more, id));
    return [
      ...notes.map(({ tick, midi, source }) => `${tick / beat}: ${midi} ${source}`),
      ...findings.map(textOf),
    ];
  };

  it('goes to the octave under a tune that has the third, to the third beside its root under one that has not', () => {
    expect(played().slice(0, 4)).toEqual([
      '4: 48 pattern',
      '4.5: 55 pattern',
      '5: 60 pattern',
      '5.5: 55 pattern',
    ]);
    const melody = [{ tick: 4 * beat, length: 4 * beat, midi: 79 }];
    expect(played({ melody })[2]).toBe('5: 52 pattern');
    const wide = { ...DEFAULT_PROFILE, leftReach: 10 } as const;
    expect(played({ melody, profile: wide })[2]).toBe('5: 64 pattern');
    // A tenth needs three half steps more of room than its top key.
    const above = (midi: number) => [{ tick: 4 * beat, length: 4 * beat, midi }];
    expect(played({ melody: above(67), profile: wide })[2]).toBe('5: 64 pattern');
    expect(played({ melody: above(66), profile: wide })[2]).toBe('5: 52 pattern');
    const small = { ...DEFAULT_PROFILE, leftReach: 7 } as const;
    expect(played({ profile: small })[2]).toBe('5: 52 pattern');
    expect(played({ voiced: voiced('C5', [48, 55]), melody: above(79) })[2]).toBe('5: 60 pattern');
  });

  it('is a block in the last bar of the song, and on a chord too short for it', () => {
    expect(played({ songEnd: 8 * beat })).toEqual(['4: 48 chord', '4: 52 chord', '4: 55 chord']);
    const short = voiced('C', [48, 52, 55], 4, 1);
    expect(played({ voiced: short }, 'stride')).toEqual(['4: 48 chord', '4: 52 chord', '4: 55 chord']);
    expect(played({ voiced: voiced('C', [48, 52, 55], 4, 2) }, 'stride')[0]).toBe('4: 48 pattern');
  });

  it('leaves out what comes within two half steps of the tune, else goes an octave down, else holds; said each time', () => {
    const under = (midi: number) => [{ tick: 5 * beat, length: beat / 2, midi }];
    const roomy = { bars: [bars[1]], voiced: voiced('C', [48, 52, 55], 4, 2) };
    expect(played({ ...roomy, melody: under(63) })).toEqual([
      '4: 48 pattern',
      '4.5: 55 pattern',
      '5: 52 pattern',
      '5.5: 55 pattern',
    ]);
    expect(played({ ...roomy, melody: under(54) })).toEqual([
      '4: 36 pattern',
      '4.5: 43 pattern',
      '5: 40 pattern',
      '5.5: 43 pattern',
      'Rocking drops an octave under C in bar 2: the right hand comes within two half steps.',
    ]);
    expect(played({ ...roomy, melody: under(54), refused: true })[0]).toBe('4: 48 pattern');
  });

  it('plays nothing in a pick-up', () => {
    expect(played({ bars: [{ ...bars[1], number: 0 }] })).toEqual([]);
  });
});
