import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { midiOf, nameOf } from '../music';
import { songs, wholeBars } from '../testing';
import { orderInWords } from './barEdits';
import { writtenBars } from './bars';
import { applyEdit, describeEdit, sessionOf, type SongEdit } from './edits';
import { migrateSong } from './migrate';
import { heads, syllablesOf, wordsOf } from './noteEdits';
import type { Song } from './schema';
import { unfold } from './unfold';

const [lanterns, sluicegate, , mudflat] = DEMO_SONGS;
const names = (song: Song): string[] => song.melody.map((n) => nameOf(n.pitch));
const times = (song: Song): number[][] => song.melody.map((n) => [n.tick, n.length]);
const edit = (song: Song, ...edits: SongEdit[]): Song => edits.reduce(applyEdit, song);
const tune = wholeBars(['C4', 'E4', 'G4'], ['C', 'Am', 'G']);

describe('notes', () => {
  it('move by letter of the key, by half step spelled in the key, by octave', () => {
    expect(names(edit(sluicegate, { kind: 'notes-moved', ids: ['n5'], steps: -1 }))[4]).toBe('F#4');
    expect(names(edit(lanterns, { kind: 'notes-moved', ids: ['n1'], semitones: -1 }))[0]).toBe('G#4');
    expect(names(edit(tune, { kind: 'notes-moved', ids: ['n0', 'n2'], semitones: 12 }))).toEqual([
      'C5',
      'E4',
      'G5',
    ]);
  });

  it('stay on the piano', () => {
    const up = Array.from({ length: 12 }, (): SongEdit => ({
      kind: 'notes-moved',
      ids: ['n0'],
      semitones: 12,
    }));
    expect(midiOf(edit(tune, ...up).melody[0].pitch)).toBe(108);
  });

  it('start later only as far as the next note, earlier into the one before, which gives way', () => {
    expect(times(edit(tune, { kind: 'notes-shifted', ids: ['n1'], ticks: 480 }))[1]).toEqual([3840, 3840]);
    const early = edit(tune, { kind: 'notes-shifted', ids: ['n1'], ticks: -480 });
    expect(times(early).slice(0, 2)).toEqual([
      [0, 3360],
      [3360, 3840],
    ]);
  });

  it('grow only to the next note and never below a thirty-second', () => {
    expect(times(edit(tune, { kind: 'notes-lengthened', ids: ['n0'], ticks: 480 }))[0]).toEqual([0, 3840]);
    expect(times(edit(tune, { kind: 'notes-lengthened', ids: ['n0'], ticks: -9999 }))[0]).toEqual([0, 120]);
  });

  it('split into halves, the words with the first, and join again', () => {
    const split = edit(sluicegate, { kind: 'note-split', id: 'n2' });
    expect(split.melody).toHaveLength(sluicegate.melody.length + 1);
    expect(times(split).slice(1, 3)).toEqual([
      [960, 720],
      [1680, 720],
    ]);
    expect(split.melody[1].lyric?.text).toBe('tide');
    expect(split.melody[2].lyric).toBeNull();
    const ids = [split.melody[1].id, split.melody[2].id];
    expect(times(edit(split, { kind: 'notes-joined', ids }))).toEqual(times(sluicegate));
  });

  it('are tied only into the same key, and then struck once', () => {
    const same = wholeBars(['C4', 'C4', 'E4'], ['C', 'C', 'C']);
    const tied = edit(same, { kind: 'note-tied', id: 'n0', tied: true });
    expect(unfold(tied).melody.map((n) => [n.tick, n.length])).toEqual([
      [0, 7680],
      [7680, 3840],
    ]);
    expect(edit(same, { kind: 'note-tied', id: 'n1', tied: true }).melody[1].tiedToNext).toBe(false);
    expect(heads(tied.melody).map((n) => n.id)).toEqual(['n0', 'n2']);
  });

  it('are copied over what stood there, added, and deleted', () => {
    const copied = edit(tune, { kind: 'phrase-copied', ids: ['n0', 'n1'], toTick: 5760 });
    expect(copied.melody.map((n) => [n.tick, n.length, nameOf(n.pitch)])).toEqual([
      [0, 3840, 'C4'],
      [3840, 1920, 'E4'],
      [5760, 3840, 'C4'],
      [9600, 3840, 'E4'],
    ]);
    expect(new Set(copied.melody.map((n) => n.id)).size).toBe(4);
    const pitch = { letter: 'D', alter: 0, octave: 4 } as const;
    expect(names(edit(tune, { kind: 'note-added', tick: 1920, length: 960, pitch }))).toEqual([
      'C4',
      'D4',
      'E4',
      'G4',
    ]);
    expect(names(edit(tune, { kind: 'notes-deleted', ids: ['n1'] }))).toEqual(['C4', 'G4']);
  });

  it('keep any edit of any song whole: sorted, ids apart, no overlap, nothing shorter than a tick', () => {
    const kinds = [
      'notes-moved',
      'notes-shifted',
      'notes-lengthened',
      'note-split',
      'notes-joined',
      'phrase-copied',
    ];
    fc.assert(
      fc.property(
        songs,
        fc.array(fc.tuple(fc.constantFrom(...kinds), fc.nat(40), fc.integer({ min: -4, max: 4 })), {
          maxLength: 6,
        }),
        (song, steps) => {
          fc.pre(song.melody.length > 3);
          const after = steps.reduce((s, [kind, at, by]) => applyEdit(s, editFrom(s, kind, at, by)), song);
          // What was edited can be stored and opened again.
          expect(migrateSong(JSON.parse(JSON.stringify(after)))).toEqual(after);
          expect(new Set(after.melody.map((n) => n.id)).size).toBe(after.melody.length);
          after.melody.forEach((note, i) => {
            expect(note.length).toBeGreaterThan(0);
            const next = after.melody[i + 1];
            if (next) expect(note.tick + note.length).toBeLessThanOrEqual(next.tick);
          });
        },
      ),
    );
  });
});

