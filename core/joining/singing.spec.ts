import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import { strikesOf } from '../hands';
import {
  chroma,
  KEYBOARDS,
  membersOf,
  nameOf,
  parseChord,
  reachMm,
  spanMm,
  bassOf,
  type Chord,
  CHORD_TYPES,
} from '../music';
import { SUNG_FIGURES, suitsMetre } from '../patterns';
import { DEFAULT_PROFILE, type OwnPattern, type Profile, type Song } from '../song';
import { textOf, wholeBars } from '../testing';
import { partInWords } from '../words/walkthrough';
import { companionOf, openTenth } from './sungBass';

const C_MAJOR = { tonic: { letter: 'C', alter: 0 }, mode: 'major' } as const;
const METRES = [
  [2, 4],
  [3, 4],
  [4, 4],
  [5, 4],
  [6, 8],
  [12, 8],
] as const;
const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];

function sung(symbols: readonly string[], pattern: string, metre: readonly [number, number] = [4, 4]): Song {
  const bar = (3840 * metre[0]) / metre[1];
  const base = wholeBars(
    symbols.map(() => 'C5'),
    symbols,
  );
  return {
    ...base,
    metreMap: [{ tick: 0, numerator: metre[0], denominator: metre[1] as 4 }],
    melody: [],
    changes: base.changes.map((c, i) => ({ ...c, tick: i * bar, length: bar })),
    choices: { ...base.choices, layout: 'singing', level: 5, pattern },
  };
}

const told = (song: Song, hand: 'left' | 'right'): string[] =>
  strikesOf(arrange(song, DEFAULT_PROFILE)[hand]).map(
    (keys) => `${keys[0].tick / 960} ${keys.map(({ pitch }) => nameOf(pitch)).join('+')}`,
  );

describe('a pattern of the pianist under a singer', () => {
  const own: OwnPattern = {
    id: 'own1',
    name: 'Rock',
    base: 'root',
    metre: '4/4',
    beats: 2,
    events: [
      { onset: 0, length: 1, members: [1] },
      { onset: 1, length: 1, members: [5, 8] },
    ],
  };
  const song = (metre?: readonly [number, number]): Song => ({
    ...sung(['C', 'G', 'C'], 'own1', metre),
    patterns: [own],
  });

  it('is played by the left hand; the right holds each chord', () => {
    expect(told(song(), 'right')).toEqual(['0 C4+E4+G4', '4 B3+D4+G4', '8 C4+E4+G4']);
    expect(told(song(), 'left').slice(0, 8)).toEqual([
      '0 C2',
      '1 G2+C3',
      '2 C2',
      '3 G2+C3',
      '4 G2',
      '5 D3+G3',
      '6 G2',
      '7 D3+G3',
    ]);
    expect(arrange(song(), DEFAULT_PROFILE).findings.filter(({ kind }) => kind === 'pattern')).toEqual([]);
  });

  it('of the chord as it lies is played by the right hand, over the bass', () => {
    const lies: OwnPattern = {
      ...own,
      base: 'voicing',
      events: [
        { onset: 0, length: 1, members: [1] },
        { onset: 1, length: 1, members: [2, 3] },
      ],
    };
    const both = {
      ...song(),
      patterns: [lies],
      words: [{ tick: 0, text: 'low', syllabic: 'single' as const }],
    };
    expect(told(both, 'right').slice(0, 6)).toEqual([
      '0 C4',
      '1 E4+G4',
      '2 C4',
      '3 E4+G4',
      '4 B3',
      '5 D4+G4',
    ]);
    expect(told(both, 'left')).toEqual(told(sung(['C', 'G', 'C'], 'auto'), 'left'));
    expect(arrange(both, DEFAULT_PROFILE).right[0].lyric).toBe('low');
    const words = partInWords(arrange(both, DEFAULT_PROFILE), 0).join(' ');
    expect(words).toContain('The figure is Rock.');
    expect(words).toContain('Bar 1: C as C4 E4+G4, twice.');
  });

  it('in another metre is said, and the bass stays', () => {
    const a = arrange(song([3, 4]), DEFAULT_PROFILE);
    expect(textOf(a.findings.find(({ kind }) => kind === 'pattern'))).toContain('Rock is not made for 3/4');
    expect(a.left.every(({ source }) => source === 'chord')).toBe(true);
  });

  it('hangs from the bass under chords that hang from the tune, too', () => {
    const base = wholeBars(['C6', 'B5', 'C6'], ['C', 'G', 'C']);
    const choices = { ...base.choices, layout: 'under-melody' as const, level: 5, pattern: 'own1' };
    const under = arrange({ ...base, choices, patterns: [own] }, DEFAULT_PROFILE);
    const left = strikesOf(under.left).map((keys) => keys.map(({ pitch }) => nameOf(pitch)).join('+'));
    expect(left.slice(0, 4)).toEqual(['C3', 'G3+C4', 'C3', 'G3+C4']);
    expect(under.right.filter(({ tick }) => tick === 0).length).toBeGreaterThan(2);
  });
});

