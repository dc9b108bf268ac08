import { describe, expect, it } from 'vitest';
import { memberNumber } from './chordNames';
import { CHORD_TYPES, typeOfSuffix } from './chordTypes';

/** Semitones from the root, as every harmony book gives them. */
const FACTS: Record<string, string> = {
  '': '0 4 7',
  m: '0 3 7',
  dim: '0 3 6',
  aug: '0 4 8',
  sus2: '0 2 7',
  sus4: '0 5 7',
  '5': '0 7',
  '6': '0 4 7 9',
  m6: '0 3 7 9',
  '6/9': '0 4 7 9 14',
  maj7: '0 4 7 11',
  '7': '0 4 7 10',
  m7: '0 3 7 10',
  m7b5: '0 3 6 10',
  dim7: '0 3 6 9',
  'm(maj7)': '0 3 7 11',
  '7sus4': '0 5 7 10',
  aug7: '0 4 8 10',
  '7b5': '0 4 6 10',
  'maj7#5': '0 4 8 11',
  add9: '0 4 7 14',
  'm(add9)': '0 3 7 14',
  '9': '0 4 7 10 14',
  maj9: '0 4 7 11 14',
  m9: '0 3 7 10 14',
  '9sus4': '0 5 7 10 14',
  '7b9': '0 4 7 10 13',
  '7#9': '0 4 7 10 15',
  '7#11': '0 4 7 10 18',
  'maj7#11': '0 4 7 11 18',
  '7b13': '0 4 7 10 20',
  '11': '0 4 7 10 14 17',
  m11: '0 3 7 10 14 17',
  '13': '0 4 7 10 14 21',
  '13sus4': '0 5 7 10 14 21',
};

const semitones = (suffix: string): readonly number[] => typeOfSuffix(suffix)?.semitones ?? [];

describe('chord types', () => {
  it('have the members every harmony book gives them', () => {
    for (const [suffix, facts] of Object.entries(FACTS))
      expect(semitones(suffix).join(' '), suffix).toBe(facts);
    expect(CHORD_TYPES).toHaveLength(Object.keys(FACTS).length + 1);
  });

  it('form the ladder of sevenths, each one change from the last', () => {
    const ladder = ['maj7', '7', 'm7', 'm7b5', 'dim7'];
    for (let i = 1; i < ladder.length; i++) {
      const [above, below] = [semitones(ladder[i - 1]), semitones(ladder[i])];
      const lowered = above.map((s, n) => s - below[n]).filter((d) => d !== 0);
      expect(lowered, `${ladder[i - 1]} to ${ladder[i]}`).toEqual([1]);
    }
  });

  it('share their notes under several names', () => {
    const from = (root: number, suffix: string): string =>
      [...new Set(semitones(suffix).map((s) => (root + s) % 12))].sort((a, b) => a - b).join();
    for (let root = 0; root < 12; root++) {
      expect(from(root, 'm7b5')).toBe(from(root + 3, 'm6'));
      expect(from(root, 'm7')).toBe(from(root + 3, '6'));
      for (const up of [3, 6, 9]) expect(from(root, 'dim7')).toBe(from(root + up, 'dim7'));
      for (const up of [4, 8]) expect(from(root, 'aug')).toBe(from(root + up, 'aug'));
    }
  });

  it('are written one way and read in many, no spelling standing for two', () => {
    const all = CHORD_TYPES.flatMap((t) => [t.suffix, ...t.spellings]);
    expect(new Set(all).size).toBe(all.length);
    expect(typeOfSuffix('what')).toBeUndefined();
  });

  it('number their members in rising order', () => {
    for (const { members, suffix } of CHORD_TYPES) {
      const numbers = members.map(memberNumber);
      expect(
        [...numbers].sort((a, b) => a - b),
        suffix,
      ).toEqual(numbers);
    }
  });
});