function editFrom(song: Song, kind: string, at: number, by: number): SongEdit {
  // Joined again and again one note is left.
  const first = at % Math.max(1, song.melody.length - 1);
  const ids = song.melody.slice(first, first + 2).map((n) => n.id);
  switch (kind) {
    case 'notes-moved':
      return { kind, ids, steps: by };
    case 'notes-shifted':
    case 'notes-lengthened':
      return { kind, ids, ticks: by * 240 };
    case 'note-split':
      return { kind, id: ids[0] };
    case 'phrase-copied':
      return { kind, ids, toTick: Math.max(0, song.melody[first].tick + by * 960) };
    default:
      return { kind: 'notes-joined', ids };
  }
}

describe('words', () => {
  it('sung without a tune hold their bars: a new metre leaves none of them out', () => {
    const sungAt = (tick: number): Song => {
      const words = [{ tick, text: 'la', syllabic: 'single' as const }];
      return { ...lanterns, melody: [], changes: [], sections: [], cuts: [], words, pickup: 0 };
    };
    const barsOf = (tick: number, numerator: number): number =>
      edit(sungAt(tick), { kind: 'metre-set', bar: 1, metre: { numerator, denominator: 4 } }).barCount;
    // A syllable on the downbeat needs its bar; one just before it does not.
    expect([8639, 8640, 8641].map((tick) => barsOf(tick, 3))).toEqual([3, 4, 4]);
    expect([0, 3840, 8640].map((tick) => barsOf(tick, 4))).toEqual([1, 2, 3]);
  });

  it('are typed through: hyphens, held syllables, and back again', () => {
    expect(syllablesOf('wa-ter runs __ on')).toEqual([
      { text: 'wa', syllabic: 'begin' },
      { text: 'ter', syllabic: 'end' },
      { text: 'runs', syllabic: 'single' },
      null,
      null,
      { text: 'on', syllabic: 'single' },
    ]);
    const text = wordsOf(sluicegate.melody);
    expect(text.startsWith('The tide is tur-ning at the gate, the wheel be-gins to groan;')).toBe(true);
    const ids = { fromId: 'n1', toId: sluicegate.melody.at(-1)?.id ?? '' };
    expect(edit(sluicegate, { kind: 'words-typed', ...ids, text }).melody).toEqual(sluicegate.melody);
  });

  it('keep what finds no note aside, and clear the notes they no longer reach', () => {
    const typed = edit(tune, { kind: 'words-typed', fromId: 'n0', toId: 'n1', text: 'a b c-d' });
    expect(typed.melody.map((n) => n.lyric?.text ?? null)).toEqual(['a', 'b', null]);
    expect(typed.spareWords).toBe('c-d');
    const beside = edit(tune, {
      kind: 'words-typed',
      fromId: 'n0',
      toId: 'n1',
      text: 'a b e',
      others: 'left be-fore',
    });
    expect(beside.spareWords).toBe('left be-fore e');
    const less = edit(typed, { kind: 'words-typed', fromId: 'n0', toId: 'n1', text: 'a' });
    expect(less.melody.map((n) => n.lyric?.text ?? null)).toEqual(['a', null, null]);
    expect(less.spareWords).toBe('');
  });

  it('of one place are one step to undo; the edit says what it was', () => {
    const typing: SongEdit = { kind: 'words-typed', fromId: 'n0', toId: 'n1', text: 'a' };
    expect(sessionOf(typing)).toBe(sessionOf({ ...typing, text: 'ab' }));
    expect(sessionOf({ kind: 'note-split', id: 'n0' })).toBeNull();
    expect(describeEdit({ kind: 'tune-taken', what: 'attempt kept', session: null, fields: {} })).toBe(
      'attempt kept',
    );
  });
});

