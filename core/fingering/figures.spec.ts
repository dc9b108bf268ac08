import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isBlack } from '../music';
import { cellsIn } from './cells';
import type { HandEvent } from './event';
import { finger } from './finger';
import { placesIn, waysUnderFive } from './places';
import { arpeggioFingers, scaleFingers } from './tables';

const REACH = 8;
type Hand = 'right' | 'left';
const line = (...keys: number[]): HandEvent[] =>
  keys.map((key) => ({ keys: [key], afterRest: false, pinned: null }));
/** Two octaves up from a key, by the half steps of one octave, the last tonic included. */
const twoOctaves = (low: number, steps: readonly number[]): number[] => [
  ...[0, 12].flatMap((octave) => steps.map((step) => low + octave + step)),
  low + 24 + steps[0],
];
/** A chord or scale from another of its notes. */
const turned = (steps: readonly number[], by: number): number[] => [
  ...steps.slice(by),
  ...steps.slice(0, by).map((step) => step + 12),
];
const told = (keys: readonly number[], hand: Hand): string =>
  finger(line(...keys), hand, REACH)
    .flat()
    .join('');

describe('scales and broken triads over two octaves, up and down, in every key', () => {
  const STEPS = {
    'major scale': [0, 2, 4, 5, 7, 9, 11],
    'harmonic minor scale': [0, 2, 3, 5, 7, 8, 11],
    'melodic minor scale': [0, 2, 3, 5, 7, 9, 11],
    'major arpeggio': [0, 4, 7],
    'minor arpeggio': [0, 3, 7],
  };
  const kinds = Object.entries(STEPS);
  /** Notes fingered as printed without a table, of all. */
  const counted = [0, 0];

  /** The keys, and the fingers methods print for them. */
  function figure(name: string, steps: readonly number[], tonic: number, hand: 'right' | 'left') {
    const lowest = (hand === 'right' ? 60 : 36) + tonic;
    const up = [0, 12].flatMap((octave) => steps.map((step) => lowest + octave + step));
    const keys = [...up, lowest + 24, ...[...up].reverse()];
    const mode = name.startsWith('major') ? 'major' : 'minor';
    const table = (name.endsWith('scale') ? scaleFingers : arpeggioFingers)(mode, tonic, hand);
    const printed = keys.map((key) => {
      const degree = steps.indexOf((key - lowest) % 12);
      if (degree !== 0) return table.inside[degree];
      return key === lowest ? table.first : key === lowest + 24 ? table.last : table.inside[0];
    });
    return { keys, printed };
  }

  it.each(kinds)('%s: as printed, both hands, no slide', (name, steps) => {
    for (const hand of ['right', 'left'] as const)
      for (let tonic = 0; tonic < 12; tonic++) {
        const { keys, printed } = figure(name, steps, tonic, hand);
        expect([tonic, hand, finger(line(...keys), hand, REACH).flat()]).toEqual([tonic, hand, printed]);
      }
  });

  it.each(kinds)(
    '%s: mostly as printed by the rules alone, without a table, and never a slide',
    (name, steps) => {
      for (const hand of ['right', 'left'] as const) {
        let [same, all] = [0, 0];
        for (let tonic = 0; tonic < 12; tonic++) {
          const { keys, printed } = figure(name, steps, tonic, hand);
          const chosen = finger(line(...keys), hand, REACH, false).flat();
          chosen.forEach((f, i) => {
            all++;
            if (f === printed[i]) same++;
            // One finger on two keys in a row is never the rules' choice here.
            if (i > 0) expect(f === chosen[i - 1] && keys[i] !== keys[i - 1]).toBe(false);
          });
        }
        counted[0] += same;
        counted[1] += all;
        expect(same / all).toBeGreaterThan(0.77);
      }
    },
  );

  it('all of these as printed by the rules alone for 85 of 100 notes', () => {
    expect(counted[0] / counted[1]).toBeGreaterThan(0.85);
  });

  it('the usual fingers of some, by heart', () => {
    const up = (name: keyof typeof STEPS, tonic: number, hand: 'right' | 'left'): string =>
      figure(name, STEPS[name], tonic, hand)
        .printed.slice(0, 2 * STEPS[name].length + 1)
        .join('');
    expect(up('major scale', 0, 'right')).toBe('123123412312345');
    expect(up('major scale', 0, 'left')).toBe('543213214321321');
    expect(up('major scale', 5, 'right')).toBe('123412312341234');
    expect(up('major scale', 10, 'right')).toBe('412312341231234');
    expect(up('major scale', 11, 'left')).toBe('432143213214321');
    expect(up('harmonic minor scale', 9, 'right')).toBe('123123412312345');
    expect(up('major arpeggio', 0, 'right')).toBe('1231235');
    expect(up('major arpeggio', 2, 'left')).toBe('5321321');
    expect(up('major arpeggio', 10, 'left')).toBe('3213213');
  });
});

