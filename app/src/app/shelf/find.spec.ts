import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type NoteNames, useNoteNames } from '@joined-hands/core/music';
import { emptySong } from '@joined-hands/core/song';
import { DEMO_SONGS } from '../../../../demo/songs';
import { cardOf } from '../storage/card';
import { found, type ShelfOrder } from './find';

const cards = [...DEMO_SONGS, { ...emptySong('e', 'Écluse'), subtitle: 'עברית' }].map((song) =>
  cardOf(song, 1, {}),
);
const titles = (query: string): string[] => found(cards, query, 'opened').map(({ title }) => title);

describe('songs found on the shelf', () => {
  it('have every word, in title, subtitle, key or metre, whatever their capitals and marks', () => {
    expect(titles('low WATER')).toEqual(['Lanterns at Low Water']);
    expect(titles('bb major')).toEqual(['Mudflat Evening']);
    expect(titles('minor 3/4')).toEqual(['Lanterns at Low Water']);
    expect(titles('ecluse')).toEqual(['Écluse']);
    expect(titles('écluse')).toEqual(['Écluse']);
    expect(titles('עברית')).toEqual(['Écluse']);
    expect(titles('lanterns jig')).toEqual([]);
    expect(titles('  ')).toHaveLength(cards.length);
  });

  it('are found by their key and the letters of their tune as the pianist names them', () => {
    const inNames = (names: NoteNames, query: string): string[] => {
      useNoteNames(names);
      const found = titles(query);
      useNoteNames('english');
      return found;
    };
    expect(inNames('english', 'a b c b a f')).toEqual(['Lanterns at Low Water']);
    expect(inNames('german', 'a h c h a f')).toEqual(['Lanterns at Low Water']);
    expect(inNames('solfege', 'la si do si la fa')).toEqual(['Lanterns at Low Water']);
    expect(inNames('solfege', 'sib major')).toEqual(['Mudflat Evening']);
  });

  it('stand as they came, or by title; the cards themselves are left alone', () => {
    const byTitle = found(cards, '', 'title').map(({ title }) => title);
    expect(byTitle).toEqual([...cards.map(({ title }) => title)].sort((a, b) => a.localeCompare(b)));
    expect(found(cards, '', 'opened')).toEqual(cards);
  });

  it('stand by what changed last, by key, by length; those not known yet last; a tag keeps those that have it', () => {
    const [a, b, c] = cards.map((card, i) => ({
      ...card,
      savedAt: [5, 9, 7][i] ?? 0,
      tags: i === 1 ? ['Ann'] : [],
      facts: [{ parts: 1, seconds: 90 }, null, { parts: 1, seconds: 30 }][i] ?? null,
    }));
    const of = (order: ShelfOrder, tag: string | null = null): (string | undefined)[] =>
      found([a, b, c], '', order, tag).map(({ title }) => title);
    expect(of('changed')).toEqual([b, c, a].map(({ title }) => title));
    expect(of('length')).toEqual([c, a, b].map(({ title }) => title));
    expect(of('key')).toEqual([a, c, b].map(({ title }) => title));
    expect([a, c, b].map(({ key }) => key)).toEqual(['A minor', 'D minor', 'G major']);
    expect([of('title', 'Ann'), of('opened', 'Ben')]).toEqual([[b.title], []]);
  });

  it('are found by any piece of their title', () => {
    fc.assert(
      fc.property(fc.constantFrom(...cards), fc.nat(), fc.nat(), ({ title }, from, length) => {
        const start = from % title.length;
        expect(titles(title.slice(start, start + 1 + (length % title.length)))).toContain(title);
      }),
    );
  });
});
