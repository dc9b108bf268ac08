import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { inOrder, LAST_TICK, meaningProblem, MOST_CHANGES, MOST_NOTES, MOST_PLAYED_BARS } from './meaning';
import { migrateSong } from './migrate';
import type { Song } from './schema';

const [lanterns, sluicegate] = DEMO_SONGS;
const [note] = lanterns.melody;
const [change] = lanterns.changes;
const problem = (fields: Partial<Song>, song = lanterns): string | null =>
  meaningProblem({ ...song, ...fields });
const notes = (count: number) => Array.from({ length: count }, (_, i) => ({ ...note, id: `n${i}` }));

describe('what a song may mean', () => {
  it('every demo song makes sense, and is the same when it is read again', () => {
    for (const song of DEMO_SONGS) {
      expect(meaningProblem(song)).toBeNull();
      expect(migrateSong(JSON.parse(JSON.stringify(song)))).toEqual(song);
    }
  });

  it('no more notes, chords and syllables than are worked with', () => {
    expect(problem({ melody: notes(MOST_NOTES) })).toBeNull();
    expect(problem({ melody: notes(MOST_NOTES + 1) })).toMatch(/^It has 40,001 notes/);
    const changes = (count: number) => Array.from({ length: count }, (_, i) => ({ ...change, id: `c${i}` }));
    expect(problem({ changes: changes(MOST_CHANGES) })).toBeNull();
    expect(problem({ changes: changes(MOST_CHANGES + 1) })).toMatch(/^It has 20,001 chords/);
    const words = (count: number) =>
      Array.from({ length: count }, () => ({ tick: 0, text: 'la', syllabic: 'single' as const }));
    expect(problem({ words: words(MOST_NOTES) })).toBeNull();
    expect(problem({ words: words(MOST_NOTES + 1) })).toMatch(/^It has 40,001 syllables/);
  });

  it('maps begin at 0 and go on in time', () => {
    const [tempo] = lanterns.tempoMap;
    expect(problem({ tempoMap: [{ ...tempo, tick: 1 }] })).toBe(
      'Change of tempo 1: it does not begin with the song.',
    );
    const later = (tick: number) => [tempo, { ...tempo, tick: 960 }, { ...tempo, tick }];
    expect(problem({ tempoMap: later(961) })).toBeNull();
    expect(problem({ tempoMap: later(960) })).toBe(
      'Change of tempo 3: it does not come after the one before it.',
    );
    expect(problem({ keyMap: [{ ...lanterns.keyMap[0], tick: 5 }] })).toMatch(/^Key change 1/);
    expect(problem({ metreMap: [{ ...lanterns.metreMap[0], tick: 5 }] })).toMatch(/^Change of metre 1/);
  });

  it('spans of the playing order run forwards, inside the song, and add up to what can be played', () => {
    const order = (...spans: [number, number][]) => ({
      playingOrder: spans.map(([fromBar, toBar]) => ({ fromBar, toBar })),
    });
    expect(problem(order([1, 24], [24, 24]))).toBeNull();
    expect(problem(order([1, 8], [9, 2]))).toBe(
      'Span of bars in the playing order 2: it goes from bar 9 back to bar 2.',
    );
    expect(problem(order([1, 25]))).toBe(
      'Span of bars in the playing order 1: bar 25 is past the last, bar 24.',
    );
    expect(problem(order([0, 0]))).toBe('Span of bars in the playing order 1: the song has no pick-up.');
    expect(problem(order([0, 0], [1, 16]), sluicegate)).toBeNull();
    const full = Math.floor(MOST_PLAYED_BARS / 24);
    const often = (times: number): [number, number][] => Array.from({ length: times }, () => [1, 24]);
    const rest = MOST_PLAYED_BARS - 24 * full;
    expect(problem(order(...often(full), [1, rest]))).toBeNull();
    expect(problem(order(...often(full), [1, rest + 1]))).toBe(
      `Span of bars in the playing order ${full + 1}: played out the song has more than 20,000 bars.`,
    );
  });

  it('ids are given once, in each list by itself', () => {
    expect(problem({ melody: [note, { ...note, tick: 960 }] })).toBe('Note 2: its id, “n1”, is given twice.');
    expect(problem({ changes: [change, change] })).toBe('Chord 2: its id, “c1”, is given twice.');
    const [section] = lanterns.sections;
    expect(problem({ sections: [section, section] })).toMatch(/^Section 2: its id/);
    const cut = { id: 'x', tick: 0, locked: true };
    expect(problem({ cuts: [cut, { ...cut, tick: 5 }] })).toMatch(/^Cut 2: its id/);
    expect(problem({ melody: [{ ...note, id: 'same' }], changes: [{ ...change, id: 'same' }] })).toBeNull();
  });

  it('nothing ends later than the longest song', () => {
    expect(problem({ melody: [{ ...note, tick: LAST_TICK - note.length }] })).toBeNull();
    expect(problem({ melody: [{ ...note, tick: LAST_TICK - note.length + 1 }] })).toMatch(
      /^Note 1: it ends later/,
    );
    expect(problem({ changes: [{ ...change, length: LAST_TICK + 1 }] })).toMatch(/^Chord 1/);
  });

  it('lists are put in time, grace notes before their main note; what is in time stays the very list', () => {
    expect(inOrder(lanterns).melody).toBe(lanterns.melody);
    const grace = { ...note, id: 'g', tick: 960, length: 0, grace: true };
    const main = { ...note, id: 'm', tick: 960 };
    const late = { ...note, id: 'l', tick: 1920 };
    expect(inOrder({ ...lanterns, melody: [late, main, grace] }).melody.map((n) => n.id)).toEqual([
      'g',
      'm',
      'l',
    ]);
    expect(inOrder({ ...lanterns, changes: [...lanterns.changes].reverse() }).changes).toEqual(
      lanterns.changes,
    );
  });
});
