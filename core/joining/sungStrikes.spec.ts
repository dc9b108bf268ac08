import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import { strikesOf } from '../hands';
import { type Chord, nameOf, parseChord } from '../music';
import { ON_THE_BEAT, SUNG_FIGURES, type SungFigure, sungProposals } from '../patterns';
import { DEFAULT_PROFILE, type PlayedBar, type Profile, type Song } from '../song';
import { wholeBars } from '../testing';
import type { VoicedChange } from '../voicing';
import { sungStrikes } from './sungStrikes';

const beat = 960;
const metre = { numerator: 4, denominator: 4 } as const;
const bars = [
  { number: 0, tick: 0, length: beat, metre },
  { number: 1, tick: beat, length: 4 * beat, metre },
  { number: 2, tick: 5 * beat, length: 4 * beat, metre },
] as PlayedBar[];
const chord = (from: number, length: number, keys: readonly number[] = [60, 64, 67]): VoicedChange =>
  ({
    change: { tick: from * beat },
    length: length * beat,
    voicing: { keys },
    chord: parseChord('C') as Chord,
    key: { tonic: { letter: 'C', alter: 0 }, mode: 'major' },
  }) as unknown as VoicedChange;
const figure = (id: string): SungFigure => SUNG_FIGURES.find((row) => row.id === id) ?? ON_THE_BEAT;
const told = (voiced: VoicedChange, id: string): string[] =>
  sungStrikes(voiced, figure(id), bars).map(
    ({ tick, length, keys }) => `${tick / beat}+${length / beat}: ${keys.join(' ')}`,
  );

describe('a figure of the right hand on one chord', () => {
  it('goes on from each bar line, and ends with its chord', () => {
    expect(told(chord(1, 4), 'broken-chord')).toEqual([
      '1+0.5: 60',
      '1.5+0.5: 67',
      '2+0.5: 64',
      '2.5+0.5: 67',
      '3+0.5: 60',
      '3.5+0.5: 67',
      '4+0.5: 64',
      '4.5+0.5: 67',
    ]);
    expect(told(chord(1, 1.25), 'chords-on-the-beat')).toEqual(['1+1: 60 64 67', '2+0.25: 60 64 67']);
  });

  it('goes on through a change inside the bar, counted from the bar line', () => {
    expect(told(chord(2, 1), 'broken-chord')).toEqual(['2+0.5: 64', '2.5+0.5: 67']);
  });

  it('strikes the chord where it begins off the figure, until the next strike', () => {
    expect(told(chord(1.25, 1.75), 'chords-on-the-beat')).toEqual(['1.25+0.75: 60 64 67', '2+1: 60 64 67']);
  });

  it('leaves the beat free where it is made so', () => {
    expect(told(chord(1, 2), 'chords-between-beats')).toEqual(['1.5+0.5: 60 64 67', '2.5+0.5: 60 64 67']);
  });

  it('counts a pick-up back from its bar line', () => {
    expect(told(chord(0, 1), 'single-note-companion')).toEqual(['0+0.5: 72', '0.5+0.5: 72']);
    expect(told(chord(0, 2), 'low-and-others')).toEqual([
      '0+0.5: 60',
      '0.5+0.5: 64 67',
      '1+0.5: 60',
      '1.5+0.5: 64 67',
    ]);
  });

  it('takes of two and four keys the lower of the middle ones; of one key that for all', () => {
    expect(told(chord(1, 2, [60, 67]), 'broken-chord')).toEqual([
      '1+0.5: 60',
      '1.5+0.5: 67',
      '2+0.5: 60',
      '2.5+0.5: 67',
    ]);
    expect(told(chord(1, 2, [60, 64, 67, 70]), 'broken-chord')[2]).toBe('2+0.5: 64');
    expect(told(chord(1, 1, [60]), 'low-and-others')).toEqual(['1+0.5: 60', '1.5+0.5: 60']);
  });
});

describe('keys that are not there', () => {
  it('are left out: on a short keyboard the right hand plays what it has of a pinned chord', () => {
    const base = wholeBars(['C5', 'C5'], ['C', 'C']);
    const played = (keys: number[]): string[] => {
      const song: Song = {
        ...base,
        melody: [],
        pins: [{ changeId: 'c0', keys, fingers: null }],
        choices: { ...base.choices, layout: 'singing', level: 4 },
      };
      const { right } = arrange(song, { ...DEFAULT_PROFILE, keyboard: 49 });
      return right.filter(({ tick }) => tick === 0).map(({ pitch }) => nameOf(pitch));
    };
    expect(played([60, 64, 67])).toEqual(['C4', 'E4', 'G4']);
    expect(played([60, 64, 84, 85, 100])).toEqual(['C4', 'E4', 'C6']);
    expect(played([31, 36, 64])).toEqual(['C2', 'E4']);
  });
});

describe('figures proposed for a singer', () => {
  const names = (numerator: number, denominator: 4 | 8, energy: number): string[] =>
    sungProposals({ numerator, denominator }, energy).map(({ pattern }) => pattern.id);

  it('are those made for the metre, the nearest energy first, in the order they are listed', () => {
    expect(names(4, 4, 3)).toEqual([
      'chords-on-the-beat',
      'low-and-others',
      'chords-between-beats',
      'broken-chord',
      'descending-line',
      'single-note-companion',
    ]);
    expect(names(4, 4, 5)).toEqual([
      'chords-between-beats',
      'chords-on-the-beat',
      'low-and-others',
      'broken-chord',
      'descending-line',
      'single-note-companion',
    ]);
    expect(names(6, 8, 1)).toEqual([
      'single-note-companion',
      'broken-chord-in-threes',
      'descending-line',
      'chords-on-the-beat',
    ]);
  });
});

describe('the bass of an accompaniment for singing', () => {
  const bass = (symbols: readonly string[], level: number, profile: Partial<Profile> = {}): string[] => {
    const base = wholeBars(
      symbols.map(() => 'C5'),
      symbols,
    );
    const song: Song = {
      ...base,
      melody: [],
      choices: { ...base.choices, layout: 'singing', level, pattern: 'block' },
    };
    return strikesOf(arrange(song, { ...DEFAULT_PROFILE, ...profile }).left).map((keys) =>
      keys.map(({ pitch }) => nameOf(pitch)).join('+'),
    );
  };

  it('is the root or slash bass nearest to the one before, round G2', () => {
    expect(bass(['G', 'C', 'F', 'D', 'A'], 3)).toEqual(['G2', 'C3', 'F2', 'D2', 'A2']);
    expect(bass(['C', 'G/B', 'Am', 'C/G'], 3)).toEqual(['C3', 'B2', 'A2', 'G2']);
  });

  it('has its octave at a moving level where the hand reaches it', () => {
    expect(bass(['G', 'C'], 5)).toEqual(['G1+G2', 'C2+C3']);
    expect(bass(['G', 'C'], 5, { leftReach: 7 })).toEqual(['G2', 'C3']);
  });
});
