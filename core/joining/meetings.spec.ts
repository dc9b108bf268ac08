import { describe, expect, it } from 'vitest';
import type { HandNote } from '../hands';
import { type PlayedNote, type PlayedSong, unfold } from '../song';
import { wholeBars } from '../testing';
import type { VoicedChange } from '../voicing';
import { meetingOf, meetingsOf } from './meetings';

const played = unfold(wholeBars(['C5', 'E5', 'G5'], ['C', 'C', 'C']));
const [first] = played.melody;
const note = (id: string, tick: number, length: number, own: Partial<PlayedNote> = {}): PlayedNote => ({
  ...first,
  id,
  tick,
  length,
  ...own,
});
const lyric = (text: string) => ({ text, syllabic: 'single' as const });
const song: PlayedSong = {
  ...played,
  melody: [
    note('a', 0, 960, { lyric: lyric('low') }),
    note('grace', 1920, 0, { grace: true }),
    note('b', 1920, 1920, { lyric: lyric('tide') }),
    note('c', 5760, 960),
  ],
  words: [{ ...played.words[0], tick: 4800, text: 'gone' }],
};
const meets = (tick: number) => {
  const {
    how,
    note: with_,
    next,
    bar,
    count,
    syllable,
  } = meetingOf(song, { change: { tick } } as VoicedChange);
  return [how, with_?.id ?? null, next?.id ?? null, bar, count, syllable];
};

describe('how a change meets the tune', () => {
  it.each([
    ['struck with a note', 0, ['struck', 'a', 'b', 1, '1', 'low']],
    ['under one that is held', 480, ['held', 'a', 'b', 1, '1 &', 'low']],
    ['in a rest, from where a note ends', 960, ['rest', null, 'b', 1, '2', null]],
    ['with the note a grace note leads to', 1920, ['struck', 'b', 'c', 1, '3', 'tide']],
    ['up to its last tick', 3839, ['held', 'b', 'c', 1, expect.any(String), 'tide']],
    ['over a word without a note', 4800, ['rest', null, 'c', 2, '2', 'gone']],
    ['with the last', 5760, ['struck', 'c', null, 2, '3', null]],
    ['after it', 7680, ['rest', null, null, 3, '1', null]],
  ])('%s', (_, tick, met) => {
    expect(meets(tick)).toEqual(met);
  });
});

describe('where the hands meet', () => {
  const key = (midi: number, tick: number, grace = false): HandNote =>
    ({ midi, tick, grace, hand: 'right' }) as HandNote;

  it('is where both strike, grace notes apart, with the keys of each; a change is told from a pattern', () => {
    const right = [key(72, 0), key(76, 0), key(71, 960, true), key(74, 1920), key(77, 3840)];
    const left = [key(48, 0), key(52, 0), key(55, 960), key(55, 1920), key(57, 2880)];
    expect(meetingsOf(song.bars, new Set([0, 2880]), right, left)).toEqual([
      { tick: 0, bar: 1, count: '1', right: [72, 76], left: [48, 52], atChange: true },
      { tick: 1920, bar: 1, count: '3', right: [74], left: [55], atChange: false },
    ]);
  });
});
