import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import { DEFAULT_PROFILE, type Song } from '../song';
import { PRACTISE_SETTINGS } from '../practice';
import { sungBars, wholeBars } from '../testing';
import { chordLegend } from './chordLegend';
import { box, disc, line, text } from './draw';
import { DEFAULT_PAPER, roomOn } from './paper';
import type { MakeSheet } from './sheet';
import { drawn, texts } from './testing/drawn';
import { titleSheet } from './titleSheet';
import { chordsOverWords, forSinging, meetingWords } from './wordSheets';

const ROOM = { ...roomOn(DEFAULT_PAPER), width: 100, height: 200 };
const beat = 960;

describe('pieces of a page', () => {
  it('have their numbers to two places, and are escaped', () => {
    expect(text(1.005, 2.5, 'a<b&"c">')).toBe(
      '<text class="regular" x="1" y="2.5" font-size="3.9">a&lt;b&amp;&quot;c&quot;&gt;</text>',
    );
    expect(text(1, 2, '')).toBe('');
    expect(text(1, 2, 'a\u0007b', { face: 'bold', size: 3, anchor: 'end', isLight: true })).toBe(
      '<text class="bold" x="1" y="2" font-size="3" text-anchor="end" fill="#fff">ab</text>',
    );
    expect(line(0, 1, 2, 3)).toBe('<line x1="0" y1="1" x2="2" y2="3" stroke="#000" stroke-width="0.3"/>');
    expect(line(0, 0, 0, 0, { pen: 1, dashes: '2 1' })).toContain('stroke-width="1" stroke-dasharray="2 1"');
    expect(box({ x: 1, y: 2, width: 3, height: 4 })).toBe(
      '<rect x="1" y="2" width="3" height="4" fill="#fff" stroke="#000" stroke-width="0.3"/>',
    );
    expect(box({ x: 1, y: 2, width: 3, height: 4 }, { round: 2 })).toContain(' rx="2" ');
    expect(disc(1, 2, 3)).toBe('<circle cx="1" cy="2" r="3" fill="#000" stroke="#000" stroke-width="0.3"/>');
  });
});

describe('sheets of words', () => {
  const song = sungBars();
  const task = (of: Song): Parameters<MakeSheet>[0] => ({
    arrangement: arrange(of, DEFAULT_PROFILE),
    room: ROOM,
    staves: {},
    practises: PRACTISE_SETTINGS,
  });
  const blocks = (make: MakeSheet, of = song): string[][] =>
    make(task(of)).map(({ draw }) => texts(draw(0, 0)));

  it('have chords over the syllables on which they are struck', () => {
    expect(blocks(chordsOverWords).at(-1)).toEqual(['C', 'tur-', 'ning', 'F', 'low']);
    expect(blocks(forSinging).at(-1)).toEqual(['C', 'tur-', '1: C', 'ning', 'F', 'low', '1: F']);
    const notes = blocks(meetingWords).at(-1) ?? [];
    expect(
      notes.filter((words) => words.includes(' ')).map((words) => words.split(' ').sort().join('')),
    ).toEqual(['CEG', 'ACF']);
  });

  it('tell what each hand strikes on a syllable at this level, where it is struck', () => {
    const told = (level: number): string[] =>
      blocks(meetingWords, { ...song, choices: { ...song.choices, level } }).at(-1) ?? [];
    // Where it rests, the chords to come.
    for (const level of [1, 4])
      expect(told(level)).toEqual(['C', 'tur-', 'C', 'E G C', 'ning', 'C', 'F', 'low', 'E', 'F A C']);
    // Broken up: its bass with the first syllable, the next key with the second.
    expect(told(5)).toEqual(['C', 'tur-', 'C', 'C', 'ning', 'C', 'G', 'F', 'low', 'E', 'F C A']);
  });

  it('mark syllables on which a chord is struck only where they are to be marked', () => {
    const marks = (make: MakeSheet): number =>
      make(task(song))
        .flatMap(({ draw }) => drawn(draw(0, 0)))
        .filter(({ tag, at }) => tag === 'line' && at('stroke-width') === 0.7).length;
    expect([chordsOverWords, meetingWords, forSinging].map(marks)).toEqual([0, 2, 0]);
  });

  it('say where the left hand does not play yet what they tell of it', () => {
    const toCome = 'The left hand rests at this level: these are the chords to come.';
    const onLevel = (level: number): Song => ({ ...song, choices: { ...song.choices, level } });
    const said = (make: MakeSheet, level: number): number =>
      make({ ...task(onLevel(level)), room: { ...ROOM, width: 200 } }).filter(({ draw }) =>
        texts(draw(0, 0)).includes(toCome),
      ).length;
    const parts = task(song).arrangement.parts.length;
    // It stays with what it stands over, and is of its part; the legend is of none.
    const [ofPart] = meetingWords({ ...task(onLevel(1)), room: { ...ROOM, width: 200 } }).slice(1);
    const [ofAll] = chordLegend({ ...task(onLevel(1)), room: { ...ROOM, width: 200 } });
    expect([ofPart, ofAll].map(({ staysWithNext, part }) => [staysWithNext, part])).toEqual([
      [true, 1],
      [true, null],
    ]);
    for (const level of [1, 2, 4])
      expect(
        [meetingWords, forSinging, chordLegend, chordsOverWords].map((make) => said(make, level)),
      ).toEqual(level === 1 ? [parts, parts, 1, 0] : [0, 0, 0, 0]);
  });

  it('go on in a new row with a bar that does not fit, and leave room for a chord without words', () => {
    const bars = (count: number): Song => wholeBars(Array(count).fill('C5'), Array(count).fill('C'));
    const silent = { ...bars(12), division: { ...bars(12).division, method: 'bars' as const, bars: 12 } };
    const rows = blocks(chordsOverWords, silent).slice(1);
    // A chord without words takes 14 and its bar line 1.2: six in a hundred.
    expect(rows.map((row) => row.length)).toEqual([6, 6]);
  });

  it('say so where there are none', () => {
    const empty: Song = { ...song, melody: [], changes: [] };
    expect(blocks(chordsOverWords, empty).flat()).toEqual([
      'There are no words and no chords in this song yet.',
    ]);
  });
});

