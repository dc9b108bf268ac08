import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import type { Arrangement } from '../arrangement';
import { LEVELS } from '../levels';
import { KEYBOARDS } from '../music';
import { DEFAULT_PROFILE, type Profile, type Song } from '../song';
import { runs, some, songs, wholeBars } from '../testing';
import { LAYOUT_ROWS } from '../voicing';

const READY = LEVELS.map(({ number }) => number);
const LAYOUTS = LAYOUT_ROWS.map(({ layout }) => layout);

function arranged(
  song: Song,
  level: number,
  layout: (typeof LAYOUTS)[number],
  profile: Partial<Profile>,
): Arrangement {
  const chosen = { ...song, choices: { ...song.choices, level, layout } };
  return arrange(chosen, { ...DEFAULT_PROFILE, ...profile }, { withoutFingers: true });
}

/** Keys beside the melody, which is the pianist's own, that the keyboard does not have. */
function off({ right, left, profile }: Arrangement): string[] {
  const { low, high } = KEYBOARDS[profile.keyboard];
  return [...right, ...left]
    .filter(({ source, midi }) => source !== 'melody' && (midi < low || midi > high))
    .map(({ hand, source, midi }) => `${hand} ${source} ${midi}`);
}

/** A song so many half steps away, as a file may hold it: melody and all. */
function moved(song: Song, octaves: number): Song {
  const melody = song.melody.map((n) => ({ ...n, pitch: { ...n.pitch, octave: n.pitch.octave + octaves } }));
  return { ...song, melody };
}

describe('both hands stay on the keyboard of the profile', () => {
  it('every demo song and level on the shortest, in half of the layouts by chance', () => {
    for (const song of DEMO_SONGS)
      for (const level of READY)
        for (const layout of some(LAYOUTS))
          expect([song.title, level, layout, off(arranged(song, level, layout, { keyboard: 49 }))]).toEqual([
            song.title,
            level,
            layout,
            [],
          ]);
  });

  it('every root under tunes high and low on the shortest keyboard, in every layout', () => {
    const roots = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
    for (const root of roots)
      for (const layout of LAYOUTS)
        for (const tune of [
          ['C6', 'D6'],
          ['C4', 'D4'],
          ['G3', 'E3'],
        ]) {
          const a = arranged(wholeBars(tune, [root, `${root}m`]), 4, layout, { keyboard: 49 });
          expect([root, layout, tune, off(a)]).toEqual([root, layout, tune, []]);
        }
  });

  it('any song, octaves away too, on any keyboard, for any hand', () => {
    fc.assert(
      fc.property(
        songs,
        fc.constantFrom(-2, -1, 0, 1, 2, 3),
        fc.constantFrom(...READY),
        fc.constantFrom(...LAYOUTS),
        fc.constantFrom(49 as const, 61 as const, 73 as const, 76 as const, 88 as const),
        fc.constantFrom(6 as const, 8 as const, 10 as const),
        (song, octaves, level, layout, keyboard, reach) => {
          const profile = { keyboard, leftReach: reach, rightReach: reach };
          expect(off(arranged(moved(song, octaves), level, layout, profile))).toEqual([]);
        },
      ),
      { numRuns: runs(300) },
    );
  });
});