const MAJOR = [0, 2, 4, 5, 7, 9, 11];
const SEVENTHS: [string, number[]][] = [
  ['maj7', [0, 4, 7, 11]],
  ['7', [0, 4, 7, 10]],
  ['m7', [0, 3, 7, 10]],
  ['m7♭5', [0, 3, 6, 10]],
  ['dim7', [0, 3, 6, 9]],
  ['m(maj7)', [0, 3, 7, 11]],
];

describe('figures over two octaves that no table has', () => {
  it.each([
    ['D dorian', 62, turned(MAJOR, 1).map((s) => s - 2), '123123412312345', '543213214321321'],
    ['E phrygian', 64, turned(MAJOR, 2).map((s) => s - 4), '123123412312345', '543213214321321'],
    ['F♯ mixolydian', 66, turned(MAJOR, 4).map((s) => s - 7), '234123123412312', '432132143213214'],
    ['B locrian', 59, turned(MAJOR, 6).map((s) => s - 11), '123123412312345', '543213214321321'],
    ['B♭ natural minor', 58, turned(MAJOR, 5).map((s) => s - 9), '412312341231234', '213214321321432'],
  ])('%s', (_, low, steps, right, left) => {
    expect([told(twoOctaves(low, steps), 'right'), told(twoOctaves(low - 24, steps), 'left')]).toEqual([
      right,
      left,
    ]);
  });

  it.each([
    ['C7', 60, [0, 4, 7, 10], '123412345', '543214321'],
    ['D7', 62, [0, 4, 7, 10], '123412345', '543214321'],
    ['B♭7', 58, [0, 4, 7, 10], '412341234', '321432143'],
    ['E♭maj7', 63, [0, 4, 7, 11], '412341234', '214321432'],
    ['E♭m7, all black', 63, [0, 3, 7, 10], '123412345', '543214321'],
    ['Cdim7', 60, [0, 3, 6, 9], '123412345', '543214321'],
    ['C7 over E', 64, [0, 3, 6, 8], '123412345', '543214321'],
    ['C over E', 64, [0, 3, 8], '1241245', '5421421'],
    ['C over G', 67, [0, 5, 9], '1241245', '5321321'],
    ['D over F♯', 66, [0, 3, 8], '4124124', '4214214'],
  ])('broken %s', (_, low, steps, right, left) => {
    expect([told(twoOctaves(low, steps), 'right'), told(twoOctaves(low - 24, steps), 'left')]).toEqual([
      right,
      left,
    ]);
  });

  it('a chromatic run: third finger on black, second where two white keys meet', () => {
    const octave = Array.from({ length: 13 }, (_, i) => 60 + i);
    expect(told(octave, 'right')).toBe('1313123131312');
    expect(told(octave, 'left')).toBe('1313213131321');
    expect(told([...octave].reverse(), 'right')).toBe('2131313213131');
  });

  const hands = ['right', 'left'] as const;
  it('sevenths in every inversion and key: no finger twice in a row, the thumb on white where there is one', () => {
    for (const [name, chord] of SEVENTHS)
      for (const hand of hands)
        for (let low = 36; low < 48; low++)
          for (let inversion = 0; inversion < 4; inversion++) {
            const up = twoOctaves((hand === 'right' ? 24 : 0) + low, turned(chord, inversion));
            const keys = [...up, ...[...up].reverse().slice(1)];
            const fingers = finger(line(...keys), hand, REACH).flat();
            const slides = fingers.filter((f, i) => i > 0 && f === fingers[i - 1]).length;
            const onBlack = fingers.filter((f, i) => f === 1 && isBlack(keys[i])).length;
            const isAllBlack = keys.every((key) => isBlack(key));
            expect([name, hand, low, inversion, slides, isAllBlack ? 0 : onBlack]).toEqual([
              name,
              hand,
              low,
              inversion,
              0,
              0,
            ]);
          }
  });

  it('every mode in every key: no finger twice in a row, the thumb never on black', () => {
    for (const hand of hands)
      for (let low = 36; low < 48; low++)
        for (let mode = 0; mode < 7; mode++) {
          const up = twoOctaves((hand === 'right' ? 24 : 0) + low, turned(MAJOR, mode));
          const keys = [...up, ...[...up].reverse().slice(1)];
          const fingers = finger(line(...keys), hand, REACH).flat();
          const faults = fingers.filter(
            (f, i) => (i > 0 && f === fingers[i - 1]) || (f === 1 && isBlack(keys[i])),
          );
          expect([hand, low, mode, faults]).toEqual([hand, low, mode, []]);
        }
  });
});

