import { describe, expect, it } from 'vitest';
import type { HandNote } from '../hands';
import { unfold } from '../song';
import { wholeBars } from '../testing';
import { stillsOf } from './stills';
import type { FillTask } from './task';

const { bars } = unfold(wholeBars(['C5', 'C5', 'C5'], ['C', 'F', 'G']));
const note = (tick: number, length: number, more: Partial<HandNote> = {}): HandNote =>
  ({ tick, length, midi: 72, hand: 'right', grace: false, ...more }) as HandNote;

/** Where the tune holds still: the beat it begins on, until when it is held, when the hand is free, and the next note. */
const told = (tune: readonly HandNote[], after: HandNote | null = null): number[][] =>
  stillsOf({ tune, after, bars, songEnd: 3 * 3840 } as unknown as FillTask).map(
    ({ note: at, heldTo, free, end }) => [at.tick, heldTo, free, end].map((tick) => tick / 960),
  );

describe('where a tune holds still', () => {
  it('is a note of two beats or more, free from its half on', () => {
    expect(told([note(0, 1920), note(1920, 960), note(2880, 960)], note(3840, 960))).toEqual([[0, 2, 1, 2]]);
    expect(told([note(0, 1919), note(1919, 1)], note(1920, 960))).toEqual([]);
    expect(told([note(0, 3840)], note(3840, 960))).toEqual([[0, 4, 2, 4]]);
  });

  it('is a rest of one beat or more, free from its beginning on', () => {
    expect(told([note(0, 960)], note(1920, 960))).toEqual([[0, 1, 1, 2]]);
    expect(told([note(0, 960)], note(1919, 960))).toEqual([]);
    expect(told([note(0, 480)], note(1920, 960))).toEqual([[0, 0.5, 0.5, 2]]);
  });

  it('lasts to the end of the song where nothing follows; a note that rings on is over where the next is struck', () => {
    expect(told([note(7680, 960)])).toEqual([[8, 9, 9, 12]]);
    expect(told([note(0, 3840)], note(960, 960))).toEqual([]);
  });

  it('is no grace note, nor cut short by one', () => {
    expect(told([note(0, 0, { grace: true }), note(0, 1920)], note(1920, 960))).toEqual([[0, 2, 1, 2]]);
  });

  it('knows the phrase that leads up to it, without a rest of half a beat in it', () => {
    const line = [note(0, 480), note(960, 480), note(1920, 600), note(2880, 1920)];
    const stills = stillsOf({ tune: line, after: null, bars, songEnd: 3 * 3840 } as unknown as FillTask);
    expect(stills.map(({ note: at, before }) => [at.tick, before.map(({ tick }) => tick)])).toEqual([
      [2880, [1920, 2880]],
    ]);
  });
});
