import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { Clock } from '../performance';
import { DEFAULT_PROFILE } from '../song';
import { align } from './align';
import { LiveTake, type LiveStand } from './live';
import { playAsPupil, STEADY } from './pianist';
import { type WantedKey, wantedKeys } from './wanted';

const SONGS = DEMO_SONGS.map((song) => {
  const a = arrange({ ...song, choices: { ...song.choices, level: 5 } }, DEFAULT_PROFILE, {
    withoutFingers: true,
  });
  const clock = new Clock(a.played.tempoMap, song.feel);
  return wantedKeys([...a.right, ...a.left], clock, { fromTick: 0, toTick: a.played.endTick });
});

const heard = (wanted: readonly WantedKey[], pupil: Parameters<typeof playAsPupil>[1]): LiveStand => {
  const take = new LiveTake(wanted);
  return playAsPupil(wanted, pupil).events.reduce<LiveStand>((_, event) => take.hear(event), {
    wrong: [],
    reached: null,
  });
};

describe('a take followed while it is played', () => {
  it('has nothing wrong at any key of a clean take, and is at the key just played', () => {
    for (const wanted of SONGS) {
      const take = new LiveTake(wanted);
      let at = 0;
      for (const event of playAsPupil(wanted, { ...STEADY, spreadSeconds: 0 }).events) {
        const stand = take.hear(event);
        if (event.velocity > 0) at++;
        expect(stand.wrong).toEqual([]);
        expect(Math.abs(wanted.indexOf(stand.reached as WantedKey) - (at - 1))).toBeLessThanOrEqual(6);
      }
      expect(at).toBe(wanted.length);
    }
  });

  it('agrees with the take as it is laid once it is over, slips, stops and all', () => {
    let [both, live, whole] = [0, 0, 0];
    SONGS.forEach((wanted, song) => {
      for (const seed of [1, 2]) {
        const pupil = {
          ...STEADY,
          seed: 10 * song + seed,
          wrong: 0.05,
          missed: 0.05,
          extra: 0.03,
          restarts: seed,
        };
        const found = new Set(heard(wanted, pupil).wrong);
        const downs = playAsPupil(wanted, pupil).events.filter(({ velocity }) => velocity > 0);
        const { struck, missed } = align(wanted, downs);
        const right = new Set(
          struck.flatMap((s) => (s.kind === 'right' && s.wanted !== null ? [s.wanted] : [])),
        );
        const last = Math.max(...right);
        const off = new Set(
          [...struck.flatMap((s) => (s.kind === 'wrong' && s.wanted !== null ? [s.wanted] : [])), ...missed]
            .filter((at) => !right.has(at) && at < last - 6)
            .map((at) => wanted[at]),
        );
        both += [...off].filter((key) => found.has(key)).length;
        live += found.size;
        whole += off.size;
      }
    });
    expect(whole).toBeGreaterThan(150);
    expect(both / whole).toBeGreaterThanOrEqual(0.95);
    // What is told while one plays may be taken back: the judgement comes at the end.
    expect(both / live).toBeGreaterThanOrEqual(0.85);
  });

  it('forgives what is played anew', () => {
    const [wanted] = SONGS;
    const take = new LiveTake(wanted);
    const key = (midi: number, seconds: number) => take.hear({ midi, seconds, velocity: 80 });
    const keys = wanted.slice(0, 12).map(({ midi }) => midi);
    keys.forEach((midi, i) => key(i === 4 ? midi + 6 : midi, i * 0.4));
    expect(key(keys[11], 5).wrong.map((w) => wanted.indexOf(w))).toContain(4);
    let stand: LiveStand = { wrong: [], reached: null };
    keys.forEach((midi, i) => (stand = key(midi, 8 + i * 0.4)));
    expect(stand.wrong).toEqual([]);
  });

  it('finds who has gone back to the beginning', () => {
    const wanted = SONGS[0];
    const take = new LiveTake(wanted);
    const far = wanted
      .slice(0, 200)
      .map(({ midi }, i) => take.hear({ midi, seconds: i * 0.2, velocity: 80 }));
    expect(far.at(-1)).toMatchObject({ wrong: [] });
    const back = wanted
      .slice(0, 12)
      .map(({ midi }, i) => take.hear({ midi, seconds: 60 + i * 0.2, velocity: 80 }));
    // Here, or where the same music returns.
    expect(back.at(-1)?.reached?.midi).toBe(wanted[11].midi);
    expect(wanted.indexOf(back.at(-1)?.reached as WantedKey)).toBeLessThan(150);
    expect(back.at(-1)?.wrong).toEqual([]);
  });

  it('goes where three quarters of the last eight keys are found, and stays where fewer are', () => {
    // Every key but the first sixty comes once.
    const wanted = Array.from({ length: 120 }, (_, i): WantedKey => ({
      tick: i * 480,
      seconds: i * 0.3,
      midi: i < 60 ? 40 + (i % 2) : i,
      hand: 'right',
      from: `n${i}`,
    }));
    const jumping = (rightOnes: number): number | undefined => {
      const take = new LiveTake(wanted);
      const keys = [
        ...wanted.slice(0, 30).map(({ midi }) => midi),
        // Eight keys of the end, the first of them others.
        ...wanted.slice(100, 108).map(({ midi }, i) => (i < 8 - rightOnes ? 20 : midi)),
      ];
      const stands = keys.map((midi, i) => take.hear({ midi, seconds: i * 0.3, velocity: 80 }));
      return stands.at(-1)?.reached?.tick;
    };
    expect([8, 6].map(jumping)).toEqual([107 * 480, 107 * 480]);
    expect(jumping(5)).toBeLessThan(60 * 480);
  });

  it('costs as much in the last minute as in the first: it looks at the last keys alone', () => {
    const wanted = SONGS[0];
    const take = new LiveTake(wanted);
    for (const event of playAsPupil(wanted, STEADY).events) take.hear(event);
    const { open } = take as unknown as { open: unknown[] };
    expect(open.length).toBeLessThan(128);
  });
});
