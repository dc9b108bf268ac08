import { describe, expect, it } from 'vitest';
import type { HandNote } from '../hands';
import { keysByTick, lasting } from './windows';

const note = (tick: number, length: number, midi = 60): HandNote => ({ tick, length, midi }) as HandNote;

describe('what sounds in a stretch', () => {
  it('is what begins before its end and lasts beyond its beginning', () => {
    const [before, over, on, inside, at, after] = [
      note(0, 960),
      note(0, 961),
      note(960, 480),
      note(1440, 4800),
      note(1920, 960),
      note(2880, 960),
    ];
    const notes = [before, over, on, inside, at, after];
    expect(lasting(notes, 960, 1920)).toEqual([over, on, inside]);
    expect(lasting(notes, 960, 1921)).toEqual([over, on, inside, at]);
    expect(lasting(notes, 0, 960)).toEqual([before, over]);
  });
});

describe('the keys struck at each tick', () => {
  it('are those of all notes there, in their order', () => {
    const keys = keysByTick([note(0, 960, 60), note(0, 480, 64), note(480, 480, 62)]);
    expect([...keys]).toEqual([
      [0, [60, 64]],
      [480, [62]],
    ]);
  });
});
