import type { SungWord } from './seam-view';

/** A word or number at a place of the seam. */
export interface TextMark {
  readonly x: number;
  readonly y: number;
  readonly text: string;
}

export const LYRIC_LINE = 24;
/** Pixels words stand in from their tick, clear of the thread. */
export const TEXT_IN = 11;
/** Average width of a letter of the lyric face at its size, and the gap after a syllable. */
const LETTER_WIDTH = 9.4;
const SYLLABLE_GAP = 6;

/** Syllables under their notes; one that would run into the last steps down a line. */
export function placeLyrics(
  words: readonly SungWord[],
  x: (tick: number) => number,
  top: number,
): { lyrics: TextMark[]; lines: number } {
  const ends: number[] = [];
  const lyrics: TextMark[] = [];
  for (const word of words) {
    const text = word.text + (word.syllabic === 'begin' || word.syllabic === 'middle' ? '-' : '');
    const at = x(word.tick);
    let line = ends.findIndex((end) => end <= at);
    if (line < 0) line = ends.push(0) - 1;
    ends[line] = at + text.length * LETTER_WIDTH + SYLLABLE_GAP;
    lyrics.push({ x: at + TEXT_IN, y: top + (line + 1) * LYRIC_LINE - 5, text });
  }
  return { lyrics, lines: Math.max(1, ends.length) };
}
