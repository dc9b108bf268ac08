import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { TUNES_APART } from '../../demo/kept-apart';
import { UNSEEN_TUNES } from '../../demo/unseen';
import { DEMO_SONGS } from '../../demo/songs';
import { LATER_TUNES, TEST_TUNES } from '../../demo/tunes';
import type { ArrangedChange } from '../arrangement';
import { contextOf } from '../arrange/context';
import { arrange } from '../arrange';
import { type Chord, parseChord } from '../music';
import { DEFAULT_PROFILE, type Song } from '../song';
import { randomSong, wholeBars } from '../testing';
import { LAYOUT_ROWS } from './layoutNames';
import { nearestPairs, type PairPlace } from './twoNotes';
import { voicingOf } from './voicing';

/** The chords of a song, which are known before its hands. */
const onLevel = (song: Song, level: number, layout = song.choices.layout): readonly ArrangedChange[] => {
  const slices = contextOf({ ...song, choices: { ...song.choices, level, layout } }, DEFAULT_PROFILE, true);
  for (;;) {
    const { done, value } = slices.next();
    if (done) return value.changes;
  }
};

const travelOf = (changes: readonly ArrangedChange[]): number =>
  changes.reduce(
    (sum, { voicing }, i) => sum + (i > 0 ? Math.abs(voicing.middleMm - changes[i - 1].voicing.middleMm) : 0),
    0,
  );

const SONGS = [...DEMO_SONGS, ...TEST_TUNES, ...LATER_TUNES, ...TUNES_APART, ...UNSEEN_TUNES];

describe('two notes of each chord', () => {
  it('never make the hand travel further than the whole chords of the next level, in any voicing style', () => {
    for (const song of SONGS)
      for (const { layout } of LAYOUT_ROWS) {
        const [three, four] = [3, 4].map((level) => travelOf(onLevel(song, level, layout)));
        expect([song.title, layout, three <= four + 1e-6]).toEqual([song.title, layout, true]);
      }
    for (let seed = 0; seed < 40; seed++) {
      const song = randomSong({ bars: 12, changesPerBar: 2, seed });
      expect([seed, travelOf(onLevel(song, 3)) <= travelOf(onLevel(song, 4)) + 1e-6]).toEqual([seed, true]);
    }
  });

  it('are two keys of the whole chord, the same for the same keys; the end keeps its root', () => {
    for (const song of SONGS) {
      const [two, whole] = [onLevel(song, 3), onLevel(song, 4)];
      const pairs = new Map<string, string>();
      two.forEach(({ voicing: { keys }, step }, i) => {
        const all = whole[i].voicing.keys;
        expect(keys.every((key) => all.includes(key))).toBe(true);
        expect(keys).toHaveLength(Math.min(2, all.length));
        const isLast = i === two.length - 1;
        const name = `${whole[i].change.symbol} ${all.join()}`;
        if (!isLast) expect(pairs.get(name) ?? keys.join()).toBe(keys.join());
        if (!isLast) pairs.set(name, keys.join());
        else expect(keys[0]).toBe(all[0]);
        expect(step === null).toBe(i === 0);
      });
    }
  });

  it('tell the chord by its third or seventh where that costs no travel', () => {
    const keysOf = (...symbols: string[]): string[] =>
      onLevel(
        wholeBars(
          symbols.map(() => 'C6'),
          symbols,
        ),
        3,
      ).map(({ voicing }) => voicing.keys.join(' '));
    // One chord again and again: nothing travels, so each is told.
    expect(keysOf('C', 'C', 'C').slice(0, 2)).toEqual(['48 52', '48 52']);
    // Over a written bass the bass stays.
    expect(keysOf('C/G', 'C/G', 'C').map((keys) => Number(keys.split(' ')[0]) % 12)).toEqual([7, 7, 0]);
  });

  it('leave a layout of two notes, and what is settled, as it is', () => {
    for (const layout of ['shell', 'fifth', 'partial'] as const)
      expect(onLevel(DEMO_SONGS[0], 3, layout).map((c) => c.voicing.keys)).toEqual(
        onLevel(DEMO_SONGS[0], 4, layout).map((c) => c.voicing.keys),
      );
  });

  it('have the findings of what is played, not of the whole chord', () => {
    const song = wholeBars(['C6', 'C6', 'C6'], ['C', 'C', 'C']);
    const pins = [{ changeId: song.changes[1].id, keys: [36, 40, 55], fingers: null }];
    const kinds = (level: number): string[] =>
      arrange({ ...song, pins, choices: { ...song.choices, level } }, DEFAULT_PROFILE, {
        withoutFingers: true,
      }).findings.map(({ kind }) => kind);
    expect(kinds(4)).toContain('muddy');
    expect(kinds(3)).not.toContain('muddy');
  });
});

describe('nearest pairs', () => {
  const chord = parseChord('C') as Chord;
  /** Places with keys at random; two in three come twice. */
  const lines = fc
    .array(
      fc.tuple(
        fc.integer({ min: 40, max: 60 }),
        fc.integer({ min: 3, max: 5 }),
        fc.integer({ min: 3, max: 5 }),
      ),
      {
        minLength: 1,
        maxLength: 3,
      },
    )
    .map((triads) => {
      const places = triads.map(([low, a, b]): PairPlace => {
        const keys = [low, low + a, low + a + b];
        const pairs = [
          [keys[0], keys[2]],
          [keys[0], keys[1]],
          [keys[1], keys[2]],
        ];
        return {
          options: pairs.map((pair, i) => ({
            voicing: voicingOf(pair, chord),
            penalty: (low * (i + 3)) % 40,
          })),
        };
      });
      return [...places, ...places.slice(0, 2)];
    });
  const mm = (line: readonly { readonly middleMm: number }[]): number =>
    line.reduce((sum, own, i) => sum + (i > 0 ? Math.abs(own.middleMm - line[i - 1].middleMm) : 0), 0);

  it('travel no further than the outer keys, and no single other pair is better', () => {
    fc.assert(
      fc.property(lines, (line) => {
        const chosen = nearestPairs(line);
        const outer = mm(line.map(({ options }) => options[0].voicing));
        const costOf = (voicings: typeof chosen): number =>
          mm(voicings) +
          line.reduce(
            (sum, { options }, i) =>
              sum + (options.find(({ voicing }) => voicing === voicings[i])?.penalty ?? NaN),
            0,
          );
        expect(mm(chosen)).toBeLessThanOrEqual(outer + 1e-6);
        for (const place of new Set(line))
          for (const { voicing } of place.options) {
            const other = chosen.map((own, i) => (line[i] === place ? voicing : own));
            if (mm(other) <= outer + 1e-6)
              expect(costOf(other)).toBeGreaterThanOrEqual(costOf(chosen) - 1e-5);
          }
      }),
    );
  });
});
