import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import type { HandNote } from '../hands';
import { KEYBOARDS, reachMm, spanMm, barTicks } from '../music';
import { choosePattern } from '../patterns';
import { barAt, applyEdit, DEFAULT_PROFILE, type Profile, emptySong, type Song } from '../song';
import { runs, songs, textOf, wholeBars } from '../testing';
import { countAt } from './counts';

const [lanterns, sluicegate] = DEMO_SONGS;
const onLevel = (song: Song, level: number, pattern = song.choices.pattern): Song =>
  applyEdit(song, { kind: 'choose', choices: { level, pattern } });
const profiles = fc.record({
  leftReach: fc.constantFrom(6, 7, 8, 9, 10),
  rightReach: fc.constantFrom(8),
  keyboard: fc.constantFrom(49, 61, 73, 76, 88),
}) as fc.Arbitrary<Profile>;

/** "E3 | A3 C4 | A3 C4": what is struck tick by tick. */
function struck(notes: readonly HandNote[], from: number, to: number): string {
  const ticks = [...new Set(notes.filter((n) => n.tick >= from && n.tick < to).map((n) => n.tick))];
  return ticks
    .map((t) =>
      notes
        .filter((n) => n.tick === t)
        .map((n) => n.midi)
        .join('+'),
    )
    .join(' ');
}

describe('counts', () => {
  const bar = { number: 1, tick: 0, length: 3840, metre: { numerator: 4, denominator: 4 } };
  it('says beats, halves, sixteenths and triplets', () => {
    expect([0, 480, 960, 1200, 1440, 1680].map((t) => countAt(bar, t))).toEqual([
      '1',
      '1 &',
      '2',
      '2 e',
      '2 &',
      '2 a',
    ]);
    expect([1920, 2240, 2560].map((t) => countAt(bar, t))).toEqual(['3', '3 trip', '3 let']);
    expect(countAt(bar, 100)).toBe('1 +');
  });
  it('counts 6/8 in eighths and a pick-up up to its bar line', () => {
    const jig = { number: 1, tick: 0, length: 2880, metre: { numerator: 6, denominator: 8 } };
    expect([0, 480, 2400].map((t) => countAt(jig, t))).toEqual(['1', '2', '6']);
    expect(countAt({ ...bar, number: 0, length: 960 }, 0)).toBe('4');
  });
});

describe('where hands meet', () => {
  it('tells struck, held and rest', () => {
    const song: Song = {
      ...emptySong('m', 'M'),
      barCount: 2,
      melody: [
        {
          id: 'n1',
          tick: 0,
          length: 2880,
          pitch: { letter: 'E', alter: 0, octave: 5 },
          tiedToNext: false,
          lyric: { text: 'boats', syllabic: 'single' },
          grace: false,
        },
      ],
      changes: [0, 1920, 3840].map((tick, i) => ({
        id: `c${i}`,
        tick,
        length: i === 2 ? 3840 : 1920,
        symbol: 'C',
        given: true,
        layout: null,
      })),
    };
    const { changes, meetings } = arrange(song, DEFAULT_PROFILE);
    expect(changes.map((c) => [c.meeting.how, c.meeting.syllable, c.meeting.count])).toEqual([
      ['struck', 'boats', '1'],
      ['held', 'boats', '3'],
      ['rest', null, '1'],
    ]);
    expect(meetings.map((m) => m.tick)).toEqual([0]);
  });

  it('lists every tick both hands strike and no other', () => {
    fc.assert(
      fc.property(songs, fc.constantFrom(2, 4, 5), (song, level) => {
        const a = arrange(onLevel(song, level), DEFAULT_PROFILE, { withoutFingers: true });
        const left = new Set(a.left.map((n) => n.tick));
        const both = [...new Set(a.right.map((n) => n.tick))].filter((t) => left.has(t));
        expect(a.meetings.map((m) => m.tick).sort((x, y) => x - y)).toEqual(both.sort((x, y) => x - y));
      }),
    );
  });
});

