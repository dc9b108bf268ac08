import { describe, expect, it } from 'vitest';
import { SHAPED_SONGS } from '../../demo/shaped';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../song';
import { randomSong } from '../testing';
import { DEFAULT_PAPER, roomOn } from './paper';
import { scoresOf } from './staves';

const HIGH = randomSong({ bars: 16, changesPerBar: 1, seed: 5, lowest: 78, highest: 100 });
const SONGS: readonly Song[] = [...DEMO_SONGS, ...SHAPED_SONGS, HIGH];

describe('the score of each part by itself', () => {
  it.each(SONGS.map((song, i) => [song.title, song, [4, 5, 6, 7][i % 4]] as const))(
    '%s: signs that begin in it end in it, none stands before its bar, a tempo only where it changes',
    (_, song, level) => {
      const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE);
      const scores = scoresOf(a, 'parts', roomOn(DEFAULT_PAPER));
      for (const { score } of scores) {
        const types = (name: string): string[] =>
          [...score.matchAll(new RegExp(`<${name} type="(\\w+)"`, 'g'))].map(([, type]) => type);
        for (const name of ['wedge', 'octave-shift', 'pedal']) {
          const stops = types(name).filter((type) => type === 'stop').length;
          expect([name, 2 * stops]).toEqual([name, types(name).length]);
        }
        expect(score).not.toMatch(/<offset>-/);
      }
      expect(scores.slice(1).some(({ score }) => score.includes('<metronome'))).toBe(false);
    },
  );
});
