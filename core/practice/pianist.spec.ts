import { describe, expect, it } from 'vitest';
import { playAsPupil, type Pupil, STEADY } from './pianist';
import type { WantedKey } from './wanted';

const wanted = Array.from({ length: 40 }, (_, i): WantedKey => ({
  seconds: Math.floor(i / 2) * 0.5,
  tick: Math.floor(i / 2) * 480,
  midi: i % 2 === 0 ? 72 : 48,
  hand: i % 2 === 0 ? 'right' : 'left',
  from: `n${i}`,
}));
const MACHINE: Pupil = { ...STEADY, spreadSeconds: 0 };
const downs = (pupil: Pupil) => playAsPupil(wanted, pupil).events.filter(({ velocity }) => velocity > 0);

describe('a stand-in for a pupil', () => {
  it('plays every key a second after it began, at its tempo, and lets it go', () => {
    const { events, slips, strays } = playAsPupil(wanted, MACHINE);
    expect(slips).toEqual([]);
    expect(new Set(strays)).toEqual(new Set([0]));
    expect(events).toHaveLength(80);
    for (const key of [72, 48])
      expect(downs(MACHINE).flatMap(({ seconds, midi }) => (midi === key ? [seconds] : []))).toEqual(
        Array.from({ length: 20 }, (_, i) => 1 + i * 0.5),
      );
    expect(downs({ ...MACHINE, tempoFrom: 0.5, tempoTo: 0.5 }).map(({ seconds }) => seconds)).toEqual(
      wanted.map(({ seconds }) => 1 + 2 * seconds),
    );
  });

  it('drifts from one tempo to the other, evenly: slower at the end where it ends slower', () => {
    const at = downs({ ...MACHINE, tempoFrom: 1, tempoTo: 0.5 }).map(({ seconds }) => seconds);
    const gaps = at
      .slice(2)
      .map((second, i) => second - at[i])
      .filter((_, i) => i % 2 === 0);
    gaps.slice(1).forEach((gap, i) => expect(gap).toBeGreaterThan(gaps[i]));
    expect([gaps[0], gaps.at(-1)].map((gap) => Number(gap?.toFixed(2)))).toEqual([0.51, 0.97]);
  });

  it('plays the left hand later where it is late, and each hand as loud as it is, more or less', () => {
    const late = downs({ ...MACHINE, leftLate: 0.03 });
    const right = late.filter(({ midi }) => midi === 72);
    const left = late.filter(({ midi }) => midi === 48);
    expect(right.map(({ seconds }) => seconds)).toEqual(right.map((_, i) => 1 + i * 0.5));
    left.forEach(({ seconds }, i) => expect(seconds).toBeCloseTo(1.03 + i * 0.5, 9));
    const mean = (keys: typeof late): number =>
      keys.reduce((sum, { velocity }) => sum + velocity, 0) / keys.length;
    expect(Math.abs(mean(right) - 84)).toBeLessThan(4);
    expect(Math.abs(mean(left) - 66)).toBeLessThan(4);
    expect(new Set(right.map(({ velocity }) => velocity)).size).toBeGreaterThan(5);
    const loud = downs({ ...MACHINE, rightForce: 300, leftForce: -50 });
    expect(new Set(loud.map(({ midi, velocity }) => `${midi} ${velocity}`))).toEqual(
      new Set(['72 120', '48 20']),
    );
  });

  it('leaves keys out, presses others, and says which, the same by the same seed', () => {
    const careless = { ...MACHINE, wrong: 0.2, missed: 0.2, seed: 5 };
    const { events, slips, strays } = playAsPupil(wanted, careless);
    const pressed = events.filter(({ velocity }) => velocity > 0);
    const count = (kind: string): number => slips.filter((slip) => slip.kind === kind).length;
    expect(pressed).toHaveLength(wanted.length - count('missed'));
    expect(count('missed')).toBeGreaterThan(2);
    expect(count('wrong')).toBeGreaterThan(2);
    expect(pressed.filter(({ midi }) => midi !== 72 && midi !== 48)).toHaveLength(count('wrong'));
    expect(strays.filter((stray) => stray === null)).toHaveLength(slips.length);
    expect(playAsPupil(wanted, careless)).toEqual({ events, slips, strays });
    expect(playAsPupil(wanted, { ...careless, seed: 6 }).slips).not.toEqual(slips);
  });
});
