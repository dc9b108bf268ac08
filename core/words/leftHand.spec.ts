import { describe, expect, it } from 'vitest';
import { onLevel } from '../../demo/arranged';
import { DEMO_SONGS } from '../../demo/songs';
import type { Arrangement } from '../arrangement';
import { arrange } from '../arrange';
import { barAt, DEFAULT_PROFILE, type Choices, type Song } from '../song';
import { nameOf, typeset } from '../music';
import { LEVELS } from '../levels';
import { wholeBars } from '../testing';
import { togetherInWords } from './explain';
import { leftInWords, levelInWords } from './leftHand';
import { passesInWords } from './passes';
import { partInWords } from './walkthrough';

const [lanterns, sluicegate] = DEMO_SONGS;
const arranged = (song: Song, choices: Partial<Choices>): Arrangement =>
  arrange({ ...song, choices: { ...song.choices, ...choices } }, DEFAULT_PROFILE);
const told = (a: Arrangement, index = 0): string[] => leftInWords(a, a.parts[index], false);

describe('the left hand in words', () => {
  it('tells a figure by its name, its keys and its fingers, bar by bar', () => {
    expect(told(arranged(lanterns, { level: 5 }))).toEqual([
      '  Played in the style Lullaby: quietly.',
      '  Bar 1: Am (i, tonic, home): A2 C3 A3, fingers 5 3 1.',
      '  Bar 2: F (VI, stands in for the tonic or subdominant): F2 C3 A3, fingers 5 2 1.',
      '  Bar 3: Dm (iv, subdominant): F2 D3 F3, fingers 5 2 1.',
      '  Bar 4: E7 (V7, dominant, leads home): E2 D3 G♯3, fingers 5 1 3.',
      '  4 chords: Am, F, Dm, E7.',
    ]);
    expect(told(arranged(sluicegate, { level: 5, pattern: 'rocking' }))[1]).toBe(
      '  Bar 1: G (I, tonic, home): G2 D3 G3 D3, twice, fingers 5 2 1 2, twice.',
    );
  });

  it('tells a bass alone by its key and how it moves', () => {
    expect(told(arranged(lanterns, { level: 2 }))).toEqual([
      '  Bar 1: Am: A3 (i, tonic, home).',
      '  Bar 2: F: F3 (VI, stands in for the tonic or subdominant), down a major third.',
      '  Bar 3: Dm: D3 (iv, subdominant), down a minor third.',
      '  Bar 4: E7: E3 (V7, dominant, leads home), up a whole step.',
      '  4 chords: Am, F, Dm, E7.',
    ]);
  });

  it('tells walks where they are played', () => {
    const a = arranged(lanterns, { level: 7 });
    const walk = a.fills.find(({ kind, taken }) => taken && kind === 'walk');
    const index = a.parts.findIndex((part) => walk && walk.tick >= part.fromTick && walk.tick < part.toTick);
    const { number } = barAt(a.played.bars, walk?.tick ?? 0);
    const names = walk?.notes.map(({ pitch }) => typeset(nameOf(pitch))).join(' ');
    expect(told(a, index).find((line) => line.includes('a bass walk'))).toMatch(
      new RegExp(`^  Bar ${number}: a bass walk: ${names}, fingers? \\d( \\d)*\\.$`),
    );
  });

  it('tells the real bass of chords that lie under the melody, and them with the right hand', () => {
    const a = arranged(lanterns, { level: 4, layout: 'under-melody' });
    expect(told(a)[0]).toMatch(/^ {2}Bar 1: Am \(i, tonic, home\): A2\+E3, fingers 5-1\.$/);
    const lines = partInWords(a, 0);
    const [under] = lines.filter((line) => line.includes('under A, on 1'));
    expect(under).toMatch(/^ {2}Bar 1: under A, on 1: C4\+E4\+A4, fingers \d-\d-\d\.$/);
    expect(lines).toContain('  Bar 1: A, up to B   (on 1, 3)');
  });

  it('names every key that is struck and none that is not, at every level and in every song', () => {
    for (const song of DEMO_SONGS)
      for (const { number } of LEVELS) {
        const a = onLevel(song, number);
        a.parts.forEach((part, index) => {
          const struck = a.left.filter((n) => n.tick >= part.fromTick && n.tick < part.toTick);
          const keys = [...new Set(struck.map(({ pitch }) => typeset(nameOf(pitch))))].sort();
          const words = told(a, index).join(' ');
          const named = [...new Set(words.match(/\b[A-G][♭♯]?[1-5](?!\d)/g) ?? [])].sort();
          expect([song.title, number, index, named]).toEqual([song.title, number, index, keys]);
        });
      }
  });

  it('does not say of a level what is not played', () => {
    const levels = (song: Song, choices: Partial<Choices>): string => {
      const a = arranged(song, choices);
      return levelInWords(a, a.parts[0]);
    };
    expect(levels(lanterns, { level: 5 })).toBe('Level 5, moving left hand.');
    expect(levels(lanterns, { level: 5, pattern: 'block' })).toBe(
      'Level 5, moving left hand: blocks are played, no pattern is made or chosen for 3/4.',
    );
    const still = wholeBars(['C5', 'D5', 'E5', 'F5'], ['C', 'C', 'C', 'C']);
    expect(levels(still, { level: 7, fills: { measure: 'none', seed: 0 } })).toBe(
      'Level 7, fills and endings: no fill in this part.',
    );
    expect(levels(lanterns, { level: 1 })).toBe('Level 1, melody alone.');
  });
});

