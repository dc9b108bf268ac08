import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { songs } from '../testing';
import { barAt, beatAt, lastAtOrBefore, writtenBars } from './bars';
import { applyEdit, describeEdit, type SongEdit } from './edits';
import { emptySong } from './emptySong';
import { type Song, songSchema } from './schema';
import { joinTies, unfold } from './unfold';

const note = (id: string, tick: number, length: number, tiedToNext = false): Song['melody'][number] => ({
  id,
  tick,
  length,
  pitch: { letter: 'A', alter: 0, octave: 4 },
  tiedToNext,
  lyric: null,
  grace: false,
});
const copyOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const change = (id: string, tick: number, length: number, symbol: string): Song['changes'][number] => ({
  id,
  tick,
  length,
  symbol,
  given: true,
  layout: null,
});

/** Four bars of 3/4 with a pick-up: bars 1–2 twice, bar 2 left out the second time, then bars 3–4. */
const repeated: Song = {
  ...emptySong('r', 'Repeated'),
  metreMap: [{ tick: 0, numerator: 3, denominator: 4 }],
  pickup: 960,
  barCount: 4,
  melody: [
    note('up', 0, 960),
    note('a', 960, 2880),
    note('b', 3840, 2880),
    note('c', 6720, 2880),
    note('d', 9600, 2880),
  ],
  changes: [change('c1', 960, 5760, 'Am'), change('c2', 6720, 5760, 'E7')],
  playingOrder: [
    { fromBar: 0, toBar: 2 },
    { fromBar: 1, toBar: 1 },
    { fromBar: 3, toBar: 4 },
  ],
};

describe('bars', () => {
  it('numbers the pick-up 0 and the first full bar 1', () => {
    const bars = writtenBars(repeated);
    expect(bars.map((b) => [b.number, b.tick, b.length])).toEqual([
      [0, 0, 960],
      [1, 960, 2880],
      [2, 3840, 2880],
      [3, 6720, 2880],
      [4, 9600, 2880],
    ]);
    expect(beatAt(bars[0], 0)).toBe(3);
    expect(beatAt(bars[1], 1920)).toBe(2);
    expect(barAt(bars, 99999).number).toBe(4);
  });

  it('follows the metre map', () => {
    const song = {
      pickup: 0,
      barCount: 3,
      metreMap: [
        { tick: 0, numerator: 4, denominator: 4 as const },
        { tick: 3840, numerator: 6, denominator: 8 as const },
      ],
    };
    expect(writtenBars(song).map((b) => b.length)).toEqual([3840, 2880, 2880]);
    expect(lastAtOrBefore(song.metreMap, 3839).numerator).toBe(4);
  });
});

describe('unfolding', () => {
  it('plays bars in order, cuts what reaches past a span, and names the second pass', () => {
    const played = unfold(repeated);
    expect(played.bars.map((b) => `${b.number}:${b.written}`)).toEqual([
      '0:0',
      '1:1',
      '2:2',
      '3:1',
      '4:3',
      '5:4',
    ]);
    expect(played.melody.map((n) => `${n.id}@${n.tick}`)).toEqual([
      'up@0',
      'a@960',
      'b@3840',
      'a@2@6720',
      'c@9600',
      'd@12480',
    ]);
    expect(played.changes.map((c) => [c.id, c.tick, c.length])).toEqual([
      ['c1', 960, 5760],
      ['c1@2', 6720, 2880],
      ['c2', 9600, 5760],
    ]);
    expect(played.endTick).toBe(15360);
  });

  it('joins ties of the same key only', () => {
    const tied = joinTies([
      note('a', 0, 960, true),
      note('b', 960, 480),
      note('c', 1440, 480, true),
      { ...note('d', 1920, 960), pitch: { letter: 'B', alter: 0, octave: 4 } },
    ]);
    expect(tied.map((n) => [n.id, n.length])).toEqual([
      ['a', 1440],
      ['c', 480],
      ['d', 960],
    ]);
  });

  it('keeps an unreadable symbol and says why', () => {
    const played = unfold({ ...repeated, playingOrder: [], changes: [change('x', 960, 960, 'Hm')] });
    expect(played.changes[0].chord).toBeNull();
    expect(played.changes[0].unclear).toContain('"Hm" is not a chord');
  });

  it('loses no bar and no note of a song played straight through', () => {
    fc.assert(
      fc.property(songs, (song) => {
        const played = unfold(song);
        expect(played.melody).toHaveLength(song.melody.length);
        expect(played.endTick).toBe(played.bars.reduce((sum, b) => sum + b.length, 0));
      }),
    );
  });
});

