import { TICKS_PER_QUARTER } from '../music';
import { type Bar, within } from './bars';
import { syllablesOf, wordsOf } from './noteEdits';
import type { Song } from './schema';

type Words = Song['words'];

/** Words are put on counts no shorter than this, in ticks: a 96th note. */
const SHORTEST_COUNT = 40;

/** Words over a stretch of ticks, evenly on its half beats; on shorter counts where there are more syllables than those. */
export function spreadWords(text: string, from: number, to: number): Words {
  const syllables = syllablesOf(text).filter((s) => s !== null);
  if (to <= from) return [];
  let grid = TICKS_PER_QUARTER / 2;
  while (grid > SHORTEST_COUNT && (to - from) / grid < syllables.length) grid /= 2;
  let before = -1;
  return syllables.map((lyric, i) => {
    const onGrid = Math.floor((from + ((to - from) * i) / syllables.length) / grid) * grid;
    before = Math.min(to - 1, Math.max(before + 1, onGrid, from));
    return { tick: before, ...lyric };
  });
}

/** Words in order, a syllable that follows one that goes on told as such: "har-" in one bar, "bour" in the next. */
export function inOrder(words: Words): Words {
  let goesOn = false;
  return [...words]
    .sort((a, b) => a.tick - b.tick)
    .map((word) => {
      const ends = word.syllabic === 'single' || word.syllabic === 'end';
      const syllabic = goesOn ? (ends ? 'end' : 'middle') : ends ? 'single' : 'begin';
      goesOn = !ends;
      return { ...word, syllabic };
    });
}

/** The words of bars of a song without a tune, "|" between the bars: as they are typed. */
export function wordsInBars(words: Words, bars: readonly Bar[]): string {
  return bars.map((bar) => wordsOf(inBar(words, bar).map((lyric) => ({ lyric })))).join(' | ');
}

/**
 * The words of a song without a tune after those of some bars were typed, "|" between the bars; what is more than the bars
 * goes into the last. Where a bar has as many syllables as before, they stay where they were.
 */
export function withWordsInBars(words: Words, bars: readonly Bar[], text: string): Words {
  const pieces = text.split(/[|\n]/);
  const kept = words.filter(
    ({ tick }) => !bars.some((bar) => tick >= bar.tick && tick < bar.tick + bar.length),
  );
  const typed = bars.flatMap((bar, i) => {
    const piece = i === bars.length - 1 ? pieces.slice(i).join(' ') : (pieces[i] ?? '');
    const before = inBar(words, bar);
    const after = spreadWords(piece, bar.tick, bar.tick + bar.length);
    return after.length === before.length
      ? after.map((word, k) => ({ ...word, tick: before[k].tick }))
      : after;
  });
  return inOrder([...kept, ...typed]);
}

const inBar = (words: Words, { tick, length }: Bar): Words => within(words, tick, tick + length);
