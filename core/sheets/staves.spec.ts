import { describe, expect, it } from 'vitest';
import { SHAPED_SONGS } from '../../demo/shaped';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { writeMusicXml } from '../formats';
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

  it.each(SONGS.map((song, i) => [song.title, song, [7, 6, 5, 4][i % 4]] as const))(
    '%s: has every key of its part and none of another: a pick-up stands in one part alone',
    (_, song, level) => {
      const a = arrange(applyEdit(song, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE);
      scoresOf(a, 'parts', roomOn(DEFAULT_PAPER)).forEach(({ score }, i) => {
        const { fromTick, toTick } = a.parts[i];
        const keys = [...a.right, ...a.left].filter(({ tick }) => tick >= fromTick && tick < toTick);
        const count = (of: RegExp): number => score.match(of)?.length ?? 0;
        expect(count(/<pitch>/g) - count(/<tie type="stop"/g)).toBe(keys.length);
        // Each tie begins and ends in it, each bar is as long in every voice.
        expect(count(/<tie type="start"/g)).toBe(count(/<tie type="stop"/g));
      });
    },
  );
});

describe('words without a tune', () => {
  const [song] = DEMO_SONGS;
  const words = ['Low', 'the', 'lan', 'terns'].map((text, i) => ({
    tick: 720 * i,
    text,
    syllabic: 'single' as const,
  }));
  const a = arrange({ ...song, melody: [], words }, DEFAULT_PROFILE);

  it('stand under the staff of every sheet, and are no notes', () => {
    for (const which of ['lead', 'grand', 'parts'] as const) {
      const text = scoresOf(a, which, roomOn(DEFAULT_PAPER))
        .map(({ score }) => score)
        .join('');
      expect([...text.matchAll(/<lyric>.*?<text>(\w+)<\/text>/gs)].map(([, word]) => word)).toEqual([
        'Low',
        'the',
        'lan',
        'terns',
      ]);
      expect(text.match(/<lyric>/g)?.length).toBe(4);
      expect(text.match(/<notehead>none/g)?.length).toBeGreaterThanOrEqual(4);
    }
  });

  it('are not sounded by another program: a file has no note for them', () => {
    expect(writeMusicXml(a, { hands: 'tune' })).not.toMatch(/<pitch>/);
  });
});
