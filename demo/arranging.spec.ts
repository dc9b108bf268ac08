import { describe, expect, it } from 'vitest';
import { arrange } from '../core/arrange';
import type { Arrangement } from '../core/arrangement';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../core/song';
import { TUNES_APART } from './kept-apart';
import { SHAPED_SONGS } from './shaped';
import { SHAPED_SONGS_APART } from './shaped-apart';
import { DEMO_SONGS } from './songs';
import { type Fault, faultsIn, fingerFaultsIn } from './struckOut';
import { UNSEEN_TUNES } from './unseen';

/** What a teacher may have to strike out in a hundred bars. */
const MOST: Readonly<Record<Fault, number>> = {
  'added above the tune': 0,
  'first bar with more than the tune': 0,
  'last bar that does not close': 0,
  'faster than 8.6 a second': 0,
  'fill notes outside scale and chord': 0,
  'strong fill notes foreign to the chord': 0,
  'rubs of fill notes': 0,
  'chords whose third or seventh sounds nowhere': 0.5,
  'low thirds struck together': 0.5,
  'low thirds that sound together': 4,
  'outer octaves and fifths, bar to bar': 1,
};

const SETS: readonly (readonly [string, readonly Song[]])[] = [
  ['the songs weights were set by', [...SHAPED_SONGS, ...DEMO_SONGS]],
  ['songs never used for a weight', [...SHAPED_SONGS_APART, ...TUNES_APART, ...UNSEEN_TUNES]],
];

const full = (
  song: Song,
  measure: 'few' | 'many',
  { withoutFingers } = { withoutFingers: true },
): Arrangement =>
  arrange(
    applyEdit(song, { kind: 'choose', choices: { level: 7, fills: { measure, seed: 0 } } }),
    DEFAULT_PROFILE,
    { withoutFingers },
  );

describe.each(SETS)('arranged in full: %s', (_, songs) => {
  const arranged = songs.filter(({ changes }) => changes.length > 0).map((song) => full(song, 'many'));
  const bars = arranged.reduce((sum, { played }) => sum + played.bars.length, 0);
  const faults = arranged.map(faultsIn);

  it.each(Object.entries(MOST) as [Fault, number][])('%s: %d in a hundred bars at most', (fault, most) => {
    const found = faults.reduce((sum, one) => sum + one[fault], 0);
    expect((100 * found) / bars).toBeLessThanOrEqual(most);
  });

  it('wrong fingers: 0.5 in a hundred bars at most', () => {
    const found = songs
      .filter(({ changes }) => changes.length > 0)
      .map((song) => fingerFaultsIn(full(song, 'many', { withoutFingers: false })));
    expect((100 * found.reduce((sum, one) => sum + one, 0)) / bars).toBeLessThanOrEqual(0.5);
  });

  it('answers the tune now and then, more where many are wanted, at most once a bar', () => {
    const answers = (list: readonly Arrangement[]): number =>
      list.flatMap(({ fills }) => fills).filter(({ kind, taken }) => taken && kind === 'answer').length;
    const few = songs.filter(({ changes }) => changes.length > 0).map((song) => full(song, 'few'));
    const [often, seldom] = [(100 * answers(arranged)) / bars, (100 * answers(few)) / bars];
    expect(often).toBeGreaterThanOrEqual(4);
    expect(often).toBeLessThanOrEqual(12);
    expect(seldom).toBeGreaterThanOrEqual(2);
    expect(seldom).toBeLessThanOrEqual(6);
    for (const { fills, played } of arranged) {
      const inBars = fills
        .filter(({ taken }) => taken)
        .map(({ tick }) => played.bars.findLastIndex((bar) => bar.tick <= tick));
      expect(new Set(inBars).size).toBe(inBars.length);
    }
  });

  it('answers with three notes at least, and the tune goes on after it', () => {
    for (const { fills, right, song } of arranged)
      for (const { kind, taken, notes, tick, length } of fills)
        if (taken && kind === 'answer') {
          expect(notes.length).toBeGreaterThanOrEqual(3);
          const next = right.find((note) => note.source === 'melody' && note.tick >= tick + length);
          expect([song.title, next !== undefined]).toEqual([song.title, true]);
        }
  });
});
