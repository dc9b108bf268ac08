import { describe, expect, it } from 'vitest';
import type { HandEvent } from './event';
import { classOf, phrasesIn, runsIn } from './runs';

const event = (keys: readonly number[], afterRest = false): HandEvent => ({ keys, afterRest }) as HandEvent;

describe('phrases of single notes', () => {
  it('end at a chord, and before a note after a rest', () => {
    const events = [
      event([60]),
      event([62]),
      event([64, 67]),
      event([65]),
      event([64], true),
      event([62]),
      event([60, 64]),
      event([60, 65]),
    ];
    expect(phrasesIn(events)).toEqual([
      { from: 0, keys: [60, 62] },
      { from: 3, keys: [65] },
      { from: 4, keys: [64, 62] },
    ]);
    expect(phrasesIn([])).toEqual([]);
    // After a chord a note begins a phrase, rest or no rest.
    expect(phrasesIn([event([60, 64]), event([62], true)])).toEqual([{ from: 1, keys: [62] }]);
  });
});

describe('runs', () => {
  const runs = (...keys: number[]): string[] =>
    runsIn({ from: 10, keys }).map(({ from, keys: own }) => `${from}: ${own.join(' ')}`);

  it('go one way; the note on which they turn belongs to both', () => {
    expect(runs(60, 62, 64, 62, 60)).toEqual(['10: 60 62 64', '12: 64 62 60']);
    expect(runs(60, 62)).toEqual(['10: 60 62']);
    expect(runs(60)).toEqual([]);
  });

  it('have no step wider than six half steps, and none on one key', () => {
    expect(runs(60, 66, 72)).toEqual(['10: 60 66 72']);
    expect(runs(60, 67, 69)).toEqual(['11: 67 69']);
    expect(runs(60, 60, 62, 62, 64)).toEqual(['11: 60 62', '13: 62 64']);
    expect(runs(72, 65, 64)).toEqual(['11: 65 64']);
    expect(runs(60, 67)).toEqual([]);
  });
});

describe('the class of a key', () => {
  it('is 0 for C to 11 for B, below the first C too', () => {
    expect([0, 11, 12, 60, 61, -1, -12].map(classOf)).toEqual([0, 11, 0, 0, 1, 11, 0]);
  });
});
