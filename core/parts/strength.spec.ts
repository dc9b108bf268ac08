import { inWords } from '../sentences';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { parsePitch } from '../music';
import { emptySong, type Song, unfold } from '../song';
import { songs } from '../testing';
import { STRENGTH } from './boundary';
import { barsBetween, boundariesOf, upbeatOf } from './strength';

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
      )
        ?.reasons.map(inWords)
        .find((reason) => reason.includes('rest')),
    );
    expect(rests).toEqual([
      'a rest of a beat before it',
      'a rest of 2 beats before it',
      'a rest of 3 beats before it',
    ]);
    const short = at(melody([...QUARTERS.slice(0, 5), [6, 1]]), 6)?.strength ?? 0;
    const none = at(melody([...QUARTERS.slice(0, 6), [6, 1]]), 6)?.strength ?? 0;
    expect(short - none).toBeGreaterThanOrEqual(STRENGTH.restPerBeat);
    const [two, three] = [2, 3].map((rest) =>
      at(
        melody([
          [0, 1],
          [1, 1],
          [2, 1],
          [3 + rest, 1],
        ]),
        3 + rest,
      ),
    );
    expect(two?.reasons.length).toBe(three?.reasons.length);
  });

  it('a long note before it', () => {
    const song = melody([...QUARTERS.slice(0, 5), [5, 2], [7, 1], [8, 1], [9, 1]]);
    expect(at(song, 7)?.reasons.map(inWords)).toContain('a long note before it');
    expect(at(song, 3)?.reasons.map(inWords)).not.toContain('a long note before it');
  });

  it('bar lines; off them something else must speak for it', () => {
    // Letters that never repeat in a row of bars, so that nothing returns.
    const up = Array.from({ length: 20 }, (_, i) =>
      parsePitch(`${'CDEFGAB'[i % 7]}${3 + Math.floor(i / 7)}`),
    );
    const plain = melody(
      up.map((_, i) => [i, 1 + (i % 3) / 4] as const),
      5,
    );
    const song = {
      ...plain,
      melody: plain.melody.map((n, i) => ({ ...n, length: 960, pitch: up[(i * i) % 20] })),
    };
    expect(at(song, 8)?.reasons.map(inWords)).toContain('on the bar line');
    expect(at(song, 5)?.reasons.map(inWords)).not.toContain('on the bar line');
    expect(at(song, 8)?.strength ?? 0).toBeGreaterThan(at(song, 5)?.strength ?? 9);
  });

  it('a figure that returns, there where it begins', () => {
    const [first] = [unfold(DEMO_SONGS[0])];
    const returns = boundariesOf(first).filter((b) =>
      b.reasons.map(inWords).includes('an earlier figure returns'),
    );
    expect(returns.map((b) => b.tick / 2880)).toContain(12);
  });

  it('a cadence before it, closed on I or open on V', () => {
    const found = boundariesOf(unfold(DEMO_SONGS[1]));
    const reasonsIn = (bar: number) =>
      found.filter((b) => Math.abs(b.tick - bar * 3840) < 960).flatMap((b) => b.reasons.map(inWords));
    expect(reasonsIn(4)).toContain('the part before ends on V');
    expect(reasonsIn(8)).toContain('a cadence on I before it');
  });

  it('the end of a line of words and a new one beginning', () => {
    const song = melody([
      [0, 1, 'low'],
      [1, 1, 'tide,'],
      [2, 1, 'The'],
      [3, 1, 'mud'],
    ]);
    expect(at(song, 2)?.reasons.map(inWords)).toEqual(
      expect.arrayContaining(['the line of words ends', 'a new line of words begins']),
    );
    expect(at(song, 3)?.reasons.map(inWords)).toEqual([]);
  });

  it('a section, wherever it begins', () => {
    const song = {
      ...melody(QUARTERS),
      sections: [{ id: 's', tick: 5 * 960, name: 'Bridge', energy: 3, dynamics: 'even' as const }],
    };
    expect(at(song, 5)?.reasons.map(inWords)).toContain('a section begins');
  });

  it('the pick-up of the song coming again', () => {
    const played = unfold(DEMO_SONGS[1]);
    expect(upbeatOf(played)).toBe(960);
    const again = boundariesOf(played).filter((b) => b.reasons.some(({ code }) => code === 'asPickup'));
    expect(again.map((b) => b.tick % 3840)).toEqual(again.map(() => 0));
    expect(again.length).toBeGreaterThanOrEqual(3);
  });
});

describe('boundaries', () => {
  it('lie at onsets or in silence, in time, each with a reason for what it earns', () => {
    fc.assert(
      fc.property(songs, (song) => {
        const played = unfold(song);
        const struck = new Set([...played.melody, ...played.changes, ...played.bars].map((n) => n.tick));
        const list = boundariesOf(played);
        list.forEach((b, i) => {
          expect(struck.has(b.tick)).toBe(true);
          expect(b.tick).toBeGreaterThan(list[i - 1]?.tick ?? -1);
          if (b.strength > 0) expect(b.reasons.length).toBeGreaterThan(0);
        });
      }),
    );
  });

  it('are the bar lines of a song without a melody', () => {
    const ticks = boundariesOf(unfold({ ...DEMO_SONGS[0], melody: [] })).map((b) => b.tick);
    expect(ticks).toEqual(Array.from({ length: 23 }, (_, i) => (i + 1) * 2880));
  });

  it('take a chord struck in the rest before a note along with it', () => {
    const plain = melody([
      [0, 1],
      [1, 1],
      [2, 1],
      [5, 1],
      [6, 1],
    ]);
    const change = { id: 'c2', length: 3840, symbol: 'C', given: true, layout: null };
    const song = {
      ...plain,
      changes: [
        { ...change, id: 'c1', tick: 0 },
        { ...change, tick: 3840 },
      ],
    };
    expect(at(song, 4)).toBeDefined();
    expect(at(song, 5)).toBeUndefined();
  });

  it('measure lengths in hundredths of a bar', () => {
    expect(barsBetween(unfold(DEMO_SONGS[0]), 0, 2880 * 3)).toBe(300);
    expect(barsBetween(unfold(DEMO_SONGS[0]), 0, 1440)).toBe(50);
  });
});
