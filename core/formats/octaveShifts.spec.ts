import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import { DEFAULT_PROFILE } from '../song';
import { randomSong, readMusicXml, runs, wholeBars } from '../testing';
import { writeMusicXml } from './musicxmlWrite';
import { octaveShiftsOf } from './octaveShifts';
import { voicesOf } from './voices';

const shiftsOf = (...letters: string[]): [number, number][] => {
  const { right } = arrange(wholeBars(letters, ['C']), DEFAULT_PROFILE, { withoutFingers: true });
  return octaveShiftsOf(voicesOf(right)[0]).map(({ first, last }) => [first / 3840, last / 3840]);
};

describe('keys far from their staff', () => {
  it('are written an octave nearer, from the first beyond to the last, what lies high between them too', () => {
    expect(shiftsOf('C5', 'E6', 'G6')).toEqual([]);
    expect(shiftsOf('C6', 'A6', 'E6', 'C7', 'E5')).toEqual([[1, 3]]);
    expect(shiftsOf('A6', 'E5', 'A6')).toEqual([
      [0, 0],
      [2, 2],
    ]);
  });

  it('begin and end by turns on each staff, and are read as they sound', () => {
    const high = fc
      .integer({ min: 1, max: 999 })
      .map((seed) => randomSong({ bars: 8, changesPerBar: 1, seed, lowest: 78, highest: 100 }));
    fc.assert(
      fc.property(high, (song) => {
        const a = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
        const written = writeMusicXml(a);
        const types = [...written.matchAll(/<octave-shift type="(\w+)" size="8" number="1"/g)].map(
          ([, t]) => t,
        );
        expect(types).toEqual(types.map((_, i) => (i % 2 === 0 ? 'down' : 'stop')));
        const pitches = readMusicXml(written, song.id, '').melody.map(({ pitch }) => pitch);
        expect(pitches).toEqual(song.melody.map(({ pitch }) => pitch));
      }),
      { numRuns: runs(30) },
    );
  });
});
