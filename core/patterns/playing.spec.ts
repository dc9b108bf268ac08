import { describe, expect, it } from 'vitest';
import { TUNES_APART } from '../../demo/kept-apart';
import { UNSEEN_TUNES } from '../../demo/unseen';
import { DEMO_SONGS } from '../../demo/songs';
import { LATER_TUNES, TEST_TUNES } from '../../demo/tunes';
import type { Arrangement } from '../arrangement';
import { arrange } from '../arrange';
import { bassOf, membersOf, CHORD_TYPES, reachMm, spanMm, chroma } from '../music';
import { DEFAULT_PROFILE, type Profile, type Song, within } from '../song';
import { wholeBars } from '../testing';
import { AUTO, choosePattern } from './choosing';
import { PATTERNS } from './rows';

const SONGS = [...DEMO_SONGS, ...TEST_TUNES, ...LATER_TUNES, ...TUNES_APART, ...UNSEEN_TUNES];
/** Where no moving pattern is made for the metre. */
const HAS_PATTERN = SONGS.filter(
  ({ metreMap: [{ numerator, denominator }] }) => `${numerator}/${denominator}` !== '5/4',
);

/** What is struck for each chord in each bar outside the pick-up, with the melody that sounds there. */
function barsOf(a: Arrangement) {
  return a.changes.flatMap((c) =>
    a.played.bars.flatMap((bar) => {
      const from = Math.max(bar.tick, c.change.tick);
      const to = Math.min(bar.tick + bar.length, c.change.tick + c.change.length);
      const left = within(a.left, from, to).filter((n) => n.from === c.change.id);
      if (from >= to || bar.number === 0 || left.length === 0) return [];
      const right = a.right.filter((n) => n.tick < to && n.tick + n.length > from);
      return [{ bar: bar.number, change: c, from, left, right, isFirst: from === c.change.tick }];
    }),
  );
}

describe.each([8, 10] as const)('what moves at the fifth level, for a hand of %i', (leftReach) => {
  const profile: Profile = { ...DEFAULT_PROFILE, leftReach };
  const played = HAS_PATTERN.map((song) => {
    const { pattern } = choosePattern(AUTO, song.metreMap[0], 3);
    const choices = { ...song.choices, level: 5, pattern: pattern.id, layout: 'block' as const };
    return [song.title, arrange({ ...song, choices }, profile, { withoutFingers: true })] as const;
  });

  it.each(played)('has the root, or the written bass, where each chord begins: %s', (_, a) => {
    for (const { bar, change, left, from, isFirst } of barsOf(a)) {
      const lowest = Math.min(...left.filter((n) => n.tick === from).map((n) => n.midi)) % 12;
      const root = chroma(bassOf(change.chord));
      const fifth = membersOf(change.chord).find(({ number }) => number === 5)?.chroma;
      // The second bar of a waltz may have the fifth.
      expect([bar, lowest === root || (!isFirst && lowest === fifth)]).toEqual([bar, true]);
    }
  });

  it.each(played)('lets the third sound with every chord in every bar: %s', (_, a) => {
    for (const { bar, change, left, right } of barsOf(a)) {
      const third = membersOf(change.chord).find(({ number }) => [2, 3, 4].includes(number))?.chroma;
      const sounds = third === undefined || [...left, ...right].some((n) => n.midi % 12 === third);
      expect([bar, change.change.symbol, sounds]).toEqual([bar, change.change.symbol, true]);
    }
  });

  it.each(played)('stays below the tune, and keeps each bass in one octave inside a part: %s', (_, a) => {
    for (const { bar, left, right } of barsOf(a)) {
      const under = Math.min(128, ...right.map((n) => n.midi));
      expect([bar, Math.max(...left.map((n) => n.midi)) < under]).toEqual([bar, true]);
    }
    const given = new Set(a.findings.filter(({ kind }) => kind === 'thinned').map(({ tick }) => tick));
    for (const { fromTick, toTick } of a.parts) {
      const roots = a.left.filter(
        (n) =>
          n.source === 'pattern' &&
          n.tick >= fromTick &&
          n.tick < toTick &&
          a.changes.some(
            ({ change, chord }) => change.tick === n.tick && chroma(bassOf(chord)) === n.midi % 12,
          ) &&
          a.left.filter((other) => other.tick === n.tick).length === 1 &&
          !given.has(n.tick),
      );
      const octaves = new Map<number, Set<number>>();
      for (const { midi } of roots) octaves.set(midi % 12, (octaves.get(midi % 12) ?? new Set()).add(midi));
      expect([...octaves.values()].filter(({ size }) => size > 1).map((set) => [...set])).toEqual([]);
    }
  });
});

