import { typeset } from '@joined-hands/core/music';
import { type Song, wordsOf, writtenBars } from '@joined-hands/core/song';

/** A bar as a chart was read: what is struck and sung in it. */
export interface ReadBar {
  readonly number: number;
  readonly chords: string;
  readonly words: string;
}

/** Bars that follow one another, and the section that begins with the first. */
export interface ReadSection {
  readonly name: string;
  readonly bars: readonly ReadBar[];
}

/** What was read of a chart, bar by bar, section by section. */
export function barsRead(song: Song): ReadSection[] {
  const sections: { name: string; bars: ReadBar[] }[] = [];
  for (const { number, tick, length } of writtenBars(song)) {
    const isIn = (each: { readonly tick: number }): boolean => each.tick >= tick && each.tick < tick + length;
    const begins = song.sections.find(isIn);
    if (begins || sections.length === 0) sections.push({ name: begins?.name ?? '', bars: [] });
    const chords = song.changes.filter(isIn).map(({ symbol }) => typeset(symbol));
    const words = wordsOf(song.words.filter(isIn).map((lyric) => ({ lyric })));
    sections[sections.length - 1].bars.push({ number, chords: chords.join('  ') || '–', words });
  }
  return sections;
}
