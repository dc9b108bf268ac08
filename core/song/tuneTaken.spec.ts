import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { writtenBars } from './bars';
import { applyEdit } from './edits';
import { type Song, songSchema } from './schema';
import { sungIn, unfold } from './unfold';

/** Where each chord is struck: its bar and the ticks after the bar line. */
const places = (song: Song): string[] => {
  const bars = writtenBars(song);
  return song.changes.map(({ tick, symbol }) => {
    const bar = bars.findLast((each) => each.tick <= tick);
    return `${symbol} in ${bar?.number} after ${tick - (bar?.tick ?? 0)}`;
  });
};

describe('a tune laid under chords that are there', () => {
  const chart = (song: Song): Song => ({ ...song, melody: [], pickup: 0, playingOrder: [] });
  const [lanterns] = DEMO_SONGS;

  it('leaves them in their bars, with a pick-up and without, and cuts off none', () => {
    const song = chart(lanterns);
    const melody = lanterns.melody.slice(0, 5).map((note) => ({ ...note, tick: note.tick + 960 }));
    const fields = { melody, pickup: 960, barCount: 2 };
    const told = applyEdit(song, { kind: 'tune-taken', what: 'typed tune', session: null, fields });
    expect(places(told)).toEqual(places(song));
    expect([told.pickup, told.barCount]).toEqual([960, 24]);
    expect(told.changes[0].tick).toBe(960);
    // And back again.
    const back = applyEdit(told, {
      kind: 'tune-taken',
      what: 'typed tune',
      session: null,
      fields: { melody: [], pickup: 0, barCount: 1 },
    });
    expect(back.changes).toEqual(song.changes);
  });

  it('keeps every chord of any song where it is, whatever pick-up the tune has', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DEMO_SONGS),
        fc.constantFrom(0, 480, 960, 1440),
        fc.integer({ min: 1, max: 40 }),
        (song, pickup, barCount) => {
          const before = chart(song);
          const fields = { melody: [], pickup, barCount };
          const after = applyEdit(before, { kind: 'tune-taken', what: 'x', session: null, fields });
          expect(places(after)).toEqual(places(before));
          const held = Math.max(
            ...writtenBars(before).flatMap(({ number, tick, length }) =>
              before.changes.some((change) => change.tick >= tick && change.tick < tick + length)
                ? [number]
                : [],
            ),
          );
          expect(after.barCount).toBe(Math.max(barCount, held));
          expect(songSchema.safeParse(after).success).toBe(true);
        },
      ),
    );
  });

  it('is played where the song was begun as chords to sing to; another layout stays', () => {
    const told = (layout: Song['choices']['layout'], song = chart(lanterns)): string =>
      applyEdit(
        { ...song, choices: { ...song.choices, layout } },
        { kind: 'tune-taken', what: 'x', session: null, fields: { melody: lanterns.melody.slice(0, 1) } },
      ).choices.layout;
    expect([told('singing'), told('shell'), told('singing', lanterns)]).toEqual([
      'block',
      'shell',
      'singing',
    ]);
  });

  it('is sung to its own words, and to those of the chart in bars where it has none', () => {
    const la = { text: 'la', syllabic: 'single' as const };
    const words = [0, 1, 2].map((bar) => ({
      tick: 2880 * bar,
      text: `word${bar}`,
      syllabic: 'single' as const,
    }));
    const [first, ...others] = lanterns.melody;
    const song = { ...lanterns, words, melody: [{ ...first, lyric: la }, ...others] };
    expect(sungIn(unfold(song)).map(({ text }) => text)).toEqual(['la', 'word1', 'word2']);
    expect(sungIn(unfold({ ...song, melody: lanterns.melody })).map(({ text }) => text)).toEqual([
      'word0',
      'word1',
      'word2',
    ]);
  });
});
