import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { type Arrangement, settling, unsettling } from '../arrangement';
import type { HandNote } from '../hands';
import { midiOf, nameOf, parseChord, parsePitch, type Pitch } from '../music';
import {
  applyEdit,
  DEFAULT_PROFILE,
  type Layout,
  migrateSong,
  type OwnBars,
  type Song,
  type SongEdit,
  unfold,
  writtenBars,
} from '../song';
import { runs, some, songs, textOf, wholeBars } from '../testing';
import { followed } from './following';

const [lanterns, sluicegate] = DEMO_SONGS;
const C = { tonic: { letter: 'C', alter: 0 }, mode: 'major' } as const;
const write = (song: Song, own: Partial<OwnBars>): Song =>
  applyEdit(song, { kind: 'own-bars-written', own: { ...ONE_BAR, ...own }, session: null });
const key = (name: string): Pitch => parsePitch(name);
const note = (after: number, length: number, name: string, over?: string): OwnBars['notes'][number] => ({
  after,
  length,
  pitch: key(name),
  ...(over === undefined ? {} : { over }),
});
const ONE_BAR: OwnBars = {
  id: 'o1',
  hand: 'left',
  tick: 0,
  length: 3840,
  how: 'instead',
  pass: null,
  notes: [note(0, 960, 'E2'), note(960, 2880, 'C3')],
};
const heard = (notes: readonly HandNote[], from: number, to: number): string[] =>
  notes
    .filter(({ tick }) => tick >= from && tick < to)
    .map(({ tick, length, midi, grace }) => `${tick}+${length} ${midi}${grace ? ' grace' : ''}`)
    .sort();
const meant = (own: OwnBars, by = 0): string[] =>
  own.notes
    .map(
      ({ after, length, pitch, grace }) =>
        `${own.tick + after}+${grace ? 0 : Math.min(length, own.length - after)} ${midiOf(pitch) + by}${grace ? ' grace' : ''}`,
    )
    .sort();

