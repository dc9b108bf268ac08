import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { turnOf } from '../parts';
import { applyEdit, DEFAULT_PROFILE, type Song } from '../song';
import { offersOf, textOf, wholeBars } from '../testing';
import { leftInWords } from '../words/leftHand';
import { choosePattern, fitsMetre, kindred, patternsOf } from './choosing';
import { PATTERNS } from './rows';

const FOUR = { numerator: 4, denominator: 4 };
const own = {
  id: 'mine',
  name: 'Mine',
  base: 'root' as const,
  beats: 8,
  events: [
    { onset: 0, length: 2, members: [1] },
    { onset: 2, length: 2, members: [5] },
    { onset: 4, length: 4, members: [8] },
  ],
};
const playing = (pattern: string, patterns: Song['patterns']): Song => ({
  ...applyEdit(wholeBars(['C5', 'E5', 'G5', 'E5', 'D5'], ['C', 'N.C.', 'N.C.', 'G', 'C']), {
    kind: 'choose',
    choices: { level: 5, pattern },
  }),
  patterns,
});

describe('choosing a pattern', () => {
  it('goes by id, the rows first and the pianist’s own after them', () => {
    const rows = patternsOf([]).map((row) => row.id);
    expect(rows.slice(0, 5)).toEqual(['block', 'waltz', 'waltz-in-place', 'rocking', 'jig']);
    expect(new Set(rows).size).toBe(rows.length);
    expect(patternsOf([own]).map((row) => row.id)).toEqual([...rows, 'mine']);
    expect(choosePattern('mine', FOUR, 3, [own])).toMatchObject({ pattern: { name: 'Mine' }, refused: null });
    expect(choosePattern('mine', FOUR, 3, []).refused).toBe('unknown');
  });

  it('knows the metres a pattern is made for', () => {
    const fitting = (numerator: number, denominator: number): string =>
      PATTERNS.filter((row) => fitsMetre(row, { numerator, denominator }))
        .map(({ id }) => id)
        .join(' ');
    expect(fitting(3, 4)).toBe(
      'block waltz waltz-in-place pulse fifths after-beat rising crossing-six descending-line open-tenth',
    );
    expect(fitting(2, 4)).toBe(
      'block rocking pulse fifths stride after-beat octave-bounce rising descending-line open-tenth',
    );
    expect(fitting(4, 4)).toBe(
      'block rocking pulse fifths low-then-chord root-and-low-fifth stride after-beat octave-bounce rising root-and-fifth-walking rolling-tenth lift descending-line open-tenth',
    );
    expect(fitting(6, 8)).toBe('block jig pulse fifths rising crossing-six descending-line open-tenth');
    expect(fitting(5, 4)).toBe('block pulse fifths low-in-groups rising descending-line open-tenth');
  });

  it('proposes only what lies on the root and leaves out no third', () => {
    const proposed = (numerator: number, denominator: number): string[] =>
      [1, 2, 3, 4, 5].map((energy) => choosePattern('auto', { numerator, denominator }, energy).pattern.id);
    expect(new Set([...proposed(3, 4), ...proposed(4, 4), ...proposed(6, 8), ...proposed(5, 4)])).toEqual(
      new Set(['waltz', 'rocking', 'jig', 'low-in-groups']),
    );
  });

  it('says which it refuses and which would fit, one press away', () => {
    const { findings } = arrange(playing('waltz', []), DEFAULT_PROFILE);
    const [refused] = findings.filter((finding) => finding.kind === 'pattern');
    expect(textOf(refused)).toBe(
      'Waltz is not made for 4/4: blocks are played. Made for 4/4: Rocking, Pulse, Fifths, Low then chord, Root and low fifth, Stride, After-beat, Octave bounce, Rising, Root and fifth walking, Rolling tenth, Lift, Descending line, Open tenth.',
    );
    expect(offersOf(refused).slice(0, 2)).toEqual(['Play Rocking here', 'Play Pulse here']);
    const unknown = arrange(playing('nowhere', []), DEFAULT_PROFILE).findings;
    expect(textOf(unknown.find((finding) => finding.kind === 'pattern'))).toMatch(
      /“nowhere” is not known here/,
    );
  });

  it('goes on over the bar line when it is longer than a bar', () => {
    const song: Song = {
      ...playing('mine', [own]),
      changes: [{ id: 'c0', tick: 0, length: 3 * 3840, symbol: 'C', given: true, layout: null }],
    };
    const { left } = arrange(song, DEFAULT_PROFILE, { withoutFingers: true });
    // 1 and 5 in the first bar, 8 in the second, 1 and 5 again in the third.
    expect(left.map((note) => [note.tick, note.midi % 12]).slice(0, 5)).toEqual([
      [0, 0],
      [1920, 7],
      [3840, 0],
      [7680, 0],
      [9600, 7],
    ]);
  });
});

describe('kindred patterns that take turns', () => {
  const turns = (metre: { numerator: number; denominator: 4 | 8 }, energy: number): string[] =>
    [1, 2, 3, 4].map((turn) => choosePattern('vary', metre, energy, [], turn).pattern.id);

  it('are near the section in energy, made for the metre, and none too hard', () => {
    expect(kindred({ numerator: 4, denominator: 4 }, 3).map(({ id }) => id)).toEqual([
      'rocking',
      'low-then-chord',
      'rising',
    ]);
    expect(kindred({ numerator: 3, denominator: 4 }, 3).map(({ id }) => id)).toEqual(['waltz', 'rising']);
    expect(kindred({ numerator: 4, denominator: 4 }, 1).map(({ id }) => id)).toEqual([
      'open-tenth',
      'low-then-chord',
      'rising',
    ]);
  });

  it('go round from part to part; a family of none is the block', () => {
    expect(turns({ numerator: 4, denominator: 4 }, 3)).toEqual([
      'low-then-chord',
      'rising',
      'rocking',
      'low-then-chord',
    ]);
    expect(turns({ numerator: 5, denominator: 4 }, 5)).toEqual(['block', 'block', 'block', 'block']);
  });

  it('are the same in parts that are the same, and begin with another by seed', () => {
    const rain = { ...DEMO_SONGS[2], choices: { ...DEMO_SONGS[2].choices, level: 5, pattern: 'vary' } };
    const { parts } = arrange(rain, DEFAULT_PROFILE, { withoutFingers: true });
    const turn = parts.map(turnOf);
    parts.forEach((part, i) => expect(turn[i]).toBe(part.sharesWith ?? part.number));
    expect(parts.some(({ sharesWith }) => sharesWith !== null)).toBe(true);
    const seeded = { ...rain, choices: { ...rain.choices, pattern: 'vary:2' } };
    const other = arrange(seeded, DEFAULT_PROFILE, { withoutFingers: true }).parts.map(turnOf);
    expect(other).toEqual(turn.map((own) => own + 2));
    expect(
      parts.map((part) => turnOf({ ...part, choices: { ...part.choices, pattern: 'rocking' } })),
    ).toEqual(parts.map(() => 0));
    const told = new Set(
      parts.map((_, i) => leftInWords(arrange(rain, DEFAULT_PROFILE), parts[i], false)[0]),
    );
    expect(told.size).toBeGreaterThan(1);
  });
});
