import { describe, expect, it } from 'vitest';
import { anchored, metreOfLength, metronomeOf } from './musicxmlPieces';
import { parseXml } from './xmlTree';

const direction = (...types: string[]): string | undefined =>
  metronomeOf(
    parseXml(
      `<direction>${types.map((type) => `<direction-type>${type}</direction-type>`).join('')}</direction>`,
    ),
  );
const mark = (unit: string, perMinute: string, dots = 0): string =>
  `<metronome>${unit && `<beat-unit>${unit}</beat-unit>`}${'<beat-unit-dot/>'.repeat(dots)}<per-minute>${perMinute}</per-minute></metronome>`;

describe('a metronome mark', () => {
  it.each([
    ['whole', '30', 0, '120'],
    ['half', '60', 0, '120'],
    ['half', '40', 1, '120'],
    ['quarter', '120', 0, '120'],
    ['quarter', '80', 1, '120'],
    ['quarter', '80', 2, '140'],
    ['eighth', '240', 0, '120'],
    ['16th', '480', 0, '120'],
    ['', '96', 0, '96'],
    ['breve', '96', 0, '96'],
  ])('of a %s at %s with %i dots is %3$s quarters a minute', (unit, perMinute, dots, quarters) => {
    expect(direction(mark(unit, perMinute, dots))).toBe(quarters);
  });

  it('is looked for in every part of a direction, and is none without a number above nothing', () => {
    expect(direction('<words>Calm</words>', mark('quarter', '72'))).toBe('72');
    expect(direction(mark('quarter', '0'), mark('half', '50'))).toBe('100');
    expect(direction(mark('quarter', 'c. 70'))).toBeUndefined();
    expect(direction('<words>Calm</words>')).toBeUndefined();
  });
});

describe('pieces of a score', () => {
  it.each([
    [3840, 4, 4],
    [2880, 3, 4],
    [480, 1, 8],
    [1440, 3, 8],
    [240, 1, 16],
    [120, 1, 32],
    [1000, 9, 32],
    [1, 1, 32],
    [0, 1, 4],
    [960 * 64, 64, 4],
    [960 * 65, 64, 4],
  ])('a bar of %i ticks is in %i/%i', (ticks, numerator, denominator) => {
    expect(metreOfLength(ticks)).toEqual({ numerator, denominator });
  });

  it('are in force from the first bar, the last of a tick counts, and what says nothing new is left out', () => {
    const at = (tick: number, fifths: number) => ({ tick, fifths });
    expect(anchored([], [at(0, 9)])).toEqual([at(0, 9)]);
    expect(anchored([at(960, 1)], [at(0, 9)])).toEqual([at(0, 1)]);
    expect(anchored([at(960, 2), at(0, 1), at(480, 1), at(960, 3), at(1920, 3), at(2880, 1)], [])).toEqual([
      at(0, 1),
      at(960, 3),
      at(2880, 1),
    ]);
  });
});