describe('figures of the right hand for singing', () => {
  it('are struck as they are named', () => {
    const right = (pattern: string): string[] => told(sung(['C', 'C'], pattern), 'right').slice(0, 4);
    expect(right('auto')).toEqual(['0 C4+E4+G4', '1 C4+E4+G4', '2 C4+E4+G4', '3 C4+E4+G4']);
    expect(right('block')).toEqual(['0 C4+E4+G4', '4 C4+E4+G4']);
    expect(right('chords-between-beats').slice(0, 2)).toEqual(['0.5 C4+E4+G4', '1.5 C4+E4+G4']);
    expect(right('broken-chord')).toEqual(['0 C4', '0.5 G4', '1 E4', '1.5 G4']);
    expect(right('low-and-others').slice(0, 3)).toEqual(['0 C4', '0.5 E4+G4', '1 C4']);
    expect(right('single-note-companion')).toEqual(['0 C5', '1 C5', '1.5 C5', '2 C5']);
    expect(told(sung(['C', 'C'], 'broken-chord-in-threes', [6, 8]), 'right').slice(0, 4)).toEqual([
      '0 C4',
      '0.5 E4',
      '1 G4',
      '1.5 C4',
    ]);
  });

  it('go with an open tenth, or over a bass that falls by step', () => {
    expect(openTenth(parseChord('C') as Chord, 48)).toEqual([48, 55, 64]);
    expect(openTenth(parseChord('C5') as Chord, 48)).toEqual([48, 55, 67]);
    expect(told(sung(['C', 'G', 'Am', 'C'], 'descending-line'), 'left')).toEqual([
      '0 C3',
      '4 B2',
      '8 A2',
      '12 C3',
    ]);
  });

  it('strikes a falling bass bar by bar under a chord that lasts, each note until the next', () => {
    const song = sung(['C', 'G', 'Am', 'C'], 'descending-line');
    const wide = { ...song, changes: [{ ...song.changes[0], length: 3 * 3840 }, song.changes[3]] };
    const { left } = arrange(wide, DEFAULT_PROFILE);
    expect(left.map(({ tick, length, pitch }) => `${nameOf(pitch)} ${tick / 960} ${length / 960}`)).toEqual([
      'C3 0 4',
      'C3 4 4',
      'C3 8 4',
      'C3 12 4',
    ]);
  });

  it.each([
    ['C', 60 + 12],
    ['Am', 72],
    ['G', 67],
    ['F', 72],
    ['Dm7', 72],
    ['Em', 67],
    ['E', 64],
  ])('the single note over %s is %i in C major', (symbol, key) => {
    expect(companionOf(parseChord(symbol) as Chord, C_MAJOR)).toBe(key);
  });

  it.each(SUNG_FIGURES.map((figure) => [figure.name, figure] as const))(
    '%s: on every chord type, in every metre it is made for, in reach, in its chord, each beat under a hand',
    (_, figure) => {
      for (const [numerator, denominator] of METRES) {
        if (!suitsMetre(figure, { numerator, denominator })) continue;
        const symbols = CHORD_TYPES.map(({ suffix }, i) => ROOTS[(5 * i) % 12] + suffix);
        for (const [reach, keyboard] of [
          [6, 49],
          [8, 88],
        ] as const) {
          const profile: Profile = { ...DEFAULT_PROFILE, leftReach: reach, rightReach: reach, keyboard };
          const a = arrange(sung(symbols, figure.id, [numerator, denominator]), profile, {
            withoutFingers: true,
          });
          const wrong: string[] = [];
          for (const { change, chord } of a.changes) {
            const members = new Set([...membersOf(chord).map((m) => m.chroma), chroma(bassOf(chord))]);
            const [left, right] = [a.left, a.right].map((notes) => notes.filter((n) => n.from === change.id));
            for (const note of [...left, ...(figure.left === 'open-tenth' ? [] : right)])
              if (!members.has(note.midi % 12)) wrong.push(`${change.symbol}: ${note.midi} is no member`);
            for (const keys of [...strikesOf(right), ...strikesOf(left)]) {
              const [low, high] = [keys[0].midi, keys[keys.length - 1].midi];
              if (low < KEYBOARDS[keyboard].low || high > KEYBOARDS[keyboard].high) wrong.push('off');
              if (spanMm(low, high) > reachMm(reach) + 1 && keys[0].rolled === undefined)
                wrong.push(`${change.symbol}: ${low}–${high} out of reach`);
              if (keys.some((n) => n.tick + n.length > change.tick + change.length)) wrong.push('rings on');
            }
            if (left.length === 0 || left[0].tick !== change.tick) wrong.push(`${change.symbol}: no bass`);
            if (right.length === 0) wrong.push(`${change.symbol}: nothing for the right hand`);
            if (Math.max(...left.map((n) => n.midi)) >= Math.min(...right.map((n) => n.midi)))
              wrong.push(`${change.symbol}: the hands cross`);
          }
          expect([numerator, denominator, reach, wrong.slice(0, 5)]).toEqual([
            numerator,
            denominator,
            reach,
            [],
          ]);
        }
      }
    },
  );

  it('one that goes under a tune, is not made for the metre, or is unknown, is said with those that are', () => {
    const said = (pattern: string, metre?: readonly [number, number]): string =>
      arrange(sung(['C', 'F', 'C'], pattern, metre), DEFAULT_PROFILE)
        .findings.filter(({ kind }) => kind === 'pattern')
        .map(textOf)
        .join();
    expect(said('rocking')).toContain('Rocking goes under a tune');
    expect(said('broken-chord', [6, 8])).toContain('Broken chord is not made for 6/8');
    expect(said('broken-chord', [6, 8])).toContain(
      'Made for 6/8: Chords on the beat, Broken chord in threes',
    );
    expect(said('no-such')).toContain('“no-such” is not known');
    expect([said('auto'), said('block'), said('vary:2'), said('broken-chord')]).toEqual(['', '', '', '']);
    const tune = { ...wholeBars(['C5', 'C5'], ['C', 'C']) };
    const under = arrange(
      { ...tune, choices: { ...tune.choices, level: 5, pattern: 'broken-chord' } },
      DEFAULT_PROFILE,
    );
    expect(under.findings.map(textOf).join()).toContain('for parts laid out for singing');
  });
});
