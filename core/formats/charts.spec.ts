import { strToU8 } from 'fflate';
import { textOf } from '../testing';
import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import { keyName } from '../music';
import { DEFAULT_PROFILE, type Song, unfold } from '../song';
import { writeWalkthrough } from '../words';
import { readChart } from './chart';
import { FileError, MOST_BYTES, refuseTooLarge } from './fileError';
import { openFile } from './openFile';
import { writeMusicXml } from './musicxmlWrite';

const read = (text: string): Song => readChart(text, 'id', 'Chart');
const changes = (song: Song): unknown[] => song.changes.map((c) => [c.symbol, c.tick / 960, c.length / 960]);
const words = (song: Song): unknown[] => song.words.map((w) => [w.text, w.tick / 960]);

describe('chord charts', () => {
  it('share each bar among its chords; a point holds, a sign repeats the bar', () => {
    expect(changes(read('| Am | Dm E7 | % | C . . G |'))).toEqual([
      ['Am', 0, 4],
      ['Dm', 4, 2],
      ['E7', 6, 6],
      ['C', 12, 3],
      ['G', 15, 1],
    ]);
  });

  it('have a tempo of 10 to 400 beats a minute, no less and no more', () => {
    const tempoOf = (tempo: string): number =>
      read(`{tempo: ${tempo}}\n[C]low [G]tide`).tempoMap[0].quartersPerMinute;
    expect([tempoOf('10'), tempoOf('400'), tempoOf('92.5')]).toEqual([10, 400, 92.5]);
    for (const tempo of ['9.9', '400.1']) expect(() => tempoOf(tempo)).toThrow(`"${tempo}" is not a tempo`);
    // In words it is for who plays.
    expect(read('Tempo: quick and light\n| C |').notes).toBe('Tempo: quick and light');
  });

  it('say key, metre, tempo, title, sections; the key is found where it is not given', () => {
    const song = read(
      'Title: Net Mending\nMetre: 3/4\nTempo: 92\nVerse:\n| Am | Dm |\nKey: C\nChorus:\n| F | C |',
    );
    expect([song.title, song.metreMap[0].numerator, song.tempoMap[0].quartersPerMinute]).toEqual([
      'Net Mending',
      3,
      92,
    ]);
    expect(song.sections.map((s) => [s.name, s.tick])).toEqual([
      ['Verse', 0],
      ['Chorus', 5760],
    ]);
    expect(keyName(song.keyMap[0])).toBe('C major');
    expect(keyName(read('| Am | Dm | E7 | Am |').keyMap[0])).toBe('A minor');
  });

  it('in a key that has no signature are in the one that sounds the same, and say so', () => {
    for (const head of ['Key: G#\n| G# | D#7 |', '{key: G#}\n[G#]low [D#7]tide']) {
      const opened = openFile('chart.txt', strToU8(head), 'id');
      if (opened.kind === 'project') throw new Error('a chart is no project');
      const [{ song }] = opened.tunes;
      expect(keyName(song.keyMap[0])).toBe('Ab major');
      expect(song.imported.map(textOf).join()).toContain('G♯ major has more than seven accidentals');
    }
  });

  it('take the head however it is written, with brackets or without', () => {
    const heads = [
      'TITLE = Net Mending\nKey of Bb minor\nTime 3/4\ntempo 92',
      'title – Net Mending\nKEY: b flat minor\nMeter: 3/4\nBPM: 92',
      '{title: Net Mending}\n{key: Bbm}\n{time: 3/4}\n{tempo: 92}',
      'Song: Net Mending\nKey signature: B♭ minor\nTime signature: 3/4\nTempo = 92 quarter notes',
    ];
    for (const head of heads)
      for (const body of ['\n[Bbm]Thread the [F7]nee-dle', '\n| Bbm | F7 |\nThread the nee-dle']) {
        // Directives belong to words with chords.
        if (head.startsWith('{') && body.startsWith('\n|')) continue;
        const song = read(head + body);
        expect([song.title, keyName(song.keyMap[0]), song.metreMap[0].numerator]).toEqual([
          'Net Mending',
          'Bb minor',
          3,
        ]);
        expect(song.tempoMap[0].quartersPerMinute).toBe(92);
        expect(song.changes.map((c) => c.symbol)).toEqual(['Bbm', 'F7']);
        expect(song.words.map((w) => w.text).join(' ')).toBe('Thread the nee dle');
      }
  });

  it('take words that begin like a head for words', () => {
    const song = read('| C | G |\nKey of C, the har-bour said');
    expect(song.words[0].text).toBe('Key');
    expect(() => read('Key: H\n| C |')).toThrow(/"H" is not a key/);
  });

  it('hold a chord for a beat at each slash', () => {
    expect(changes(read('| C / / / | G / Am / | F /// | C // G // |'))).toEqual([
      ['C', 0, 4],
      ['G', 4, 2],
      ['Am', 6, 2],
      ['F', 8, 4],
      ['C', 12, 2],
      ['G', 14, 2],
    ]);
  });

  it('repeat, and change metre on the way', () => {
    const song = read('|: C | G :| F |\nMetre: 3/4\n| C |');
    expect(unfold(song).changes.map((c) => c.symbol)).toEqual(['C', 'G', 'C', 'G', 'F', 'C']);
    expect(unfold(song).endTick).toBe(5 * 3840 + 2880);
  });

  it('spread the words of a line over its bars', () => {
    expect(words(read('| C | G |\nThread the nee-dle'))).toEqual([
      ['Thread', 0],
      ['the', 2],
      ['nee', 4],
      ['dle', 6],
    ]);
  });

  it('keep a chord that cannot be read, with its place and what to do', () => {
    const song = read('| C | Hm | G |');
    expect(song.changes[1].symbol).toBe('Hm');
    const finding = arrange(song, DEFAULT_PROFILE).findings.find((f) => f.kind === 'unclear');
    expect(finding).toMatchObject({ tick: 3840 });
    expect(textOf(finding)).toContain('"Hm" is not a chord');
    expect(finding?.remedies[0].offer.code).toBe('leaveItOut');
  });

  const refused: readonly (readonly [string, string, RegExp])[] = [
    ['nothing', '', /empty/],
    ['prose', 'Once upon a time', /No chords were found in this text/],
    ['no chords', '| | |', /holds no chords/],
    ['a wrong metre', 'Metre: 4/5\n| C |', /"4\/5" is not a metre \(line 1\)/],
    ['a wrong tempo', 'Tempo: 900\n| C |', /not a tempo \(line 1\)/],
    ['a wrong key', '| C |\nKey: H\n', /"H" is not a key \(line 2\)/],
    ['an open bracket', '[C]la [G', /not closed \(line 1\)/],
    ['bytes', 'MThd\0\0', /not text/],
  ];
  for (const [name, text, sentence] of refused)
    it(`with ${name} are refused with a sentence`, () => {
      expect(() => read(text)).toThrow(FileError);
      expect(() => read(text)).toThrow(sentence);
    });
});

