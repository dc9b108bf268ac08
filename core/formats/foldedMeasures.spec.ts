import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import type { Arrangement } from '../arrangement';
import { applyEdit, DEFAULT_PROFILE, type Song, unfold } from '../song';
import { readMusicXmlTunes } from './musicxmlRead';
import { writeScore } from './musicxmlWrite';

const [lanterns, sluicegate, rain, mudflat, jig, snow] = DEMO_SONGS;
type Order = Song['playingOrder'];
const TWICE: Order = [
  { fromBar: 1, toBar: 8 },
  { fromBar: 1, toBar: 8 },
];
const ENDINGS: Order = [
  { fromBar: 1, toBar: 8 },
  { fromBar: 1, toBar: 6 },
  { fromBar: 9, toBar: 16 },
];
const onLevel = (song: Song, playingOrder: Order, level: number): Arrangement =>
  arrange(applyEdit({ ...song, playingOrder }, { kind: 'choose', choices: { level } }), DEFAULT_PROFILE);
const SONGS = [lanterns, sluicegate, rain, mudflat, jig, snow];

describe('what comes back alike', () => {
  it.each(
    SONGS.flatMap((song, i) =>
      [TWICE, ENDINGS, song.playingOrder].map(
        (order, k) => [song.title, k, song, order, 1 + ((i + k) % 7)] as const,
      ),
    ),
  )(
    '%s, order %i: read from between repeat signs it is the tune that is played',
    (_, _k, song, order, level) => {
      const a = onLevel(song, order, level);
      for (const hands of ['tune', 'both'] as const) {
        const { text, bars } = writeScore(a, { hands, isFolded: true });
        const isFolded = bars.length < a.played.bars.length;
        expect(text.includes('direction="backward"')).toBe(isFolded);
        // The tune alone is the same each time it comes back, whatever the hands do.
        if (hands === 'tune' && order.length > 1 && level < 5) expect(isFolded).toBe(true);
        const read = readMusicXmlTunes(text, 's', 'S')[0].song;
        const keys = (notes: Arrangement['right']): string[] =>
          notes.filter(({ grace }) => !grace).map(({ tick, midi }) => `${tick}:${midi}`);
        const melody = keys(a.right.filter(({ source }) => source === 'melody'));
        const heard = unfold(read).melody.filter(({ grace }) => !grace);
        const whole = readMusicXmlTunes(text, 's', 'S').find(({ id }) => id === 'both-hands')?.song;
        if (hands === 'both' && a.left.length > 0) {
          if (!whole) throw new Error('both hands are not offered');
          const again = arrange(whole, DEFAULT_PROFILE);
          for (const hand of ['right', 'left'] as const)
            expect([hand, keys(again[hand]).sort()]).toEqual([hand, keys(a[hand]).sort()]);
        }
        if (hands === 'tune') expect(heard.map(({ tick, midi }) => `${tick}:${midi}`)).toEqual(melody);
      }
    },
  );

  it('has endings where its last bars differ, and the numbers of both parts at their bar', () => {
    const { text, bars } = writeScore(onLevel(mudflat, mudflat.playingOrder, 4), { isFolded: true });
    expect(bars.map(({ written }) => written)).toEqual(Array.from({ length: 26 }, (_, i) => i + 1));
    expect(text.match(/<ending number="(\d)" type="(\w+)"/g)).toEqual([
      '<ending number="1" type="start"',
      '<ending number="1" type="stop"',
      '<ending number="2" type="start"',
      '<ending number="2" type="discontinue"',
    ]);
    expect(text.match(/<rehearsal enclosure="square">([^<]+)</g)?.slice(0, 2)).toEqual([
      '<rehearsal enclosure="square">1, 3<',
      '<rehearsal enclosure="square">2, 4<',
    ]);
  });

  it('has the second verse under the first, and one verse where both are the same', () => {
    const verses = (song: Song): (string | undefined)[] =>
      [
        ...writeScore(onLevel(song, TWICE, 3), { hands: 'tune', isFolded: true }).text.matchAll(
          /<lyric(?: number="(\d)")?>/g,
        ),
      ].map(([, number]) => number);
    expect(new Set(verses(sluicegate))).toEqual(new Set([undefined]));
    const [, ...later] = sluicegate.melody;
    const text = later.map(() => 'na').join(' ');
    const typed = { kind: 'words-typed', fromId: later[0].id, toId: later[later.length - 1].id } as const;
    const own = applyEdit(sluicegate, { ...typed, text, verse: 2 });
    const sung = verses(own);
    const second = sung.filter((number) => number === '2');
    expect(second.length).toBeGreaterThan(20);
    // Each stands under a syllable of the first.
    sung.forEach((number, i) => number === '2' && expect(sung[i - 1]).toBeUndefined());
  });

  it('is written out where it is played differently the second time', () => {
    const a = onLevel(mudflat, mudflat.playingOrder, 7);
    const { bars, text } = writeScore(a, { isFolded: true });
    expect(bars).toEqual(a.played.bars);
    expect(text).not.toContain('<repeat');
    expect(writeScore(onLevel(mudflat, mudflat.playingOrder, 4), {}).text).not.toContain('<repeat');
  });
});
