import { describe, expect, it } from 'vitest';
import { type Song, unfold } from '../song';
import { wholeBars } from '../testing';
import { divide } from './divide';
import { interludesOf } from './interludes';
import { partsOf } from './parts';

/** Four-bar phrases of whole notes with bars left empty: 'x' sounds, '.' is silent, 'p' has a pick-up on the fourth beat. */
function song(pattern: string): Song {
  const symbols = [...pattern].map(() => 'C');
  const base = wholeBars(
    [...pattern].map((_, i) => ['C5', 'E5', 'D5', 'G5'][i % 4]),
    symbols,
  );
  const melody = base.melody.flatMap((note, i) => {
    if (pattern[i] === '.') return [];
    return [pattern[i] === 'p' ? { ...note, tick: note.tick + 2880, length: 960 } : note];
  });
  return { ...base, melody };
}
const BAR = 3840;
const told = (pattern: string): unknown[] =>
  interludesOf(unfold(song(pattern))).map(({ fromTick, toTick, name }) => [
    fromTick / BAR,
    toTick / BAR,
    name,
  ]);

describe('bars without melody', () => {
  it('of two and more are an introduction, an interlude, an ending; one is a rest', () => {
    expect(told('..xxxx')).toEqual([[0, 2, 'Introduction']]);
    expect(told('xxxx...xxxx')).toEqual([[4, 7, 'Interlude']]);
    expect(told('xxxx..')).toEqual([[4, 6, 'Ending']]);
    expect(told('.xxx.xxx.')).toEqual([]);
    expect(told('....xxxx..xxxx..')).toEqual([
      [0, 4, 'Introduction'],
      [8, 10, 'Interlude'],
      [14, 16, 'Ending'],
    ]);
  });

  it('end where the tune enters, its pick-up with it', () => {
    expect(told('...pxxx')).toEqual([[0, 3.75, 'Introduction']]);
    expect(told('xxxx..pxxxx')).toEqual([[4, 6.75, 'Interlude']]);
  });

  it('are parts of their own, with a name', () => {
    for (const [pattern, cuts] of [
      ['....xxxx', [0, 4]],
      ['..xxxxxxxx', [0, 2]],
      ['xxxx..xxxx', [0, 4, 6]],
    ] as const) {
      const played = unfold(song(pattern));
      const ticks = divide(played).map(({ tick }) => tick / BAR);
      expect([pattern, cuts.filter((cut) => !ticks.includes(cut))]).toEqual([pattern, []]);
    }
    const interlude = song('xxxx..xxxx');
    const names = partsOf(interlude, unfold(interlude)).map(({ fromBar, sectionName }) => [
      fromBar,
      sectionName,
    ]);
    expect(names).toContainEqual([5, 'Interlude']);
  });

  it('are none in a song of chords', () => {
    expect(interludesOf(unfold({ ...song('xxxx'), melody: [] }))).toEqual([]);
  });
});