describe('limits of charts and files', () => {
  it('32 chords in a bar are read, 33 are refused with their line', () => {
    const bar = (count: number): string => `| ${Array.from({ length: count }, () => 'C').join(' ')} |`;
    expect(read(bar(32)).changes.length).toBeGreaterThan(0);
    expect(() => read(bar(33))).toThrow(/33 chords in one bar/);
  });

  it('a file of 20 MB is read, a byte more is refused', () => {
    expect(() => refuseTooLarge(MOST_BYTES)).not.toThrow();
    expect(() => refuseTooLarge(MOST_BYTES + 1)).toThrow(/20\.0 MB, and at most 20 MB are read/);
  });
});

describe('words with chords in brackets', () => {
  const song = read(
    '{title: Low Water}\n{key: Am}\n{time: 3/4}\n# a remark\n{start_of_verse}\n[Am]Lan-terns [F]out\n{comment: Close}\nand [Dm][E7]home [Am]now',
  );

  it('give each chord a bar, two without words between them half a bar each', () => {
    expect(song.title).toBe('Low Water');
    expect(changes(song)).toEqual([
      ['Am', 0, 3],
      ['F', 3, 3],
      ['Dm', 6, 1.5],
      ['E7', 7.5, 1.5],
      ['Am', 9, 3],
    ]);
    expect(song.sections.map((s) => s.name)).toEqual(['Verse', 'Close']);
    expect(textOf(song.imported[0])).toContain('How long the chords last was guessed');
  });

  it('sing a syllable with its chord, a word before it on the beat before', () => {
    expect(words(song)).toEqual([
      ['Lan', 0],
      ['terns', 1.5],
      ['out', 3],
      ['and', 5],
      ['home', 7.5],
      ['now', 9],
    ]);
  });
});

describe('a song without a melody', () => {
  const song = read('Metre: 3/4\n| Am | Dm | E7 | Am |\nThread the nee-dle now');
  const at = (level: number) => arrange({ ...song, choices: { ...song.choices, level } }, DEFAULT_PROFILE);

  it('is arranged for singing: bass in the left hand, the chord close around middle C in the right', () => {
    const { left, right, findings } = at(4);
    expect(left.map((n) => [n.tick / 2880, n.midi])).toEqual([
      [0, 45],
      [1, 38],
      [2, 40],
      [3, 45],
    ]);
    for (const n of right) expect(Math.abs(n.midi - 60)).toBeLessThanOrEqual(16);
    expect(new Set(right.map((n) => n.source))).toEqual(new Set(['chord']));
    expect(findings).toEqual([]);
  });

  it('climbs: bass alone, chords, then octaves and the chord on every beat', () => {
    expect(at(2).right).toEqual([]);
    expect(at(5).left).toHaveLength(8);
    expect(new Set(at(5).right.map((n) => n.tick % 960))).toEqual(new Set([0]));
    expect(
      at(5)
        .right.filter((n) => n.tick === 960)
        .map((n) => n.source),
    ).toContain('figure');
  });

  it('meets its words, and every view has something to say', () => {
    const a = at(4);
    expect(a.changes[0].meeting).toMatchObject({ how: 'rest', syllable: 'Thread', count: '1' });
    const told = writeWalkthrough(a);
    expect(told).toContain('Am with “Thread”, on 1 of bar 1.');
    expect(told).not.toContain('the melody rests');
    expect(writeMusicXml(a)).toContain('<text>Thread</text>');
  });
});
