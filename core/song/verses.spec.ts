import { describe, expect, it } from 'vitest';
import { readMusicXml, wholeBars } from '../testing';
import { applyEdit } from './edits';
import { migrateSong } from './migrate';
import { wordsOf } from './noteEdits';
import type { MelodyNote, Song } from './schema';
import { unfold } from './unfold';

const bars = wholeBars(['E5', 'D5', 'C5'], ['C', 'G', 'C']);
const [first, second, last] = bars.melody.map(({ id }) => id);
/** Two bars played twice, then the third. */
const repeated: Song = {
  ...bars,
  playingOrder: [
    { fromBar: 1, toBar: 2 },
    { fromBar: 1, toBar: 3 },
  ],
};
const typed = (song: Song, text: string, verse = 1, toId = last): Song =>
  applyEdit(song, { kind: 'words-typed', fromId: first, toId, text, verse });
const sung = (song: Song): (string | null)[] => unfold(song).melody.map(({ lyric }) => lyric?.text ?? null);

describe('words of the second time', () => {
  it('are sung where bars come back; where none are given, the first again', () => {
    const one = typed(repeated, 'far a-way');
    expect(sung(one)).toEqual(['far', 'a', 'far', 'a', 'way']);
    const two = typed(one, 'near by', 2, second);
    expect(sung(two)).toEqual(['far', 'a', 'near', 'by', 'way']);
    // What is held over in one verse is not sung as in the other.
    expect(sung(typed(one, 'near _', 2, second))).toEqual(['far', 'a', 'near', null, 'way']);
    expect(migrateSong(JSON.parse(JSON.stringify(two)))).toEqual(two);
  });

  it('leave the others as they are, and a third leaves the second as it is sung', () => {
    const three = typed(typed(repeated, 'far a-way'), 'deep in-land', 3, second);
    expect(three.melody[0].verses?.map((lyric) => lyric?.text)).toEqual(['far', 'deep']);
    expect(sung(three)).toEqual(['far', 'a', 'far', 'a', 'way']);
    expect(wordsOf(three.melody)).toBe('far a-way');
  });

  it('stay with the note that is joined, and not with its copy or the half that is split off', () => {
    const two = typed(typed(repeated, 'far a-way'), 'near by', 2, second);
    const verses = (song: Song): (number | undefined)[] =>
      song.melody.map((note: MelodyNote) => note.verses?.length);
    expect(verses(applyEdit(two, { kind: 'note-split', id: first }))).toEqual([1, undefined, 1, undefined]);
    expect(verses(applyEdit(two, { kind: 'phrase-copied', ids: [first], toTick: 3840 }))).toEqual([
      1,
      undefined,
      undefined,
    ]);
  });

  it('are read from a score, verse by verse, each from its first syllable to its last', () => {
    const lyric = (number: string, text: string): string =>
      `<lyric number="${number}"><syllabic>single</syllabic><text>${text}</text></lyric>`;
    const note = (step: string, lyrics: string): string =>
      `<note><pitch><step>${step}</step><octave>5</octave></pitch><duration>4</duration><voice>1</voice>${lyrics}</note>`;
    const song = readMusicXml(
      `<score-partwise><part-list><score-part id="P1"><part-name>Voice</part-name></score-part></part-list><part id="P1">
      <measure number="1"><attributes><divisions>4</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>
      <barline location="left"><repeat direction="forward"/></barline>
      ${note('C', lyric('1', 'far') + lyric('2', 'near'))}${note('D', lyric('1', 'out'))}${note('E', lyric('1', 'at') + lyric('2', 'by'))}${note('F', lyric('1', 'sea'))}
      <barline location="right"><repeat direction="backward"/></barline></measure>
      </part></score-partwise>`,
      's',
      'S',
    );
    expect(sung(song)).toEqual(['far', 'out', 'at', 'sea', 'near', null, 'by', 'sea']);
  });
});