describe('levels and patterns', () => {
  it('climb from nothing through bass notes and blocks to a moving hand with walks', () => {
    const counts = [1, 2, 4, 5, 7].map(
      (level) => arrange(onLevel(lanterns, level), DEFAULT_PROFILE).left.length,
    );
    expect(counts.slice(0, 3)).toEqual([0, 24, 24 * 3 + 7]);
    expect(counts[3]).toBeGreaterThan(counts[2]);
    const roots = arrange(onLevel(lanterns, 2), DEFAULT_PROFILE)
      .left.slice(0, 4)
      .map((n) => n.pitch.letter);
    expect(roots.join('')).toBe('AFDE');
  });

  it('waltz: the root low, the chord above it twice; the last bar of a part comes to rest, the last of all is a block', () => {
    const { left, parts, changes } = arrange(onLevel(lanterns, 5, 'waltz'), DEFAULT_PROFILE);
    // Am lies C E A: its root goes low, what is left of it stays where the hand is.
    expect(struck(left, 0, 2880)).toBe('45 48+52 48+52');
    expect(struck(left, 2880, 2 * 2880)).toBe('41 48+57 48+57');
    const end = parts[0].toTick;
    const lastBar = left.filter((n) => n.tick >= end - 2880 && n.tick < end);
    expect(new Set(lastBar.map((n) => n.tick)).size).toBe(2);
    expect(Math.max(...lastBar.map((n) => n.tick + n.length))).toBe(end);
    expect(struck(left, 23 * 2880, 24 * 2880)).toBe(changes[23].voicing.keys.join('+'));
  });

  it('a waltz in place keeps the inversion: lowest, the others, the others', () => {
    const { left, changes } = arrange(onLevel(lanterns, 5, 'waltz-in-place'), DEFAULT_PROFILE);
    const [low, ...others] = changes[0].voicing.keys;
    expect(struck(left, 0, 2880)).toBe(`${low} ${others.join('+')} ${others.join('+')}`);
  });

  it('the second bar of one chord takes its fifth as the bass', () => {
    const song = {
      ...wholeBars(['E5', 'E5', 'E5', 'F5', 'E5'], ['C', 'N.C.', 'N.C.', 'F', 'C']),
      metreMap: [{ tick: 0, numerator: 3, denominator: 4 as const }],
    };
    const inThree: Song = {
      ...song,
      melody: song.melody.map((n, i) => ({ ...n, tick: 2880 * i, length: 2880 })),
      changes: [0, 3, 4].map((bar, i) => ({
        ...song.changes[i],
        id: `c${i}`,
        symbol: ['C', 'F', 'C'][i],
        tick: 2880 * bar,
        length: 2880 * [3, 1, 1][i],
      })),
    };
    const { left } = arrange(onLevel(inThree, 5, 'waltz'), DEFAULT_PROFILE);
    const bass = [0, 1, 2].map((bar) => left.find((n) => n.tick === 2880 * bar)?.midi);
    expect(bass).toEqual([48, 43, 48]);
  });

  it('waltz on a four-note chord: the root, then the other three', () => {
    const { left, changes } = arrange(onLevel(lanterns, 5, 'waltz'), DEFAULT_PROFILE);
    const seventh = changes.find((c) => c.change.symbol === 'G7');
    const strikes = left.filter(
      (n) => n.from === seventh?.change.id && n.tick === (seventh?.change.tick ?? 0) + 960,
    );
    expect(strikes).toHaveLength(3);
  });

  it('rocking: 1 5 8 5 from the root, silent under the pick-up, the first part of it on a short chord', () => {
    const { left, changes } = arrange(onLevel(sluicegate, 5, 'rocking'), DEFAULT_PROFILE);
    expect(left[0].tick).toBe(960);
    expect(struck(left, 960, 960 + 1920)).toBe('43 50 55 50');
    const short = changes.find((c) => c.change.length === 1920);
    expect(left.filter((n) => n.from === short?.change.id)).toHaveLength(4);
  });

  it('a small hand rocks 1 5 3 5', () => {
    const { left } = arrange(onLevel(sluicegate, 5, 'rocking'), { ...DEFAULT_PROFILE, leftReach: 7 });
    expect(struck(left, 960, 960 + 1920)).toBe('43 50 47 50');
  });

  it('says where it thinned, and can be refused', () => {
    const first = arrange(onLevel(sluicegate, 5, 'rocking'), DEFAULT_PROFILE);
    const thinned = first.findings.filter((f) => f.kind === 'thinned');
    expect(textOf(thinned[0])).toBe(
      'Rocking thins under D7 in bar 4: the right hand comes within two half steps.',
    );
    const change = first.changes.find((c) => c.change.tick === thinned[0].tick);
    const refused = applyEdit(onLevel(sluicegate, 5, 'rocking'), {
      kind: 'thinning',
      changeId: change?.change.id ?? '',
      refused: true,
    });
    expect(arrange(refused, DEFAULT_PROFILE).findings.filter((f) => f.kind === 'thinned')).toHaveLength(
      thinned.length - 1,
    );
  });

  it('takes a pattern made for the metre, a block where there is none', () => {
    const chosen = (choice: string, numerator: number, denominator: number) => {
      const { pattern, refused } = choosePattern(choice, { numerator, denominator }, 3);
      return [pattern.id, refused];
    };
    expect(chosen('auto', 3, 4)).toEqual(['waltz', null]);
    expect(chosen('auto', 4, 4)).toEqual(['rocking', null]);
    expect(chosen('auto', 2, 2)).toEqual(['rocking', null]);
    for (const eighths of [3, 6, 9, 12]) expect(chosen('auto', eighths, 8)).toEqual(['jig', null]);
    for (const [beats, unit] of [
      [5, 4],
      [7, 8],
      [8, 8],
    ] as const)
      expect(chosen('auto', beats, unit)).toEqual(['low-in-groups', null]);
    expect(chosen('auto', 3, 2)).toEqual(['block', null]);
    expect(chosen('rocking', 2, 4)).toEqual(['rocking', null]);
    expect(chosen('waltz', 4, 4)).toEqual(['block', 'metre']);
    expect(chosen('Waltz', 3, 4)).toEqual(['block', 'unknown']);
  });
});

