import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import type { HandNote } from '../hands';
import { parsePitch } from '../music';
import { DEFAULT_PROFILE } from '../song';
import { fewerFingers } from './fewerFingers';
import { DEFAULT_PAPER, roomOn } from './paper';
import { scoresOf } from './staves';

const line = (hand: 'right' | 'left', ...keys: string[]): HandNote[] =>
  keys.map((key, i) => {
    const [letter, finger] = key.split('/');
    return {
      hand,
      tick: i * 960,
      length: 960,
      pitch: parsePitch(letter),
      finger: Number(finger),
      grace: false,
    } as HandNote;
  });
const printed = (notes: HandNote[], starts: number[] = []): string =>
  fewerFingers(notes, starts)
    .map(({ finger }) => finger ?? '·')
    .join(' ');

describe('fingers that are printed where the hand moves', () => {
  it('are those at the beginning, at each start, and where fingers and keys part', () => {
    expect(printed(line('right', 'C4/1', 'D4/2', 'E4/3', 'F4/1', 'G4/2'))).toBe('1 · · 1 ·');
    expect(printed(line('left', 'C3/5', 'E3/3', 'G3/1', 'A3/2'))).toBe('5 · · 2');
    expect(printed(line('right', 'C4/1', 'D4/2', 'E4/3'), [0, 1920])).toBe('1 · 3');
  });

  it('are fewer than all on a sheet, and none where none are wanted', () => {
    const a = arrange(DEMO_SONGS[0], DEFAULT_PROFILE);
    const fingersOn = (fingers: 'all' | 'moves' | 'none'): number =>
      scoresOf(a, 'grand', roomOn(DEFAULT_PAPER), { ...DEFAULT_PAPER, fingers })[0].score.match(/<fingering/g)
        ?.length ?? 0;
    expect(fingersOn('none')).toBe(0);
    expect(fingersOn('moves')).toBeGreaterThan(20);
    expect(fingersOn('moves')).toBeLessThan(0.9 * fingersOn('all'));
  });
});
