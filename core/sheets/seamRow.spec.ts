import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import type { HandNote } from '../hands';
import { midiOf, parsePitch } from '../music';
import { DEFAULT_PROFILE, type Song } from '../song';
import { sungBars } from '../testing';
import { type Column, columnsOf, rowsOf } from './columns';
import type { Block } from './flow';
import { DEFAULT_PAPER, roomOn } from './paper';
import { seamRow } from './seamRow';
import { drawn, texts } from './testing/drawn';
import { widthOf } from './text';

const ROOM = { ...roomOn(DEFAULT_PAPER), width: 100, height: 200 };
const beat = 960;

const key = (name: string, tick = 0, length = beat, more: Partial<HandNote> = {}): HandNote => {
  const pitch = parsePitch(name);
  return {
    hand: 'right',
    tick,
    length,
    pitch,
    midi: midiOf(pitch),
    source: 'melody',
    finger: null,
    ...more,
  } as HandNote;
};
const column = (at: number, more: Partial<Column> = {}): Column =>
  ({
    tick: at * beat,
    bar: { number: 1, tick: 0, length: 4 * beat, metre: { numerator: 4, denominator: 4 } },
    beginsBar: at === 0,
    number: at === 0 ? '1' : '',
    right: [],
    left: [],
    change: null,
    count: '',
    syllable: '',
    meets: null,
    rightFinger: null,
    width: 10,
    ...more,
  }) as Column;

describe('columns in rows', () => {
  /** Bars by the widths of their columns. */
  const rows = (bars: readonly (readonly number[])[], width: number): number[][] => {
    const columns = bars.flatMap((widths, b) =>
      widths.map((wide, i) => column(10 * b + i, { beginsBar: i === 0, width: wide })),
    );
    return rowsOf(columns, width).map((row) => row.map((c) => c.width));
  };

  it('break at bar lines, as many bars a row as fit exactly', () => {
    const three = Array(3).fill([10, 10]) as number[][];
    expect(rows(three, 40)).toEqual([
      [10, 10, 10, 10],
      [10, 10],
    ]);
    expect(rows(three, 39.9)).toEqual([
      [10, 10],
      [10, 10],
      [10, 10],
    ]);
    expect(rows(three, 60)).toEqual([[10, 10, 10, 10, 10, 10]]);
  });

  it('break within a bar only where it is wider than a row, and go on from there', () => {
    expect(rows([[10], [20, 20, 20], [10]], 45)).toEqual([[10, 20], [20, 20], [10]]);
    expect(rows([[10], [20, 20, 20], [10]], 50)).toEqual([
      [10, 20, 20],
      [20, 10],
    ]);
  });

  it('have one wider than a row by itself', () => {
    expect(rows([[99], [10]], 40)).toEqual([[99], [10]]);
    expect(rows([[10, 99, 10]], 40)).toEqual([[10], [99], [10]]);
    expect(rows([], 40)).toEqual([]);
  });
});

