import { inWords } from '../sentences';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { UNSEEN_TUNES } from '../../demo/unseen';
import { LEVELS } from '../levels';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../song';
import { wholeBars } from '../testing';
import { easierBy } from './easier';
import { effortOver } from './effortOver';
import { arrange } from './song';

const onLevel = (song: Song, level: number): Song => applyEdit(song, { kind: 'choose', choices: { level } });
const totals = (song: Song): (number | undefined)[] =>
  arrange(song, DEFAULT_PROFILE).efforts.map((effort) => effort?.total);

describe('what makes a part easier', () => {
  it.each([...DEMO_SONGS, ...UNSEEN_TUNES.slice(0, 3)].map((song) => [song.title, song] as const))(
    'is measured: taken, the part comes to what was told, the most first: %s',
    (_, song) => {
      for (const level of song === DEMO_SONGS[0] ? [4, 5, 7] : [5]) {
        const there = onLevel(song, level);
        const before = totals(there);
        const index = before.indexOf(Math.max(...before.map((total) => total ?? 0)));
        const offered = easierBy(there, DEFAULT_PROFILE, index);
        expect(offered.length).toBeGreaterThan(0);
        expect(new Set(offered.map(({ offer }) => inWords(offer))).size).toBe(offered.length);
        for (const { edit, from, to, offer } of offered) {
          const label = inWords(offer);
          expect([label, from]).toEqual([label, before[index]]);
          expect([label, totals(applyEdit(there, edit))[index]]).toEqual([label, to]);
          expect(to).toBeLessThan(from);
        }
        expect(offered.map(({ to }) => to)).toEqual(offered.map(({ to }) => to).sort((a, b) => a - b));
      }
    },
  );

  it('names level, pattern and key as they are called', () => {
    const labels = easierBy(onLevel(DEMO_SONGS[0], 5), DEFAULT_PROFILE, 5).map(({ offer }) => inWords(offer));
    expect(labels).toContain('Level 4 for this part');
    expect(labels).toContain('Play Waltz in place here');
  });

  it('leaves a settled part and an empty one alone', () => {
    const song = wholeBars(['C5'], ['C']);
    expect(easierBy({ ...song, melody: [], changes: [] }, DEFAULT_PROFILE, 0)).toEqual([]);
    expect(easierBy(song, DEFAULT_PROFILE, 7)).toEqual([]);
  });
});

describe('effort over a song', () => {
  it('is that of the song at each level, and of each hand alone on its own', () => {
    const song = onLevel(DEMO_SONGS[2], 5);
    const over = effortOver(song, DEFAULT_PROFILE);
    expect(over.levels).toHaveLength(LEVELS.length);
    expect(over.levels[4]).toEqual(totals(song));
    expect(over.levels[0]).toEqual(totals(onLevel(song, 1)));
    // The melody alone is the right hand alone.
    expect(over.right).toEqual(over.levels[0]);
    over.left.forEach((total, i) => expect(total).toBeLessThan(over.levels[4][i]));
  });

  it('tells each bar of a part, the hardest by its number', () => {
    const { efforts, parts } = arrange(onLevel(DEMO_SONGS[1], 5), DEFAULT_PROFILE);
    efforts.forEach((effort, i) => {
      const most = Math.max(...(effort?.bars ?? []).map(({ total }) => total));
      expect(effort?.bars.find(({ number }) => number === effort.hardestBar)?.total).toBe(most);
      const numbers = (effort?.bars ?? []).map(({ number }) => number);
      expect(numbers.at(-1)).toBe(parts[i].toBar);
    });
  });
});
