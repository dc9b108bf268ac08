import { describe, expect, it } from 'vitest';
import { SHAPED_SONGS } from '../../demo/shaped';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { fingerPart, FROM_NOWHERE } from '../fingering';
import type { Hand, HandNote } from '../hands';
import { keyFromFifths, spellInKey } from '../music';
import { DEFAULT_PROFILE } from '../song';
import { effortOf } from './effort';

const C_MAJOR = keyFromFifths(0, 'major');
type Keys = number | readonly number[];

/** Keys of one hand, each as long as the next begins; a length below 0 is a rest. */
function line(hand: Hand, events: readonly (readonly [keys: Keys, beats: number])[]): HandNote[] {
  let at = 0;
  const notes = events.flatMap(([keys, beats]) => {
    const tick = Math.round(at);
    at += Math.abs(beats) * 960;
    return beats < 0
      ? []
      : [keys].flat().map((midi): HandNote => ({
          hand,
          tick,
          length: Math.round(beats * 960),
          midi,
          pitch: spellInKey(midi, C_MAJOR),
          source: hand === 'right' ? 'melody' : 'chord',
          from: 'x',
          lyric: null,
          grace: false,
          finger: null,
        }));
  });
  return [...fingerPart(notes, hand, 8, FROM_NOWHERE, [], () => null).notes];
}
const each = (beats: number, keys: readonly Keys[]): (readonly [Keys, number])[] =>
  keys.map((k) => [k, beats]);
const times = <T>(n: number, list: readonly T[]): T[] => Array.from({ length: n }, () => list).flat();

/** The total of both hands over four bars (or as many as they last) of so many beats, at quarters a minute. */
function total(right: HandNote[], left: HandNote[], tempo = 100, beatsABar = 4): number {
  const end = Math.max(...[...right, ...left].map((n) => n.tick + n.length));
  const length = beatsABar * 960;
  const bars = Array.from({ length: Math.ceil(end / length) }, (_, i) => ({
    number: i + 1,
    tick: i * length,
    length,
    seconds: (beatsABar * 60) / tempo,
    beat: 960,
    turns: 0,
  }));
  return effortOf({ right, left, bars, profile: DEFAULT_PROFILE }).total;
}

const FIVE = line('right', each(1, [60, 62, 64, 65, 67, 65, 64, 62, 64, 62, 60, 62, 64, 67, 64, 60]));
const SYNCOPATED = line(
  'right',
  times(4, [
    [67, 0.5],
    [69, 1],
    [67, 0.5],
    [64, 0.5],
    [65, 1],
    [64, 0.5],
  ]),
);
const WALTZ_TUNE = line('right', times(4, each(1, [72, 74, 76])));
const rocking = (...roots: number[]): HandNote[] =>
  line(
    'left',
    roots.flatMap((r) => times(2, each(0.5, [r, r + 7, r + 12, r + 7]))),
  );
