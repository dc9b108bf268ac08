import { describe, expect, it } from 'vitest';
import { PASTED_CHARTS, type PastedChart, type SungBar } from '../../demo/charts';
import { textOf } from '../testing';
import { type Song, unfold, writtenBars } from '../song';
import { readChart } from './chart';

/** Two lines: chords over the syllable they are struck with. */
function overWords(row: readonly SungBar[]): string {
  let [chords, words] = ['', ''];
  for (const [symbol, sung] of row) {
    const column = Math.max(chords.length === 0 ? 0 : chords.length + 1, words.length);
    words = words.padEnd(column);
    chords = chords.padEnd(column) + symbol;
    words += sung;
  }
  return `${chords}\n${words.trimEnd()}`;
}

const inBrackets = (row: readonly SungBar[]): string =>
  row.map(([symbol, sung]) => `[${symbol}]${sung}`).join('');
const bars = (row: readonly SungBar[]): string => `| ${row.map(([symbol]) => symbol).join(' | ')} |`;
const wordsOf = (row: readonly SungBar[]): string => row.map(([, sung]) => sung).join('');
const wide = (row: readonly SungBar[]): string => {
  const width = Math.max(...row.map(([symbol, sung]) => Math.max(symbol.length, sung.length))) + 4;
  return `|${row.map(([symbol]) => ` ${symbol}`.padEnd(width)).join('|')}|\n ${row
    .map(([, sung]) => sung.padEnd(width + 1))
    .join('')
    .trimEnd()}`;
};

interface Shape {
  readonly name: string;
  readonly write: (chart: PastedChart) => string;
  /** The title stands in it. */
  readonly titled: boolean;
  readonly sections: boolean;
  /** Words are drawn to their chords, follow their row alone, or are not there. */
  readonly words: 'by chord' | 'by row' | 'none';
}

const sectioned = (
  chart: PastedChart,
  head: (name: string) => string,
  row: (row: readonly SungBar[]) => string,
): string => chart.sections.map(({ name, rows }) => [head(name), ...rows.map(row)].join('\n')).join('\n\n');
const plain = (chart: PastedChart, row: (row: readonly SungBar[]) => string, between = '\n'): string =>
  chart.sections.flatMap(({ rows }) => rows.map(row)).join(between);

const SHAPES: readonly Shape[] = [
  { name: 'bars alone', write: (c) => plain(c, bars), titled: false, sections: false, words: 'none' },
  {
    name: 'bars with words below',
    write: (c) => `Title: ${c.title}\nTempo: slow\n${plain(c, (row) => `${bars(row)}\n${wordsOf(row)}`)}`,
    titled: true,
    sections: false,
    words: 'by row',
  },
  {
    name: 'wide bars with words drawn below them',
    write: (c) => `${c.title}\n\n${sectioned(c, (name) => `${name}:`, wide)}`,
    titled: true,
    sections: true,
    words: 'by chord',
  },
  {
    name: 'bars with double lines, beats and letters in brackets',
    write: (c) =>
      sectioned(
        c,
        (name) => `[${name}]`,
        (row) => `|${bars(row).replace(/ \|/, ' / / / |')}|`,
      ),
    titled: false,
    sections: true,
    words: 'none',
  },
  {
    name: 'chords over words',
    write: (c) => plain(c, overWords),
    titled: false,
    sections: false,
    words: 'by chord',
  },
  {
    name: 'chords over words with empty lines and sections in brackets',
    write: (c) =>
      sectioned(
        c,
        (name) => `[${name}]`,
        (row) => `${overWords(row)}\n`,
      ),
    titled: false,
    sections: true,
    words: 'by chord',
  },
  {
    name: 'chords over words with a title, who wrote it and sections with a colon',
    write: (c) =>
      `${c.title}\nby the Saltmarsh singers\nCapo 2\n\n${sectioned(c, (name) => `${name}:`, overWords)}`,
    titled: true,
    sections: true,
    words: 'by chord',
  },
  {
    name: 'chords over words, sections in capitals, lines of Windows',
    write: (c) => sectioned(c, (name) => name.toUpperCase(), overWords).replaceAll('\n', '\r\n'),
    titled: false,
    sections: true,
    words: 'by chord',
  },
  {
    name: 'chords in brackets under a title',
    write: (c) => `${c.title}\n\n${plain(c, inBrackets)}`,
    titled: true,
    sections: false,
    words: 'by chord',
  },
  {
    name: 'chords in brackets with directives',
    write: (c) =>
      `{title: ${c.title}}\n{capo: 3}\n${sectioned(c, (name) => `{comment: ${name}}`, inBrackets)}`,
    titled: true,
    sections: true,
    words: 'by chord',
  },
  {
    name: 'chords alone',
    write: (c) =>
      sectioned(
        c,
        (name) => name,
        (row) => row.map(([symbol]) => symbol).join('  '),
      ),
    titled: false,
    sections: true,
    words: 'none',
  },
  {
    name: 'chords alone, a section to a line, with dashes',
    write: (c) =>
      c.sections
        .map(
          ({ name, rows }) =>
            `${name}: ${rows
              .flat()
              .map(([symbol]) => symbol)
              .join(' - ')}`,
        )
        .join('\n'),
    titled: false,
    sections: true,
    words: 'none',
  },
];

