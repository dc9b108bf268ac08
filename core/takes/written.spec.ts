import { inWords } from '../sentences';
import { describe, expect, it } from 'vitest';
import { keyFromFifths, nameOf } from '../music';
import { emptySong, type MelodyNote, type Song } from '../song';
import { wholeBars } from '../testing';
import { fitGrid } from './grid';
import { findMetres } from './metreFinding';
import { movedSaid, type PlayedKey, quantise, topLine, withoutBreaths } from './quantise';
import { compareTakes, keysOf, melodyNote, takeOf, withTake } from './take';

const C = keyFromFifths(0, 'major');
const played = (...keys: readonly (readonly [onset: number, end: number, midi?: number])[]): PlayedKey[] =>
  keys.map(([onset, end, midi = 60]) => ({ onset, end, midi }));
const written = (keys: PlayedKey[], grid: Parameters<typeof quantise>[2] = null): string[] =>
  quantise(keys, 1, grid).keys.map(({ tick, length, midi }) => `${midi}: ${tick}+${length}`);

describe('what was played as it is written', () => {
  it('is as long as it was held, in places of its grid, one at least', () => {
    expect(written(played([0, 0.1], [1, 1.6], [2, 3.4], [4, 5.6]), 'beat')).toEqual([
      '60: 0+960',
      '60: 960+960',
      '60: 1920+960',
      '60: 3840+1920',
    ]);
    expect(written(played([0, 0.1], [0.5, 1.2], [1.5, 2.3]), 'eighths')).toEqual([
      '60: 0+480',
      '60: 480+480',
      '60: 1440+960',
    ]);
    expect(written(played([0, 0.1], [1 / 3, 0.9]), 'triplets')).toEqual(['60: 0+320', '60: 320+640']);
    expect(written(played([0, 0.1], [0.25, 0.6]), 'sixteenths')).toEqual(['60: 0+240', '60: 240+240']);
    expect(written(played([0, 0.6], [2 / 3, 0.99]), 'swing')).toEqual(['60: 0+480', '60: 480+480']);
  });

  it('struck together is one chord, the lower key first; one key twice on one place is the longer', () => {
    expect(written(played([1.03, 2, 64], [1, 2, 60]), 'beat')).toEqual(['60: 960+960', '64: 960+960']);
    expect(written(played([0, 0.1], [0.02, 1.9], [1, 2]), 'beat')).toEqual(['60: 0+1920', '60: 960+960']);
    // Later than 35 thousandths of a second it is another strike.
    const strikes = (apart: number): number =>
      new Set(quantise(played([0, 1, 60], [apart, 1, 64]), 1).keys.map((k) => k.tick)).size;
    expect([strikes(0.035), strikes(0.25)]).toEqual([1, 2]);
  });

  it('says how far notes were moved', () => {
    const of = (...moved: number[]): string =>
      inWords(
        movedSaid(
          {
            keys: moved.map((movedBeats) => ({ tick: 0, length: 1, midi: 60, movedBeats })),
            grid: null,
            lateBeats: 0,
          },
          0.5,
        ),
      );
    expect(of(0.02, -0.06)).toBe('notes were moved by 20 ms on average, 30 ms at most');
    expect(of(0.0019, 0)).toBe('every note was exactly in time');
    expect(of(0.002)).toBe('notes were moved by 1 ms on average, 1 ms at most');
    expect(of()).toBe('nothing was played');
  });
});

describe('the top line', () => {
  const note = (tick: number, length: number, midi: number) => ({ tick, length, midi });

  it('has of keys struck together the highest, each held no longer than to the next', () => {
    expect(topLine([note(0, 960, 60), note(0, 960, 67), note(480, 480, 64)])).toEqual([
      note(0, 480, 67),
      note(480, 480, 64),
    ]);
    expect(topLine([note(960, 100, 60), note(0, 960, 62)])).toEqual([note(0, 960, 62), note(960, 100, 60)]);
  });

  it('is breathless where a gap is under half a beat or a third of the way, and keeps real rests', () => {
    const gaps = (...notes: ReturnType<typeof note>[]): number[] =>
      withoutBreaths(notes).map(({ length }) => length);
    expect(gaps(note(0, 481, 60), note(960, 960, 60))).toEqual([960, 960]);
    expect(gaps(note(0, 480, 60), note(960, 960, 60))).toEqual([480, 960]);
    // A gap of 1 in 3 beats is under 0.35 of the way.
    expect(gaps(note(0, 1920, 60), note(2880, 960, 60))).toEqual([2880, 960]);
    expect(gaps(note(0, 1871, 60), note(2880, 960, 60))).toEqual([1871, 960]);
    expect(gaps(note(0, 960, 60), note(960, 1, 60))).toEqual([960, 1]);
  });
});

