import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrange, patternTried } from '../arrange';
import type { HandNote } from '../hands';
import { type Chord, parseChord } from '../music';
import { applyEdit, DEFAULT_PROFILE, type OwnPattern, type Song, transpose } from '../song';
import { playSimulated } from '../takes';
import { textOf, wholeBars } from '../testing';
import { choosePattern } from './choosing';
import {
  cellsOf,
  eventsOfCells,
  figureToShow,
  hasMember,
  MAKER_MEMBERS,
  type PlayedKey,
  readFigure,
  readLine,
  readPlaces,
} from './own';
import { PATTERNS } from './rows';

const chordOf = (symbol: string): Chord => parseChord(symbol) as Chord;

/** Bars of one chord under a high tune, in the pattern asked for. */
function under(symbol: string, pattern: string, metre: string, own: readonly OwnPattern[] = []): Song {
  const [numerator, denominator] = metre.split('/').map(Number) as [number, 4];
  const bar = (3840 * numerator) / denominator;
  const base = wholeBars(['B6', 'B6', 'B6', 'B6'], [symbol, symbol, symbol, symbol]);
  return {
    ...base,
    metreMap: [{ tick: 0, numerator, denominator }],
    melody: base.melody.map((n, i) => ({ ...n, tick: i * bar, length: bar })),
    changes: [{ ...base.changes[0], length: 4 * bar }],
    choices: { ...base.choices, level: 5, pattern },
    patterns: [...own],
  };
}

const leftOf = (song: Song, to: number): HandNote[] =>
  arrange(song, { ...DEFAULT_PROFILE, leftReach: 10 }, { withoutFingers: true }).left.filter(
    ({ tick }) => tick < to,
  );

describe('a figure to show', () => {
  it('is of the chord it is played over: its root at or below the key, its own fifth', () => {
    const keys = (symbol: string, at: number): number[] =>
      figureToShow(chordOf(symbol), at, 2).map(({ midi }) => midi);
    expect(keys('C', 52)).toEqual([48, 55, 60, 55]);
    expect(keys('Bdim', 50)).toEqual([47, 53, 59, 53]);
    expect(keys('C/E', 52)).toEqual([52, 55, 64, 55]);
    expect(readFigure(figureToShow(chordOf('Bdim'), 50, 4), chordOf('Bdim'), 4).strangers).toEqual([]);
  });
});

describe('a fixed line', () => {
  const line: OwnPattern = {
    id: 'line',
    name: 'Line',
    base: 'keys',
    metre: '4/4',
    beats: 4,
    events: readLine(
      [
        { beat: 0.02, beats: 0.9, midi: 40 },
        { beat: 0.98, beats: 0.3, midi: 43 },
        { beat: 2.01, beats: 1.8, midi: 52 },
        { beat: 2.03, beats: 1.8, midi: 47 },
        { beat: 4.1, beats: 1, midi: 60 },
      ],
      4,
    ),
  };

  it('is read as the very keys, drawn to the beat, short where it was let go early, nothing past its end', () => {
    expect(line.events).toEqual([
      { onset: 0, length: 1, members: [40] },
      { onset: 1, length: 0.5, members: [43] },
      { onset: 2, length: 2, members: [47, 52] },
    ]);
    expect(readLine([], 4)).toEqual([]);
  });

  it('is played over every chord as it is, and goes along into another key', () => {
    const struck = (song: Song): string[] =>
      leftOf(song, 3840).map(({ tick, midi }) => `${tick / 960} ${midi}`);
    const song = under('C', 'line', '4/4', [line]);
    expect(struck(song)).toEqual(['0 40', '1 43', '2 47', '2 52']);
    const inE = transpose(song, { tonic: { letter: 'E', alter: 0 }, mode: 'major' }, 4);
    expect(struck(inE)).toEqual(['0 44', '1 47', '2 51', '2 56']);
  });

  it('is told where its keys are not in the chord, each chord once', () => {
    const song = under('C', 'line', '4/4', [line]);
    const tried = patternTried(song, DEFAULT_PROFILE, line).map((told) => `${told.bar} ${textOf(told)}`);
    expect(tried).toEqual(['1 B2 is not in C: the fixed line is played all the same.']);
    const fits = under('Em7', 'line', '4/4', [line]);
    expect(patternTried(fits, DEFAULT_PROFILE, line).map(textOf)).toEqual([]);
  });
});