describe('a row of the seam', () => {
  const row = (columns: readonly Column[]): Block => seamRow(columns, ROOM, 2);

  it('is spread over the width where it fills six tenths of it, else by as much', () => {
    const numbers = (count: number): number[] =>
      drawn(
        row(
          Array.from({ length: count }, (_, i) => column(4 * i, { number: `${i + 1}`, beginsBar: true })),
        ).draw(0, 0),
      )
        .filter(({ tag }) => tag === 'text')
        .map(({ at }) => at('x'));
    expect(numbers(10)).toEqual([0.4, 10.4, 20.4, 30.4, 40.4, 50.4, 60.4, 70.4, 80.4, 90.4]);
    expect(numbers(6)).toEqual([0.4, 17.07, 33.73, 50.4, 67.07, 83.73]);
    expect(numbers(3)).toEqual([0.4, 17.07, 33.73]);
  });

  it('is as high as what stands in it', () => {
    const bare = row([column(0)]);
    expect(Number(bare.height.toFixed(2))).toBe(21.2);
    expect([bare.above, bare.part, bare.staysWithNext]).toEqual([3, 2, false]);
    expect(row([column(0, { syllable: 'la' })]).height - bare.height).toBeCloseTo(5.6, 9);
    const chord = [key('C3'), key('E3'), key('G3')];
    expect(row([column(0, { left: chord })]).height - bare.height).toBeCloseTo(3 * 5.4, 9);
    // A figure that moves: a fifth up in steps of the staff.
    expect(
      row([column(0, { left: [key('C3')] }), column(1, { left: [key('G3', beat)] })]).height - bare.height,
    ).toBeCloseTo(4 * 1.5 + 5.4 + 1, 9);
    // One key alone is as high as itself; a third above it a step and a half more for each letter.
    expect(row([column(0, { right: [key('C5')] })]).height - bare.height).toBeCloseTo(6.2, 9);
    expect(
      row([column(0, { right: [key('C5')] }), column(1, { right: [key('E5', beat)] })]).height - bare.height,
    ).toBeCloseTo(6.2 + 3, 9);
    // Struck together they lie over one another, none hidden.
    expect(row([column(0, { right: [key('C5'), key('E5')] })]).height - bare.height).toBeCloseTo(
      6.2 + 5.2,
      9,
    );
  });

  it('is flatter where the page is not so high', () => {
    const columns = [column(0, { right: [key('C4')] }), column(1, { right: [key('C6', beat)] })];
    const whole = seamRow(columns, ROOM, 1).height;
    expect(whole).toBeCloseTo(21.2 + 6.2 + 14 * 1.5, 6);
    expect(seamRow(columns, { ...ROOM, height: whole }, 1).height).toBe(whole);
    expect(seamRow(columns, { ...ROOM, height: whole - 0.1 }, 1).height).toBeCloseTo(
      21.2 + 6.2 + 14 * 1.25,
      6,
    );
    expect(seamRow(columns, { ...ROOM, height: 0 }, 1).height).toBeCloseTo(21.2 + 6.2 + 14 * 0.25, 6);
  });

  it('has the higher key higher, the lowest of the left hand lowest, the finger on the top key and where there is room', () => {
    const svg = row([
      column(0, {
        right: [key('C5', 0, beat, { source: 'harmony' }), key('E5')],
        left: [key('C3', 0, beat, { finger: 5 }), key('G3', 0, beat, { finger: 1 })],
        rightFinger: 3,
      }),
    ]).draw(0, 0);
    const y = (words: string): number =>
      drawn(svg)
        .find((d) => d.words === words)
        ?.at('y') ?? NaN;
    expect(y('E')).toBeLessThan(y('C'));
    expect(texts(svg).filter((words) => /\d/.test(words))).toEqual(['1', '3', '5', '1']);
    const boxes = drawn(svg).filter(({ tag, at }) => tag === 'rect' && at('height') === 4.8);
    const withFinger = widthOf('E', 'bold', 3.9) + widthOf('3', 'bold', 3.2) + 0.8 + 2.4;
    expect(boxes.map(({ at }) => at('width'))).toEqual([5.2, Number(withFinger.toFixed(2)), 11, 11]);
    const pens = drawn(svg)
      .filter(({ tag }) => tag === 'rect')
      .map(({ at }) => at('stroke-width'));
    expect(pens).toEqual([0.2, 0.55, 0.3, 0.3]);
  });

  it('has whole chords hang from the seam, and each key of a moving figure at its height', () => {
    const tops = (lefts: readonly (readonly string[])[]): number[] =>
      drawn(
        row(lefts.map((keys, i) => column(i, { left: keys.map((name) => key(name, i * beat)) }))).draw(0, 0),
      )
        .filter(({ tag }) => tag === 'rect')
        .map(({ at }) => at('y'));
    const [c, e, g, f, a, d] = tops([
      ['C3', 'E3', 'G3'],
      ['F3', 'A3', 'D4'],
    ]);
    expect([c - e, e - g, c - f, e - a, g - d]).toEqual([5.4, 5.4, 0, 0, 0].map((x) => expect.closeTo(x, 1)));
    const [low, fifth, octave] = tops([['C3'], ['G3'], ['C4']]);
    expect([low - fifth, low - octave]).toEqual([4 * 1.5, 7 * 1.5].map((x) => expect.closeTo(x, 1)));
  });

  it('has a line as long as a key is held, to the column in which it is let go or the end of the row', () => {
    const lines = (length: number): number[] => {
      const columns = [
        column(0, { right: [key('C5', 0, length * beat)] }),
        ...[1, 2, 3].map((at) => column(at)),
      ];
      return drawn(row(columns).draw(0, 0))
        .filter(
          ({ tag, at }) =>
            tag === 'line' && at('stroke-width') === 0.25 && at('y1') === at('y2') && at('x1') === 2.6,
        )
        .map(({ at }) => Number((at('x2') + 1).toFixed(1)));
    };
    expect([1, 2, 2.5, 9].map(lines)).toEqual([[16.7], [33.3], [50], [66.7]]);
  });

  it('has a cross where both hands strike, heavy at a change of chord', () => {
    const crosses = (meets: Column['meets']): number[] =>
      drawn(row([column(0, { meets })]).draw(0, 0))
        .filter(({ tag, at }) => tag === 'line' && at('y1') !== at('y2') && at('x1') !== at('x2'))
        .map(({ at }) => at('stroke-width'));
    expect(crosses('at-a-change')).toEqual([0.9, 0.9]);
    expect(crosses('in-passing')).toEqual([0.35, 0.35]);
    expect(crosses(null)).toEqual([]);
  });
});

describe('the columns of a part', () => {
  const sung = sungBars();
  const song: Song = { ...sung, choices: { ...sung.choices, level: 4 } };
  const told = (of: Song): string[] =>
    columnsOf(arrange(of, DEFAULT_PROFILE), 0).map(
      ({ tick, number, right, left, change, count, syllable, meets }) =>
        [
          tick / beat,
          number,
          right.length,
          left.length,
          change?.change.symbol ?? '',
          count,
          syllable,
          meets ?? '',
        ].join('|'),
    );

  it('are the moments at which something happens, each told once', () => {
    expect(told(song)).toEqual([
      '0|1|1|3|C|1|tur-|at-a-change',
      '2||1|0||3|ning|',
      '4|2|1|3|F|1|low|at-a-change',
    ]);
  });

  it('begin with the pick-up, and have a bar line where nothing is struck', () => {
    const late: Song = { ...song, pickup: beat, melody: [], changes: [] };
    expect(told({ ...late, words: [{ tick: 0, text: 'oh', syllabic: 'single' }] })).toEqual([
      '0|pick-up|0|0|||oh|',
      '1|1|0|0||||',
      '5|2|0|0||||',
    ]);
  });

  it('are as wide as what is widest in them, eight at least', () => {
    const long: Song = {
      ...song,
      melody: song.melody.map((n, i) =>
        i === 0 ? { ...n, lyric: { text: 'straightforwardly', syllabic: 'single' } } : n,
      ),
    };
    const [first, second] = columnsOf(arrange(long, DEFAULT_PROFILE), 0);
    expect(first.width).toBeGreaterThan(25);
    expect(second.width).toBeCloseTo(9.1, 0);
  });
});