describe('keys as held', () => {
  const event = (seconds: number, midi: number, velocity = 80) => ({ seconds, midi, velocity });

  it('from going down to going up, at the click’s tempo; struck again they are let go first; never let go they end with the take', () => {
    const events = [
      event(0, 60),
      event(0.5, 60, 0),
      event(1, 62),
      event(1.5, 62),
      event(2, 62, 0),
      event(1.75, 64),
      event(3, 99, 0),
    ];
    expect(keysOf(events, 120)).toEqual([
      { onset: 0, end: 1, midi: 60 },
      { onset: 2, end: 3, midi: 62 },
      { onset: 3, end: 4, midi: 62 },
      { onset: 3.5, end: 6, midi: 64 },
    ]);
    expect(keysOf([], 60)).toEqual([]);
  });

  it('are a tune of the key they are spelled in, never before the click', () => {
    const { melody } = takeOf(
      [event(0, 61), event(0.98, 61, 0), event(1, 63), event(2, 63, 0)],
      60,
      keyFromFifths(-5, 'major'),
    );
    expect(melody.map(({ id, tick, length, pitch }) => [id, tick, length, nameOf(pitch)])).toEqual([
      ['t1', 0, 960, 'Db4'],
      ['t2', 960, 960, 'Eb4'],
    ]);
    expect(melodyNote('x', { tick: 5, length: 0, midi: 60 }, C)).toMatchObject({
      id: 'x',
      tick: 5,
      length: 1,
      lyric: null,
    });
  });

  it('are compared by what each has alone and where that begins', () => {
    const take = (...keys: number[]) =>
      takeOf(
        keys.flatMap((midi, i) => [event(i, midi), event(i + 0.9, midi, 0)]),
        60,
        C,
      );
    expect(compareTakes(take(60, 62, 64), take(60, 62, 64))).toBe('the same notes at the same places');
    expect(compareTakes(take(60, 62, 64), take(60, 63))).toBe(
      '2 notes here that the other lacks, 1 the other way; first on beat 2',
    );
  });

  it('kept are notes of the song with ids of their own, and end with their stretch', () => {
    const song = wholeBars(['C5', 'D5'], ['C', 'G']);
    const take = takeOf(
      [0, 1, 2, 3, 4].flatMap((i) => [event(i, 60 + i), event(i + 0.9, 60 + i, 0)]),
      60,
      C,
    );
    const { melody, feel } = withTake(song, take, 3840, 3840);
    expect(melody.map(({ id, tick }) => [id, tick])).toEqual([
      ['n0', 0],
      ['n2', 3840],
      ['n3', 4800],
      ['n4', 5760],
      ['n5', 6720],
    ]);
    expect(feel).toBe(song.feel);
    const swung = { ...take, quantised: { ...take.quantised, grid: 'swing' as const } };
    expect(withTake(song, swung, 0, 3840).feel).toEqual({ kind: 'swing', ratio: 2 });
  });

  it('tells the key of a new song by its notes, and spells them in it; a key that was chosen stays', () => {
    const played = [67, 70, 69, 67, 66, 67, 74, 67].flatMap((midi, i) => [
      event(i, midi),
      event(i + 0.9, midi, 0),
    ]);
    const take = takeOf(played, 60, C);
    const empty = emptySong('s', 'S');
    const { keyMap, melody } = withTake(empty, take, 0, 7680);
    expect(keyMap).toEqual([{ tick: 0, tonic: { letter: 'G', alter: 0 }, mode: 'minor' }]);
    expect(melody.map(({ pitch }) => pitch.letter + 'b♮#'[pitch.alter + 1]).slice(0, 5)).toEqual([
      ...['G♮', 'Bb', 'A♮', 'G♮', 'F#'],
    ]);
    const inD: Song['keyMap'] = [{ tick: 0, tonic: { letter: 'D', alter: 0 }, mode: 'major' }];
    expect(withTake({ ...empty, keyMap: inD }, take, 0, 7680).keyMap).toBe(inD);
    // A second attempt beside the first is in its key.
    const second = withTake({ ...empty, melody, keyMap }, take, 7680, 7680);
    expect(second.keyMap).toBe(keyMap);
  });
});

