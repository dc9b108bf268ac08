import { describe, expect, it } from 'vitest';
import type { ComparedTurns } from '../practice';
import { comparedInWords } from './comparedTurns';

const turn = (tempoPercent: number, cleanShare: number | null, apart: number | null) => ({
  tempoPercent,
  cleanShare,
  apart,
});
const NONE: ComparedTurns = { gone: [], still: [], new: [], lost: 0 };

describe('two turns in words', () => {
  it('tells tempo, clean share and togetherness, then the places', () => {
    const compared: ComparedTurns = {
      gone: [{ bar: 0, hand: 'right', kind: 'missed', before: 1, after: 0 }],
      still: [
        { bar: 3, hand: 'left', kind: 'late', before: 3, after: 1 },
        { bar: 4, hand: 'left', kind: 'wrong', before: 1, after: 1 },
      ],
      new: [{ bar: 6, hand: 'right', kind: 'restart', before: 0, after: 2 }],
      lost: 0,
    };
    expect(comparedInWords(turn(60, 0.876, -0.0452), turn(80, 0.97, 0.02), compared)).toEqual([
      'Tempo 60 % → 80 %, clean 88 % → 97 %.',
      'The hands were 45 ms apart, now 20 ms.',
      'Gone: the pick-up, right hand, key left out.',
      'Still there: bar 3, left hand, late (3 times, now once); bar 4, left hand, wrong key.',
      'New: bar 6, right hand, begun again.',
    ]);
  });

  it('says where nothing went wrong, and what cannot be compared', () => {
    expect(comparedInWords(turn(60, null, 0.03), turn(60, 1, null), NONE)).toEqual([
      'Tempo 60 % → 60 %, clean – → 100 %.',
      'Nothing went wrong in either.',
    ]);
    expect(comparedInWords(turn(60, 1, null), turn(60, 1, null), { ...NONE, lost: 1 })).toEqual([
      'Tempo 60 % → 60 %, clean 100 % → 100 %.',
      '1 slip at notes that were edited since: not compared.',
    ]);
  });
});