const BASSES = line('left', each(4, [48, 53, 55, 48]));
const TRIADS = line(
  'left',
  each(4, [
    [48, 52, 55],
    [48, 53, 57],
    [47, 50, 55],
    [48, 52, 55],
  ]),
);
const SEVENTHS = line(
  'left',
  each(
    2,
    times(2, [
      [48, 52, 55, 59],
      [48, 52, 55, 57],
      [48, 50, 53, 57],
      [47, 50, 53, 55],
    ]),
  ),
);
const WALTZ = line(
  'left',
  [45, 41, 43, 48].flatMap((r) => each(1, [r, [r + 7, r + 12], [r + 7, r + 12]])),
);
const SCALE = line(
  'right',
  each(
    0.25,
    [
      60, 62, 64, 65, 67, 69, 71, 72, 74, 76, 77, 79, 81, 83, 84, 83, 81, 79, 77, 76, 74, 72, 71, 69, 67, 65,
      64, 62, 60,
    ],
  ),
);
const arpeggio = (low: number, third: number): HandNote[] => {
  const up = [0, third, 7, 12, 12 + third, 19, 24].map((k) => low + k);
  return line('right', each(0.5, [...up, ...[...up].reverse().slice(1)]));
};
const STRIDE = line(
  'left',
  [36, 41, 43, 36].flatMap((r) =>
    each(1, [r, [r + 16, r + 19, r + 24], r + 7 > 47 ? r - 5 : r + 7, [r + 16, r + 19, r + 24]]),
  ),
);
const EIGHTHS = line('right', times(4, each(0.5, [72, 74, 76, 74, 72, 71, 72, 74])));
const ROLLING = line(
  'left',
  [36, 41, 43, 36].flatMap((r) =>
    each(
      0.5,
      [0, 7, 14, 16, 19, 23, 19, 16].map((k) => r + k),
    ),
  ),
);
const SIXTHS = line(
  'right',
  each(1, [
    [67, 76],
    [69, 77],
    [71, 79],
    [72, 81],
    [71, 79],
    [69, 77],
    [67, 76],
    [65, 74],
  ]),
);
const TRIPLETS = line('right', times(4, each(1 / 3, [72, 74, 76, 74, 72, 71, 72, 74, 76, 77, 76, 74])));
const OCTAVES = line(
  'right',
  each(
    1,
    times(2, [72, 74, 76, 77, 79, 77, 76, 74]).map((k) => [k, k + 12]),
  ),
);
const LEAPS = (hand: Hand): HandNote[] =>
  line(
    hand,
    each(
      1,
      times(
        4,
        hand === 'right'
          ? [
              [60, 72],
              [76, 88],
              [62, 74],
              [79, 91],
            ]
          : [[36, 48], 60, [33, 45], 62],
      ),
    ),
  );

const REFERENCES: readonly (readonly [name: string, total: number, low: number, high: number])[] = [
  ['a five-finger tune in quarters alone', total(FIVE, []), 3, 8],
  ['the same over whole-note basses', total(FIVE, BASSES), 6, 12],
  ['over nearest block triads, one a bar', total(FIVE, TRIADS), 12, 20],
  ['over block sevenths, two a bar', total(FIVE, SEVENTHS), 18, 28],
  ['rocking eighths under a quarter-note tune', total(FIVE, rocking(48, 53, 43, 48)), 28, 38],
  ['a waltz with a low root at 120', total(WALTZ_TUNE, WALTZ, 120, 3), 30, 40],
  ['a two-octave scale in sixteenths, one hand', total(SCALE, []), 30, 45],
  ['a two-octave arpeggio in eighths on C', total(arpeggio(60, 4), []), 30, 45],
  ['the same on F sharp', total(arpeggio(66, 4), []), 30, 45],
  ['a syncopated tune over rocking', total(SYNCOPATED, rocking(48, 53, 43, 48)), 40, 55],
  ['stride at 120', total(EIGHTHS, STRIDE, 120), 45, 60],
  ['stride at 180', total(EIGHTHS, STRIDE, 180), 60, 75],
  ['a rolling tenth under a syncopated tune', total(SYNCOPATED, ROLLING), 60, 75],
  ['right-hand octaves over a moving left', total(OCTAVES, rocking(48, 53, 43, 48)), 60, 75],
  [
    'leaps beyond the octave in both hands on every beat at 160',
    total(LEAPS('right'), LEAPS('left'), 160),
    85,
    100,
  ],
];

describe('reference phrases', () => {
  it.each(REFERENCES)('%s: %i lies between %i and %i', (_, found, low, high) => {
    expect(found).toBeGreaterThanOrEqual(low);
    expect(found).toBeLessThanOrEqual(high);
  });

  it('an arpeggio on F sharp is harder than on C', () => {
    expect(total(arpeggio(66, 4), [])).toBeGreaterThan(total(arpeggio(60, 4), []));
  });
});