describe('any playing order', () => {
  const spans = fc.array(fc.tuple(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 0, max: 3 })), {
    minLength: 1,
    maxLength: 5,
  });

  it('plays each span whole, bars in a row, ids told apart by pass', () => {
    fc.assert(
      fc.property(songs, spans, (song, list) => {
        const playingOrder = list.map(([from, more]) => ({
          fromBar: Math.min(from, song.barCount),
          toBar: Math.min(from + more, song.barCount),
        }));
        const played = unfold({ ...song, playingOrder });
        const wanted = playingOrder.flatMap(({ fromBar, toBar }) =>
          Array.from({ length: toBar - fromBar + 1 }, (_, i) => fromBar + i),
        );
        expect(played.bars.map((b) => b.written)).toEqual(wanted);
        played.bars.forEach((bar, i) =>
          expect(bar.tick).toBe(i === 0 ? 0 : played.bars[i - 1].tick + played.bars[i - 1].length),
        );
        for (const list of [played.changes, played.melody, played.sections]) {
          expect(new Set(list.map(({ id }) => id)).size).toBe(list.length);
        }
        for (const note of played.melody) expect(note.id.startsWith(note.writtenId)).toBe(true);
        for (const change of played.changes)
          expect(change.tick + change.length).toBeLessThanOrEqual(played.endTick);
      }),
    );
  });
});

describe('edits', () => {
  const edits: SongEdit[] = [
    { kind: 'rename', title: 'New' },
    { kind: 'tempo', quartersPerMinute: 60 },
    { kind: 'choose', choices: { level: 5 } },
    { kind: 'choose-for-part', cutId: 'cut0', choices: { layout: 'root' } },
    { kind: 'layout', changeId: 'c1', layout: 'three' },
    { kind: 'pin', pin: { changeId: 'c1', keys: [45, 52, 57], fingers: null } },
    {
      kind: 'settle',
      choices: null,
      isRaised: false,
      keys: null,
      fills: [],
      cuts: [],
      cutId: 'cut0',
      voicings: [{ changeId: 'c1', keys: [45, 52, 57], fingers: null }],
      fingers: [{ from: 'n1', after: 0, midi: 69, finger: 2 }],
    },
    { kind: 'same-as', cutId: 'cut960', sameAs: 'cut0' },
    { kind: 'fill', fill: { id: 'walk:c1', kind: 'bass walk', variant: '' }, taken: false },
    { kind: 'thinning', changeId: 'c1', refused: true },
    { kind: 'cuts-placed', what: 'cuts', cuts: [{ id: 'cut960', tick: 960, locked: false }] },
    { kind: 'cut-locked', id: 'cut960', tick: 960, locked: true },
    { kind: 'division-chosen', division: { method: 'halves', depth: 1 } },
    { kind: 'part-named', cutId: 'cut0', name: 'The gate' },
    {
      kind: 'sections-set',
      what: 'sections',
      sections: [{ id: 's0', tick: 0, name: 'Verse', energy: 2, dynamics: 'growing' }],
    },
    { kind: 'changes-set', what: 'chords', changes: [] },
    { kind: 'close-hands', changeId: 'c1', how: 'share' },
  ];

  it('change the song they are given to a new valid one, never the old', () => {
    for (const edit of edits) {
      const before = copyOf(repeated);
      const after = applyEdit(repeated, edit);
      expect(repeated).toEqual(before);
      expect(after, edit.kind).not.toEqual(repeated);
      expect(songSchema.safeParse(after).success, edit.kind).toBe(true);
      expect(describeEdit(edit).length).toBeGreaterThan(3);
    }
  });

  it('replace a pin, and take it back', () => {
    const pinned = applyEdit(repeated, edits[5]);
    const again = applyEdit(pinned, { kind: 'pin', pin: { changeId: 'c1', keys: [48], fingers: null } });
    expect(again.pins).toEqual([{ changeId: 'c1', keys: [48], fingers: null }]);
    expect(applyEdit(again, { kind: 'unpin', changeId: 'c1' })).toEqual(repeated);
  });

  it('hold one choice for hands that are close, which goes with its chord', () => {
    const chosen = applyEdit(repeated, { kind: 'close-hands', changeId: 'c1', how: 'share' });
    const again = applyEdit(chosen, { kind: 'close-hands', changeId: 'c1', how: 'cross' });
    expect(again.closeHands).toEqual([{ changeId: 'c1', how: 'cross' }]);
    const back = applyEdit(again, { kind: 'close-hands', changeId: 'c1', how: null });
    expect(back.closeHands).toEqual([{ changeId: 'c1', how: null }]);
    expect(applyEdit(again, { kind: 'change-left-out', id: 'c1' }).closeHands).toEqual([]);
  });

  it('keep later tempi in proportion', () => {
    const song = {
      ...repeated,
      tempoMap: [
        { tick: 0, quartersPerMinute: 100 },
        { tick: 960, quartersPerMinute: 50 },
      ],
    };
    expect(
      applyEdit(song, { kind: 'tempo', quartersPerMinute: 80 }).tempoMap.map((t) => t.quartersPerMinute),
    ).toEqual([80, 40]);
  });
});