const barOf = (song: Song, tick: number): number =>
  writtenBars(song).filter((bar) => bar.tick <= tick).length;
/** Words as they are told apart: letters alone. */
const letters = (text: string): string => text.replace(/[^A-Za-z]/g, '');

describe('charts as people paste them', () => {
  for (const shape of SHAPES)
    for (const chart of PASTED_CHARTS)
      it(`${shape.name}: ${chart.title}`, () => {
        const song = readChart(shape.write(chart), 'id', 'Pasted');
        const sung = chart.sections.flatMap(({ rows }) => rows.flat());
        expect(song.changes.map(({ symbol, tick }) => `${symbol} in bar ${barOf(song, tick)}`)).toEqual(
          sung.map(([symbol], i) => `${symbol} in bar ${i + 1}`),
        );
        expect(song.changes.map(({ length }) => length)).toEqual(sung.map(() => 3840));
        expect(song.barCount).toBe(sung.length);
        expect(song.title).toBe(shape.titled ? chart.title : 'Pasted');
        const firstBars = chart.sections.map(
          (_, i) => 1 + chart.sections.slice(0, i).flatMap(({ rows }) => rows.flat()).length,
        );
        expect(song.sections.map(({ name, tick }) => `${name.toLowerCase()} ${barOf(song, tick)}`)).toEqual(
          shape.sections ? chart.sections.map(({ name }, i) => `${name.toLowerCase()} ${firstBars[i]}`) : [],
        );
        const inBar = sung.map((_, i) =>
          letters(
            song.words
              .filter(({ tick }) => barOf(song, tick) === i + 1)
              .map(({ text }) => text)
              .join(''),
          ),
        );
        if (shape.words === 'by chord') expect(inBar).toEqual(sung.map(([, text]) => letters(text)));
        if (shape.words === 'by row')
          expect(inBar.join('')).toBe(sung.map(([, text]) => letters(text)).join(''));
        if (shape.words === 'none') expect(song.words).toEqual([]);
      });
});

const read = (...lines: string[]): Song => readChart(lines.join('\n'), 'id', 'Pasted');
const inBars = (song: Song): string[] =>
  song.changes.map(
    ({ symbol, tick, length }) =>
      `${symbol} ${tick / 3840 + 1}${length === 3840 ? '' : ` ${length / 960} beats`}`,
  );
const wordsIn = (song: Song, bar: number): string =>
  song.words
    .filter(({ tick }) => barOf(song, tick) === bar)
    .map(({ text }) => text)
    .join(' ');

describe('what is told once and meant again', () => {
  it('a chorus that is only named comes again, with its words, and is said to', () => {
    const song = read(
      '[Verse 1]',
      'Am       F',
      'Low tide comes',
      '[Chorus]',
      'C        G',
      'Sing her home',
      '[Verse 2]',
      'High tide goes',
      '[Chorus]',
    );
    expect(inBars(song)).toEqual(['Am 1', 'F 2', 'C 3', 'G 4', 'Am 5', 'F 6', 'C 7', 'G 8']);
    expect(song.sections.map(({ name, tick }) => [name, tick / 3840 + 1])).toEqual([
      ['Verse 1', 1],
      ['Chorus', 3],
      ['Verse 2', 5],
      ['Chorus', 7],
    ]);
    // The second verse has words alone: they are sung to the chords of the first.
    expect([1, 3, 5, 7].map((bar) => `${wordsIn(song, bar)} ${wordsIn(song, bar + 1)}`)).toEqual([
      'Low tide comes',
      'Sing her home',
      'High tide goes',
      'Sing her home',
    ]);
    expect(song.imported.map(textOf).join()).toContain('its bars come again from bar 7');
  });

  it('"x2" behind a row, or behind a section, is played twice', () => {
    expect(inBars(read('Am F x2', 'C G'))).toEqual(['Am 1', 'F 2', 'Am 3', 'F 4', 'C 5', 'G 6']);
    expect(inBars(read('Chorus (x2):', '| C | G |', '| F | C |'))).toEqual(
      ['C', 'G', 'F', 'C', 'C', 'G', 'F', 'C'].map((symbol, i) => `${symbol} ${i + 1}`),
    );
  });

  it('beyond the bars of a song nothing is written out, however often it is said', () => {
    const rows = Array.from({ length: 1000 }, () => 'C G x16').join('\n');
    expect(() => read('Chorus x16:', rows)).toThrow(/more than 4000 bars/);
    const named = Array.from({ length: 5000 }, () => '[Chorus]').join('\n');
    expect(() => read('[Chorus]', '| C | G |', named)).toThrow(/more than 4000 bars \(line \d+\)/);
    const verses = Array.from({ length: 5000 }, () => 'la la').join('\n');
    expect(() => read('| C | G |', verses)).toThrow(/more than 4000 bars/);
  });

  it('lines of words below bars are verses: the bars come once for each', () => {
    const song = read('| C | G |', '1. Low tide', '2. High tide', '| F | C |', 'comes in', 'goes out');
    expect(song.barCount).toBe(8);
    expect([1, 3, 5, 7].map((bar) => `${wordsIn(song, bar)} ${wordsIn(song, bar + 1)}`)).toEqual([
      'Low tide',
      'comes in',
      'High tide',
      'goes out',
    ]);
  });

  it('endings are played each in its pass', () => {
    const song = read('|: C | F |1. G :|2. C |');
    expect(unfold(song).changes.map(({ symbol }) => symbol)).toEqual(['C', 'F', 'G', 'C', 'F', 'C']);
  });
});

