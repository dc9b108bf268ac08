import { inWords } from '../sentences';
import { fillPlaceInWords } from '../words';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import type { Arrangement } from '../arrangement';
import { arrange } from '../arrange';
import { type HandNote, strikesOf } from '../hands';
import {
  chroma,
  keyFromFifths,
  KEYBOARDS,
  membersOf,
  midiOf,
  nameOf,
  reachMm,
  scaleOf,
  spanMm,
} from '../music';
import { applyEdit, barAt, DEFAULT_PROFILE, keyAt, type Profile, type Song, transpose } from '../song';
import { randomSong, runs } from '../testing';
import { FILL_KINDS, kindOfId } from './kinds/table';
import type { Measure } from './deciding';

const filled = (song: Song, measure: Measure, seed = 0, profile: Profile = DEFAULT_PROFILE): Arrangement =>
  arrange({ ...song, choices: { ...song.choices, level: 7, fills: { measure, seed } } }, profile, {
    withoutFingers: true,
  });

const songs = fc
  .record({ seed: fc.nat(1e6), perBar: fc.constantFrom(0.5, 1, 2), slow: fc.boolean() })
  .map(({ seed, perBar, slow }) => {
    const song = randomSong({ bars: 8, changesPerBar: perBar, seed, lowest: 64, highest: 81 });
    // Half of them hold every third note on over the next two: random tunes seldom rest.
    return slow ? held(song) : song;
  });

function held(song: Song): Song {
  const melody = song.melody.flatMap((note, i) => {
    if (i % 3 !== 0) return [];
    const end = song.melody[i + 3]?.tick ?? note.tick + note.length;
    return [{ ...note, tiedToNext: false, length: end - note.tick }];
  });
  return { ...song, melody };
}

const rightOf = (note: HandNote): string => `${note.tick} ${note.midi}`;

