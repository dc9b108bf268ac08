import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { type Key, nameOf, NOTE_NAMES, useNoteNames } from '../music';
import { emptySong, type Song, joinTies } from '../song';
import { randomSong } from '../testing';
import { readCounts, writeCounts } from './counts';
import { EntryError, readLetters, writeLetters } from './letters';
import { FieldError, readTune, writeTune } from './typedTune';

const aMinor: Key = { tonic: { letter: 'A', alter: 0 }, mode: 'minor' };
const gMajor: Key = { tonic: { letter: 'G', alter: 0 }, mode: 'major' };
const heard = (text: string, key = aMinor): string =>
  readLetters(text, key)
    .map((k) => nameOf(k.pitch))
    .join(' ');
const in44 = () => ({ numerator: 4, denominator: 4 });
const rhythm = (text: string): number[][] =>
  readCounts(text, in44).strikes.map((s) => [s.tick / 960, s.length / 960]);

describe('letters', () => {
  it('take the nearest key of the letter, up to a fourth away', () => {
    expect(heard('A4 C B D E A')).toBe('A4 C5 B4 D5 E5 A5');
    expect(heard('C4 F B F')).toBe('C4 F4 B4 F4');
  });

  it('go upwards and downwards by strokes, an octave more for each', () => {
    expect(heard('C4 /C \\C \\\\C //D')).toBe('C4 C5 C4 C2 D3');
    expect(heard('C4 /G \\G')).toBe('C4 G4 G3');
  });

  it('are as the key has them; signs and n change that, * repeats, ; makes a grace note', () => {
    expect(heard('F4 Fn Bb f## bb', gMajor)).toBe('F#4 F4 Bb4 F##4 Bb4');
    expect(heard('a4*3 B')).toBe('A4 A4 A4 B4');
    expect(readLetters('A4 ;B A', aMinor).map((k) => k.grace)).toEqual([false, true, false]);
    // As it was typed before.
    expect(readLetters('A4 ~B A', aMinor)).toEqual(readLetters('A4 ;B A', aMinor));
    expect(writeLetters(readLetters('A4 ~B A', aMinor), aMinor)).toBe('A4 ;B A');
  });

  it('begin near middle C, at an octave number, or after a landmark', () => {
    expect(heard('A')).toBe('A3');
    expect(heard('A5 B')).toBe('A5 B5');
    expect(heard('A below middle C: A B')).toBe('A3 B3');
    expect(heard('the C above middle C: C B')).toBe('C5 B4');
  });

  it('point at the very letter that cannot be read', () => {
    const place = (text: string): number[] => {
      try {
        readLetters(text, aMinor);
      } catch (error) {
        if (error instanceof EntryError) return [error.at, error.length];
      }
      return [];
    };
    expect(place('A B H C')).toEqual([4, 1]);
    expect(place('A B/ C')).toEqual([3, 1]);
    expect(place('C8 /C')).toEqual([3, 2]);
    expect(place('A*99')).toEqual([0, 4]);
    expect(place('over there: A')).toEqual([0, 10]);
    expect(place('A below middle C: A B H C')).toEqual([22, 1]);
    expect(place('A below middle C:H')).toEqual([17, 1]);
    expect(place('/\\A')).toEqual([0, 3]);
  });
});

