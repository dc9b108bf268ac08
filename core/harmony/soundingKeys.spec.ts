import { describe, expect, it } from 'vitest';
import { TUNES_APART } from '../../demo/kept-apart';
import { SHAPED_SONGS } from '../../demo/shaped';
import { SHAPED_SONGS_APART } from '../../demo/shaped-apart';
import { DEMO_SONGS } from '../../demo/songs';
import { UNSEEN_TUNES } from '../../demo/unseen';
import { keyName, parsePitch } from '../music';
import { divide } from '../parts';
import { type Song, unfold } from '../song';
import { chordsFor } from '../suggesting';
import { wholeBars } from '../testing';
import { soundingKeys } from './soundingKeys';

const ALL = [...SHAPED_SONGS, ...SHAPED_SONGS_APART, ...DEMO_SONGS, ...TUNES_APART, ...UNSEEN_TUNES];
const named = (title: string): Song => ALL.find((song) => song.title === title) as Song;

/** "1: C major, 9: C minor": the bar each key begins in. */
function keysOf(song: Song): string {
  const played = unfold({ ...song, playingOrder: [], changes: [] });
  const starts = divide(played).map(({ tick }) => tick);
  return soundingKeys(played, starts)
    .map((key) => `${played.bars.findLast(({ tick }) => tick <= key.tick)?.number ?? 0}: ${keyName(key)}`)
    .join(', ');
}

describe('the keys a bare tune is in', () => {
  it('are told where it goes up a tone, and where it goes to the flat side and comes home', () => {
    expect(keysOf(named('Up the Church Field'))).toBe('0: Bb major, 8: C major');
    expect(keysOf(named('Two Keys Home'))).toBe('1: C major, 9: C minor, 13: C major');
  });

  it('are one where a tune stays in its key, chromatic or blue as it may be', () => {
    const moving = ['Up the Church Field', 'Two Keys Home'];
    const still = ALL.filter(({ title, keyMap }) => !moving.includes(title) && keyMap.length === 1);
    expect(still.length).toBeGreaterThan(50);
    for (const song of still) expect([song.title, keysOf(song).split(',').length]).toEqual([song.title, 1]);
  });

  it('are what the song says where it says several', () => {
    const song = wholeBars(['C5', 'E5', 'G5', 'C5', 'D5', 'F#5', 'A5', 'D5'], ['C']);
    const said = [0, 4].map((bar) => ({
      tick: bar * 3840,
      tonic: parsePitch(bar === 0 ? 'C4' : 'G4'),
      mode: 'major' as const,
    }));
    expect(keysOf({ ...song, keyMap: said })).toBe('1: C major, 5: G major');
  });

  it('are followed by the chords that are suggested', () => {
    const song = named('Up the Church Field');
    const changes = chordsFor({ ...song, changes: [] }, 'three', 'all')?.changes ?? [];
    const from = (bar: number): string[] =>
      changes.filter(({ tick }) => tick >= bar * 3840).map(({ symbol }) => symbol);
    expect(new Set(from(9))).toEqual(new Set(['C', 'G7']));
    expect(from(0).slice(0, 3)).toEqual(['Bb', 'F7', 'Bb']);
  });
});
