import { readMusicXml, textOf } from '../testing';
import { strToU8, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { keyName, nameOf } from '../music';
import { DEFAULT_PROFILE, type Song, unfold } from '../song';
import { FileError } from './fileError';
import { readMusicXmlTunes } from './musicxmlRead';
import { writeMusicXml } from './musicxmlWrite';
import { writeMxl } from './mxlWrite';
import { openFile } from './openFile';
import { playingOrderOf } from './repeats';

const head =
  '<attributes><divisions>1</divisions><time><beats>4</beats><beat-type>4</beat-type></time></attributes>';
const note = (step: string, more = '', octave = 4): string =>
  `<note><pitch><step>${step}</step><octave>${octave}</octave></pitch><duration>4</duration>${more}</note>`;
const score = (...parts: string[]): string =>
  `<score-partwise><part-list>${parts.map((_, i) => `<score-part id="P${i}"><part-name>${['Flute', 'Voice', 'Bass'][i]}</part-name></score-part>`).join('')}</part-list>${parts.map((p, i) => `<part id="P${i}">${p}</part>`).join('')}</score-partwise>`;
const bars = (...contents: string[]): string =>
  contents.map((c, i) => `<measure number="${i + 1}">${i === 0 ? head : ''}${c}</measure>`).join('');
const letters = (song: Song): string =>
  unfold(song)
    .melody.map((n) => n.pitch.letter)
    .join('');

describe('bars as others write them', () => {
  const of = (quarters: number, step = 'C'): string =>
    `<note><pitch><step>${step}</step><octave>4</octave></pitch><duration>${quarters}</duration></note>`;
  const divided = '<attributes><divisions>1</divisions></attributes>';
  const measure = (content: string, i: number): string => `<measure number="${i}">${content}</measure>`;
  const read = (...contents: string[]): Song =>
    readMusicXml(score(contents.map(measure).join('')), 'id', 'T');
  const double = '<barline location="right"><bar-style>light-light</bar-style></barline>';
  const back = '<barline location="right"><repeat direction="backward"/></barline>';
  const complaints = (song: Song): string[] =>
    song.imported.map(textOf).filter((text) => /add up/.test(text));
  const metres = (song: Song): string[] =>
    song.metreMap.map(({ tick, numerator, denominator }) => `${tick / 960}: ${numerator}/${denominator}`);

  it('may end short by the pick-up they begin with', () => {
    const song = read(head + of(1), of(4), of(4), of(3));
    expect([song.pickup, song.barCount, complaints(song)]).toEqual([960, 3, []]);
    expect(complaints(read(head + of(1), of(4), of(4), of(2)))).toHaveLength(1);
  });

  it('may be split in two at a repeat or a double bar line', () => {
    for (const line of [double, back]) {
      const song = read(head + of(4), of(3) + line, of(1), of(4));
      expect(complaints(song)).toEqual([]);
      expect(metres(song)).toEqual(['0: 4/4', '4: 3/4', '7: 1/4', '8: 4/4']);
    }
    expect(complaints(read(head + of(4), of(3), of(1), of(4)))).toHaveLength(2);
    expect(complaints(read(head + of(4), of(3) + double, of(4)))).toHaveLength(1);
  });

  it('may be completed by the pick-up they are repeated with', () => {
    const song = read(head + of(1), of(4), of(3) + back, of(4));
    expect(complaints(song)).toEqual([]);
    // The pick-up is played again with the repeat.
    expect(unfold(song).endTick).toBe((1 + 4 + 3 + 1 + 4 + 3 + 4) * 960);
  });

  it('tell the metre where none is given', () => {
    expect(metres(read(divided + of(3), of(3), of(3)))).toEqual(['0: 3/4']);
    expect(metres(read(divided + of(1), of(2), of(2), of(2)))).toEqual(['0: 2/4']);
    expect(metres(read(divided + of(4)))).toEqual(['0: 4/4']);
    expect(complaints(read(divided + of(3), of(3), of(3)))).toEqual([]);
    expect(metres(read(head + of(3), of(3), of(3)))[0]).toBe('0: 4/4');
  });

  it('with two chords written over one beat keep the one written last, each as long as to the next', () => {
    const over = (root: string): string =>
      `<harmony><root><root-step>${root}</root-step></root><kind>major</kind></harmony>`;
    const song = read(
      head + over('C') + of(4),
      over('F') + over('G') + of(2) + over('D') + of(2, 'D'),
      over('C') + of(4),
    );
    expect(
      song.changes.map(({ id, tick, length, symbol }) => [id, tick / 960, length / 960, symbol]),
    ).toEqual([
      ['c1', 0, 4, 'C'],
      ['c2', 4, 2, 'G'],
      ['c3', 6, 2, 'D'],
      ['c4', 8, 4, 'C'],
    ]);
  });

  it('with a melody and nothing else get chords that are suggested, and say so', () => {
    const song = read(head + of(4, 'C'), of(4, 'D'), of(4, 'G'), of(4, 'C'));
    expect(song.changes.length).toBeGreaterThan(1);
    expect(song.changes[0]).toMatchObject({ symbol: 'C', given: false });
    expect(song.imported.map(textOf)).toEqual([
      'The file has neither chord symbols nor other notes: these chords are suggested for its melody. Look them over.',
    ]);
  });

  it('with a melody too long to weigh chords for say where they are suggested', () => {
    const song = read(head + of(4, 'C'), ...Array.from({ length: 130 }, (_, i) => of(4, 'CDEFGAB'[i % 7])));
    expect(song.changes).toEqual([]);
    expect(song.imported.map(textOf)).toEqual([
      'The file has neither chord symbols nor other notes, and is long: the Chords bench suggests chords for its melody.',
    ]);
  });
});

describe('repeats as playing order', () => {
  const repeat = (direction: string, times = ''): string =>
    `<barline><repeat direction="${direction}"${times}/></barline>`;
  const ending = (number: string, type: string): string =>
    `<barline><ending number="${number}" type="${type}"/></barline>`;
  const sound = (attributes: string): string => `<direction><sound ${attributes}/></direction>`;
  const read = (...contents: string[]): string => letters(readMusicXml(score(bars(...contents)), 'id', 'T'));

  it('plays a plain repeat twice, or as often as it says', () => {
    expect(read(note('C'), note('D') + repeat('backward'), note('E'))).toBe('CDCDE');
    expect(read(note('C'), repeat('forward') + note('D') + repeat('backward', ' times="3"'), note('E'))).toBe(
      'CDDDE',
    );
  });

  it('takes first and second endings, also of several bars', () => {
    expect(
      read(
        note('C'),
        ending('1', 'start') + note('D'),
        note('E') + ending('1', 'stop') + repeat('backward'),
        ending('2', 'start') + note('F') + ending('2', 'discontinue'),
        note('G'),
      ),
    ).toBe('CDECFG');
  });

  it('plays three passes where an ending is for two of them', () => {
    const first = ending('1,2', 'start') + note('D') + ending('1,2', 'stop') + repeat('backward');
    expect(read(note('C'), first, ending('3', 'start') + note('E') + ending('3', 'stop'))).toBe('CDCDCE');
  });

  it('goes back to the beginning or the sign, to the end or the coda', () => {
    expect(read(note('C'), note('D') + sound('fine="yes"'), note('E') + sound('dacapo="yes"'))).toBe('CDECD');
    expect(
      read(
        note('C'),
        sound('segno="s"') + note('D'),
        note('E') + sound('tocoda="c"'),
        note('F') + sound('dalsegno="s"'),
        sound('coda="c"') + note('G'),
      ),
    ).toBe('CDEFDEG');
  });

  it('says when there is no sign to go back to, and never plays on for ever', () => {
    const lost = playingOrderOf([{ number: 1 }, { number: 2, dalSegno: true }]);
    expect(lost.problems[0].code).toBe('noSign');
    const many = playingOrderOf([
      { number: 1, repeatEnds: 20 },
      ...Array.from({ length: 900 }, (_, i) => ({ number: i + 2, repeatEnds: 20 })),
    ]);
    expect(many.problems[0].code).toBe('repeatsTooLong');
  });

  it('leaves a song without signs straight through', () => {
    expect(playingOrderOf([{ number: 1 }, { number: 2 }])).toEqual({ playingOrder: [], problems: [] });
  });
});

describe('lines of a score', () => {
  it('are offered by part, staff and voice; words and names speak for the melody', () => {
    const lyric = '<lyric><text>la</text></lyric>';
    const piano = `${note('E', '<voice>1</voice><staff>1</staff>', 5)}<backup><duration>4</duration></backup>${note('C', '<voice>2</voice><staff>1</staff>', 5)}<backup><duration>4</duration></backup>${note('C', '<voice>5</voice><staff>2</staff>', 3)}`;
    const tunes = readMusicXmlTunes(
      score(bars(piano), bars(note('G', lyric)), bars(note('C', '', 2))),
      'id',
      'T',
    );
    expect(tunes[0].label).toBe('Voice');
    expect(tunes[0].facts).toBe('1 note, G4 to G4, with words');
    expect(tunes.map((t) => t.label).sort()).toEqual([
      'Bass',
      'Both hands, as written',
      'Flute, lower staff',
      'Flute, upper staff, top line',
      'Flute, upper staff, voice 1',
      'Flute, upper staff, voice 2',
      'Voice',
    ]);
  });

  it('of a piano score give the top line, and changes read off the lower staff', () => {
    const low = (step: string, chord = false): string =>
      note(step, '<staff>2</staff>', 3).replace('<note>', chord ? '<note><chord/>' : '<note>');
    const bar = (top: string, bass: string[]): string =>
      `${note(top, '<staff>1</staff>', 5)}<backup><duration>4</duration></backup>${bass.map((b, i) => low(b, i > 0)).join('')}`;
    const song = readMusicXml(
      score(bars(bar('E', ['C', 'E', 'G']), bar('F', ['D', 'F', 'A']), bar('D', ['G', 'B', 'D']))),
      'id',
      'T',
    );
    expect(song.changes.map((c) => [c.symbol, c.tick, c.given])).toEqual([
      ['C', 0, false],
      ['Dm', 3840, false],
      ['G', 7680, false],
    ]);
    expect(textOf(song.imported[0])).toContain('read off its other notes');
  });

  it('sound as they are heard when the instrument transposes', () => {
    const clarinet = `<attributes><key><fifths>2</fifths></key><transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose></attributes><harmony><root><root-step>D</root-step></root><kind>major</kind></harmony>`;
    const song = readMusicXml(
      score(bars(clarinet + note('D') + note('F', '<x/>').replace('</step>', '</step><alter>1</alter>'))),
      'id',
      'T',
    );
    expect(song.melody.map((n) => nameOf(n.pitch))).toEqual(['C4', 'E4']);
    expect([keyName(song.keyMap[0]), song.changes[0].symbol]).toEqual(['C major', 'C']);
  });

  it('read time-wise are the same as part-wise', () => {
    const partwise = score(bars(note('C'), note('D')), bars(note('E'), note('F')));
    const timewise = `<score-timewise><part-list/>${['C,E', 'D,F']
      .map(
        (pair, i) =>
          `<measure number="${i + 1}">${pair
            .split(',')
            .map((n, p) => `<part id="P${p}">${i === 0 ? head : ''}${note(n)}</part>`)
            .join('')}</measure>`,
      )
      .join('')}</score-timewise>`;
    const essence = (text: string): unknown =>
      readMusicXmlTunes(text, 'id', 'T').map((t) => [letters(t.song), t.song.barCount]);
    expect(essence(timewise)).toEqual(essence(partwise));
  });
});

describe('compressed scores', () => {
  it('bring every demo song back as the plain score does', () => {
    for (const song of DEMO_SONGS) {
      const a = arrange(song, DEFAULT_PROFILE);
      const opened = openFile('x.mxl', writeMxl(a), 'id');
      const [tune] = opened.kind === 'tunes' ? opened.tunes : [];
      expect(tune.song).toEqual(readMusicXml(writeMusicXml(a), 'id', 'x'));
      expect(tune.song.pins).toHaveLength(a.changes.filter((c) => c.voicing.keys.length > 1).length);
    }
  });

  const zip = (files: Record<string, string | Uint8Array>): Uint8Array =>
    zipSync(
      Object.fromEntries(Object.entries(files).map(([n, c]) => [n, typeof c === 'string' ? strToU8(c) : c])),
    );
  const plain = score(bars(note('C')));
  const locked = (() => {
    const bytes = zip({ 'a.xml': plain });
    bytes[6] |= 1;
    return bytes;
  })();
  const refused: readonly (readonly [string, Uint8Array, RegExp])[] = [
    ['locked with a password', locked, /locked with a password/],
    ['nested', zip({ 'inner.zip': zip({ 'a.xml': plain }) }), /another archive, "inner\.zip"/],
    ['nested under the name of a score', zip({ 'a.xml': zip({ 'b.xml': plain }) }), /itself an archive/],
    ['without a score', zip({ 'readme.txt': 'hello' }), /holds no score/],
    ['too large once unpacked', zip({ 'a.xml': new Uint8Array(21 * 1024 * 1024) }), /too large: 21\.0 MB/],
    ['cut short', zip({ 'a.xml': plain.repeat(20) }).slice(0, 80), /damaged or cut short/],
    ['no archive at all', strToU8('plain text'), /not a compressed MusicXML file/],
  ];
  for (const [name, bytes, sentence] of refused)
    it(`refuses one that is ${name}`, () => {
      expect(() => openFile('x.mxl', bytes, 'id')).toThrow(FileError);
      expect(() => openFile('x.mxl', bytes, 'id')).toThrow(sentence);
    });

  it('opens the file the container names, and UTF-16 text', () => {
    const named = zip({
      'META-INF/container.xml': '<rootfile full-path="b.xml"/>',
      'a.xml': 'no',
      'b.xml': plain,
    });
    expect(openFile('x.mxl', named, 'id').kind).toBe('tunes');
    const wide = new Uint8Array([0xff, 0xfe, ...[...plain].flatMap((c) => [c.charCodeAt(0), 0])]);
    expect(openFile('x.musicxml', wide, 'id').kind).toBe('tunes');
    expect(() => openFile('x.docx', strToU8('?'), 'id')).toThrow(/not known.*\.mxl/);
  });
});