describe('counts', () => {
  it('are struck in order, sixteenths and triplets too; a note lasts to the next', () => {
    expect(rhythm('1 2 2& 3 4e 4a |')).toEqual([
      [0, 1],
      [1, 0.5],
      [1.5, 0.5],
      [2, 1.25],
      [3.25, 0.5],
      [3.75, 0.25],
    ]);
    expect(rhythm('1 2 2t 2l 3 |').map(([tick]) => tick)).toEqual([0, 1, 4 / 3, 5 / 3, 2]);
  });

  it('fall silent in brackets and at the bar line, and go on after a dash', () => {
    expect(rhythm('1 (3) | 2 | - 3')).toEqual([
      [0, 2],
      [5, 5],
      [10, 2],
    ]);
    expect(rhythm('1 | - | - (2) | |')).toEqual([[0, 9]]);
    expect(readCounts('1 | | 1 |', in44).barCount).toBe(3);
  });

  it('begin with a pick-up where the first bar begins late, unless it says it is silent', () => {
    expect(readCounts('4 | 1', in44)).toMatchObject({ pickup: 960, barCount: 1 });
    expect(readCounts('(1) 4 | 1', in44)).toMatchObject({ pickup: 0, barCount: 2 });
  });

  it('point at the very count that cannot be read', () => {
    const fault = (text: string): [number, string] => {
      try {
        readCounts(text, in44);
      } catch (error) {
        if (error instanceof EntryError) return [error.at, error.message];
      }
      return [-1, ''];
    };
    expect(fault('1 2 | 1 5 |')).toEqual([8, 'There is no count 5 in a bar of 4/4.']);
    expect(fault('1 3 2')[0]).toBe(4);
    expect(fault('1 2x')[1]).toContain('"2x" is not a count');
    expect(fault('1 2+3/2')[1]).toContain('less than a beat');
    expect(fault('1 (3')[0]).toBe(2);
  });
});

/** What typing must bring back. */
function essence(song: Pick<Song, 'melody' | 'pickup' | 'barCount'>): unknown {
  const notes = joinTies(song.melody).map((n) => [n.tick, n.length, nameOf(n.pitch), n.grace, n.lyric]);
  return { notes, pickup: song.pickup, barCount: song.barCount };
}

const random = fc.tuple(fc.nat(100_000), fc.constantFrom(...NOTE_NAMES));
afterEach(() => useNoteNames('english'));

describe('letters as people type them', () => {
  it('may stand together, with commas and bar strokes between', () => {
    expect(heard('CDEF')).toBe(heard('C D E F'));
    expect(heard('A4 C, B | A*2, G')).toBe(heard('A4 C B A*2 G'));
    expect(heard('C4|D/EF#Bb3')).toBe(heard('C4 D /E F# Bb3'));
    expect(heard('EbD')).toBe(heard('Eb D'));
  });

  it('are named one by one where they cannot be read, with what is meant by H', () => {
    const fault = (text: string): [string, number, number] => {
      try {
        readLetters(text, aMinor);
        return ['', 0, 0];
      } catch (error) {
        if (!(error instanceof EntryError)) throw error;
        return [error.message, error.at, error.length];
      }
    };
    expect(fault('C D Ex')).toEqual([expect.stringContaining('"x" is not a letter'), 5, 1]);
    expect(fault('A H C')).toEqual([expect.stringContaining('H is B, and the German B is Bb'), 2, 1]);
    expect(fault('CDEFX')).toEqual([expect.stringContaining('"X" is not a letter'), 4, 1]);
  });
});

