import { functionInWords } from '../sentences';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { settling, unsettling, type Arrangement } from '../arrangement';
import { LEVELS } from '../levels';
import { seeded } from '../chance';
import { applyEdit, type SongEdit, DEFAULT_PROFILE, type Song } from '../song';
import { LAYOUTS } from '../song/schemaPieces';
import { randomSong, runs, some } from '../testing';
import { arrange, arrangeInSlices } from './song';

const without = { withoutFingers: true };
const copyOf = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** The part sent first alone. */
function firstOf(song: Song, firstPart: number): Arrangement {
  const slices = arrangeInSlices(song, DEFAULT_PROFILE, { firstPart });
  for (;;) {
    const { done, value } = slices.next();
    if (done || value) return value as Arrangement;
  }
}

/** The part sent first, and the whole song after it. */
function firstAndWhole(song: Song, firstPart: number): { first: Arrangement; whole: Arrangement } {
  const slices = arrangeInSlices(song, DEFAULT_PROFILE, { firstPart });
  let first: Arrangement | null = null;
  for (;;) {
    const { done, value } = slices.next();
    if (!done) first ??= value;
    else if (first) return { first, whole: value };
    else throw new Error('No part came first.');
  }
}

const onLevel = (song: Song, level: number): Song => applyEdit(song, { kind: 'choose', choices: { level } });
const READY = LEVELS.map((level) => level.number);

describe('a chord', () => {
  it('is told by those around it: D minor and G7 lead to C here, D minor and E7 home', () => {
    const roles = arrange(DEMO_SONGS[0], DEFAULT_PROFILE).changes.map(
      ({ change, degree }) => `${change.symbol} ${functionInWords(degree.chordFunction)}`,
    );
    expect(roles.slice(2, 8)).toEqual([
      'Dm subdominant',
      'E7 dominant, leads home',
      'Am tonic, home',
      'Dm ii–V of III',
      'G7 ii–V of III',
      'C relative major',
    ]);
  });
});

describe('the part sent first is that part of the finished song', () => {
  const isThePart = (song: Song): void => {
    // Nothing may come from what was remembered: each song is arranged as if for the first time.
    const whole = arrange(copyOf(song), DEFAULT_PROFILE);
    const count = whole.parts.length;
    for (let part = 0; part < count; part++) {
      const first = firstOf(copyOf(song), part);
      expect(first.isPartial).toBe(count > 1);
      // Hands, fingers, findings, meetings, fills, effort.
      expect(first.arranged[part]).toEqual(whole.arranged[part]);
      expect(first.arranged.filter(Boolean)).toHaveLength(1);
      expect(first.changes).toEqual(whole.changes);
    }
    // And the whole is the same, whichever part of it came first.
    const last = firstAndWhole(copyOf(song), count - 1);
    expect(last.whole.isPartial).toBe(false);
    expect(last.whole.arranged).toEqual(whole.arranged);
  };

  it.each(DEMO_SONGS.map((song) => [song.title, song] as const))(
    '%s, on levels by chance, every part',
    (_, song) => {
      for (const level of some(READY)) isThePart(onLevel(song, level));
    },
  );

  it('any song, every layout, at any level', () => {
    const any = fc.record({
      seed: fc.nat(1e6),
      level: fc.constantFrom(...READY),
      layout: fc.constantFrom(...LAYOUTS),
      every: fc.constantFrom(1, 2, 3),
    });
    fc.assert(
      fc.property(any, ({ seed, level, layout, every }) => {
        const song = randomSong({ bars: 6, changesPerBar: 1, seed, lowest: 57, highest: 79 });
        const division = { ...song.division, method: 'bars' as const, bars: every };
        isThePart({ ...song, division, choices: { ...song.choices, level, layout } });
      }),
      { numRuns: runs(80) },
    );
  });
});