describe('what every arrangement keeps', () => {
  const inside = (song: Song, profile: Profile, level: number): void => {
    const a = arrange(onLevel(song, level), profile, { withoutFingers: true });
    const { low, high } = KEYBOARDS[profile.keyboard];
    const byTick = new Map<number, number[]>();
    for (const n of a.left) {
      expect(n.midi >= low && n.midi <= high).toBe(true);
      expect(n.tick + n.length).toBeLessThanOrEqual(a.played.endTick);
      if (n.rolled === undefined) byTick.set(n.tick, [...(byTick.get(n.tick) ?? []), n.midi]);
    }
    for (const keys of byTick.values())
      expect(spanMm(Math.min(...keys), Math.max(...keys))).toBeLessThanOrEqual(reachMm(profile.leftReach));
    // Where the left hand reaches the right there is a finding at that very place.
    for (const n of a.left) {
      const over = a.right.filter(
        (r) => r.tick < n.tick + n.length && r.tick + r.length > n.tick && r.midi <= n.midi,
      );
      if (over.length > 0) expect(a.findings.some((f) => f.kind === 'bump')).toBe(true);
    }
  };

  it('keys within hand and keyboard, hands apart or the bump reported, at every level', () => {
    fc.assert(fc.property(songs, profiles, fc.constantFrom(2, 4, 5, 7), inside), { numRuns: runs(120) });
  });

  it('the left hand of a demo song never bumps, at any level, keyboard or hand', () => {
    for (const song of DEMO_SONGS) {
      for (const level of [2, 4, 5, 7]) {
        for (const leftReach of [6, 7, 8, 10] as const) {
          const a = arrange(onLevel(song, level), { ...DEFAULT_PROFILE, leftReach, keyboard: 61 });
          expect(a.findings.filter((f) => f.kind === 'bump')).toEqual([]);
        }
      }
    }
  });
});

describe('fills', () => {
  it('walk by step to the root where the melody holds, and the root is what comes', () => {
    for (const song of DEMO_SONGS) {
      const a = arrange(onLevel(song, 7), DEFAULT_PROFILE);
      const taken = a.fills.filter((f) => f.taken && f.kind === 'walk');
      // Held notes at the ends of its phrases leave it room.
      if (song === lanterns) expect(taken.length).toBeGreaterThan(0);
      for (const fill of taken) {
        const line = a.left.filter((n) => n.tick >= fill.tick && n.tick < fill.tick + fill.length);
        expect(line.every((n) => n.source === 'fill')).toBe(true);
        const next = a.changes.find((c) => c.change.tick === fill.tick + fill.length);
        const arrival = a.left.filter((n) => n.tick === fill.tick + fill.length);
        expect(arrival[0].pitch.letter).toBe((next?.chord.bass ?? next?.chord.root)?.letter);
        const steps = [...line.map((n) => n.midi), arrival[0].midi];
        for (let i = 1; i < steps.length; i++)
          expect(Math.abs(steps[i] - steps[i - 1])).toBeLessThanOrEqual(2);
        const held = a.right.filter(
          (n) => n.source !== 'fill' && n.tick > fill.tick && n.tick < fill.tick + fill.length - 960,
        );
        expect(held).toEqual([]);
        expect(barAt(a.played.bars, fill.tick).length).toBe(barTicks(song.metreMap[0]));
      }
    }
  });

  it('are left out when declined', () => {
    const first = arrange(onLevel(lanterns, 7), DEFAULT_PROFILE).fills[0];
    const song = applyEdit(onLevel(lanterns, 7), {
      kind: 'fill',
      fill: { id: first.id, kind: 'walk', variant: '' },
      taken: false,
    });
    const a = arrange(song, DEFAULT_PROFILE);
    expect(a.fills.find((f) => f.id === first.id)?.taken).toBe(false);
    expect(a.left.some((n) => n.source === 'fill' && n.tick === first.tick)).toBe(false);
  });
});