describe('fills taken and declined', () => {
  const fill = { id: 'walk:c1', kind: 'bass walk', variant: 'by step from below' };
  it('are remembered by id, one or the other', () => {
    const song = emptySong('s', 'S');
    const taken = applyEdit(song, { kind: 'fill', fill, taken: true });
    expect([taken.fillsTaken, taken.fillsDeclined]).toEqual([[fill], []]);
    expect(applyEdit(taken, { kind: 'fill', fill, taken: true }).fillsTaken).toEqual([fill]);
    const declined = applyEdit(taken, { kind: 'fill', fill, taken: false });
    expect([declined.fillsTaken, declined.fillsDeclined]).toEqual([[], ['walk:c1']]);
  });
});

describe('the key of the first bar', () => {
  it('is the pick-up’s too', () => {
    const song = { ...emptySong('s', 'S'), pickup: 960, barCount: 4 };
    const key = { tonic: { letter: 'A', alter: 0 }, mode: 'minor' } as const;
    const set = applyEdit(song, { kind: 'key-set', bar: 1, key });
    expect(set.keyMap).toEqual([{ tick: 0, ...key }]);
    const later = applyEdit(set, { kind: 'key-set', bar: 3, key: { ...key, mode: 'major' } });
    expect(later.keyMap.map((entry) => [entry.tick, entry.mode])).toEqual([
      [0, 'minor'],
      [960 + 2 * 3840, 'major'],
    ]);
  });

  it('holds each thing refused, declined or left alone once, in the order it came', () => {
    const refuse = (changeId: string, refused: boolean): SongEdit => ({
      kind: 'thinning',
      changeId,
      refused,
    });
    const song = [refuse('a', true), refuse('b', true), refuse('a', true), refuse('c', false)].reduce(
      applyEdit,
      emptySong('s', 'S'),
    );
    expect(song.thinningRefused).toEqual(['b', 'a']);
    expect(applyEdit(song, refuse('b', false)).thinningRefused).toEqual(['a']);
    const twice = [song, { kind: 'dismissed', id: 'x' }, { kind: 'dismissed', id: 'x' }] as const;
    expect(applyEdit(applyEdit(twice[0], twice[1]), twice[2]).dismissed).toEqual(['x']);
  });
});