describe('writing out and reading back', () => {
  it('are exact inverses for every demo song', () => {
    for (const song of DEMO_SONGS) {
      const { fields, missing } = readTune(writeTune(song), song);
      expect(missing).toBeNull();
      expect(essence(fields)).toEqual(essence(song));
    }
  });

  it('are exact inverses for random melodies, grace notes among them, however notes are named', () => {
    fc.assert(
      fc.property(random, fc.integer({ min: 1, max: 8 }), fc.boolean(), ([seed, names], bars, hasGrace) => {
        useNoteNames(names);
        const plain = randomSong({ bars, changesPerBar: 1, seed, lowest: 40, highest: 90 });
        fc.pre(plain.melody.length > 0);
        const song = hasGrace ? withGrace(plain) : plain;
        const typed = writeTune(song);
        expect(essence(readTune(typed, song).fields)).toEqual(essence(song));
        expect(writeTune({ ...song, ...readTune(typed, song).fields })).toEqual(typed);
      }),
      { numRuns: 400 },
    );
  });

  it('are exact inverses for onsets off every usual grid', () => {
    const bars = [{ number: 1, tick: 0, length: 3840, metre: in44() }];
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 3839 }), { minLength: 1, maxLength: 9 }),
        (ticks) => {
          const onsets = [0, ...ticks.filter((t) => t > 0)].sort((a, b) => a - b);
          const notes = onsets.map((tick, i) => ({ tick, length: (onsets[i + 1] ?? 3840) - tick }));
          const back = readCounts(writeCounts(notes, bars), in44).strikes;
          expect(back.map(({ tick, length }) => ({ tick, length }))).toEqual(notes);
        },
      ),
    );
  });

  it('letters alone get a beat each; what has no count or no letter yet is told, with its place', () => {
    const song = emptySong('s', 'S');
    const { fields } = readTune({ letters: 'C4 D E', counts: '' }, song);
    expect(fields.melody.map((n) => [n.tick, n.length])).toEqual([
      [0, 960],
      [960, 960],
      [1920, 960],
    ]);
    const more = readTune({ letters: 'C4 D E', counts: '1 2 |' }, song);
    expect(more.missing).toMatchObject({ in: 'letters', error: { at: 5 } });
    const told = (letters: string, counts: string) =>
      readTune({ letters, counts }, song).missing?.error.message;
    expect(told('C4 D E', '1 2 |')).toContain('1 letter has no count yet, from "E" on.');
    expect(told('C4 D E F', '1 2 |')).toContain('2 letters have no count yet, from "E" on.');
    expect(told('C4', '1 2 |')).toContain('1 count has no letter yet.');
    expect(told('C4', '1 2 3 |')).toContain('2 counts have no letter yet.');
    expect(more.fields.melody).toHaveLength(2);
    const less = readTune({ letters: 'C4', counts: '1 2 |' }, song);
    expect(less.missing).toMatchObject({ in: 'counts', error: { at: 2 } });
    expect(() => readTune({ letters: 'X', counts: '' }, song)).toThrow(FieldError);
  });

  it('write a run of one key as a number of times', () => {
    const notes = readLetters('A4 A A C*2', aMinor);
    expect(writeLetters(notes, aMinor)).toBe('A4*3 C C');
  });
});

function withGrace(song: Song): Song {
  const first = song.melody[0];
  const grace = { ...first, id: 'g1', length: 0, grace: true, lyric: null };
  return { ...song, melody: [grace, ...song.melody] };
}

describe('a tune with keys struck under it', () => {
  const song = (letters: string, counts = '1 2 3 4', before: Song = emptySong('s', 'S')): Song => ({
    ...before,
    ...readTune({ letters, counts }, before).fields,
  });
  const told = ({ melody }: Song) =>
    melody.map(({ pitch, harmony }) => [nameOf(pitch), harmony?.how, harmony?.keys?.map(nameOf).join(' ')]);

  it('has the highest of what is struck together as the tune, the rest as its harmony notes', () => {
    expect(told(song('C4+E4 D C4+G4+E5'))).toEqual([
      ['E4', 'keys', 'C4'],
      ['D4', undefined, undefined],
      ['E5', 'keys', 'C4 G4'],
    ]);
  });

  it('is told as it is read, and keeps what letters do not tell', () => {
    const both = song('C4+E4 D E F');
    expect(writeTune(both).letters).toBe('C4+E4 D E F');
    const third = { how: 'third-under' as const };
    const above = { how: 'keys' as const, keys: [{ letter: 'A' as const, alter: 0, octave: 5 }] };
    const given: Song = {
      ...both,
      melody: both.melody.map((note, i) =>
        i === 1 ? { ...note, harmony: third } : i === 2 ? { ...note, harmony: above } : note,
      ),
    };
    const { letters, counts } = writeTune(given);
    expect(told(song(letters, counts, given))).toEqual(told(given));
    expect(told(song('E4 D E G', counts, given))).toEqual([
      ['E4', undefined, undefined],
      ['D4', 'third-under', undefined],
      ['E4', 'keys', 'A5'],
      ['G4', undefined, undefined],
    ]);
  });
});
