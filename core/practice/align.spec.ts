import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import type { HandNote } from '../hands';
import { Clock } from '../performance';
import { DEFAULT_PROFILE, type Song } from '../song';
import { randomSong, runs } from '../testing';
import { align, layOnce } from './align';
import { GOAL } from './goal';
import { isCleanTurn, judgeTake } from './judge';
import { playAsPupil, type Pupil, STEADY } from './pianist';
import { troublesOf } from './troubles';
import { type WantedKey, wantedKeys } from './wanted';

function wantedOf(song: Song, level = 5): WantedKey[] {
  const a = arrange({ ...song, choices: { ...song.choices, level } }, DEFAULT_PROFILE, {
    withoutFingers: true,
  });
  const clock = new Clock(a.played.tempoMap, song.feel);
  return wantedKeys([...a.right, ...a.left], clock, { fromTick: 0, toTick: a.played.endTick });
}

const [lanterns] = DEMO_SONGS;
const SONGS = [
  ...DEMO_SONGS,
  ...[3, 9, 27].map((seed) => randomSong({ bars: 24, changesPerBar: 1, seed })),
].map((song) => wantedOf(song));

describe('a take laid against what was wanted', () => {
  it('finds 500 takes of known slips again: precision and recall of 0.95 and more, whatever the tempo', () => {
    let [found, told, truth] = [0, 0, 0];
    for (let seed = 1; seed <= 500; seed++) {
      const wanted = SONGS[seed % SONGS.length];
      const pupil: Pupil = {
        ...STEADY,
        seed,
        wrong: 0.05,
        missed: 0.05,
        extra: 0.05,
        restarts: 2,
        tempoFrom: 0.7 + (0.6 * (seed % 7)) / 6,
        tempoTo: 0.7 + (0.6 * (seed % 5)) / 4,
        spreadSeconds: 0.015,
      };
      const { events, slips } = playAsPupil(wanted, pupil);
      const downs = events.filter(({ velocity }) => velocity > 0);
      const { struck, missed, restarts } = align(wanted, downs);
      const heard = [
        ...struck
          .filter(({ kind }) => kind === 'wrong')
          .map((s) => ({ kind: 'wrong', wanted: s.wanted ?? -1 })),
        ...missed.map((at) => ({ kind: 'missed', wanted: at })),
        ...struck.flatMap((s, i) =>
          s.kind === 'extra'
            ? [{ kind: 'extra', wanted: struck.slice(0, i).findLast((b) => b.wanted !== null)?.wanted ?? 0 }]
            : [],
        ),
        ...restarts.map(({ wanted: at }) => ({ kind: 'restart', wanted: at })),
      ];
      const left = [...heard];
      for (const slip of slips) {
        // The same kind within a few keys: which of two neighbours was missed cannot be heard.
        const at = left.findIndex(
          (h) =>
            h.kind === slip.kind && Math.abs(h.wanted - slip.wanted) <= (slip.kind === 'restart' ? 8 : 4),
        );
        if (at >= 0) {
          left.splice(at, 1);
          found++;
        }
      }
      told += heard.length;
      truth += slips.length;
    }
    expect([found / truth > 0.95, found / told > 0.95, truth > 15_000]).toEqual([true, true, true]);
  });

  it('is right throughout where everything was right, at any tempo, the hands of a chord in any order', () => {
    fc.assert(
      fc.property(
        fc.nat(1e6),
        fc.constantFrom(...SONGS.keys()),
        fc.double({ min: 0.4, max: 1.6, noNaN: true }),
        (seed, at, tempo) => {
          const wanted = SONGS[at];
          const { events } = playAsPupil(wanted, { ...STEADY, seed, tempoFrom: tempo, tempoTo: tempo });
          const { struck, missed, restarts } = align(
            wanted,
            events.filter(({ velocity }) => velocity > 0),
          );
          expect([struck.filter(({ kind }) => kind !== 'right').length, missed, restarts]).toEqual([
            0,
            [],
            [],
          ]);
        },
      ),
      { numRuns: runs(60) },
    );
  });

  it('nothing played is nothing right; something played where nothing is wanted is extra', () => {
    const wanted = SONGS[0].slice(0, 3);
    expect(align(wanted, [])).toEqual({ struck: [], missed: [0, 1, 2], restarts: [] });
    expect(align([], [{ seconds: 0, midi: 60, velocity: 80 }]).struck).toEqual([
      { played: 0, wanted: null, kind: 'extra' },
    ]);
  });

  it('costs as little as any other way of laying it (short rows, by trying them all)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(60, 62, 64), { minLength: 1, maxLength: 4 }),
        fc.array(fc.constantFrom(60, 62, 64, 65), { minLength: 1, maxLength: 4 }),
        (want, play) => {
          const wanted = want.map((midi, i): WantedKey => ({
            tick: i * 960,
            seconds: i,
            midi,
            hand: 'right',
            from: `n${i}`,
          }));
          const downs = play.map((midi, i) => ({ seconds: i, midi, velocity: 80 }));
          const { struck, missed, restarts } = layOnce(wanted, downs, null);
          fc.pre(restarts.length === 0);
          const price = (w: number, p: number): number =>
            w === p ? 0 : Math.abs(w - p) <= 3 || Math.abs(w - p) === 12 ? 1.5 : 1.95;
          const best = (i: number, j: number): number => {
            if (j === play.length) return 0;
            const ways = [best(i, j + 1) + 1.05];
            if (i < want.length) {
              ways.push(best(i + 1, j) + 1);
              ways.push(best(i + 1, j + 1) + price(want[i], play[j]));
            }
            return Math.min(...ways);
          };
          const own =
            missed.length +
            struck.reduce(
              (sum, s) =>
                sum +
                (s.kind === 'extra'
                  ? 1.05
                  : s.kind === 'wrong' && s.wanted !== null
                    ? price(want[s.wanted], play[s.played])
                    : 0),
              0,
            );
          expect(own).toBeLessThanOrEqual(best(0, 0) + 1e-4);
        },
      ),
      { numRuns: runs(400) },
    );
  });
});

