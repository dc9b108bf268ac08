import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import { type Chord, parseChord, chroma, nameOf } from '../music';
import { barAt, applyEdit, DEFAULT_PROFILE, type Song } from '../song';
import { randomSong, runs, songs, wholeBars } from '../testing';
import { aboveRoot } from './members';
import { PATTERNS, SUBSTITUTES } from './rows';

const patterned = (song: Song, pattern: string): Song =>
  applyEdit(song, { kind: 'choose', choices: { level: 5, pattern } });
const anyPattern = fc.constantFrom('block', 'waltz', 'rocking', 'stride', 'crossing-six');

describe('pattern rows', () => {
  it('fit inside themselves, strike something, and have names of their own', () => {
    for (const { id, beats, events } of PATTERNS) {
      expect(id).toMatch(/^[a-z0-9-]+$/);
      for (const event of events) {
        expect(event.members.length).toBeGreaterThan(0);
        if (beats > 0) expect(event.onset + event.length).toBeLessThanOrEqual(beats);
      }
    }
    expect(new Set(PATTERNS.map((p) => p.id)).size).toBe(PATTERNS.length);
  });

  it('have a substitute for every member that ends at an octave', () => {
    for (let member of Object.keys(SUBSTITUTES).map(Number)) {
      for (let i = 0; member % 7 !== 1 && i < 5; i++) member = SUBSTITUTES[member];
      expect([8, 15]).toContain(member);
    }
  });

  it('turn members into half steps above the root, or what stands in for them', () => {
    const steps = (symbol: string): number[] =>
      [1, 3, 5, 7, 8, 9, 10, 12, 14, 15].map((member) => aboveRoot(parseChord(symbol) as Chord, member));
    expect(steps('C')).toEqual([0, 4, 7, 12, 12, 12, 16, 19, 24, 24]);
    expect(steps('Am7')).toEqual([0, 3, 7, 10, 12, 12, 15, 19, 22, 24]);
    expect(steps('Gsus4')).toEqual([0, 5, 7, 12, 12, 12, 17, 19, 24, 24]);
    expect(steps('D9')).toEqual([0, 4, 7, 10, 12, 14, 16, 19, 22, 24]);
    expect(steps('F5')).toEqual([0, 7, 7, 12, 12, 12, 12, 19, 24, 24]);
    expect(steps('Bm7b5')).toEqual([0, 3, 6, 10, 12, 12, 15, 18, 22, 24]);
  });
});

describe('walking fifths', () => {
  it('walk to the next root in the last two beats of a chord of two bars, and stay where nothing follows', () => {
    const keys = (tonic: 'C' | 'A', mode: 'major' | 'minor', symbols: readonly string[]): string => {
      const base = wholeBars(
        symbols.flatMap(() => ['C6', 'C6']),
        symbols,
      );
      const song: Song = {
        ...base,
        keyMap: [{ tick: 0, tonic: { letter: tonic, alter: 0 }, mode }],
        changes: base.changes.map((c, i) => ({ ...c, tick: 2 * i * 3840, length: 2 * 3840 })),
        choices: { ...base.choices, level: 5, pattern: 'root-and-fifth-walking' },
        division: { ...base.division, method: 'bars', bars: 8 },
      };
      return arrange(song, DEFAULT_PROFILE)
        .left.filter(({ tick }) => tick < 2 * 3840)
        .map(({ pitch }) => nameOf(pitch))
        .join(' ');
    };
    expect(keys('C', 'major', ['C', 'F'])).toBe('C3 G3 C3 G3 C3 G3 A2 G2');
    expect(keys('C', 'major', ['G', 'C'])).toBe('G2 D3 G2 D3 G2 D3 A2 B2');
    expect(keys('A', 'minor', ['E7', 'Am'])).toBe('E2 B2 E2 B2 E2 B2 F#2 G#2');
    expect(keys('C', 'major', ['C', 'C'])).toBe('C3 G3 C3 G3 C3 G3 C3 G3');
  });
});

