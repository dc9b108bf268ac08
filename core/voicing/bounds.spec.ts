import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import { Memory } from '../memory';
import { type Chord, parseChord, KEYBOARDS, reachMm, spanMm, chroma } from '../music';
import { applyEdit, DEFAULT_PROFILE, type Profile } from '../song';
import { randomSong, runs } from '../testing';
import { OptionFinder, soundingIn } from './bounds';
import { lowIntervalBreaches, voicingCost } from './cost';
import { voicingOf } from './voicing';
import { DEFAULT_WEIGHTS, PURE_WEIGHTS } from './weights';

const profiles = fc.record({
  leftReach: fc.constantFrom(6, 7, 8, 9, 10),
  rightReach: fc.constant(8),
  keyboard: fc.constantFrom(49, 61, 88),
}) as fc.Arbitrary<Profile>;
const lowSongs = fc
  .record({
    bars: fc.integer({ min: 2, max: 8 }),
    changesPerBar: fc.constantFrom(1, 2),
    seed: fc.nat(1e6),
    lowest: fc.integer({ min: 30, max: 62 }),
  })
  .map((options) => randomSong({ ...options, highest: options.lowest + 14 }));
const layouts = fc.constantFrom('block', 'three', 'root');

describe('hard rules, however low the melody', () => {
  it('the hand reaches, the keyboard holds, the slash bass lies lowest; what gives way is a finding', () => {
    fc.assert(
      fc.property(lowSongs, profiles, layouts, (song, profile, layout) => {
        const a = arrange(applyEdit(song, { kind: 'choose', choices: { layout } }), profile, {
          withoutFingers: true,
        });
        const { low, high } = KEYBOARDS[profile.keyboard];
        for (const { voicing, chord, change, length, relaxed } of a.changes) {
          const { keys } = voicing;
          const top = keys[keys.length - 1];
          expect(spanMm(keys[0], top)).toBeLessThanOrEqual(reachMm(profile.leftReach));
          expect(keys[0] >= low && top <= high).toBe(true);
          if (chord.bass) expect(keys[0] % 12).toBe(chroma(chord.bass));
          const over = a.right.filter(
            (n) => !n.grace && n.tick < change.tick + length && n.tick + n.length > change.tick,
          );
          if (over.some((n) => n.midi <= top)) expect(relaxed).toBe('crossing');
          const said = a.findings.filter((f) => f.tick === change.tick).map((f) => f.kind);
          if (relaxed === 'crossing') expect(said).toContain('crossing');
          if (relaxed === 'shortened') expect(said).toContain('shortened');
          if (voicing.missing.length > 0) expect(said).toContain('thin-chord');
          expect(length).toBeLessThanOrEqual(change.length);
        }
        const sounding = a.played.changes.filter((c) => c.chord !== null);
        expect(a.changes).toHaveLength(sounding.length);
      }),
      { numRuns: runs(150) },
    );
  });

  it('gives the same arrangement each time', () => {
    fc.assert(
      fc.property(lowSongs, profiles, (song, profile) => {
        const keys = (): number[][] =>
          arrange({ ...song, melody: [...song.melody] }, profile, { withoutFingers: true }).changes.map(
            (c) => [...c.voicing.keys],
          );
        expect(keys()).toEqual(keys());
      }),
      { numRuns: 30 },
    );
  });
});

describe('the order of giving way', () => {
  const finder = new OptionFinder({ ...DEFAULT_PROFILE, keyboard: 61 }, new Memory());
  const under = (ceiling: number, dip?: number) => {
    const notes = [
      { tick: 0, length: dip ? 1920 : 3840, midi: ceiling },
      ...(dip ? [{ tick: 1920, length: 1920, midi: dip }] : []),
    ];
    return finder.under('C', parseChord('C') as Chord, 'block', 3840, notes, 0);
  };

  it('whole, thinned, shortened, nothing', () => {
    expect(under(72)).toMatchObject({ relaxed: null, length: 3840 });
    expect(under(41)).toMatchObject({ relaxed: 'thinned', length: 3840 });
    expect(under(72, 36)).toMatchObject({ relaxed: 'shortened', length: 1920 });
    expect(under(37)).toBeNull();
  });

  it('keeps a whole chord for as long as it can when it must let go', () => {
    const notes = [60, 50, 37].map((midi, i) => ({ tick: i * 960, length: 960, midi }));
    const found = finder.under('C', parseChord('C') as Chord, 'block', 2880, notes, 0);
    expect(found).toMatchObject({ relaxed: 'shortened', length: 1920 });
    expect(found?.candidates.every((v) => v.keys.length === 3 && v.keys[2] < 50)).toBe(true);
  });

  it('remembers lists for the same hand and not for another', () => {
    const memory = new Memory();
    const [one, same, other] = ([8, 9, 8] as const).map((rightReach, i) => {
      const profile: Profile = { ...DEFAULT_PROFILE, rightReach, leftReach: i === 2 ? 9 : 8 };
      return new OptionFinder(profile, memory).under('C', parseChord('C') as Chord, 'block', 480, [], 0);
    });
    expect(same?.candidates).toBe(one?.candidates);
    expect(other?.candidates).not.toBe(one?.candidates);
  });
});

describe('what sounds in a stretch', () => {
  it('is what overlaps it, checked one by one', () => {
    const notes = fc.array(
      fc.record({ tick: fc.nat(4000), length: fc.integer({ min: 1, max: 900 }), midi: fc.constant(60) }),
      { maxLength: 20 },
    );
    fc.assert(
      fc.property(notes, fc.nat(4000), fc.integer({ min: 1, max: 1500 }), (list, from, length) => {
        const sorted = [...list].sort((a, b) => a.tick - b.tick);
        const longest = Math.max(0, ...sorted.map((n) => n.length));
        const expected = sorted.filter((n) => n.tick < from + length && n.tick + n.length > from);
        expect(soundingIn(sorted, from, from + length, longest)).toEqual(expected);
      }),
    );
  });
});

describe('the cost of a voicing', () => {
  const place = { firstOrLast: false, register: 0, leadingNote: 11, reachMm: reachMm(8) };
  const cost = (keys: number[], at = place): number =>
    voicingCost(voicingOf(keys, parseChord('C') as Chord), at, DEFAULT_WEIGHTS);

  it('is nothing in pure mode', () => {
    expect(
      voicingCost(
        voicingOf([24, 28, 31], parseChord('C') as Chord),
        { ...place, firstOrLast: true },
        PURE_WEIGHTS,
      ),
    ).toBe(0);
  });

  it('rises away from the register, below the low-interval limits and for an inversion at the ends', () => {
    expect(cost([48, 52, 55])).toBe(0);
    expect(cost([36, 40, 43])).toBeGreaterThan(cost([48, 52, 55]));
    expect(cost([60, 64, 67])).toBeGreaterThan(cost([52, 55, 60]));
    expect(cost([52, 55, 60], { ...place, firstOrLast: true }) - cost([52, 55, 60])).toBe(
      DEFAULT_WEIGHTS.notRootAtEnds,
    );
  });

  it('counts each adjacent pair below its limit by how far', () => {
    expect(lowIntervalBreaches([48, 52, 55])).toEqual([]);
    expect(lowIntervalBreaches([40, 44, 47])).toEqual([6, 4]);
    expect(lowIntervalBreaches([36, 48])).toEqual([]);
  });

  it('follows the register chosen', () => {
    const low = { ...place, register: -12 };
    expect(cost([36, 43, 48], low)).toBeLessThan(cost([60, 64, 67], low));
  });
});
