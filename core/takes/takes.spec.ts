import { inWords } from '../sentences';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { midiOf } from '../music';
import { seeded } from '../testing';
import { fitGrid, type Grid, gridSaid } from './grid';
import { findMetres } from './metreFinding';
import { movedSaid, quantise, topLine, withoutBreaths } from './quantise';
import { type Mistake, playSimulated } from './simulatedPianist';
import { compareTakes, keysOf, takeOf, withTake } from './take';

interface Onset {
  readonly written: number;
  readonly heard: number;
}

/** Figures of one beat, as written; in swing the half beat is heard two thirds through. */
const FIGURES: Record<'eighths' | 'sixteenths' | 'triplets' | 'swing', readonly (readonly number[])[]> = {
  eighths: [[0], [0, 0.5], [0, 0.5], []],
  sixteenths: [[0], [0, 0.5], [0, 0.25, 0.5, 0.75], [0, 0.5, 0.75], [0, 0.25, 0.5], [0, 0.75]],
  triplets: [[0], [0, 1 / 3, 2 / 3], [0, 1 / 3, 2 / 3], [0, 2 / 3]],
  swing: [[0], [0, 0.5], [0, 0.5]],
};
type Figures = keyof typeof FIGURES;

function tuneOn(gridOf: () => Figures, beats: number, chance: () => number): Onset[] {
  return Array.from({ length: beats }, (_, beat) => {
    const grid = gridOf();
    const figure = beat === 0 ? [0] : FIGURES[grid][Math.floor(chance() * FIGURES[grid].length)];
    return figure.map((at) => ({
      written: beat + at,
      heard: beat + (grid === 'swing' && at === 0.5 ? 2 / 3 : at),
    }));
  }).flat();
}

/** Share of onsets that come back at their written place, over seeded takes at several tempi. */
function recovered(gridOf: (chance: () => number) => Figures): number {
  let [found, all] = [0, 0];
  for (const quartersPerMinute of [90, 107, 124, 140])
    for (let seed = 1; seed <= 25; seed++) {
      const chance = seeded(1000 * quartersPerMinute + seed);
      const onsets = tuneOn(() => gridOf(chance), 32, chance);
      const tune = onsets.map((o, i) => ({
        beat: o.heard,
        beats: (onsets[i + 1]?.heard ?? 33) - o.heard,
        midi: 60 + (i % 12),
      }));
      const options = { quartersPerMinute, seed, spreadSeconds: 0.02, lateSeconds: 0, mistakes: [] };
      const { keys } = quantise(
        keysOf(playSimulated(tune, options), quartersPerMinute),
        60 / quartersPerMinute,
      );
      const got = new Set(keys.map((k) => `${k.tick}:${k.midi}`));
      onsets.forEach((o, i) => {
        all++;
        if (got.has(`${Math.round(o.written * 960)}:${60 + (i % 12)}`)) found++;
      });
    }
  return found / all;
}

describe('quantising simulated takes (spread 20 ms, 90 to 140 a minute)', () => {
  for (const grid of Object.keys(FIGURES) as Figures[])
    it(`recovers at least 98 % of onsets in ${grid}`, () => {
      expect(recovered(() => grid)).toBeGreaterThanOrEqual(0.98);
    });

  it('recovers at least 93 % where the grid changes from beat to beat', () => {
    const grids: readonly Figures[] = ['eighths', 'eighths', 'sixteenths', 'triplets'];
    expect(recovered((chance) => grids[Math.floor(chance() * grids.length)])).toBeGreaterThanOrEqual(0.93);
  });
});

describe('grids', () => {
  it('are found exactly on exact onsets, the coarsest that fits', () => {
    const fit = (onsets: number[]): Grid | null => fitGrid(onsets, 0.03).grid;
    expect(fit([0, 1, 2, 3])).toBe('beat');
    expect(fit([0, 0.5, 1, 2, 2.5])).toBe('eighths');
    expect(fit([0, 1 / 3, 2 / 3, 1, 2, 2 + 1 / 3])).toBe('triplets');
    expect(fit([0, 2 / 3, 1, 1 + 2 / 3, 2, 2 + 2 / 3])).toBe('swing');
    expect(inWords(gridSaid(fit([0, 0.25, 0.5, 0.75, 1])))).toBe('straight, four to a beat');
  });

  it('place onsets no worse than any other order-keeping choice of places on the grid', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 0.98, noNaN: true }), { minLength: 1, maxLength: 3 }),
        (list) => {
          const onsets = [...list].sort((a, b) => a - b);
          const { placed } = fitGrid(onsets, 0.05, 'sixteenths');
          const errors = placed.map((p, i) => cost(onsets[i] - p.heard));
          const doubles = placed.filter((p, i) => i > 0 && p.heard === placed[i - 1].heard).length;
          const ours = errors.reduce((sum, e) => sum + e, 0) + 12 * doubles;
          expect(ours).toBeLessThanOrEqual(bruteForce(onsets) + 1e-9);
        },
      ),
    );
  });
});

function cost(error: number): number {
  return Math.min(14, (error / 0.05) ** 2 / 2);
}

function bruteForce(onsets: readonly number[]): number {
  const places = [0, 0.25, 0.5, 0.75, 1];
  const best = (i: number, from: number): number =>
    i === onsets.length
      ? 0
      : Math.min(
          ...places.flatMap((p, k) =>
            k < from ? [] : [cost(onsets[i] - p) + (k === from && i > 0 ? 12 : 0) + best(i + 1, k)],
          ),
        );
  return Math.min(...places.map((p, k) => cost(onsets[0] - p) + best(1, k)));
}