describe('a chord as it lies', () => {
  const key = (beat: number, midi: number, grace = false): PlayedKey => ({ beat, beats: 1, midi, grace });

  it('is read by its places, in whatever octave it is played; what lies between is no place', () => {
    const cOverE = [52, 55, 60];
    const keys = [key(0, 52), key(1, 55), key(1, 60), key(2, 64), key(3, 62)];
    const places = [
      { onset: 0, length: 1, members: [1] },
      { onset: 1, length: 1, members: [2, 3] },
      { onset: 2, length: 1, members: [4] },
    ];
    expect(readPlaces(keys, cOverE, 4)).toEqual({ events: places, strangers: [62] });
    const higher = keys.slice(0, 4).map((one) => ({ ...one, midi: one.midi + 12 }));
    expect(readPlaces(higher, cOverE, 4).events).toEqual(places);
  });

  it('is played by its places with every inversion, a grace just before its strike', () => {
    const pattern: OwnPattern = {
      id: 'lie',
      name: 'As it lies',
      base: 'voicing',
      metre: '4/4',
      beats: 4,
      events: [
        { onset: 0, length: 2, members: [1] },
        { onset: 2, length: 0.25, members: [3], grace: true },
        { onset: 2, length: 2, members: [2, 4] },
      ],
    };
    const base = under('C', 'lie', '4/4', [pattern]);
    for (const keys of [
      [48, 52, 55],
      [52, 55, 60],
      [55, 60, 64],
    ]) {
      const song = { ...base, pins: [{ changeId: base.changes[0].id, keys, fingers: null }] };
      expect(
        leftOf(song, 3840).map(({ tick, midi, grace, length }) => [tick / 960, midi, grace, length]),
      ).toEqual([
        [0, keys[0], false, 1920],
        [2, keys[1], false, 1920],
        [2, keys[2], true, 0],
        [2, keys[0] + 12, false, 1920],
      ]);
    }
  });
});

describe('marks on a grid', () => {
  it('are strikes that last until the next', () => {
    const cells = [
      { step: 0, member: 1 },
      { step: 3, member: 10 },
      { step: 3, member: 5 },
      { step: 6, member: 8 },
    ];
    expect(eventsOfCells(cells, 2, 4)).toEqual([
      { onset: 0, length: 1.5, members: [1] },
      { onset: 1.5, length: 1.5, members: [5, 10] },
      { onset: 3, length: 1, members: [8] },
    ]);
    expect(eventsOfCells([], 2, 4)).toBeNull();
    expect(eventsOfCells([{ step: 8, member: 1 }], 2, 4)).toBeNull();
  });

  it('come back as they were set', () => {
    const cell = fc.record({
      step: fc.integer({ min: 0, max: 15 }),
      member: fc.constantFrom(...MAKER_MEMBERS),
    });
    fc.assert(
      fc.property(
        fc.uniqueArray(cell, { minLength: 1, selector: ({ step, member }) => step * 20 + member }),
        (cells) => {
          const told = (list: readonly { step: number; member: number }[]): string[] =>
            list.map(({ step, member }) => `${step}:${member}`).sort();
          expect(told(cellsOf(eventsOfCells(cells, 2, 8) ?? [], 2))).toEqual(told(cells));
        },
      ),
    );
    expect(cellsOf([{ onset: 0.25, length: 1, members: [1] }], 2)).toEqual([]);
    expect(cellsOf([{ onset: 0, length: 1, members: ['lowest', 3] }], 2)).toEqual([{ step: 0, member: 3 }]);
  });
});

