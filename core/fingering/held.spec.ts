import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Hand, HandNote } from '../hands';
import { pitchAt, reachMm, spanMm } from '../music';
import { runs } from '../testing';
import { fingerPart, FROM_NOWHERE } from './hands';

const note = (hand: Hand, tick: number, length: number, midi: number): HandNote => ({
  hand,
  tick,
  length,
  midi,
  pitch: pitchAt(midi, { letter: 'C', alter: 0 }),
  source: 'own',
  from: 'c1',
  lyric: null,
  grace: false,
  finger: null,
});
const fingered = (hand: Hand, notes: readonly HandNote[], fixed = () => null as readonly number[] | null) =>
  fingerPart(notes, hand, 8, FROM_NOWHERE, [], fixed).notes;
const told = (notes: readonly HandNote[]): string =>
  notes.map(({ midi, finger }) => `${midi}/${finger}`).join(' ');

describe('keys held while others are struck', () => {
  it('keep their finger, the others go beside it: a tune held over a moving third', () => {
    const right = [
      note('right', 0, 960, 64),
      note('right', 0, 2880, 72),
      note('right', 960, 960, 65),
      note('right', 1920, 960, 64),
    ];
    expect(told(fingered('right', right))).toBe('64/1 72/5 65/2 64/1');
    const left = [note('left', 0, 2880, 45), note('left', 960, 960, 52), note('left', 1920, 960, 48)];
    expect(told(fingered('left', left))).toMatch(/^45\/5 52\/[12] 48\/[234]$/);
  });

  it('are not crossed, nor changed, whatever is struck under or over them within reach', () => {
    fc.assert(
      fc.property(
        fc.constantFrom<Hand>('right', 'left'),
        fc.integer({ min: 60, max: 70 }),
        fc.array(fc.integer({ min: -9, max: 9 }), { minLength: 1, maxLength: 6 }),
        (hand, top, steps) => {
          const moving = steps
            .filter(
              (step) =>
                step !== 0 && spanMm(Math.min(top, top + step), Math.max(top, top + step)) <= reachMm(8),
            )
            .map((step, i) => note(hand, 480 * (i + 1), 480, top + step));
          const held = note(hand, 0, 480 * (moving.length + 1), top);
          const [holding, ...others] = fingered(hand, [held, ...moving]);
          for (const { midi, finger } of others) {
            const isTowardsLittle = hand === 'right' ? midi > top : midi < top;
            expect([midi, isTowardsLittle, (finger ?? 0) > (holding.finger ?? 0)]).toEqual([
              midi,
              isTowardsLittle,
              isTowardsLittle,
            ]);
            expect(finger).not.toBe(holding.finger);
          }
        },
      ),
      { numRuns: runs(200) },
    );
  });

  it('are let go where the hand cannot span both: they count no more than if they ended there', () => {
    const wide = (length: number): HandNote[] => [
      note('left', 0, length, 36),
      note('left', 960, 960, 55),
      note('left', 1920, 960, 60),
    ];
    expect(told(fingered('left', wide(2880)))).toBe(told(fingered('left', wide(960))));
  });

  it('have the finger that was pinned, and the others go beside it', () => {
    const notes = [note('right', 0, 1920, 72), note('right', 960, 960, 64)];
    const onTop = (group: readonly HandNote[]): readonly number[] | null =>
      group[0].midi === 72 ? [4] : null;
    expect(told(fingerPart(notes, 'right', 8, FROM_NOWHERE, [], onTop).notes)).toBe('72/4 64/1');
  });
});
