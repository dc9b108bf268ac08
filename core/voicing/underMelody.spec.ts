import { describe, expect, it } from 'vitest';
import { type Chord, parseChord } from '../music';
import { DEFAULT_PROFILE, type Profile } from '../song';
import { chordUnder } from './underMelody';

describe('a chord in the right hand under its melody note', () => {
  const under = (symbol: string, top: number, hand: Partial<Profile> = {}): string[] =>
    chordUnder(parseChord(symbol) as Chord, top, { ...DEFAULT_PROFILE, ...hand }).map(({ keys }) =>
      keys.join(' '),
    );

  it('is the rest of the chord close beneath a member of it', () => {
    expect(under('C', 72)).toEqual(['64 67 72']);
    expect(under('C', 76)).toEqual(['67 72 76']);
    expect(under('G7', 77)).toEqual(['67 71 74 77']);
    // A slash bass is the left hand's.
    expect(under('C/E', 72)).toEqual(['64 67 72']);
  });

  it('under another note is the whole of the others within reach, without what rubs', () => {
    expect(under('C', 74, { rightReach: 8 })).toEqual(['64 67 72 74']);
    // C sharp over C: the C a half step below is left out; B has it far enough away.
    expect(under('C', 73)).toEqual(['64 67 73']);
    expect(under('C', 71)).toEqual(['60 64 67 71']);
  });

  it('is fewer where the hand does not reach all: two that tell the chord, or any single one', () => {
    // E lies a seventh below D: root and fifth alone do not tell the chord, so one of them goes with it.
    expect(under('C', 74, { rightReach: 6 })).toEqual(['72 74', '67 74']);
    expect(under('C', 72, { rightReach: 6 })).toEqual(['64 67 72']);
    expect(under('Cmaj7', 72, { rightReach: 6 })).toEqual(['64 67 71 72']);
  });

  it('is the melody alone where nothing lies within reach or on the keyboard', () => {
    expect(under('C', 36, { keyboard: 61 })).toEqual(['36']);
    expect(under('C5', 71, { rightReach: 6 })).toEqual(['67 71']);
  });
});
