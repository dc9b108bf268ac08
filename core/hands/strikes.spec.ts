import { describe, expect, it } from 'vitest';
import { parsePitch, type Pitch } from '../music';
import type { HandNote } from './handNote';
import { isPass, strikesOf } from './strikes';

function note(midi: number, finger: number | null, tick = 0, grace = false): HandNote {
  const pitch = parsePitch('C4') as Pitch;
  const plain = { id: `${midi}@${tick}`, tick, length: 960, pitch, midi, finger, source: 'pattern' };
  return { ...plain, ...(grace ? { grace } : {}) } as unknown as HandNote;
}

describe('strikes', () => {
  it('gather keys struck together, in time, the lowest first, without grace notes', () => {
    const notes = [note(67, 1, 960), note(64, 3, 960), note(60, 5), note(62, 2, 0, true)];
    expect(strikesOf(notes).map((keys) => keys.map(({ midi }) => midi))).toEqual([[60], [64, 67]]);
  });
});

describe('a pass', () => {
  const passes: [
    from: [number, number | null],
    to: [number, number | null],
    right: boolean,
    left: boolean,
  ][] = [
    [[64, 3], [65, 1], true, false],
    [[65, 1], [64, 3], true, false],
    [[65, 3], [64, 1], false, true],
    [[64, 1], [65, 3], false, true],
    [[60, 2], [66, 1], true, false],
    [[60, 2], [67, 1], false, false],
    [[60, 1], [60, 2], false, false],
    [[60, 1], [62, 1], false, false],
    [[60, 2], [62, 3], false, false],
    [[60, null], [62, 1], false, false],
    [[62, 1], [60, null], false, false],
  ];
  it.each(passes)('from %j to %j: right hand %s, left hand %s', (from, to, right, left) => {
    const [a, b] = [note(...from), note(...to)];
    expect([isPass(a, b, 'right'), isPass(a, b, 'left')]).toEqual([right, left]);
  });
});