describe('a figure read off keys played over a chord', () => {
  const key = (beat: number, midi: number, beats = 0.5): PlayedKey => ({ beat, midi, beats });

  it('is told as members above its root', () => {
    const { events, strangers } = readFigure(
      [key(0, 48), key(0.52, 55), key(0.98, 60), key(1.49, 64)],
      chordOf('C'),
      2,
    );
    expect(events).toEqual([
      { onset: 0, length: 0.5, members: [1] },
      { onset: 0.5, length: 0.5, members: [5] },
      { onset: 1, length: 0.5, members: [8] },
      { onset: 1.5, length: 0.5, members: [10] },
    ]);
    expect(strangers).toEqual([]);
  });

  it('has short keys, keys struck together, a low fifth, and names what does not belong', () => {
    const { events, strangers } = readFigure(
      [key(0, 48, 1), key(1.01, 52, 0.4), key(1, 55, 0.45), key(2, 43, 1), key(3, 54, 1)],
      chordOf('C'),
      4,
    );
    expect(events).toEqual([
      { onset: 0, length: 1, members: [1] },
      { onset: 1, length: 0.5, members: [3, 5] },
      { onset: 2, length: 1, members: ['second-bass'] },
    ]);
    expect(strangers).toEqual([54]);
    expect(readFigure([], chordOf('C'), 4)).toEqual({ events: [], strangers: [] });
  });

  it('lies on thirds or quarters of a beat where it is played so', () => {
    const onsets = (beats: readonly number[]): number[] =>
      readFigure(
        beats.map((beat) => key(beat, 48, 0.2)),
        chordOf('C'),
        2,
      ).events.map(({ onset }) => Number(onset.toFixed(3)));
    expect(onsets([0, 0.34, 0.66, 1, 1.32, 1.68])).toEqual([0, 0.333, 0.667, 1, 1.333, 1.667]);
    expect(onsets([0, 0.26, 0.5, 0.74, 1.01])).toEqual([0, 0.25, 0.5, 0.75, 1]);
  });

  it('knows members from what stands in for them', () => {
    const all = [1, 3, 5, 7, 8, 9, 10, 12, 14, 15];
    const has = (symbol: string): number[] => all.filter((number) => hasMember(chordOf(symbol), number));
    expect(has('C')).toEqual([1, 3, 5, 8, 10, 12, 15]);
    expect(has('Cmaj9')).toEqual(all);
    expect(has('C5')).toEqual([1, 5, 8, 12, 15]);
    expect(has('Csus4')).toEqual([1, 3, 5, 8, 10, 12, 15]);
  });

  const ROWS = PATTERNS.filter(({ id, base }) => id !== 'block' && base === 'root');
  it.each(ROWS.map((row) => [row.name, row] as const))(
    '%s, played by the simulated pianist, is read back as it was played',
    (_, row) => {
      const metre = row.metres[0] ?? '4/4';
      const [numerator, denominator] = metre.split('/').map(Number);
      const beats = (4 * numerator) / denominator;
      const played = leftOf(under('Cmaj9', row.id, metre), beats * 960);
      const tune = played.map(({ tick, length, midi }) => ({ beat: tick / 960, beats: length / 960, midi }));
      for (const seed of [1, 2, 3]) {
        const options = { quartersPerMinute: 84, seed, spreadSeconds: 0.015, lateSeconds: 0, mistakes: [] };
        const down = new Map<number, number>();
        const keys: PlayedKey[] = [];
        for (const { seconds, midi, velocity } of playSimulated(tune, options)) {
          const at = (seconds * 84) / 60;
          const since = down.get(midi);
          // A key struck again before it was let go ends there.
          if (since !== undefined) keys.push({ beat: since, beats: at - since, midi });
          if (velocity > 0) down.set(midi, at);
          else down.delete(midi);
        }
        const { events, strangers } = readFigure(keys, chordOf('Cmaj9'), beats);
        expect(strangers).toEqual([]);
        const own: OwnPattern = { id: 'read', name: 'Read', base: 'root', beats, events: [...events] };
        const again = leftOf(under('Cmaj9', 'read', metre, [own]), beats * 960);
        const told = (notes: readonly HandNote[]): string[] =>
          notes.map(({ tick, midi }) => `${tick}:${midi % 12}`);
        expect([seed, told(again)]).toEqual([seed, told(played)]);
      }
    },
  );
});

describe('a pattern of the pianist’s own', () => {
  const own: OwnPattern = {
    id: 'mine',
    name: 'Mine',
    base: 'root',
    metre: '3/4',
    beats: 3,
    events: [{ onset: 0, length: 3, members: [1, 5] }],
  };

  it('is kept by id, played in its own metre, and left out again', () => {
    const song = applyEdit(under('C', 'mine', '3/4'), { kind: 'pattern-kept', pattern: own });
    expect(choosePattern('mine', { numerator: 3, denominator: 4 }, 3, song.patterns).refused).toBeNull();
    expect(choosePattern('mine', { numerator: 4, denominator: 4 }, 3, song.patterns).refused).toBe('metre');
    const renamed = applyEdit(song, { kind: 'pattern-kept', pattern: { ...own, name: 'Ours' } });
    expect(renamed.patterns.map(({ name }) => name)).toEqual(['Ours']);
    expect(applyEdit(renamed, { kind: 'pattern-left-out', id: 'mine' }).patterns).toEqual([]);
  });

  it('tried on a song tells the chords that lack its members, and where it gives way', () => {
    const seventh: OwnPattern = { ...own, events: [{ onset: 0, length: 3, members: [1, 7] }] };
    const song = {
      ...under('C', 'auto', '3/4'),
      changes: wholeBars(['C5', 'C5', 'C5'], ['C', 'G7', 'C']).changes,
    };
    expect(patternTried(song, DEFAULT_PROFILE, seventh).map((told) => [told.bar, textOf(told)])).toEqual([
      [1, 'C has no 7: what stands in for it is played.'],
    ]);
    expect(patternTried(song, DEFAULT_PROFILE, own)).toEqual([]);
    const low = { ...song, melody: song.melody.map((n) => ({ ...n, pitch: { ...n.pitch, octave: 2 } })) };
    expect(patternTried(low, DEFAULT_PROFILE, own).length).toBeGreaterThan(0);
    const wrong = patternTried(song, DEFAULT_PROFILE, { ...own, metre: '4/4' });
    expect(textOf(wrong[0])).toMatch(/^Mine is not made for 3\/4/);
  });
});