/** Own bars by chance on a song: whole bars of either hand, chords, graces, rests and notes held. */
const ownOn = (song: Song): fc.Arbitrary<OwnBars> => {
  const bars = writtenBars(song);
  return fc
    .record({
      first: fc.nat(bars.length - 1),
      count: fc.integer({ min: 1, max: 3 }),
      hand: fc.constantFrom('left', 'right'),
      strikes: fc.array(
        fc.record({
          at: fc.integer({ min: 0, max: 15 }),
          sixteenths: fc.integer({ min: 1, max: 16 }),
          midi: fc.integer({ min: 36, max: 80 }),
          grace: fc.boolean(),
        }),
        { minLength: 1, maxLength: 8 },
      ),
    })
    .map(({ first, count, hand, strikes }): OwnBars => {
      const inside = bars.slice(first, first + count);
      const length = inside.reduce((sum, bar) => sum + bar.length, 0);
      const once = new Map(
        strikes.map((s) => {
          const after = (s.at * 240) % length;
          const pitch = pitchOf(s.midi);
          const made = s.grace
            ? { after, length: 0, pitch, grace: true as const }
            : { after, length: Math.min(s.sixteenths * 240, length - after), pitch };
          return [`${after} ${s.midi}`, made];
        }),
      );
      return { ...ONE_BAR, hand: hand as 'left', tick: inside[0].tick, length, notes: [...once.values()] };
    });
};
const NAMES = ['C', 'C#', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
const pitchOf = (midi: number): Pitch => key(`${NAMES[midi % 12]}${Math.floor(midi / 12) - 1}`);

const LAYOUTS: readonly Layout[] = ['block', 'shell', 'rootless', 'under-melody', 'singing'];
const cases = (all: readonly Song[]) =>
  some(
    all.flatMap((song) =>
      [1, 4, 5, 7].flatMap((level) => LAYOUTS.map((layout) => ({ song, level, layout }))),
    ),
  );
const at = (song: Song, level: number, layout: Layout): Song =>
  applyEdit(song, { kind: 'choose', choices: { level, layout } });

describe('what the pianist wrote', () => {
  it('is played note for note in the place of what is played there, at any level and layout, and nothing else is', () => {
    for (const { song, level, layout } of cases(DEMO_SONGS))
      fc.assert(
        fc.property(ownOn(song), (own) => {
          const before = arrange(at(song, level, layout), DEFAULT_PROFILE, { withoutFingers: true });
          const a = arrange(write(at(song, level, layout), own), DEFAULT_PROFILE, { withoutFingers: true });
          for (const played of a.played.ownBars) {
            const end = played.tick + played.length;
            expect(heard(a[own.hand], played.tick, end)).toEqual(meant(played));
            expect(
              a[own.hand].every(({ tick, length }) => tick >= played.tick || tick + length <= played.tick),
            ).toBe(true);
          }
          // The same tune, where it is not in its place.
          const tune = (notes: readonly HandNote[]): string[] =>
            notes.filter(({ source }) => source === 'melody').map(({ tick, midi }) => `${tick} ${midi}`);
          if (own.hand === 'left') expect(tune(a.right)).toEqual(tune(before.right));
        }),
        { numRuns: 2 },
      );
  });

  it('sounds beside what is played there, a key both want once', () => {
    fc.assert(
      fc.property(
        songs.chain((song) => fc.tuple(fc.constant(song), ownOn(song))),
        fc.constantFrom(4, 5),
        ([song, own], level) => {
          const base = at(song, level, 'block');
          const plain = arrange(base, DEFAULT_PROFILE, { withoutFingers: true });
          const a = arrange(write(base, { ...own, how: 'beside' }), DEFAULT_PROFILE, {
            withoutFingers: true,
          });
          const names = (notes: readonly HandNote[]): string[] =>
            notes.map(({ tick, midi }) => `${tick} ${midi}`);
          const [now, before] = [names(a[own.hand]), names(plain[own.hand])];
          for (const told of own.notes)
            expect(now).toContain(`${own.tick + told.after} ${midiOf(told.pitch)}`);
          const written = new Set(own.notes.map(({ pitch }) => midiOf(pitch)));
          // What is missing is a key that is written.
          const missing = before.filter((name) => !now.includes(name));
          for (const name of missing) expect(written.has(Number(name.split(' ')[1]))).toBe(true);
          const twice = names(a[own.hand].filter(({ grace }) => !grace));
          expect(new Set(twice).size).toBe(twice.length);
        },
      ),
      { numRuns: runs(100) },
    );
  });

  it('stays whatever else is edited, goes along with the key, and is the same when it is read again', () => {
    const edits: readonly SongEdit[] = [
      { kind: 'choose', choices: { level: 7 } },
      { kind: 'choose', choices: { layout: 'shell', pattern: 'block' } },
      { kind: 'division-chosen', division: { method: 'bars', bars: 2, depth: 1 } },
      { kind: 'tempo', quartersPerMinute: 60 },
      { kind: 'transposed', key: { tonic: { letter: 'D', alter: 0 }, mode: 'minor' }, semitones: 5 },
      { kind: 'bars-inserted', before: 1, count: 2 },
      { kind: 'change-written', id: 'c2', symbol: 'Bb7' },
      { kind: 'notes-deleted', ids: ['n3', 'n4'] },
    ];
    fc.assert(
      fc.property(ownOn(lanterns), fc.shuffledSubarray([...edits]), (own, chosen) => {
        const song = chosen.reduce(applyEdit, write(lanterns, own));
        expect(migrateSong(JSON.parse(JSON.stringify(song)))).toEqual(song);
        const isIn = (kind: string): boolean => chosen.some((edit) => edit.kind === kind);
        const [by, later] = [isIn('transposed') ? 5 : 0, isIn('bars-inserted') ? 2 * 2880 : 0];
        const moved = { ...own, tick: own.tick + later };
        const a = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
        expect(heard(a[own.hand], moved.tick, moved.tick + moved.length)).toEqual(meant(moved, by));
      }),
      { numRuns: runs(500) },
    );
  });

  it('is learned with its part: what is taken away later is played there still, and the tune does not come back under it', () => {
    for (const hand of ['left', 'right'] as const) {
      const song = write(at(lanterns, 5, 'block'), {
        hand,
        length: 2880,
        notes: [note(0, 2880, 'E4'), note(960, 960, 'G4')],
      });
      const settle = settling(arrange(song, DEFAULT_PROFILE), 0);
      const learned = applyEdit(song, settle as SongEdit);
      const first = arrange(learned, DEFAULT_PROFILE);
      expect(heard(first[hand], 0, 2880)).toEqual(['0+2880 64', '960+960 67']);
      const removed = applyEdit(learned, { kind: 'own-bars-cleared', ...learned.ownBars[0] });
      const later = arrange(removed, DEFAULT_PROFILE);
      const inPart = (a: Arrangement) =>
        a.arranged[0]?.[hand].map(({ tick, midi, finger }) => [tick, midi, finger]);
      expect(inPart(later)).toEqual(inPart(first));
      const open = applyEdit(removed, unsettling(later, 0) as SongEdit);
      expect(heard(arrange(open, DEFAULT_PROFILE)[hand], 0, 2880)).toEqual(
        heard(arrange(at(lanterns, 5, 'block'), DEFAULT_PROFILE)[hand], 0, 2880),
      );
    }
  });

  it('is for each time its bars are played, or for one, which wins', () => {
    const song: Song = {
      ...wholeBars(['E5', 'D5', 'C5'], ['C', 'G', 'C']),
      playingOrder: [
        { fromBar: 1, toBar: 2 },
        { fromBar: 1, toBar: 3 },
      ],
    };
    const each = write(song, {});
    const keys = (s: Song, bar: number): number[] =>
      arrange(s, DEFAULT_PROFILE)
        .left.filter(({ tick }) => tick >= bar * 3840 && tick < (bar + 1) * 3840)
        .map(({ midi }) => midi);
    expect([keys(each, 0), keys(each, 2)]).toEqual([
      [40, 48],
      [40, 48],
    ]);
    const second = write(each, { id: 'o2', pass: 2, notes: [note(0, 3840, 'G2')] });
    expect([keys(second, 0), keys(second, 2)]).toEqual([[40, 48], [43]]);
    // The time for which there is none waits, and says so.
    const fourth = write(song, { pass: 4 });
    const { findings } = arrange(fourth, DEFAULT_PROFILE);
    expect(findings.filter(({ kind }) => kind === 'own').map(textOf)).toEqual([
      '2 notes written by hand for the left hand wait: the bars are not played.',
    ]);
  });

  it('is played where a part follows its own, unless that part has something of its own there', () => {
    const four = wholeBars(['E5', 'D5', 'E5', 'D5'], ['C', 'G', 'C', 'G']);
    const cut = { id: 'second', tick: 2 * 3840, locked: true };
    const parted: Song = { ...four, cuts: [cut], division: { method: 'own', bars: 4, depth: 1 } };
    const same = applyEdit(parted, { kind: 'same-as', cutId: 'second', sameAs: 'cut0' });
    const keys = (s: Song): number[] =>
      arrange(s, DEFAULT_PROFILE)
        .left.filter(({ tick }) => tick >= 2 * 3840 && tick < 3 * 3840)
        .map(({ midi }) => midi);
    expect(keys(write(same, {}))).toEqual([40, 48]);
    expect(keys(write(write(same, {}), { id: 'o2', tick: 2 * 3840, notes: [note(0, 3840, 'C2')] }))).toEqual([
      36,
    ]);
  });

  it('is kept and said where it cannot be played: off the keyboard, without a length, wider than the hand', () => {
    const song = write(wholeBars(['E5'], ['C']), {
      notes: [note(0, 960, 'C1'), note(960, 0, 'G2'), note(1920, 960, 'C2'), note(1920, 960, 'G3')],
    });
    const { findings, left } = arrange(song, { ...DEFAULT_PROFILE, keyboard: 61 });
    expect(left.map(({ midi, rolled }) => [midi, rolled])).toEqual([
      [36, 0],
      [55, 1],
    ]);
    expect(findings.filter(({ kind }) => kind === 'own').map(textOf)).toEqual([
      'C1, written by hand, is not on a keyboard of 61 keys: it is not played.',
      'G2, written by hand, has no length: it is not played.',
      'C2 and G3, written by hand, are wider than your left hand: they are rolled from below.',
    ]);
    expect(song.ownBars[0].notes).toHaveLength(4);
  });

  it('changes no part that is neither beside one it is written in nor follows it: they are the very same after an edit', () => {
    const base = at(lanterns, 5, 'block');
    const written = (song: Song, name: string): Arrangement =>
      arrange(write(song, { length: 2880, notes: [note(0, 2880, name)] }), DEFAULT_PROFILE);
    const one = written(base, 'E2');
    const same = (other: Arrangement): number[] =>
      one.arranged.flatMap((part, i) => (part === other.arranged[i] ? [i + 1] : []));
    // Part 4 follows the first and plays what is written there.
    expect(one.parts.filter(({ sharesWith }) => sharesWith === 1).map(({ number }) => number)).toEqual([4]);
    expect(same(written(base, 'F2'))).toEqual(expect.arrayContaining([5, 6]));
    // Nor does an edit elsewhere change the part it is written in.
    const elsewhere = applyEdit(base, { kind: 'change-written', id: 'c12', symbol: 'C' });
    expect(same(written(elsewhere, 'E2'))).toContain(1);
  });

  it('gives way where it is written over: of the older what lies outside stays', () => {
    const long = write(sluicegate, {
      tick: 0,
      length: 4 * 960,
      notes: [0, 1, 2, 3].map((i) => note(960 * i, 960, 'G2')),
    });
    const over = write(long, { id: 'o2', tick: 960, length: 1920, notes: [note(0, 1920, 'D3')] });
    expect(
      over.ownBars.map(({ id, tick, length, notes }) => [
        id,
        tick,
        length,
        notes.map((n) => nameOf(n.pitch)),
      ]),
    ).toEqual([
      ['o1', 0, 960, ['G2']],
      ['o2', 960, 1920, ['D3']],
      ['o3', 2880, 960, ['G2']],
    ]);
    expect(unfold(over).ownBars).toHaveLength(3);
  });
});

describe('a note that follows its chord', () => {
  const now = (name: string, over: string, symbol: string): string =>
    nameOf(followed(key(name), parseChord(over) as never, parseChord(symbol) as never, C));
  it('is the same member of it, the shorter way with the root', () => {
    expect([now('E3', 'C', 'F'), now('E3', 'C', 'Am'), now('B3', 'Cmaj7', 'Dm7')]).toEqual([
      'A3',
      'C3',
      'C4',
    ]);
    expect([now('G2', 'C', 'Bdim'), now('C3', 'C', 'C#dim'), now('C3', 'C', 'Bb')]).toEqual([
      'F2',
      'C#3',
      'Bb2',
    ]);
  });
  it('keeps a slash bass in the bass, and what is between members as many letters above the root', () => {
    expect([now('E2', 'C/E', 'G/B'), now('E2', 'C/E', 'G')]).toEqual(['B1', 'G1']);
    expect([now('D3', 'C', 'F'), now('F3', 'C', 'G')]).toEqual(['G3', 'C3']);
  });
  it('is the member nearest to where the root takes it, where the chord has none of that number', () => {
    expect([now('Bb3', 'C7', 'F'), now('Bb3', 'C7', 'Bb'), now('A3', 'C6', 'Dm')]).toEqual([
      'F4',
      'Bb3',
      'A3',
    ]);
  });
  it('is played so where the chord was changed, and as it was written where it stays', () => {
    const song = write(wholeBars(['E5', 'D5'], ['C', 'G']), {
      notes: [note(0, 1920, 'E3', 'C'), note(1920, 1920, 'C2')],
    });
    const keys = (s: Song): number[] =>
      arrange(s, DEFAULT_PROFILE)
        .left.filter(({ tick }) => tick < 3840)
        .map(({ midi }) => midi);
    expect(keys(song)).toEqual([52, 36]);
    expect(keys(applyEdit(song, { kind: 'change-written', id: song.changes[0].id, symbol: 'F' }))).toEqual([
      57, 36,
    ]);
  });
});
