import { describe, expect, it } from 'vitest';
import { onLevel } from '../../demo/arranged';
import { DEMO_SONGS } from '../../demo/songs';
import { layOut, partPage, type SheetId } from './layOut';
import { DEFAULT_PAPER, roomOn } from './paper';
import { drawn, texts } from './testing/drawn';

describe('sheets', () => {
  it('say who wrote the song, for whom the handout is, and a line of one’s own at a part', () => {
    const plain = onLevel(DEMO_SONGS[1], 4);
    const [, second] = plain.parts;
    const song = {
      ...plain.song,
      credits: { words: 'Ada Marsh', music: 'Tom Weir' },
      handout: { for: 'Wanda', from: 'Mr Teal', lines: { [second.cutId]: 'Mind the thumb.' } },
    };
    const words = (sheet: SheetId): string[] =>
      layOut({ ...plain, song }, [sheet], DEFAULT_PAPER, { staves: { lead: [], grand: [] } }).flatMap(
        ({ svg }) => texts(svg),
      );
    expect(words('title').slice(1, 4)).toEqual([
      song.title,
      'Words: Ada Marsh · music: Tom Weir',
      'For Wanda, from Mr Teal',
    ]);
    for (const sheet of ['lead', 'score'] as const)
      expect(words(sheet)).toContain('Words: Ada Marsh · music: Tom Weir');
    const onParts = words('parts');
    expect(onParts.indexOf('Mind the thumb.')).toBe(
      onParts.findIndex((text) => text.startsWith('Part 2 ')) + 1,
    );
    expect(onParts.filter((text) => text === 'Mind the thumb.')).toHaveLength(1);
  });

  it('give a part by itself, on a page no higher than it needs', () => {
    for (const number of [1, 3]) {
      const a = onLevel(DEMO_SONGS[1], 5);
      const page = partPage(a, number, 'parts', DEFAULT_PAPER);
      const told = drawn(page.svg).filter(({ tag }) => tag === 'text');
      expect(told.map(({ words }) => /^Part (\d)/.exec(words)?.[1]).filter(Boolean)).toEqual([
        String(number),
      ]);
      const { pageWidth, pageHeight } = roomOn(DEFAULT_PAPER);
      const height = pageWidth / page.aspect;
      expect(height).toBeLessThan(pageHeight);
      const lowest = Math.max(...told.map(({ at }) => at('y')));
      expect(lowest).toBeLessThan(height);
      expect(height - lowest).toBeLessThan(40);
    }
  });
});
