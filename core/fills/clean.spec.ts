import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { type Fault, faultsIn } from '../../demo/struckOut';
import { arrange } from '../arrange';
import type { Arrangement } from '../arrangement';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../song';
import { songs } from '../testing';

/** Times in a hundred bars: a fill may rub with another that was chosen before it. */
const MOST: Partial<Record<Fault, number>> = {
  'fill notes outside scale and chord': 1,
  'strong fill notes foreign to the chord': 0,
  'rubs of fill notes': 2,
};

const filled = (song: Song, seed: number): Arrangement =>
  arrange(
    applyEdit(song, { kind: 'choose', choices: { level: 7, fills: { measure: 'many', seed } } }),
    DEFAULT_PROFILE,
    { withoutFingers: true },
  );
const byChance = fc.sample(fc.tuple(songs, fc.nat(5)), 20);
const SETS: readonly (readonly [string, readonly Arrangement[]])[] = [
  ['demo songs', DEMO_SONGS.map((song) => filled(song, 1))],
  ['songs of chance', byChance.map(([song, seed]) => filled(song, seed))],
];

describe.each(SETS)('what is filled in unasked, over %s', (_name, arranged) => {
  it('has hardly a fault a teacher would strike out', () => {
    const bars = arranged.reduce((sum, { played }) => sum + played.bars.length, 0);
    for (const [fault, most] of Object.entries(MOST) as [Fault, number][]) {
      const times = arranged.reduce((sum, a) => sum + faultsIn(a)[fault], 0);
      expect([fault, (100 * times) / bars <= most, (100 * times) / bars]).toEqual([
        fault,
        true,
        (100 * times) / bars,
      ]);
    }
  });

  it('leaves the right hand alone in the first bar', () => {
    for (const { played, right } of arranged) {
      const first = played.bars.find(({ number }) => number === 1);
      const end = first ? first.tick + first.length : 0;
      expect(right.filter(({ source, tick }) => source === 'fill' && tick < end)).toEqual([]);
    }
  });
});
