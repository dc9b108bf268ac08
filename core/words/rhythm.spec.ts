import { describe, expect, it } from 'vitest';
import { judgeRhythm } from '../takes';
import { type CountedStroke, rhythmInWords } from './rhythm';

const stroke = (hand: 'right' | 'left', seconds: number, count = String(1 + seconds)): CountedStroke => ({
  hand,
  seconds,
  bar: 1,
  count,
});
const WANTED = [
  stroke('right', 0),
  stroke('left', 0),
  stroke('left', 1),
  stroke('right', 2),
  stroke('left', 2),
];
const told = (...taps: (readonly ['right' | 'left', number])[]): string[] =>
  rhythmInWords(
    judgeRhythm(
      WANTED,
      taps.map(([hand, seconds]) => ({ hand, seconds })),
    ),
  );

describe('a tapped rhythm in words', () => {
  it('tells each hand, the two together, what is missing, and the worst places first', () => {
    expect(told(['right', 0.01], ['left', 0.07], ['left', 1.2], ['right', 2], ['right', 3])).toEqual([
      'Right hand: on time.',
      'Left hand: 135 ms late on average.',
      'Where they meet the hands are 60 ms apart on average.',
      '1 missed, 1 too many.',
      'Bar 1, on 3: left hand missed.',
      'Bar 1, on 2: left hand 200 ms late.',
      'Bar 1, on 1: left hand 70 ms late.',
    ]);
  });

  it('says that all was well, or that nothing came', () => {
    expect(told(['right', 0], ['left', 0], ['left', 1], ['right', 2], ['left', 2])).toEqual([
      'Right hand: on time.',
      'Left hand: on time.',
      'Where they meet the hands are 0 ms apart on average.',
    ]);
    expect(told()[0]).toMatch(/^Nothing that was wanted was tapped/);
    expect(
      told(['right', -0.1], ['left', -0.1], ['left', 0.9], ['right', 1.9], ['left', 1.9]).slice(0, 2),
    ).toEqual(['Right hand: 100 ms early on average.', 'Left hand: 100 ms early on average.']);
  });
});
