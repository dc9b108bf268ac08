import { strToU8 } from 'fflate';
import { describe, expect, it } from 'vitest';
import { arrange } from '../core/arrange';
import { openFile, writeMusicXml } from '../core/formats';
import { countAt } from '../core/joining';
import { barTicks, groupsOf, metreInFull, METRES, placeAt, unitTicks } from '../core/music';
import { PATTERNS, fitsMetre } from '../core/patterns';
import { barAt, DEFAULT_PROFILE, type Song } from '../core/song';
import { findMetres } from '../core/takes';
import { METRE_SONGS } from './metres';

const playing = (song: Song, pattern: string) =>
  arrange({ ...song, choices: { ...song.choices, level: 5, pattern } }, DEFAULT_PROFILE);

describe('a song in each metre', () => {
  it('there is', () => {
    expect(METRE_SONGS.map(({ metreMap: [metre] }) => metreInFull(metre)).sort()).toEqual(
      METRES.map(metreInFull).sort(),
    );
  });

  // Common time, cut time and three-eight share their bars with likelier metres: these come first or second.
  it('is found by its notes and chords, its pick-up too', () => {
    const places = METRE_SONGS.map((song) => {
      const [metre] = song.metreMap;
      const found = findMetres(song.melody, song.changes);
      return found.findIndex((f) => metreInFull(f.metre) === metreInFull(metre) && f.pickup === song.pickup);
    });
    expect(places.filter((place) => place === 0).length).toBeGreaterThanOrEqual(16);
    expect(Math.max(...places)).toBe(1);
    expect(Math.min(...places)).toBe(0);
  });

  it.each(METRE_SONGS.map((song) => [metreInFull(song.metreMap[0]), song] as const))(
    '%s is counted, beamed and patterned in its groups, and comes back from a score',
    (_, song) => {
      const [metre] = song.metreMap;
      const { played, left, findings } = playing(song, 'auto');
      expect(findings.filter(({ kind }) => kind === 'pattern')).toEqual([]);
      // Counted: the bar line is 1 and the last unit the numerator, of a pick-up as of a whole bar.
      const [bar] = played.bars.filter(({ number }) => number === 1);
      expect(countAt(bar, bar.tick)).toBe('1');
      expect(
        countAt(barAt(played.bars, bar.tick + bar.length - 1), bar.tick + bar.length - unitTicks(metre)),
      ).toBe(`${metre.numerator}`);
      // Patterned: a whole bar of a chord strikes its beats as the metre has them.
      const inBar = left.filter(({ tick }) => tick >= bar.tick && tick < bar.tick + bar.length);
      expect(new Set(inBar.map(({ tick }) => tick)).size).toBeGreaterThan(1);
      let at = 0;
      const groups = groupsOf(metre).map((size) => (at += size * unitTicks(metre)) - size * unitTicks(metre));
      const struck = new Set(inBar.map(({ tick }) => tick - bar.tick));
      if (groupsOf(metre).some((size) => size > 1))
        for (const start of groups) expect(struck).toContain(start);
      // Beamed: no beam joins two groups.
      const text = writeMusicXml(playing(song, 'rising'));
      let [tick, start] = [0, 0];
      for (const [, body] of text.matchAll(/<note>([\s\S]*?)<\/note>|<measure /g)) {
        if (body === undefined) tick = 0;
        else if (!/<chord\/>/.test(body)) {
          if (/<beam number="1">begin/.test(body)) start = tick;
          if (/<beam number="1">end/.test(body) && metre.denominator >= 8)
            expect(groups.findLast((g) => g <= start % barTicks(metre))).toBe(
              groups.findLast((g) => g <= tick % barTicks(metre)),
            );
          tick += Number(/<duration>(\d+)/.exec(body)?.[1] ?? 0);
        }
      }
      const opened = openFile('back.musicxml', strToU8(text), 'back');
      const back = opened.kind === 'tunes' ? opened.tunes[0].song : song;
      expect(back.metreMap).toEqual(song.metreMap);
      expect(back.pickup).toBe(song.pickup);
      expect(back.melody.map(({ tick: on, length }) => [on, length])).toEqual(
        song.melody.map(({ tick: on, length }) => [on, length]),
      );
    },
  );

  it('has every figure made for its metre strike on the places of the metre', () => {
    for (const song of METRE_SONGS) {
      const [metre] = song.metreMap;
      for (const { id } of PATTERNS.filter((row) => fitsMetre(row, metre))) {
        const { played, left } = playing(song, id);
        for (const { tick } of left) {
          const { tick: line } = barAt(played.bars, tick);
          expect([
            song.title,
            id,
            placeAt(metre, tick - line).offset % Math.min(unitTicks(metre) / 2, 480),
          ]).toEqual([song.title, id, 0]);
        }
      }
    }
  });
});