describe('pairs of which one is plainly harder', () => {
  const transposed = (notes: HandNote[], by: number): HandNote[] => {
    const events = notes.map((n): readonly [Keys, number] => [n.midi + by, n.length / 960]);
    return line(notes[0].hand, events);
  };
  const rockingFour = rocking(48, 53, 43, 48);
  const levels = DEMO_SONGS.flatMap((song) => {
    const totals = [1, 2, 3, 4, 5].map((level) => {
      const choices = { ...song.choices, level, pattern: 'auto' };
      const { efforts } = arrange({ ...song, choices }, DEFAULT_PROFILE);
      return efforts.reduce((sum, effort) => sum + (effort?.total ?? 0), 0);
    });
    return totals
      .slice(1)
      .map((harder, i) => [`${song.title}: level ${i + 1} and ${i + 2}`, totals[i], harder] as const);
  });
  /** The mean of the parts of a march, and of a rag, neither of them written for this. */
  const strain = (kind: 'March' | 'Rag', level: number): number => {
    const title = kind === 'March' ? 'Up the Church Field' : 'Penny on the Rail';
    const song = SHAPED_SONGS.find((one) => one.title === title) ?? SHAPED_SONGS[0];
    const { efforts } = arrange({ ...song, choices: { ...song.choices, level } }, DEFAULT_PROFILE);
    return efforts.reduce((sum, effort) => sum + (effort?.total ?? 0), 0) / efforts.length;
  };
  const PAIRS: readonly (readonly [name: string, easier: number, harder: number])[] = [
    ...levels,
    ['a tune at 80 and at 140', total(FIVE, [], 80), total(FIVE, [], 140)],
    ['rocking at 80 and at 140', total(FIVE, rockingFour, 80), total(FIVE, rockingFour, 140)],
    ['a scale at 60 and at 120', total(SCALE, [], 60), total(SCALE, [], 120)],
    ['basses and triads', total(FIVE, BASSES), total(FIVE, TRIADS)],
    ['triads and sevenths', total(FIVE, TRIADS), total(FIVE, SEVENTHS)],
    ['triads and rocking', total(FIVE, TRIADS), total(FIVE, rockingFour)],
    ['a straight and a syncopated tune', total(FIVE, rockingFour), total(SYNCOPATED, rockingFour)],
    ['rocking and a rolling tenth', total(SYNCOPATED, rockingFour), total(SYNCOPATED, ROLLING)],
    ['single notes and octaves', total(FIVE, rockingFour), total(OCTAVES, rockingFour)],
    ['rocking and stride', total(EIGHTHS, rockingFour, 120), total(EIGHTHS, STRIDE, 120)],
    [
      'five fingers and a scale',
      total(FIVE, []),
      total(
        line(
          'right',
          each(
            0.5,
            SCALE.map((n) => n.midi),
          ),
        ),
        [],
      ),
    ],
    ['white keys and black', total(FIVE, []), total(transposed(FIVE, 6), [])],
    [
      'an arpeggio in quarters and in eighths',
      total(arpeggio(60, 4), [], 50),
      total(arpeggio(60, 4), [], 100),
    ],
    ['one hand and two', total(OCTAVES, []), total(OCTAVES, BASSES)],
    ['single notes and sixths', total(FIVE, []), total(SIXTHS, [])],
    ['sixths in quarters and in eighths', total(SIXTHS, [], 60), total(SIXTHS, [], 120)],
    ...[4, 5, 6, 7].map(
      (level) => [`a march and a rag, level ${level}`, strain('March', level), strain('Rag', level)] as const,
    ),
    ['two against two and three against two', total(EIGHTHS, rockingFour), total(TRIPLETS, rockingFour)],
  ];

  it('are in order in ninety-five of a hundred at least, and there are thirty', () => {
    expect(PAIRS.length).toBeGreaterThanOrEqual(30);
    const wrong = PAIRS.filter(([, easier, harder]) => easier >= harder).map(([name]) => name);
    expect(wrong.length, wrong.join('; ')).toBeLessThanOrEqual(0.05 * PAIRS.length);
  });
});