const phrase = [62, 65, 69, 67, 65].map((midi, beat) => ({ beat, beats: 1, midi }));
const cMajor = { tonic: { letter: 'C' as const, alter: 0 }, mode: 'major' as const };
const play = (mistakes: Mistake[], seed = 7, lateSeconds = 0) =>
  takeOf(
    playSimulated(phrase, { quartersPerMinute: 100, seed, spreadSeconds: 0.015, lateSeconds, mistakes }),
    100,
    cMajor,
  );

describe('takes', () => {
  it('of the simulated pianist are repeatable and come back as the tune', () => {
    expect(play([]).melody.map((n) => [n.tick, midiOf(n.pitch)])).toEqual(
      phrase.map((k) => [960 * k.beat, k.midi]),
    );
    expect(play([], 3)).toEqual(play([], 3));
    expect(play([], 3).quantised.keys).not.toEqual(play([], 4).quantised.keys);
  });

  it('hold the mistakes asked for, and comparing them says where', () => {
    const [right, wrong] = [play([]), play([{ kind: 'wrong-key', note: 2 }])];
    expect(compareTakes(right, play([], 9))).toBe('the same notes at the same places');
    expect(compareTakes(wrong, right)).toContain('first on beat 3');
    expect(play([{ kind: 'left-out', note: 1 }]).melody).toHaveLength(4);
    expect(play([{ kind: 'struck-twice', note: 1 }]).melody).toHaveLength(6);
  });

  it('that come steadily late are put right, and that is told', () => {
    const late = play([], 7, 0.06);
    expect(late.melody.map((n) => n.tick)).toEqual(phrase.map((k) => 960 * k.beat));
    expect(late.quantised.lateBeats).toBeGreaterThan(0.06);
    expect(inWords(movedSaid(late.quantised, 0.6))).toMatch(/moved by \d+ ms on average, \d+ ms at most/);
  });

  it('kept stand in the place of their stretch and leave the rest of the song alone', () => {
    const song = DEMO_SONGS[1];
    const { melody } = withTake(song, play([]), 4800, 3840);
    const outside = (n: { tick: number }): boolean => n.tick < 4800 || n.tick >= 8640;
    expect(melody.filter(outside)).toEqual(song.melody.filter(outside));
    expect(melody.filter((n) => !outside(n)).map((n) => midiOf(n.pitch))).toEqual([62, 65, 69, 67]);
    expect(new Set(melody.map((n) => n.id)).size).toBe(melody.length);
  });

  it('of nothing are nothing', () => {
    expect(takeOf([], 100, cMajor).melody).toEqual([]);
    expect(inWords(movedSaid(takeOf([], 100, cMajor).quantised, 0.6))).toBe('nothing was played');
  });

  it('keep the top line, fill breaths and leave rests', () => {
    const line = topLine([
      { tick: 0, length: 960, midi: 60 },
      { tick: 0, length: 960, midi: 72 },
      { tick: 480, length: 480, midi: 71 },
    ]);
    expect(line.map((k) => [k.midi, k.length])).toEqual([
      [72, 480],
      [71, 480],
    ]);
    const spans = [
      { tick: 0, length: 860 },
      { tick: 960, length: 960 },
      { tick: 3840, length: 960 },
    ];
    expect(withoutBreaths(spans).map((s) => s.length)).toEqual([960, 960, 960]);
  });
});

describe('finding the metre', () => {
  it('finds metre and pick-up of every demo song from its notes and chords', () => {
    for (const song of DEMO_SONGS) {
      const [{ metre, pickup }] = findMetres(song.melody, song.changes);
      const { numerator, denominator } = song.metreMap[0];
      expect([song.title, metre, pickup]).toEqual([song.title, { numerator, denominator }, song.pickup]);
    }
  });

  it('counts bars from the first downbeat, not from the pick-up', () => {
    const note = (tick: number, length: number) => ({
      ...DEMO_SONGS[0].melody[0],
      id: `n${tick}`,
      tick,
      length,
    });
    // One beat before the bar, then a half and a quarter in each.
    const tune = [
      note(0, 960),
      ...[0, 1, 2, 3, 4, 5].flatMap((bar) => [note(960 + 2880 * bar, 1920), note(2880 + 2880 * bar, 960)]),
    ];
    expect(findMetres(tune)[0]).toMatchObject({ metre: { numerator: 3, denominator: 4 }, pickup: 960 });
  });

  it('has nothing to say of silence', () => {
    expect(findMetres([])).toEqual([]);
  });
});

describe('a steady lateness against the click', () => {
  /** Quarters on the beat, all late (or early) by so many milliseconds at 60 a minute. */
  const late = (ms: number) =>
    quantise(
      Array.from({ length: 8 }, (_, i) => ({ onset: i + ms / 1000, end: i + 0.9 + ms / 1000, midi: 60 + i })),
      1,
    );

  it('is taken off where it is more than chance: beyond half of a player’s usual spread', () => {
    expect(late(0).lateBeats).toBe(0);
    expect(late(9).lateBeats).toBe(0);
    expect(late(11).lateBeats).toBeCloseTo(0.011, 6);
    expect(late(-30).lateBeats).toBeCloseTo(-0.03, 6);
  });

  it('leaves every note where it belongs, and says how far each was from that', () => {
    for (const ms of [0, 40, -40]) {
      const { keys } = late(ms);
      expect(keys.map((key) => key.tick)).toEqual([0, 960, 1920, 2880, 3840, 4800, 5760, 6720]);
      for (const key of keys) expect(key.movedBeats).toBeCloseTo(0, 6);
    }
  });

  it('nothing played is nothing written', () => {
    expect(quantise([], 1, 'eighths')).toEqual({ keys: [], grid: 'eighths', lateBeats: 0 });
  });
});