describe('the first sheet', () => {
  const told = (song: Song): string[] =>
    titleSheet({
      arrangement: arrange(song, DEFAULT_PROFILE),
      room: { ...ROOM, width: 200 },
      staves: {},
      practises: PRACTISE_SETTINGS,
    })
      .map(({ draw }) => texts(draw(0, 0)).join(' '))
      .slice(0, 14);

  it('has title, key, scale, metre, tempo, level and hands, then the form with its sum', () => {
    const song = wholeBars(['C5', 'E5', 'G5', 'E5', 'D5', 'C5', 'D5', 'C5'], Array(8).fill('C'));
    const lines = told({ ...song, division: { ...song.division, method: 'bars', bars: 4 } });
    expect(lines.slice(0, 7)).toEqual([
      'Whole bars',
      'Key C major',
      'Scale C D E F G A B',
      'Metre 4/4',
      'Tempo 96 BPM',
      'Level 4, block chords',
      'Hands span an octave; keyboard of 88 keys',
    ]);
    expect(lines).toContain('4 + 4 = 8 bars');
    expect(lines.some((words) => words.startsWith('Pick-up'))).toBe(false);
  });

  it('explains the signs of hands that play, and no others', () => {
    const song = wholeBars(['C5', 'E5'], ['C', 'Am']);
    const signs = (of: Song): string[] =>
      titleSheet({
        arrangement: arrange(of, DEFAULT_PROFILE),
        room: ROOM,
        staves: {},
        practises: PRACTISE_SETTINGS,
      })
        .map(({ draw }) => texts(draw(0, 0)).join(' '))
        .filter((words) => /^(A 2|C 5|Both hands|1 {2}2)/.test(words))
        .map((words) => words.slice(0, 4));
    expect(signs(song)).toEqual(['A 2 ', 'C 5 ', 'Both', '1  2']);
    expect(signs({ ...song, choices: { ...song.choices, level: 1 } })).toEqual(['A 2 ', '1  2']);
    expect(signs({ ...song, melody: [] })).toEqual(['C 5 ', '1  2']);
    expect(signs({ ...song, melody: [], changes: [] })).toEqual([]);
  });

  it('tells a pick-up in beats, and bars of one part without a sum', () => {
    const one = wholeBars(['C5', 'E5'], ['C', 'C']);
    const lines = told({ ...one, pickup: beat, division: { ...one.division, method: 'bars', bars: 8 } });
    expect(lines).toContain('Pick-up one beat');
    expect(lines.some((words) => words.includes('='))).toBe(false);
  });
});

describe('a chord as it is held', () => {
  it('has a card of which two rows stand on every paper', () => {
    const song = wholeBars(['C5', 'C5', 'C5', 'C5', 'C5', 'C5'], ['C', 'F', 'G', 'Am', 'Dm', 'Em']);
    const arrangement = arrange({ ...song, choices: { ...song.choices, level: 4 } }, DEFAULT_PROFILE);
    for (const size of ['a4', 'letter'] as const)
      for (const isAcross of [false, true])
        for (const isDesk of [false, true]) {
          const room = roomOn({ ...DEFAULT_PAPER, size, isAcross, isDesk });
          const [first, second] = chordLegend({
            arrangement,
            room,
            staves: {},
            practises: PRACTISE_SETTINGS,
          });
          expect(first.height + second.above + second.height).toBeLessThanOrEqual(room.height);
        }
  });

  it('has its keys marked on a keyboard of two octaves from the C below it, with their fingers', () => {
    const song = wholeBars(['C6', 'C6'], ['C', 'C']);
    const pins = [
      { changeId: 'c0', keys: [48, 52, 55], fingers: null },
      { changeId: 'c1', keys: [48, 52, 55], fingers: null },
    ];
    const arrangement = arrange({ ...song, pins, choices: { ...song.choices, level: 4 } }, DEFAULT_PROFILE);
    const [first] = chordLegend({ arrangement, room: ROOM, staves: {}, practises: PRACTISE_SETTINGS });
    const svg = first.draw(0, 0);
    const all = drawn(svg);
    const keys = all.filter(({ tag, at }) => tag === 'rect' && at('height') >= 7 && at('height') <= 14);
    expect(keys).toHaveLength(24);
    const white = Math.min(5.4, (100 - 3) / 14);
    const marks = all.filter(({ tag }) => tag === 'circle').map(({ at }) => (at('cx') - 1.5) / white);
    expect(marks.map((m) => Math.round(m * 10) / 10)).toEqual([0.5, 2.5, 4.5]);
    expect(texts(svg).slice(0, 3)).toEqual(['C', 'root position, 2 times', 'C E G']);
    expect(texts(svg).slice(3)).toEqual(['5', '3', '1']);
  });
});
