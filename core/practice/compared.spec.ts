import { describe, expect, it } from 'vitest';
import { DEMO_SONGS } from '../../demo/songs';
import { arrange } from '../arrange';
import { barAt, DEFAULT_PROFILE, onsetsOf } from '../song';
import { compareTurns, turnsBefore } from './compared';
import type { Turn } from './log';
import type { Slip } from './slips';

const a = arrange(DEMO_SONGS[0], DEFAULT_PROFILE);
const onsets = onsetsOf(a.played);
const slip = (bar: number, hand: 'right' | 'left', kind: Slip['kind']): Slip => {
  const note = a[hand].find(({ tick }) => barAt(a.played.bars, tick).number === bar) ?? a[hand][0];
  const { from, midi, tick } = note;
  return { from, after: tick - (onsets.get(from) ?? 0), midi, hand, kind };
};

describe('two turns laid over one another', () => {
  it('say what is gone, what is still there, how often, and what is new, by bar', () => {
    const earlier = {
      slips: [
        slip(9, 'left', 'late'),
        slip(3, 'right', 'wrong'),
        slip(3, 'right', 'wrong'),
        slip(5, 'left', 'missed'),
      ],
    };
    const later = {
      slips: [
        slip(8, 'right', 'extra'),
        slip(3, 'right', 'wrong'),
        slip(3, 'right', 'late'),
        slip(2, 'left', 'wrong'),
      ],
    };
    const place = (bar: number, hand: string, kind: string, before: number, after: number) => ({
      bar,
      hand,
      kind,
      before,
      after,
    });
    expect(compareTurns(earlier, later, a.played)).toEqual({
      gone: [place(5, 'left', 'missed', 1, 0), place(9, 'left', 'late', 1, 0)],
      still: [place(3, 'right', 'wrong', 2, 1)],
      new: [
        place(2, 'left', 'wrong', 0, 1),
        place(3, 'right', 'late', 0, 1),
        place(8, 'right', 'extra', 0, 1),
      ],
      lost: 0,
    });
  });

  it('place a slip where it was, a bar after the note it is told from as well', () => {
    const first = a.right[0];
    const late = { from: first.from, after: 2880, midi: first.midi, hand: 'right', kind: 'late' } as const;
    const { still } = compareTurns({ slips: [late] }, { slips: [late] }, a.played);
    expect(still.map(({ bar }) => bar)).toEqual([2]);
  });

  it('count what lies at notes that are gone, and take a turn without slips as clean', () => {
    const gone = { ...slip(3, 'right', 'wrong'), from: 'no longer there' };
    expect(compareTurns({ slips: [gone] }, {}, a.played)).toEqual({ gone: [], still: [], new: [], lost: 1 });
  });

  it('a turn is compared with the last one before it at the same card that was listened to', () => {
    const turn = (at: number, card: string, slips?: Slip[]) => ({ at, card, slips }) as unknown as Turn;
    const turns = [turn(1, 'a', []), turn(2, 'b', []), turn(3, 'a'), turn(4, 'a', []), turn(5, 'a', [])];
    expect([...turnsBefore(turns)].map(([at, { at: before }]) => [at, before])).toEqual([
      [4, 1],
      [5, 4],
    ]);
  });
});