describe('bars', () => {
  it('inserted and removed again leave the song as it was', () => {
    fc.assert(
      fc.property(songs, fc.integer({ min: 1, max: 8 }), (song, at) => {
        const bar = Math.min(at, song.barCount);
        const start = writtenBars(song).find((b) => b.number === bar)?.tick ?? 0;
        fc.pre(song.melody.every((n) => n.tick >= start || n.tick + n.length <= start));
        const there = edit(song, { kind: 'bars-inserted', before: bar, count: 1 });
        expect(there.barCount).toBe(song.barCount + 1);
        expect(there.melody.map((n) => n.tick).filter((t) => t < start)).toEqual(
          song.melody.map((n) => n.tick).filter((t) => t < start),
        );
        expect(edit(there, { kind: 'bar-removed', bar })).toEqual(song);
      }),
    );
  });

  it('removed take their notes, changes and pins along; the rest moves up', () => {
    const pinned = edit(tune, { kind: 'pin', pin: { changeId: 'c1', keys: [57, 60, 64], fingers: null } });
    const after = edit(pinned, { kind: 'bar-removed', bar: 2 });
    expect(names(after)).toEqual(['C4', 'G4']);
    expect(after.changes.map((c) => [c.symbol, c.tick])).toEqual([
      ['C', 0],
      ['G', 3840],
    ]);
    expect(after.pins).toEqual([]);
    expect(edit(tune, { kind: 'bar-removed', bar: 9 })).toBe(tune);
  });

  it('a pick-up moves the bar lines and leaves the notes where they are', () => {
    const after = edit(lanterns, { kind: 'pickup-set', ticks: 960 });
    expect(times(after)).toEqual(times(lanterns));
    expect(writtenBars(after)[1]).toMatchObject({ number: 1, tick: 960 });
    expect(after.barCount).toBe(24);
  });

  it('a key holds until the next one; the notes after that keep their spelling', () => {
    const flat = { tonic: { letter: 'F', alter: 0 }, mode: 'major' } as const;
    const sharp = { tonic: { letter: 'E', alter: 0 }, mode: 'major' } as const;
    const later = edit(lanterns, { kind: 'key-set', bar: 13, key: sharp });
    const both = edit(later, { kind: 'key-set', bar: 5, key: flat });
    expect(both.keyMap.map((entry) => [entry.tick, entry.tonic.letter])).toEqual([
      [0, 'A'],
      [11520, 'F'],
      [34560, 'E'],
    ]);
    const spelled = (song: typeof both, from: number, to: number) =>
      names({ ...song, melody: song.melody.filter((n) => n.tick >= from && n.tick < to) });
    expect(spelled(both, 0, 11520)).toEqual(spelled(lanterns, 0, 11520));
    expect(spelled(both, 34560, 70000)).toEqual(spelled(later, 34560, 70000));
    // The same key again says nothing new.
    const again = edit(both, { kind: 'key-set', bar: 9, key: flat });
    expect(again.keyMap).toEqual(both.keyMap);
  });

  it('a pick-up takes the later metres along with the bar lines', () => {
    const metre = { numerator: 2, denominator: 4 } as const;
    const two = edit(lanterns, { kind: 'metre-set', bar: 9, metre });
    expect(two.metreMap.map((m) => [m.tick, m.numerator])).toEqual([
      [0, 3],
      [23040, 2],
    ]);
    const after = edit(two, { kind: 'pickup-set', ticks: 960 });
    expect(after.metreMap[1].tick).toBe(24000);
    expect(edit(after, { kind: 'pickup-set', ticks: 0 }).metreMap[1].tick).toBe(23040);
    expect(edit(lanterns, { kind: 'pickup-set', ticks: 2880 })).toBe(lanterns);
    expect(edit(lanterns, { kind: 'pickup-set', ticks: -1 })).toBe(lanterns);
  });

  it('metre, key and tempo hold from their bar on', () => {
    const six = edit(lanterns, { kind: 'metre-set', bar: 1, metre: { numerator: 6, denominator: 8 } });
    expect(writtenBars(six).every((b) => b.length === 2880)).toBe(true);
    const key = { tonic: { letter: 'F', alter: 0 }, mode: 'major' } as const;
    const inF = edit(lanterns, { kind: 'key-set', bar: 13, key });
    expect(inF.keyMap.map((k) => [k.tick, k.tonic.letter])).toEqual([
      [0, 'A'],
      [34560, 'F'],
    ]);
    expect(inF.melody.map((n) => midiOf(n.pitch))).toEqual(lanterns.melody.map((n) => midiOf(n.pitch)));
    const slower = edit(lanterns, { kind: 'tempo-set', bar: 21, quartersPerMinute: 80 });
    expect(slower.tempoMap).toEqual([
      { tick: 0, quartersPerMinute: 96 },
      { tick: 57600, quartersPerMinute: 80 },
    ]);
  });

  it('repeat with two endings, told in words and unfolded', () => {
    const plain = edit(mudflat, { kind: 'repeats-cleared' });
    expect(orderInWords(plain)).toBe('');
    const again = edit(plain, { kind: 'repeat-set', fromBar: 1, toBar: 8, endingFrom: 7 });
    expect(again.playingOrder).toEqual(mudflat.playingOrder);
    expect(orderInWords(again)).toBe('Bars 1–8, then 1–6, then 9–26');
    expect(unfold(again).bars).toHaveLength(32);
  });

  it('moved, carry cuts, settings and settled parts to where their bar has gone', () => {
    const cut = {
      ...tune,
      cuts: [
        { id: 'a', tick: 0, locked: false },
        { id: 'b', tick: 7680, locked: true },
      ],
    };
    const later = edit(cut, { kind: 'bars-inserted', before: 2, count: 2 });
    expect(later.cuts.map((c) => c.tick)).toEqual([0, 15360]);
    const chosen = edit(lanterns, { kind: 'choose-for-part', cutId: 'cut11520', choices: { level: 2 } });
    const moved = edit(chosen, { kind: 'bars-inserted', before: 1, count: 1 });
    expect(Object.keys(moved.partSettings)).toEqual(['cut14400']);
  });
});
