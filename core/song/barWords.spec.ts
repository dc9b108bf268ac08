import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inOrder, spreadWords, withWordsInBars, wordsInBars } from './barWords';
import { emptySong } from './emptySong';
import type { Song } from './schema';
import { writtenBars } from './bars';

const bars = writtenBars({ ...emptySong('s', 'Bars'), barCount: 4 });
const told = (words: Song['words']): string[] =>
  words.map(({ text, tick, syllabic }) => `${text} ${tick / 960} ${syllabic}`);

describe('words over bars', () => {
  it('stand on half beats, closer where there are more syllables than those', () => {
    expect(told(spreadWords('low tide comes in', 3840, 7680))).toEqual([
      'low 4 single',
      'tide 5 single',
      'comes 6 single',
      'in 7 single',
    ]);
    expect(spreadWords('a b c d', 0, 960).map(({ tick }) => tick)).toEqual([0, 240, 480, 720]);
    expect(spreadWords('', 0, 960)).toEqual([]);
  });

  it('never two at one count and never outside', () => {
    fc.assert(
      fc.property(fc.nat(200), fc.integer({ min: 1, max: 30 }), (n, beats) => {
        const from = 960 * 7;
        const ticks = spreadWords(
          Array.from({ length: n }, () => 'la').join(' '),
          from,
          from + beats * 960,
        ).map(({ tick }) => tick);
        fc.pre(n <= beats * 24);
        expect(new Set(ticks).size).toBe(n);
        expect(ticks.every((tick) => tick >= from && tick < from + beats * 960)).toBe(true);
      }),
    );
  });

  it('a syllable that goes on over a bar line ends in the next bar', () => {
    const words = inOrder([...spreadWords('wall', 3840, 7680), ...spreadWords('down har-', 0, 3840)]);
    expect(told(words)).toEqual(['down 0 single', 'har 2 begin', 'wall 4 end']);
  });

  it('are typed bar by bar: what is typed is read again, and other bars keep theirs', () => {
    const syllable = fc.constantFrom('low', 'wa-ter', 'comes', 'har-bour', 'fish-er-men');
    const text = fc.array(
      fc.array(syllable, { maxLength: 4 }).map((each) => each.join(' ')),
      {
        minLength: 4,
        maxLength: 4,
      },
    );
    fc.assert(
      fc.property(text, text, fc.nat(3), fc.nat(3), (before, after, a, b) => {
        const song = withWordsInBars([], bars, before.join('|'));
        expect(
          wordsInBars(song, bars)
            .split('|')
            .map((each) => each.trim()),
        ).toEqual(before);
        const stretch = bars.slice(Math.min(a, b), Math.max(a, b) + 1);
        const typed = after.slice(0, stretch.length);
        const changed = withWordsInBars(song, stretch, typed.join(' | '));
        const wanted = before.map((old, i) =>
          stretch.includes(bars[i]) ? typed[stretch.indexOf(bars[i])] : old,
        );
        expect(
          wordsInBars(changed, bars)
            .split('|')
            .map((each) => each.trim()),
        ).toEqual(wanted);
      }),
    );
  });

  it('keep their counts where a bar has as many syllables as before; what is too much goes into the last bar', () => {
    const moved: Song['words'] = [{ tick: 1200, text: 'low', syllabic: 'single' }];
    expect(told(withWordsInBars(moved, bars, 'high |||'))).toEqual(['high 1.25 single']);
    expect(told(withWordsInBars([], bars.slice(0, 1), 'low | tide'))).toEqual([
      'low 0 single',
      'tide 2 single',
    ]);
  });
});