describe('passes in words', () => {
  const line = (...keys: (readonly [midi: number, finger: number])[]) =>
    keys.map(([midi, finger], i) => ({
      ...arranged(lanterns, { level: 1 }).right[0],
      tick: 480 * i,
      length: 480,
      midi,
      finger,
      pitch: {
        letter: 'CDEFGAB'[[0, 2, 4, 5, 7, 9, 11].indexOf(midi % 12)] as 'C',
        alter: 0 as const,
        octave: 4,
      },
    }));
  it('stand at the note, for each hand', () => {
    const rising = line([60, 1], [62, 2], [64, 3], [65, 1], [67, 2]);
    expect(passesInWords(rising, null, 'right')).toEqual(['thumb under to F']);
    expect(passesInWords([...line([65, 1], [64, 3])], null, 'right')).toEqual(['third finger over to E']);
    expect(passesInWords(line([60, 1], [62, 3]), null, 'left')).toEqual(['third finger over to D']);
    expect(passesInWords(line([64, 3], [62, 1]), null, 'left')).toEqual(['thumb under to D']);
  });

  it('are none where the hand stays, moves as a whole, or has time', () => {
    expect(passesInWords(line([60, 1], [62, 2], [60, 1]), null, 'right')).toEqual([]);
    expect(passesInWords(line([60, 2], [69, 1]), null, 'right')).toEqual([]);
    const [a, b] = line([60, 3], [62, 1]);
    expect(passesInWords([a, { ...b, tick: 480 + 960 }], null, 'right')).toEqual([]);
  });
});

describe('a chord together with the note of the tune over it', () => {
  const together = (symbol: string, note: string, length = 3840): string => {
    const song = wholeBars([note, note], [symbol, symbol]);
    const melody = song.melody.map((n) => ({ ...n, length }));
    const [first] = arrange({ ...song, melody }, DEFAULT_PROFILE).changes;
    return togetherInWords(first, first.meeting.note);
  };
  it('is told by its whole name where the note is long and not its own', () => {
    expect(together('Eb', 'C6')).toBe('With the C of the melody it is E♭6.');
    expect(together('C', 'D6')).toBe('With the D of the melody it is Cadd9.');
    expect(together('Am', 'G5')).toBe('With the G of the melody it is Am7.');
  });

  it('is not told of short notes, or of the chord’s own', () => {
    expect(together('Eb', 'C6', 960)).toBe('');
    expect(together('Eb', 'G5')).toBe('');
  });
});
