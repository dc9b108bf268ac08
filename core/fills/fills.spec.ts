import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import type { Arrangement } from '../arrangement';
import { arrange } from '../arrange/song';
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
import { applyEdit, DEFAULT_PROFILE, keyAt, type Profile, type Song, transpose } from '../song';
import { randomSong } from '../testing';
import { FILL_KINDS, kindOfId } from './kinds/table';
import type { Measure } from './deciding';

const filled = (song: Song, measure: Measure, seed = 0, profile: Profile = DEFAULT_PROFILE): Arrangement =>
  arrange({ ...song, choices: { ...song.choices, rung: 7, fills: { measure, seed } } }, profile, {
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

/** Dressed notes of the tune: struck together with another key of the right hand. */
function dressedShare(notes: readonly HandNote[]): number {
  const tune = notes.filter(({ source, grace }) => source === 'melody' && !grace);
  const others = new Set(
    notes.filter(({ source, grace }) => source !== 'melody' && !grace).map(({ tick }) => tick),
  );
  return tune.filter(({ tick }) => others.has(tick)).length / Math.max(1, tune.length);
}

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
            const told = `${fill.kind} ${fill.where}`;
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
      { numRuns: 120 },
    );
  });

  it('keep the hands apart: what is nearer than the tune allows is said', () => {
    fc.assert(
      fc.property(songs, fc.nat(50), (song, seed) => {
        const a = filled(song, 'many', seed);
        const said = new Set(
          a.findings
            .filter(({ kind }) => ['bump', 'crowded', 'crossing'].includes(kind))
            .map(({ tick }) => tick),
        );
        const fills = [...a.right, ...a.left].filter(({ source }) => source === 'fill');
        for (const { hand, tick, length, midi } of fills) {
          const others = (hand === 'right' ? a.left : a.right).filter(
            (n) => !n.grace && n.tick < tick + length && n.tick + n.length > tick,
          );
          for (const other of others) {
            const apart = hand === 'right' ? midi - other.midi : other.midi - midi;
            if (apart <= 0) expect([...said].some((at) => at <= tick + length)).toBe(true);
          }
        }
      }),
      { numRuns: 120 },
    );
  });

  it('dress at most half of the tune, and play no kind three times in a row', () => {
    fc.assert(
      fc.property(songs, fc.nat(50), (song, seed) => {
        const a = filled(song, 'many', seed);
        for (const part of a.parts) {
          const own = a.right.filter(({ tick }) => tick >= part.fromTick && tick < part.toTick);
          expect(dressedShare(own)).toBeLessThanOrEqual(0.5);
        }
        const kinds = a.fills.filter(({ taken }) => taken).map(({ kind }) => kind);
        // Both hands may have one over a chord: those are told in the order of their ranks.
        for (let i = 4; i < kinds.length; i++)
          expect(new Set(kinds.slice(i - 4, i + 1)).size).toBeGreaterThan(1);
      }),
      { numRuns: 80 },
    );
  });

  it('are more with a larger measure, the same for the same seed, and none where none are wanted', () => {
    for (const song of DEMO_SONGS) {
      const count = (measure: Measure, seed = 0): number =>
        filled(song, measure, seed).fills.filter(({ taken }) => taken).length;
      expect(count('none')).toBe(0);
      expect(count('few')).toBeGreaterThan(0);
      expect(count('some')).toBeGreaterThanOrEqual(count('few'));
      expect(count('many')).toBeGreaterThan(count('some'));
      const told = (seed: number): string =>
        filled(song, 'many', seed)
          .fills.filter(({ taken }) => taken)
          .map(({ where }) => where)
          .join();
      expect(told(3)).toBe(told(3));
    }
    expect(
      new Set(
        [1, 2, 3, 4].map((seed) =>
          filled(DEMO_SONGS[0], 'some', seed)
            .fills.filter((f) => f.taken)
            .map((f) => f.id + f.variant)
            .join(),
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
    expect([...played].sort()).toEqual(all);
  });

  it('stay with the seventh rung, unless one was taken; on the first there are none', () => {
    const [lanterns] = DEMO_SONGS;
    const on = (rung: number, song: Song = lanterns): Arrangement =>
      arrange({ ...song, choices: { ...song.choices, rung } }, DEFAULT_PROFILE, { withoutFingers: true });
    for (const rung of [1, 2, 3, 4, 5, 6]) expect(on(rung).fills).toEqual([]);
    const [fill] = on(7).fills.filter(({ kind }) => kind === 'bass walk');
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
  it('are of the key or the chord, but for chromatic ways and what a minor key raises', () => {
    fc.assert(
      fc.property(songs, (song) => {
        const a = filled(song, 'many');
        for (const { kind, variant, notes } of a.fills) {
          if (/half step|diminished|chromatic/.test(variant)) continue;
          for (const { tick, pitch } of notes) {
            const key = keyAt(a.played, tick);
            const scale = new Set(scaleOf(key).map(chroma));
            const tonic = chroma(key.tonic);
            if (key.mode === 'minor') [9, 11].forEach((by) => scale.add((tonic + by) % 12));
            const around = a.changes.filter(({ change }) => Math.abs(change.tick - tick) < 4 * 3840);
            const members = around.flatMap(({ chord }) => membersOf(chord).map((m) => m.chroma));
            const isSung = a.played.melody.some((n) => midiOf(n.pitch) % 12 === midiOf(pitch) % 12);
            const isSuspended = kind === 'suspended close';
            const fits =
              scale.has(midiOf(pitch) % 12) || members.includes(midiOf(pitch) % 12) || isSung || isSuspended;
            expect([kind, variant, nameOf(pitch), fits]).toEqual([kind, variant, nameOf(pitch), true]);
          }
        }
      }),
      { numRuns: 80 },
    );
  });

  it('come in the same order in a key that lies near', () => {
    for (const song of DEMO_SONGS) {
      const fifths = song.keyMap[0];
      const up = { ...transposedUp(song), pins: [] };
      const ranked = (of: Song): string[] =>
        filled(of, 'none')
          .fills.filter(({ hand }) => hand === 'right')
          .map(({ id, kind }) => `${id} ${kind}`);
      const [plain, moved] = [ranked({ ...song, pins: [] }), new Set(ranked(up))];
      expect([fifths.mode, plain.filter((told) => moved.has(told)).length / plain.length > 0.85]).toEqual([
        fifths.mode,
        true,
      ]);
    }
  });

  it('have an id that tells their kind, and say why and where', () => {
    for (const song of DEMO_SONGS)
      for (const fill of filled(song, 'few').fills) {
        expect(kindOfId(fill.id)?.kind).toBe(fill.kind);
        expect(fill.reason).toMatch(/\.$/);
        expect(fill.where).toMatch(/^bar \d+, from .+: [A-G]/);
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