describe('a long chord that is held', () => {
  const [song] = DEMO_SONGS.filter(({ id }) => id === 'demo-rain');
  const strikes = (level: number, restrike?: 'once' | 'bar' | 'half', pattern = 'block'): number[] => {
    const changes = [{ ...song.changes[0], tick: 0, length: 4 * 3840 }];
    const choices = { ...song.choices, level, pattern, layout: 'block' as const, restrike };
    const a = arrange({ ...song, pickup: 0, melody: [], changes, choices, cuts: [] }, DEFAULT_PROFILE);
    return [...new Set(a.left.map(({ tick }) => tick / 3840))].filter((bar) => bar < 2);
  };

  it('is struck once, each bar, or each half bar, as chosen', () => {
    expect(strikes(4)).toEqual([0]);
    expect(strikes(4, 'bar')).toEqual([0, 1]);
    expect(strikes(4, 'half')).toEqual([0, 0.5, 1, 1.5]);
    expect(strikes(5)).toEqual([0, 1]);
    expect(strikes(5, 'once')).toEqual([0]);
  });
});

describe('patterns taken by choice', () => {
  const song = (symbols: readonly string[]): Song =>
    wholeBars(
      symbols.map(() => 'E6'),
      symbols,
    );
  const struck = (pattern: string, ...symbols: string[]): string[] => {
    const base = song([...symbols, 'C', 'C']);
    const choices = { ...base.choices, level: 5, pattern };
    const { left } = arrange({ ...base, choices }, DEFAULT_PROFILE, { withoutFingers: true });
    const byTick = new Map<number, number[]>();
    for (const n of left.filter(({ tick }) => tick < symbols.length * 3840))
      byTick.set(n.tick, [...(byTick.get(n.tick) ?? []), n.midi]);
    return [...byTick].map(([tick, keys]) => `${tick / 960}:${keys.join('+')}`);
  };

  it('strike what their rows say', () => {
    const [low] = struck('stride', 'C').map((strike) => Number(strike.split(':')[1]));
    expect(low % 12).toBe(0);
    expect(struck('pulse', 'C').map((strike) => strike.split(':')[0])).toEqual(['0', '1', '2', '3']);
    expect(struck('fifths', 'C')[1]).toBe(`1:${low}+${low + 7}`);
    expect(struck('root-and-low-fifth', 'C')).toEqual([`0:${low}`, `2:${low - 5}`]);
    const [bass, chord, fifth, again] = struck('stride', 'C').map((strike) => strike.split(':')[1]);
    expect([bass, fifth, again]).toEqual([String(low), String(low - 5), chord]);
    expect(chord.split('+').length).toBeGreaterThan(1);
    expect(struck('low-then-chord', 'C')).toEqual([`0:${low}`, `2:${chord}`]);
  });

  it('keep to the hand, the keyboard, the chord and the bar, with every chord type', () => {
    // All types one after the other in one song: a song for each took a hundred times as long.
    const base = song([...CHORD_TYPES.flatMap(({ suffix }) => [`C${suffix}`, `F#${suffix}`]), 'C', 'C']);
    for (const { id } of PATTERNS)
      for (const leftReach of [6, 8, 10] as const) {
        const choices = { ...base.choices, level: 5, pattern: id };
        const profile: Profile = { ...DEFAULT_PROFILE, leftReach, keyboard: 61 };
        const a = arrange({ ...base, choices }, profile, { withoutFingers: true });
        const byId = new Map(a.changes.map(({ change }) => [change.id, change]));
        const wrong: string[] = [];
        for (const { tick, length, midi, from } of a.left) {
          const own = byId.get(from);
          const isInside = own !== undefined && tick >= own.tick && tick + length <= own.tick + own.length;
          const told = `${own?.symbol}: ${midi} at ${tick}`;
          if (midi < 36 || midi > 96) wrong.push(`${told} is off the keyboard`);
          if (!isInside) wrong.push(`${told} is outside its chord`);
        }
        const byTick = new Map<number, number[]>();
        for (const n of a.left.filter(({ rolled }) => rolled === undefined))
          byTick.set(n.tick, [...(byTick.get(n.tick) ?? []), n.midi]);
        for (const [tick, keys] of byTick)
          if (spanMm(Math.min(...keys), Math.max(...keys)) > reachMm(leftReach))
            wrong.push(`${keys.join()} at ${tick} is out of reach`);
        expect([id, leftReach, byId.size, wrong]).toEqual([id, leftReach, base.changes.length, []]);
      }
  });
});