describe('a take judged', () => {
  it('knows how far each key strayed from the player’s own tempo, and how far the hands were apart, within 6 ms', () => {
    let [error, count] = [0, 0];
    for (let seed = 1; seed <= 60; seed++) {
      const wanted = SONGS[seed % SONGS.length];
      const leftLate = 0.01 * (seed % 5);
      const { events, strays } = playAsPupil(wanted, {
        ...STEADY,
        seed,
        leftLate,
        spreadSeconds: 0.012,
        tempoFrom: 0.8 + 0.1 * (seed % 4),
        tempoTo: 0.7 + 0.15 * (seed % 5),
      });
      const judged = judgeTake(wanted, events, 0.6);
      judged.keys.forEach(({ late }, i) => {
        const stray = strays[i];
        if (late === null || stray === null) return;
        error += Math.abs(late - stray);
        count++;
      });
      const [rights, lefts] = (['right', 'left'] as const).map((hand) => meetingStrays(wanted, strays, hand));
      if (judged.apart !== null) expect(Math.abs(judged.apart - (lefts - rights))).toBeLessThan(0.006);
    }
    expect(error / count).toBeLessThan(0.005);
  });

  it('tells tempo, force and evenness; a stop is no slip of time', () => {
    const wanted = SONGS[0];
    const judged = judgeTake(
      wanted,
      playAsPupil(wanted, { ...STEADY, tempoFrom: 0.8, tempoTo: 0.8 }).events,
      0.6,
    );
    expect(judged.tempo?.from).toBeCloseTo(0.8, 1);
    expect(judged.tempo?.to).toBeCloseTo(0.8, 1);
    expect(Math.round(judged.force.right ?? 0)).toBeGreaterThan(Math.round(judged.force.left ?? 0));
    expect(judged.cleanShare).toBe(1);
    expect(judged.unevenness).toBeLessThan(0.02);
    const { events } = playAsPupil(wanted, STEADY);
    const stopped = events.map((e) => (e.seconds > 10 ? { ...e, seconds: e.seconds + 4 } : e));
    expect(
      judgeTake(wanted, stopped, 0.6).keys.filter(({ how }) => how === 'late' || how === 'early').length,
    ).toBeLessThan(3);
  });

  it('what was not reached was not missed; a wrong key is told where it was wanted', () => {
    const wanted = SONGS[0];
    const { events } = playAsPupil(wanted, STEADY);
    const half = events.filter(({ seconds }) => seconds < 20);
    const judged = judgeTake(wanted, half, 0.6);
    expect(judged.keys.at(-1)?.how).toBe('not-reached');
    expect(judged.keys.filter(({ how }) => how === 'missed')).toEqual([]);
    const reached = judged.keys.filter(({ how }) => how !== 'not-reached');
    expect(reached.every(({ how }) => how === 'right')).toBe(true);
    expect(judged.cleanShare).toBe(reached.length / judged.keys.length);
    const downs = events.filter(({ velocity }) => velocity > 0);
    const wrong = downs.map((e, i) => (i === 7 ? { ...e, midi: e.midi + 1 } : e));
    const told = judgeTake(wanted, wrong, 0.6).keys.filter(({ how }) => how === 'wrong');
    expect(told.length).toBe(1);
  });

  it('hears an ornament as one, and a key struck over and over as one too many', () => {
    const tune = [60, 64, 67, 65, 62, 60].map((midi, i) => ({ midi, tick: i * 960, grace: false }));
    const notes = [...tune, { midi: 66, tick: 2 * 960, grace: true }].map((note): HandNote => ({
      ...({ length: 960, hand: 'right', from: 'n', pitch: { letter: 'C', alter: 0, octave: 4 } } as HandNote),
      ...note,
    }));
    const wanted = wantedKeys(notes, { secondsAt: (tick) => tick / 1920 }, { fromTick: 0, toTick: 9999 });
    expect(wanted.map(({ midi }) => midi)).toEqual([60, 64, 67, 65, 62, 60]);
    const played = (more: readonly (readonly [midi: number, seconds: number])[]) =>
      [...wanted.map(({ midi, seconds }) => [midi, seconds] as const), ...more]
        .map(([midi, seconds]) => ({ midi, seconds, velocity: 70 }))
        .sort((a, b) => a.seconds - b.seconds);
    const extras = (more: readonly (readonly [midi: number, seconds: number])[]) =>
      judgeTake(wanted, played(more), 0.5).extra.map(({ midi }) => midi);
    expect(extras([[66, 0.93]])).toEqual([]);
    expect(extras([[66, 2.3]])).toEqual([66]);
    expect(extras(Array.from({ length: 17 }, (_, i) => [71, 1.55 + i * 0.02] as const))).toEqual([71]);
    expect(isCleanTurn(judgeTake(wanted, played([[66, 0.93]]), 0.5), GOAL)).toBe(true);
  });

  it('is a clean turn to the end, without a stop, with enough keys right', () => {
    const wanted = SONGS[0];
    const downs = playAsPupil(wanted, STEADY).events.filter(({ velocity }) => velocity > 0);
    const clean = judgeTake(wanted, downs, 0.6);
    expect(isCleanTurn(clean, GOAL)).toBe(true);
    expect(isCleanTurn(judgeTake(wanted, downs.slice(0, -4), 0.6), GOAL)).toBe(false);
    expect(isCleanTurn({ ...clean, restarts: [0] }, GOAL)).toBe(false);
    // A key left out of the last chord is missed; what comes after the last key struck is not reached.
    const chord = [60, 64, 67].map((midi) => ({
      tick: 960,
      seconds: 1,
      midi,
      hand: 'right' as const,
      from: 'c',
    }));
    const melody = [0, 1920].map((tick) => ({
      tick,
      seconds: tick / 960,
      midi: 72,
      hand: 'right' as const,
      from: 'n',
    }));
    const short = judgeTake(
      [melody[0], ...chord, melody[1]],
      [
        { seconds: 0, midi: 72, velocity: 80 },
        { seconds: 1, midi: 60, velocity: 80 },
        { seconds: 1, midi: 64, velocity: 80 },
      ],
      0.6,
    );
    expect(short.keys.map(({ how }) => how)).toEqual(['right', 'right', 'right', 'missed', 'not-reached']);
    // 97 of a hundred, keys too many among them.
    const [key] = clean.keys;
    const share = (right: number, wrong: number, extra: number) => ({
      ...clean,
      keys: [
        ...Array.from({ length: right }, () => key),
        ...Array.from({ length: wrong }, () => ({ ...key, how: 'wrong' as const })),
      ],
      extra: Array.from({ length: extra }, () => ({ tick: 0, midi: 60 })),
    });
    expect(isCleanTurn(share(97, 3, 0), GOAL)).toBe(true);
    expect(isCleanTurn(share(97, 0, 3), GOAL)).toBe(true);
    expect(isCleanTurn(share(97, 3, 1), GOAL)).toBe(false);
    expect(isCleanTurn(share(96, 4, 0), GOAL)).toBe(false);
    expect(isCleanTurn(share(0, 0, 0), GOAL)).toBe(false);
  });

  it('the worst places come first, by bar, hand and kind', () => {
    const wanted = wantedOf(lanterns);
    const { events } = playAsPupil(wanted, STEADY);
    const downs = events.filter(({ velocity }) => velocity > 0);
    const second = wanted.find(({ tick, hand }) => tick >= 2880 && hand === 'left');
    const at = downs.findIndex((e) => e.midi === second?.midi && e.seconds > 2);
    const wrong = downs.map((e, i) => (i === at ? { ...e, midi: e.midi - 1 } : e));
    const [worst] = troublesOf(judgeTake(wanted, wrong, 0.625), (tick) => ({
      number: Math.floor(tick / 2880) + 1,
      beatSeconds: 0.625,
    }));
    expect(worst).toMatchObject({ bar: 2, hand: 'left', kind: 'wrong', times: 1, beats: 0 });
  });
});

function meetingStrays(
  wanted: readonly WantedKey[],
  strays: readonly (number | null)[],
  hand: 'right' | 'left',
): number {
  const ticks = new Map<number, Set<string>>();
  wanted.forEach(({ tick, hand: own }, i) => {
    if (strays[i] !== null) ticks.set(tick, (ticks.get(tick) ?? new Set()).add(own));
  });
  const perTick = [...ticks]
    .filter(([, hands]) => hands.size === 2)
    .map(([tick]) => {
      const own = wanted.flatMap((key, i) =>
        key.tick === tick && key.hand === hand ? [strays[i] ?? 0] : [],
      );
      return own.reduce((sum, s) => sum + s, 0) / own.length;
    });
  return perTick.reduce((sum, s) => sum + s, 0) / perTick.length;
}
