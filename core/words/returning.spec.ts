import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import { NO_RELATIONS } from '../joining';
import { applyEdit, DEFAULT_PROFILE } from '../song';
import { wholeBars } from '../testing';
import { learningInWords } from './learning';
import { handsThen } from './returning';

/** Four bars a part, a note and a chord each. */
const inFours = (melody: string, chords: string) => {
  const song = wholeBars(melody.split(' '), chords.split(' '));
  const parts = { kind: 'division-chosen', division: { method: 'bars', bars: 4 } } as const;
  const root = { kind: 'choose', choices: { layout: 'root' } } as const;
  return arrange(applyEdit(applyEdit(song, parts), root), DEFAULT_PROFILE);
};
const all = (a: ReturnType<typeof arrange>) => a.parts.map((_, i) => handsThen(a, i));

describe('the left hand where a tune comes back', () => {
  const tune = 'C6 E6 D6 B5';
  const other = 'G6 F6 E6 C6';

  it('is the same under the same chords, and differs under others, known or not', () => {
    const a = inFours(`${tune} ${other} ${tune} ${tune}`, 'C F G C Am F Am F Am F Am F C F G C');
    expect(a.parts.map(({ relation, relatedTo }) => [relation, relatedTo])).toEqual([
      ['new', null],
      expect.anything(),
      ['same', 1],
      ['same', 1],
    ]);
    // The third has the left hand of the second, and the tune of the first.
    expect(a.relations.left[2]).toMatchObject({ relation: 'same', to: 1 });
    expect(all(a).slice(2)).toEqual(['differs', 'same']);
  });

  it('is taken for the same as long as the whole is not worked out', () => {
    const a = inFours(`${tune} ${tune}`, 'C F G C Am F Am F');
    expect(all(a)).toEqual(['differs', 'differs']);
    expect(all({ ...a, relations: NO_RELATIONS })).toEqual(['same', 'same']);
  });

  it('makes a part one that is learned once only together with the tune', () => {
    const moved = inFours(`${tune} E6 G6 F6 D6`, 'C F G F C F G F');
    expect(learningInWords(moved)).toBe('2 parts, all different; left hand: 1 different.');
    expect(learningInWords(inFours(`${tune} ${tune}`, 'C F G F C F G F'))).toBe(
      '2 parts, 1 different; left hand: 1 different. Learn part 1 once and play it twice.',
    );
    expect(learningInWords(inFours(`${tune} ${tune}`, 'C F G F Am F Am F'))).toBe(
      '2 parts, 1 different; left hand: all different.',
    );
  });

  it('tells of a long song the four parts that come back most, in order, and how many more there are', () => {
    const four = (count: number) => {
      // Parts 1, 2, 3 … each once more, and the third three times.
      const tunes = [
        'C6 D6 E6 F6',
        'G6 F6 G6 E6',
        'D6 D6 G6 C6',
        'A6 E6 A6 C6',
        'E6 A6 E6 D6',
        'F6 C6 D6 A6',
      ].slice(0, count);
      const all = [...tunes, ...tunes, tunes[2], tunes[2]].join(' ');
      const a = inFours(all, all.replace(/\S+/g, 'N.C.'));
      return learningInWords(a);
    };
    expect(four(4)).toBe(
      '10 parts, 4 different. Learn part 1 once and play it twice; part 2 once and play it twice; ' +
        'part 3 once and play it 4 times; part 4 once and play it twice.',
    );
    expect(four(6)).toBe(
      '14 parts, 6 different. Learn part 1 once and play it twice; part 2 once and play it twice; ' +
        'part 3 once and play it 4 times; part 4 once and play it twice; 2 more come back too.',
    );
  });
});