describe('a dressed left hand', () => {
  it('plays members of the chord only, begins no note outside its change and lets none ring past it', () => {
    fc.assert(
      fc.property(songs, anyPattern, (song, pattern) => {
        const a = arrange(patterned(song, pattern), DEFAULT_PROFILE, { withoutFingers: true });
        const byId = new Map(a.changes.map((c) => [c.change.id, c]));
        for (const note of a.left) {
          const v = byId.get(note.from);
          expect(v).toBeDefined();
          if (!v) continue;
          const allowed = new Set([
            ...v.chord.type.semitones.map((s) => (s + chroma(v.chord.root)) % 12),
            chroma(v.chord.bass ?? v.chord.root),
            ...v.voicing.keys.map((k) => k % 12),
          ]);
          expect(allowed.has(note.midi % 12)).toBe(true);
          expect(note.tick).toBeGreaterThanOrEqual(v.change.tick);
          expect(note.tick + note.length).toBeLessThanOrEqual(v.change.tick + v.change.length);
        }
      }),
      { numRuns: runs(100) },
    );
  });

  it('strikes at every chord change outside the pick-up', () => {
    fc.assert(
      fc.property(songs, anyPattern, (song, pattern) => {
        const a = arrange(patterned(song, pattern), DEFAULT_PROFILE, { withoutFingers: true });
        const struck = new Set(a.left.map((n) => n.tick));
        for (const { change } of a.changes) {
          if (barAt(a.played.bars, change.tick).number > 0) expect(struck.has(change.tick)).toBe(true);
        }
      }),
      { numRuns: runs(60) },
    );
  });

  it('never strikes one key twice at once', () => {
    fc.assert(
      fc.property(songs, anyPattern, (song, pattern) => {
        const { left } = arrange(patterned(song, pattern), DEFAULT_PROFILE, { withoutFingers: true });
        expect(new Set(left.map((n) => `${n.tick}:${n.midi}`)).size).toBe(left.length);
      }),
      { numRuns: runs(60) },
    );
  });

  it('comes no nearer than two half steps to the melody without saying so', () => {
    fc.assert(
      fc.property(fc.nat(1e5), (seed) => {
        const song = randomSong({ bars: 4, changesPerBar: 1, seed, lowest: 55, highest: 70 });
        const a = arrange(patterned(song, 'auto'), DEFAULT_PROFILE, { withoutFingers: true });
        const near = a.left.filter(
          (l) =>
            l.source === 'pattern' &&
            a.right.some(
              (r) => r.tick < l.tick + l.length && r.tick + r.length > l.tick && l.midi >= r.midi - 2,
            ),
        );
        expect(near).toEqual([]);
      }),
      { numRuns: runs(80) },
    );
  });

  it('takes the fifth as the chord has it, and what stands in for a missing third', () => {
    const rocking = (symbol: string, leftReach: 7 | 8 | 10, sung?: string): number[] => {
      const song: Song = {
        ...randomSong({ bars: 2, changesPerBar: 1, seed: 3 }),
        melody: sung ? [{ ...wholeBars([sung], ['C']).melody[0], length: 7680 }] : [],
        metreMap: [{ tick: 0, numerator: 4, denominator: 4 }],
        pickup: 0,
        barCount: 2,
      };
      const changes = [0, 3840].map((tick, i) => ({
        id: `c${i}`,
        tick,
        length: 3840,
        symbol,
        given: true,
        layout: null,
      }));
      const { left } = arrange(patterned({ ...song, changes }, 'rocking'), { ...DEFAULT_PROFILE, leftReach });
      return left.slice(0, 4).map((n) => n.midi - left[0].midi);
    };
    expect(parseChord('Bdim')).not.toBeNull();
    // The third must sound somewhere: in the melody, else in the figure.
    expect(rocking('C', 8, 'E6')).toEqual([0, 7, 12, 7]);
    expect(rocking('C', 8, 'C6')).toEqual([0, 7, 4, 7]);
    expect(rocking('C', 10, 'C6')).toEqual([0, 7, 16, 7]);
    expect(rocking('C', 7, 'E6')).toEqual([0, 7, 4, 7]);
    expect(rocking('Bdim', 8)).toEqual([0, 6, 3, 6]);
    expect(rocking('Caug', 8, 'E6')).toEqual([0, 8, 12, 8]);
    expect(rocking('C5', 8)).toEqual([0, 7, 12, 7]);
    expect(rocking('Csus4', 7)).toEqual([0, 7, 5, 7]);
    expect(rocking('C5', 7)).toEqual([0, 7, 7, 7]);
    expect(rocking('Cm', 7)).toEqual([0, 7, 3, 7]);
  });
});
