import { applyEdit, SongShapeError } from '@joined-hands/core/song';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { DEMO_SONGS } from '../../../../demo/songs';
import { aboutOf, cardFrom, cardOf, whyNot } from './card';
import { draftOf, dropDraft, isEmptySong, keepDraft } from './drafts';
import { FIRST_PLACE } from './place';

const [lanterns] = DEMO_SONGS;

describe('the card of a song', () => {
  it('tells what it is, with what is stored beside it', () => {
    expect(cardOf(lanterns, 3, { place: { part: 2 }, openedAt: 5, savedAt: 7 })).toEqual({
      id: 'demo-lanterns',
      revision: 3,
      title: 'Lanterns at Low Water',
      subtitle: lanterns.subtitle,
      tags: [],
      version: null,
      opening: 'A B C B A F A G♯ E C D A',
      key: 'A minor',
      metre: '3/4',
      bars: 24,
      facts: null,
      trouble: null,
      place: { ...FIRST_PLACE, part: 2 },
      openedAt: 5,
      savedAt: 7,
      tune: { print: expect.any(String), at: 7 },
      deletedAt: null,
    });
    expect(cardOf(lanterns, 1, {})).toMatchObject({ openedAt: null, savedAt: 0, place: FIRST_PLACE });
  });

  it('knows since when the song has its tune: a new arrangement, or new numbers of its notes, change nothing', () => {
    const { tune } = cardOf(lanterns, 1, { savedAt: 7 });
    const arranged = applyEdit(lanterns, { kind: 'choose', choices: { level: 7 } });
    const numbered = { ...lanterns, melody: lanterns.melody.map((note) => ({ ...note, id: `x${note.id}` })) };
    for (const same of [arranged, numbered]) expect(cardOf(same, 2, { savedAt: 9, tune }).tune).toEqual(tune);
    const corrected = { ...lanterns, melody: lanterns.melody.slice(1) };
    const later = cardOf(corrected, 3, { savedAt: 11, tune }).tune;
    expect([later.at, later.print === tune.print]).toEqual([11, false]);
    expect(aboutOf(cardOf(corrected, 3, { savedAt: 11, tune })).tune).toEqual(later);
  });

  it('says why where no song can be made of what is stored, and keeps its name', () => {
    const from = (song: unknown, about: object = {}) =>
      cardFrom({ id: 'x', revision: 2, song } as never, about);
    expect(from(lanterns)).toMatchObject({ id: 'x', revision: 2, trouble: null, bars: 24 });
    const bad = from({ ...lanterns, barCount: 'many' });
    expect(bad).toMatchObject({ id: 'x', title: 'Lanterns at Low Water', key: '', metre: '', bars: 0 });
    expect(bad.trouble).toMatch(/^The number of bars: it should be a number\.$/);
    for (const song of [null, 7, {}, { title: '  ' }, { title: 4 }])
      expect([song, from(song).title]).toEqual([song, 'A song without a title']);
    expect(from({ title: 'a'.repeat(300) }).title).toHaveLength(200);
    const odd = { place: 'here', openedAt: 'now', savedAt: 'then' };
    expect(from(null, odd)).toMatchObject({ place: FIRST_PLACE, openedAt: null, savedAt: 0 });
    expect(from(null, { place: { part: 1 }, openedAt: 4, savedAt: 6 })).toMatchObject({
      place: { ...FIRST_PLACE, part: 1 },
      openedAt: 4,
      savedAt: 6,
    });
  });

  it('tells what was thrown in a sentence, never more than a line of it', () => {
    expect(whyNot('x')).toBe('It cannot be read.');
    expect(whyNot(new Error('b'.repeat(400)))).toBe(`It cannot be read: ${'b'.repeat(200)}.`);
    expect(whyNot(Object.assign(Object.create(SongShapeError.prototype), { message: 'Note 1: x.' }))).toBe(
      'Note 1: x.',
    );
  });
});

describe('a song begun in a tab', () => {
  const begun = { ...lanterns, id: 'begun' };
  afterEach(() => {
    dropDraft('begun');
    vi.unstubAllGlobals();
  });
  const tabOf = (more: object = {}): Map<string, string> => {
    const kept = new Map<string, string>();
    vi.stubGlobal('sessionStorage', {
      setItem: (name: string, text: string) => void kept.set(name, text),
      getItem: (name: string) => kept.get(name) ?? null,
      removeItem: (name: string) => void kept.delete(name),
      ...more,
    });
    return kept;
  };

  it('is empty until it has a note, a chord or a word', () => {
    const empty = { ...lanterns, melody: [], changes: [], words: [] };
    expect(isEmptySong(empty)).toBe(true);
    expect(isEmptySong({ ...empty, melody: lanterns.melody.slice(0, 1) })).toBe(false);
    expect(isEmptySong({ ...empty, changes: lanterns.changes.slice(0, 1) })).toBe(false);
    expect(isEmptySong({ ...empty, words: [{ tick: 0 }] as never })).toBe(false);
  });

  it('is kept with the tab until it is dropped', () => {
    const kept = tabOf();
    keepDraft(begun);
    expect([...kept.keys()]).toEqual(['joined-hands draft begun']);
    expect(draftOf('begun')).toEqual(begun);
    dropDraft('begun');
    expect([kept.size, draftOf('begun')]).toEqual([0, undefined]);
  });

  it('is kept with the page where the tab keeps nothing', () => {
    const refuse = (): never => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    tabOf({ setItem: refuse, getItem: refuse, removeItem: refuse });
    keepDraft(begun);
    expect(draftOf('begun')).toEqual(begun);
    dropDraft('begun');
    expect(draftOf('begun')).toBeUndefined();
  });
});
