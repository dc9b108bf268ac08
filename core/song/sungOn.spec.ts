import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { applyEdit } from './edits';
import { heads, sungOn, syllablesOf } from './noteEdits';
import type { Song } from './schema';

describe('words without a note, sung on', () => {
  const words = fc.array(fc.constantFrom('low', 'wa-ter', 'lan-tern-light', 'on'), { maxLength: 8 });

  it('come after those that are sung, and are never doubled: not one syllable more, however often', () => {
    fc.assert(
      fc.property(fc.constantFrom(...DEMO_SONGS), fc.nat(), words, words, (song, n, sung, spare) => {
        const notes = heads(song.melody);
        const from = n % notes.length;
        const run = notes.slice(from, from + 6);
        const edit = (given: Song, text: string, others: string): Song =>
          applyEdit(given, {
            kind: 'words-typed',
            fromId: run[0].id,
            toId: run[run.length - 1].id,
            text,
            others,
          });
        const before = {
          ...edit({ ...song, spareWords: '' }, sung.join(' '), ''),
          spareWords: spare.join(' '),
        };
        const runOf = ({ melody }: Song) => heads(melody).slice(from, from + 6);
        const on = (given: Song): Song => edit(given, sungOn(runOf(given), given.spareWords), '');
        const syllables = (given: Song): string[] => [
          ...runOf(given).flatMap(({ lyric }) => (lyric ? [lyric.text] : [])),
          ...syllablesOf(given.spareWords).flatMap((lyric) => (lyric ? [lyric.text] : [])),
        ];
        const once = on(before);
        expect(syllables(once)).toEqual(syllables(before));
        expect(on(once)).toEqual(once);
      }),
    );
  });
});