describe('a hand that stays', () => {
  const TUNES = [
    [0, 1, 2, 3, 4, 3, 2, 1, 0],
    [4, 3, 2, 1, 0, 2, 4, 2, 0],
    [0, 2, 1, 3, 2, 4, 3, 1, 0],
    [2, 2, 3, 4, 4, 3, 2, 1, 0],
    [0, 4, 3, 2, 1, 2, 3, 4, 0],
  ];
  it.each([
    ['major', [0, 2, 4, 5, 7]],
    ['minor', [0, 2, 3, 5, 7]],
  ])('has one finger for each of five keys, in %s from every key', (_, steps) => {
    for (const tune of TUNES)
      for (let low = 48; low < 60; low++) {
        const keys = tune.map((step) => low + steps[step]);
        const expected = { right: tune.map((step) => step + 1), left: tune.map((step) => 5 - step) };
        for (const hand of ['right', 'left'] as const)
          expect([low, hand, finger(line(...keys), hand, REACH).flat()]).toEqual([low, hand, expected[hand]]);
      }
  });

  it('has one finger for each key of any tune within five where no thumb falls on black', () => {
    const steps = fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 3, maxLength: 12 });
    const lows = fc.constantFrom(48, 50, 52, 53, 55, 57);
    fc.assert(
      fc.property(steps, lows, fc.constantFrom<Hand>('right', 'left'), (tune, low, hand) => {
        const keys = tune.map((step) => low + MAJOR[step]);
        const fingers = finger(line(...keys), hand, REACH).flat();
        keys.forEach((key, i) => {
          expect(fingers[i]).toBe(fingers[keys.indexOf(key)]);
          // Higher keys lie further from the right thumb, nearer to the left one.
          const rises = (key - keys[0]) * (fingers[i] - fingers[0]) * (hand === 'right' ? 1 : -1);
          expect(rises > 0 || key === keys[0]).toBe(true);
        });
      }),
      { numRuns: 1000 },
    );
  });

  it('is laid in every way there is, the thumb off black keys where it can be', () => {
    expect(waysUnderFive([60, 62, 64], 'right')).toEqual([
      [1, 2, 3],
      [2, 3, 4],
      [3, 4, 5],
    ]);
    expect(waysUnderFive([60, 64, 67], 'left')).toEqual([[5, 3, 1]]);
    expect(waysUnderFive([61, 63], 'right')).toEqual([
      [2, 3],
      [3, 4],
      [4, 5],
    ]);
    expect(waysUnderFive([58, 60, 62, 63, 65], 'right')).toEqual([[1, 2, 3, 4, 5]]);
    // Wider than a fifth, or two keys for one finger.
    expect([waysUnderFive([60, 68], 'right'), waysUnderFive([60, 61, 62], 'right')]).toEqual([[], []]);
  });
});

