import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { parsePitch } from '../music/pitch';
import { type Song, emptySong } from '../song/schema';
import { unfold } from '../song/unfold';
import { songs } from '../testing';
import { STRENGTH, barsBetween, boundariesOf, upbeatOf } from './strength';

type Entry = readonly [start: number, quarters: number, word?: string];

/** A melody on A4 from quarters, in 4/4. */
function melody(entries: readonly Entry[], barCount = 4): Song {
  const notes = entries.map(([start, quarters, word], i): Song['melody'][number] => ({
    id: `n${i}`,
    tick: start * 960,
    length: quarters * 960,
    pitch: parsePitch('A4'),
    tiedToNext: false,
    lyric: word ? { text: word, syllabic: 'single' } : null,
    grace: false,
  }));
  return { ...emptySong('s', 'S'), barCount, melody: notes };
}

const at = (song: Song, quarter: number) => boundariesOf(unfold(song)).find((b) => b.tick === quarter * 960);
const QUARTERS: readonly Entry[] = Array.from({ length: 16 }, (_, i) => [i, 1]);

describe('what speaks for a cut', () => {
  it('a rest before it, the longer the more, up to two beats', () => {
    const rests = [1, 2, 3].map((rest) =>
      at(
        melody([
          [0, 1],
          [1, 1],
          [2, 1],
          [3 + rest, 1],
        ]),
        3 + rest,
      )?.reasons.includes('a rest before it'),
    );
    expect(rests).toEqual([true, true, true]);
    const short = at(melody([...QUARTERS.slice(0, 5), [6, 1]]), 6)?.strength ?? 0;
    const none = at(melody([...QUARTERS.slice(0, 6), [6, 1]]), 6)?.strength ?? 0;
    expect(short - none).toBeGreaterThanOrEqual(STRENGTH.restPerBeat);
  });

  it('a long note before it', () => {
    const song = melody([...QUARTERS.slice(0, 5), [5, 2], [7, 1], [8, 1], [9, 1]]);
    expect(at(song, 7)?.reasons).toContain('a long note before it');
    expect(at(song, 3)?.reasons).not.toContain('a long note before it');
  });

  it('bar lines, and groups of two and four bars', () => {
    const song = melody(
      Array.from({ length: 20 }, (_, i) => [i, 1] as const),
      5,
    );
    expect(at(song, 4)?.reasons).toEqual(['on the bar line']);
    expect(at(song, 8)?.reasons).toEqual(['on the bar line', 'a group of two bars is complete']);
    expect(at(song, 16)?.reasons).toEqual(['on the bar line', 'a group of four bars is complete']);
    expect(at(song, 5)?.strength).toBe(0);
  });

  it('the end of a line of words and a new one beginning', () => {
    const song = melody([
      [0, 1, 'low'],
      [1, 1, 'tide,'],
      [2, 1, 'The'],
      [3, 1, 'mud'],
    ]);
    expect(at(song, 2)?.reasons).toEqual(
      expect.arrayContaining(['the line of words ends', 'a new line of words begins']),
    );
    expect(at(song, 3)?.reasons).toEqual([]);
  });

  it('a section, wherever it begins', () => {
    const song = { ...melody(QUARTERS), sections: [{ id: 's', tick: 5 * 960, name: 'Bridge', energy: 3 }] };
    expect(at(song, 5)?.reasons).toContain('a section begins');
  });

  it('the pick-up of the song coming again', () => {
    const played = unfold(DEMO_SONGS[1]);
    expect(upbeatOf(played)).toBe(960);
    const again = boundariesOf(played).filter((b) =>
      b.reasons.includes('begins with the same pick-up as the song'),
    );
    expect(again.map((b) => b.tick % 3840)).toEqual(again.map(() => 0));
    expect(again.length).toBeGreaterThanOrEqual(3);
  });
});

describe('boundaries', () => {
  it('lie at onsets, in time, each with a reason for its strength', () => {
    fc.assert(
      fc.property(songs, (song) => {
        const played = unfold(song);
        const onsets = new Set(played.melody.map((n) => n.tick));
        const list = boundariesOf(played);
        list.forEach((b, i) => {
          expect(onsets.has(b.tick)).toBe(true);
          expect(b.tick).toBeGreaterThan(list[i - 1]?.tick ?? -1);
          expect(b.strength > 0).toBe(b.reasons.length > 0);
        });
      }),
    );
  });

  it('are the bar lines of a song without a melody', () => {
    const ticks = boundariesOf(unfold({ ...DEMO_SONGS[0], melody: [] })).map((b) => b.tick);
    expect(ticks).toEqual(Array.from({ length: 24 }, (_, i) => i * 2880));
  });

  it('measure lengths in hundredths of a bar', () => {
    expect(barsBetween(unfold(DEMO_SONGS[0]), 0, 2880 * 3)).toBe(300);
    expect(barsBetween(unfold(DEMO_SONGS[0]), 0, 1440)).toBe(50);
  });
});