describe('versions with fills', () => {
  it('leave the tune as it is, stay on the keyboard, in reach and in their places, never one hand on one key twice', () => {
    fc.assert(
      fc.property(
        songs,
        fc.constantFrom<Measure>('few', 'some', 'many'),
        fc.nat(50),
        fc.constantFrom(6, 8, 10),
        fc.constantFrom(49, 88),
        (song, measure, seed, reach, keyboard) => {
          const profile = { ...DEFAULT_PROFILE, leftReach: reach, rightReach: reach, keyboard } as Profile;
          const [plain, a] = [filled(song, 'none', 0, profile), filled(song, measure, seed, profile)];
          const tune = (of: Arrangement): string[] =>
            of.right.filter((n) => n.source === 'melody').map(rightOf);
          expect(tune(a)).toEqual(tune(plain));
          const { low, high } = KEYBOARDS[keyboard as 49];
          const wrong: string[] = [];
          for (const fill of a.fills.filter(({ taken }) => taken)) {
            const told = `${fill.id} at ${fill.tick}`;
            for (const note of fill.notes) {
              const midi = midiOf(note.pitch);
              if (midi < low || midi > high) wrong.push(`${told}: off the keyboard`);
              if (note.tick < fill.tick || note.tick + note.length > fill.tick + fill.length)
                wrong.push(`${told}: out of its place`);
              if (note.length === 0 && !note.grace) wrong.push(`${told}: no length`);
            }
          }
          for (const hand of ['right', 'left'] as const) {
            const notes = a[hand].filter(({ grace }) => !grace);
            for (const keys of strikesOf(notes)) {
              if (new Set(keys.map(({ midi }) => midi)).size < keys.length) wrong.push('one key twice');
              if (!keys.some(({ source }) => source === 'fill')) continue;
              const span = spanMm(keys[0].midi, keys[keys.length - 1].midi);
              if (span > reachMm(reach as 8) + 1 && keys[0].rolled === undefined)
                wrong.push(`${hand} ${keys.map(({ midi }) => midi).join()} at ${keys[0].tick}: out of reach`);
            }
            const byKey = new Map<number, number>();
            for (const { midi, tick, length } of notes) {
              if ((byKey.get(midi) ?? -1) > tick) wrong.push(`${hand} ${midi} at ${tick}: still held`);
              byKey.set(midi, tick + length);
            }
          }
          expect([song.id, measure, seed, reach, keyboard, wrong.slice(0, 4)]).toEqual([
            song.id,
            measure,
            seed,
            reach,
            keyboard,
            [],
          ]);
        },
      ),
      { numRuns: runs(120) },
    );
  });

  it('keep the hands apart: where a fill and the other hand cross, it is said in that bar', () => {
    fc.assert(
      fc.property(songs, fc.nat(50), (song, seed) => {
        const a = filled(song, 'many', seed);
        const barOf = (tick: number): number => barAt(a.played.bars, tick).number;
        const said = new Set(
          a.findings
            .filter(({ kind }) => ['bump', 'crowded', 'crossing'].includes(kind))
            .map(({ tick }) => barOf(tick)),
        );
        const fills = [...a.right, ...a.left].filter(({ source }) => source === 'fill');
        for (const { hand, tick, length, midi } of fills) {
          const others = (hand === 'right' ? a.left : a.right).filter(
            (n) => !n.grace && n.tick < tick + length && n.tick + n.length > tick,
          );
          for (const other of others) {
            const apart = hand === 'right' ? midi - other.midi : other.midi - midi;
            const at = barOf(Math.max(tick, other.tick));
            if (apart <= 0) expect([song.id, at, said.has(at)]).toEqual([song.id, at, true]);
          }
        }
      }),
      { numRuns: runs(120) },
    );
  });

  it('are more with a larger measure, the same for the same seed, and none where none are wanted', () => {
    const sums = { few: 0, many: 0 };
    for (const song of DEMO_SONGS) {
      const count = (measure: Measure, seed = 0): number =>
        filled(song, measure, seed).fills.filter(({ taken }) => taken).length;
      expect(count('none')).toBe(0);
      expect(count('some')).toBeGreaterThanOrEqual(count('few'));
      expect(count('many')).toBeGreaterThanOrEqual(count('some'));
      sums.few += count('few');
      sums.many += count('many');
      const told = (seed: number): string =>
        filled(song, 'many', seed)
          .fills.filter(({ taken }) => taken)
          .map(({ id, notes }) => `${id} ${notes.map(({ tick, pitch }) => `${tick}${pitch.letter}`).join()}`)
          .join();
      expect(told(3)).toBe(told(3));
    }
    expect([sums.few > 0, sums.many > sums.few]).toEqual([true, true]);
    expect(
      new Set(
        [1, 2, 3, 4].map((seed) =>
          DEMO_SONGS.flatMap((song) =>
            filled(song, 'many', seed)
              .fills.filter((f) => f.taken)
              .map((f) => f.id + f.variant),
          ).join(),
        ),
      ).size,
    ).toBeGreaterThan(1);
  });

  it('have every kind somewhere in the demo songs, proposed and in a full version', () => {
    const [proposed, played] = [new Set<string>(), new Set<string>()];
    for (const song of DEMO_SONGS)
      for (const fuller of ['under', 'above'] as const)
        for (const seed of [0, 1, 2, 3, 4, 5])
          for (const { kind, taken } of filled(
            { ...song, choices: { ...song.choices, fuller } },
            'many',
            seed,
          ).fills) {
            proposed.add(kind);
            if (taken) played.add(kind);
          }
    const all = FILL_KINDS.map(({ kind }) => kind).sort();
    expect([...proposed].sort()).toEqual(all);
    // The others are there to be taken.
    expect([...played].sort()).toEqual(['answer', 'walk']);
  });

  it('stay with the seventh level, unless one was taken; on the first there are none', () => {
    const [lanterns] = DEMO_SONGS;
    const on = (level: number, song: Song = lanterns): Arrangement =>
      arrange({ ...song, choices: { ...song.choices, level } }, DEFAULT_PROFILE, { withoutFingers: true });
    for (const level of [1, 2, 3, 4, 5, 6]) expect(on(level).fills).toEqual([]);
    const [fill] = on(7).fills.filter(({ kind }) => kind === 'walk');
    const taken = applyEdit(lanterns, {
      kind: 'fill',
      fill: { id: fill.id, kind: fill.kind, variant: fill.variant },
      taken: true,
    });
    expect(
      on(5, taken)
        .fills.filter((f) => f.taken)
        .map(({ id }) => id),
    ).toContain(fill.id);
    expect(on(1, taken).left).toEqual([]);
    expect(on(1, taken).right.every(({ source }) => source === 'melody')).toBe(true);
  });
});