describe('stretches under five fingers', () => {
  it('are found wherever a hand that lies somewhere can stay, the thumb off black keys, none inside another', () => {
    const lines = fc.array(fc.integer({ min: 60, max: 70 }), { minLength: 1, maxLength: 14 });
    fc.assert(
      fc.property(lines, fc.constantFrom<Hand>('right', 'left'), (keys, hand) => {
        const lies = (from: number, to: number): boolean =>
          waysUnderFive(keys.slice(from, to), hand).length > 0;
        const found = placesIn({ from: 5, keys }, hand).map(({ from, ways, length }) => {
          const own = keys.slice(from - 5, from - 5 + length);
          const all = waysUnderFive(own, hand);
          // A stretch that no longer lies so once the hand moved on has no way, and is worth nothing.
          expect(ways).toEqual(all.filter((way) => !way.some((f, i) => f === 1 && isBlack(own[i]))));
          expect([own.length >= 4, new Set(own).size >= 3]).toEqual([true, true]);
          return [from - 5, from - 5 + length];
        });
        found
          .slice(1)
          .forEach(([from, to], i) => expect([from > found[i][0], to > found[i][1]]).toEqual([true, true]));
        // Each stretch tried by itself, from every note on for as long as it lies so.
        for (let from = 0; from < keys.length; from++) {
          let to = from;
          while (to < keys.length && lies(from, to + 1)) to++;
          if (to - from < 4 || new Set(keys.slice(from, to)).size < 3) continue;
          expect(found.some(([a, b]) => a <= from && b >= to)).toBe(true);
        }
      }),
      { numRuns: 400 },
    );
  });
});

describe('figures that come again at once', () => {
  it('are found from their first note, the shortest that explains them', () => {
    const cells = (...keys: number[]) => cellsIn({ from: 10, keys });
    expect(cells(48, 55, 60, 55, 48, 55, 60, 55)).toEqual([{ from: 10, keys: [48, 55, 60, 55], length: 8 }]);
    expect(cells(48, 55, 48, 55, 48)).toEqual([{ from: 10, keys: [48, 55], length: 5 }]);
    expect(cells(50, 48, 55, 60, 48, 55, 60, 48)).toEqual([{ from: 11, keys: [48, 55, 60], length: 7 }]);
    // After a key struck over and over, from where a cell of at most eight notes can begin.
    const over = Array<number>(20).fill(60);
    expect(cells(...over, 48, 60, 48, 60, 48)).toEqual([{ from: 29, keys: [60, 48], length: 6 }]);
    expect([cells(60, 60, 60, 60), cells(48, 55, 60, 55, 48, 55, 60)]).toEqual([[], []]);
  });

  it.each([
    ['1 5 8 5', [0, 7, 12, 7]],
    ['1 5 10 5', [0, 7, 16, 7]],
    ['1 5 3 5', [0, 7, 4, 7]],
    ['1 8', [0, 12]],
    ['1 5 8 10 8 5', [0, 7, 12, 16, 12, 7]],
  ])('%s is fingered alike each time, on every root, with no finger twice in a row', (_, steps) => {
    for (let root = 36; root < 48; root++) {
      const once = steps.map((step) => root + step);
      const fingers = finger(line(...once, ...once, ...once), 'left', REACH).flat();
      const [first, second, third] = [0, 1, 2].map((n) =>
        fingers.slice(n * once.length, (n + 1) * once.length),
      );
      expect([root, second, third]).toEqual([root, first, first]);
      expect(fingers.some((f, i) => f === fingers[i + 1])).toBe(false);
    }
  });
});