describe('what stands in pasted charts beside chords and words', () => {
  it('a letter above bars is a section, and so is one in brackets; alone above words it is a chord', () => {
    expect(read('A', '| C | G |', '[B]', '| F | C |').sections.map(({ name }) => name)).toEqual(['A', 'B']);
    expect(inBars(read('A', 'Low tide', 'D', 'high'))).toEqual(['A 1', 'D 2']);
  });

  it('lines of guitar tablature are left out and said; what else is told at the head is a note', () => {
    const song = read(
      'Low Tide',
      'Capo 2',
      'Tuning: E A D G B E',
      'Am  F',
      'e|--0--2--3--|',
      'B|--1--1--0--|',
      'C  G',
    );
    expect(inBars(song)).toEqual(['Am 1', 'F 2', 'C 3', 'G 4']);
    expect(song.title).toBe('Low Tide');
    expect(song.notes).toBe('Capo 2\nTuning: E A D G B E');
    expect(song.imported.map(textOf).join()).toContain(
      '2 lines of guitar tablature, from line 5 on, were left out',
    );
  });

  it('words that could be chords are words, and a chord that cannot be read is kept', () => {
    expect(inBars(read('Am   F', 'Go', 'C   G', 'A Great tide'))).toEqual(['Am 1', 'F 2', 'C 3', 'G 4']);
    const song = read('Am  Hm  G  N.C.', 'Low tide comes in');
    expect(song.changes.map(({ symbol }) => symbol)).toEqual(['Am', 'Hm', 'G', 'N.C.']);
  });

  it('a chord over the middle of a word is struck with the syllable, over its first letters with the word', () => {
    const words = (chords: string, text: string): string[] => {
      const song = read(chords, text);
      return song.changes.map((_, i) =>
        song.words
          .filter(({ tick }) => barOf(song, tick) === i + 1)
          .map((w) => w.text)
          .join(' '),
      );
    };
    expect(words('Am     F', 'Lantern-light')).toEqual(['Lantern', 'light']);
    expect(words('Am F', 'Lanterns out')).toEqual(['Lan', 'terns out']);
    expect(words(' Am  F', 'The water runs')).toEqual(['The', 'water runs']);
    // What stands before the first chord leads into it.
    const lead = read('    Am    F', 'And water runs');
    expect(lead.changes.map(({ tick }) => tick / 3840)).toEqual([1, 2]);
    expect(lead.words.map(({ text, tick }) => `${text} ${tick / 960}`)).toEqual([
      'And 3',
      'water 4',
      'runs 8',
    ]);
  });

  it('chords without bar lines last as long as is said, in the metre that is said', () => {
    const text = 'Am  F    C\nLow tide comes';
    expect(inBars(readChart(text, 'id', 'P', { chordBars: 0.5 }))).toEqual([
      'Am 1 2 beats',
      'F 1.5 2 beats',
      'C 2',
    ]);
    expect(readChart(text, 'id', 'P', { chordBars: 2 }).barCount).toBe(6);
    const waltz = readChart(text, 'id', 'P', { metre: '3/4' });
    expect(waltz.changes.map(({ tick }) => tick / 960)).toEqual([0, 3, 6]);
    // A chart that tells its metre keeps it.
    expect(readChart(`Time: 6/8\n${text}`, 'id', 'P', { metre: '3/4' }).metreMap).toEqual([
      { tick: 0, numerator: 6, denominator: 8 },
    ]);
  });
});
