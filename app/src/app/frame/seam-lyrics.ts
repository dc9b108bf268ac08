import type { SungWord } from './seam-view';

/** A word or number at a place of the seam. */
export interface TextMark {
  readonly x: number;
  readonly y: number;
  readonly text: string;
}

export const LYRIC_LINE = 22;
/** Pixels words stand in from their tick, clear of the thread. */
export const TEXT_IN = 11;
/** Average width of a letter of the lyric face at its size, and the gap after a syllable. */
const LETTER_WIDTH = 9.4;
const SYLLABLE_GAP = 6;

function textOf({ text, syllabic }: SungWord): string {
  return text + (syllabic === 'begin' || syllabic === 'middle' ? '-' : '');
}

/** Pixels a syllable takes up, with the gap after it. */
export function wordWidth(word: SungWord): number {
  return textOf(word).length * LETTER_WIDTH + SYLLABLE_GAP;
}

/** Syllables under their notes, on one line: a row has as few bars as that asks for. The last ends inside the row. */
export function placeLyrics(
  words: readonly SungWord[],
  x: (tick: number) => number,
  top: number,
  rightEdge: number,
): TextMark[] {
  let end = -Infinity;
  return words.map((word) => {
    const at = Math.max(end, Math.min(x(word.tick) + TEXT_IN, rightEdge - wordWidth(word) + SYLLABLE_GAP));
    end = at + wordWidth(word);
    return { x: at, y: top + LYRIC_LINE - 5, text: textOf(word) };
  });
}