describe('a settled part', () => {
  const settledIn = (song: Song, index: number): Song => {
    const edit = settling(arrange(song, DEFAULT_PROFILE), index);
    return edit ? applyEdit(song, edit) : song;
  };
  const handsOf = (song: Song, cutId: string) => {
    const index = firstOf(song, 0).parts.findIndex((part) => part.cutId === cutId);
    // The part sent first is that of the finished song.
    const a = firstOf(song, index);
    const hands = a.arranged[index];
    return { right: hands?.right, left: hands?.left, settled: a.parts[index]?.settled };
  };

  it('is left as it is by every choice for the song', () => {
    const choices: Partial<Song['choices']>[] = [
      ...READY.map((level) => ({ level })),
      ...LAYOUTS.map((layout) => ({ layout })),
      ...['block', 'waltz', 'crossing-six', 'vary', 'nowhere'].map((pattern) => ({ pattern, level: 5 })),
      { fuller: 'octave', level: 6 },
      { thumb: 'off-black' },
      ...([-1, 1] as const).map((octaveShift) => ({ octaveShift })),
      { rhythm: 'straight' },
      { rhythm: 'anticipated' },
      { register: -7 },
    ];
    for (const [i, song] of DEMO_SONGS.entries())
      for (const level of i % 2 === 0 ? [3, 7] : [5, 6]) {
        const settled = settledIn(onLevel(song, level), 1);
        const [{ cutId }] = settled.settled;
        const before = handsOf(settled, cutId);
        expect(before.settled).toBe(true);
        for (const choice of some(choices)) {
          const edited = applyEdit(settled, { kind: 'choose', choices: choice });
          expect([song.title, choice, handsOf(edited, cutId)]).toEqual([song.title, choice, before]);
        }
      }
  });

  it('leaves a settled neighbour as it is, settled and opened again, whatever rings on between them', () => {
    for (const song of DEMO_SONGS)
      for (const level of some([4, 5, 7])) {
        const first = settledIn(onLevel(song, level), 0);
        const [{ cutId }] = first.settled;
        const before = handsOf(first, cutId);
        const both = settledIn(first, 1);
        expect(both.settled).toHaveLength(2);
        expect(handsOf(both, cutId)).toEqual(before);
        const open = unsettling(arrange(both, DEFAULT_PROFILE), 1);
        const one = open ? applyEdit(both, open) : both;
        expect(one.settled).toEqual(first.settled);
        expect(handsOf(one, cutId)).toEqual(before);
      }
  });

  it('is left as it is by 500 edits elsewhere', () => {
    const [lanterns] = DEMO_SONGS;
    let song = settledIn(onLevel(lanterns, 7), 2);
    const [{ cutId }] = song.settled;
    const before = handsOf(song, cutId);
    const chance = seeded(7);
    const pick = <T>(list: readonly T[]): T => list[Math.floor(chance() * list.length)];
    const { parts } = arrange(song, DEFAULT_PROFILE, without);
    const [from, to] = [parts[2].fromTick, parts[2].toTick];
    for (let i = 0; i < 500; i++) {
      const others = song.changes.filter(({ tick }) => tick < from || tick >= to);
      const notes = song.melody.filter(({ tick }) => tick < from || tick >= to);
      const { id } = pick(others);
      const edit = pick<SongEdit>([
        { kind: 'pin', pin: { changeId: id, keys: [45 + Math.floor(chance() * 9), 57, 60], fingers: null } },
        { kind: 'unpin', changeId: id },
        { kind: 'layout', changeId: id, layout: pick(LAYOUTS) },
        { kind: 'change-written', id, symbol: pick(['Am', 'Dm7', 'G7', 'E', 'F6']) },
        { kind: 'choose', choices: { level: pick(READY) } },
        { kind: 'choose', choices: { layout: pick(LAYOUTS) } },
        { kind: 'choose-for-part', cutId: parts[0].cutId, choices: { level: pick(READY) } },
        {
          kind: 'notes-moved',
          ids: [pick(notes).id],
          semitones: pick([-2, 1, 3]),
        },
        { kind: 'division-chosen', division: { method: pick(['phrase', 'types', 'bars'] as const) } },
        { kind: 'fill', fill: { id: `walk:${id}`, kind: 'walk', variant: '' }, taken: chance() < 0.5 },
      ]);
      song = applyEdit(song, edit);
      if (i % 10 === 9) expect(handsOf(song, cutId)).toEqual(before);
    }
  });
});