describe('the grid of a take', () => {
  it('is given for each beat, and may be asked for', () => {
    const fit = fitGrid([0, 0.5, 1, 3, 3.5], 0.02);
    expect([fit.grid, [...fit.byBeat.keys()]]).toEqual(['eighths', [0, 1, 3]]);
    expect(fitGrid([0, 0.5, 1], 0.02, 'beat').placed.map(({ written }) => written)).toEqual([0, 1, 1]);
    // Two strikes of one place both stand there where another place is farther off than a collision costs.
    expect(fitGrid([0, 0.04], 0.02, 'beat').placed.map(({ written }) => written)).toEqual([0, 0]);
    expect(fitGrid([0.48, 0.52], 0.02, 'eighths').placed.map(({ written }) => written)).toEqual([0.5, 0.5]);
    expect(fitGrid([0.1, 0.24, 0.5], 0.1, 'sixteenths').placed.map(({ written }) => written)).toEqual([
      ...[0, 0.25, 0.5],
    ]);
    expect(fitGrid([0, 2 / 3], 0.02, 'swing').placed).toEqual([
      { written: 0, heard: 0 },
      { written: 0.5, heard: 2 / 3 },
    ]);
  });

  it('changes from beat to beat only where that is worth more than it costs', () => {
    const eighths = Array.from({ length: 16 }, (_, i) => i / 2);
    const triplets = [8, 8 + 1 / 3, 8 + 2 / 3, 9, 9 + 1 / 3, 9 + 2 / 3];
    expect(fitGrid([...eighths, ...triplets], 0.02)).toMatchObject({ grid: null });
    expect(fitGrid([...eighths, ...triplets], 0.02).byBeat.get(8)).toBe('triplets');
    expect(fitGrid([...eighths, ...triplets], 0.02).byBeat.get(7)).toBe('eighths');
  });
});

describe('the metre of a tune', () => {
  const tune = (lengths: readonly number[], from = 0): MelodyNote[] => {
    let at = from;
    return lengths.map((beats, i) => {
      const note = {
        ...wholeBars(['C5'], ['C']).melody[0],
        id: `n${i}`,
        tick: at * 960,
        length: beats * 960,
      };
      at += beats;
      return note;
    });
  };
  const best = (melody: MelodyNote[]): string => {
    const [{ metre, pickup }] = findMetres(melody);
    return `${metre.numerator}/${metre.denominator} ${pickup / 960}`;
  };

  it('has its long notes on strong beats', () => {
    expect(best(tune([2, 1, 2, 1, 2, 1, 3]))).toBe('3/4 0');
    expect(best(tune([2, 1, 1, 2, 1, 1, 2, 1, 1, 4]))).toBe('4/4 0');
    expect(best(tune([1, 2, 1, 2, 1, 2, 1, 3]))).toBe('3/4 1');
    expect(best(tune([1, 0.5, 1, 0.5, 1, 0.5, 1, 0.5, 1.5, 1.5]))).toBe('6/8 0');
  });

  it('leaves grace notes aside, and tells nothing of no notes', () => {
    expect(findMetres([])).toEqual([]);
    expect(findMetres(tune([1]).map((n) => ({ ...n, grace: true })))).toEqual([]);
  });

  it('says that the rhythm comes back where it does', () => {
    expect(inWords(findMetres(tune([2, 1, 2, 1, 2, 1, 3]))[0].reason)).toContain(
      'the rhythm comes back bar by bar',
    );
  });
});