describe('proposals', () => {
  it('are of the key, the chord that sounds or the one they lead to; only what goes round a note of the tune has that one too', () => {
    // These go round the note of the tune itself, or double it.
    const roundTheTune = new Set(['octaves', 'trill', 'turn']);
    fc.assert(
      fc.property(songs, (song) => {
        const a = filled(song, 'many');
        const wrong: string[] = [];
        for (const { id: where, kind, variant, notes, changeId } of a.fills) {
          if (/half-step|diminished/.test(variant)) continue;
          const at = a.changes.findIndex(({ change }) => change.id === changeId);
          for (const { tick, pitch } of notes) {
            const key = keyAt(a.played, tick);
            const own = new Set(scaleOf(key).map(chroma));
            if (key.mode === 'minor') [9, 11].forEach((by) => own.add((chroma(key.tonic) + by) % 12));
            const sounding = a.changes.findLast(({ change }) => change.tick <= tick);
            for (const over of [sounding, a.changes[at], a.changes[at + 1]])
              for (const member of over ? membersOf(over.chord) : []) own.add(member.chroma);
            const sung = a.played.melody.findLast((n) => n.tick <= tick);
            if (sung && roundTheTune.has(kind)) own.add(midiOf(sung.pitch) % 12);
            // Fourth and second above the root, before the third.
            if (sounding && kind === 'suspension')
              [2, 5].forEach((by) => own.add((chroma(sounding.chord.root) + by) % 12));
            if (!own.has(midiOf(pitch) % 12)) wrong.push(`${kind}, ${variant}, ${where}: ${nameOf(pitch)}`);
          }
        }
        expect([song.id, wrong.slice(0, 4)]).toEqual([song.id, []]);
      }),
      { numRuns: runs(80) },
    );
  });

  it('lie on the keyboard, however high the song; a passing chord within a fifth of the chord it leaves', () => {
    const high = fc.tuple(songs, fc.constantFrom(1, 2, 3)).map(([song, octaves]) => ({
      ...song,
      melody: song.melody.map((n) => ({
        ...n,
        pitch: { ...n.pitch, octave: n.pitch.octave + octaves },
      })),
    }));
    const sizes = fc.constantFrom(49 as const, 61 as const, 76 as const, 88 as const);
    fc.assert(
      fc.property(high, sizes, fc.constantFrom(6 as const, 8 as const), (song, keyboard, reach) => {
        const profile = { ...DEFAULT_PROFILE, keyboard, leftReach: reach };
        const { fills, changes } = filled(song, 'few', 0, profile);
        const { low, high } = KEYBOARDS[keyboard];
        for (const { id, kind, changeId, notes } of fills) {
          const keys = notes.map(({ pitch }) => midiOf(pitch));
          const left = changes.find(({ change }) => change.id === changeId)?.voicing.keys ?? [];
          const [from, to] = kind === 'passing' ? [left[0] - 7, left[left.length - 1] + 7] : [low, high];
          const out = keys.filter((key) => key < Math.max(low, from) || key > Math.min(high, to));
          expect([id, out]).toEqual([id, []]);
        }
      }),
      { numRuns: runs(200) },
    );
  });

  it('come in the same order in a key that lies near', () => {
    for (const song of DEMO_SONGS) {
      const up = { ...transposedUp(song), pins: [] };
      const ranked = (of: Song): string[] =>
        filled(of, 'none')
          .fills.filter(({ hand }) => hand === 'right')
          .map(({ id, variant }) => `${id} ${variant}`);
      const [plain, moved] = [ranked({ ...song, pins: [] }), ranked(up)];
      const common = plain.filter((told) => moved.includes(told));
      expect([song.title, common.length / plain.length > 0.85]).toEqual([song.title, true]);
      expect([song.title, moved.filter((told) => common.includes(told))]).toEqual([song.title, common]);
    }
  });

  it('have an id that tells their kind, and say why and where', () => {
    for (const { played, fills } of DEMO_SONGS.map((song) => filled(song, 'few')))
      for (const fill of fills) {
        expect(kindOfId(fill.id)?.kind).toBe(fill.kind);
        expect(inWords(fill.reason)).toMatch(/\.$/);
        expect(fillPlaceInWords(played.bars, fill)).toMatch(/^bar \d+, from .+: [A-G]/);
        expect(fill.id.length).toBeLessThanOrEqual(80);
      }
    expect(kindOfId('nonsense:c1')).toBeUndefined();
  });
});

function transposedUp(song: Song): Song {
  const [{ tonic, mode }] = song.keyMap;
  const wanted = (chroma(tonic) + 1) % 12;
  const key = Array.from({ length: 13 }, (_, i) => keyFromFifths(i - 6, mode)).find(
    (k) => chroma(k.tonic) === wanted,
  );
  return key ? transpose(song, key, 1) : song;
}
