import { parsePitch } from '@joined-hands/core/music';
import type { HandNote } from '@joined-hands/core/hands';
import { describe, expect, it } from 'vitest';
import {
  BLOCK_HEIGHT,
  blockShapes,
  leftHeight,
  leftShapeOf,
  NOTE_HEIGHT,
  noteShapes,
  rightHeight,
  type RowPlace,
  shapeOf,
  type View,
} from './seam-keys';

const MIDI: Record<string, number> = {
  C3: 48,
  E3: 52,
  G3: 55,
  C4: 60,
  E4: 64,
  F4: 65,
  G4: 67,
  'F#4': 66,
  C5: 72,
};
const key = (hand: 'right' | 'left', name: string, tick: number, differs: Partial<HandNote> = {}): HandNote =>
  ({
    hand,
    tick,
    length: 960,
    midi: MIDI[name],
    pitch: parsePitch(name),
    source: hand === 'right' ? 'melody' : 'voicing',
    from: `${name}@${tick}`,
    lyric: null,
    grace: false,
    finger: null,
    ...differs,
  }) as HandNote;
const right = (name: string, tick: number, differs: Partial<HandNote> = {}) =>
  key('right', name, tick, differs);
const left = (name: string, tick: number, differs: Partial<HandNote> = {}) =>
  key('left', name, tick, differs);

/** C4 is the 28th letter from C0; a step is six pixels, a quarter ninety-six. */
const view = (differs: Partial<View> = {}): View =>
  ({
    step: 6,
    rightRange: [28, 35],
    leftRange: [21, 28],
    rightMost: 1,
    leftMost: 3,
    rightStacks: false,
    byPitch: false,
    isUnderMelody: false,
    ...differs,
  }) as View;
const PLACE: RowPlace = { x: (tick) => 10 + tick / 10, perTick: 0.1, rowEnd: 3840 };
const TOP = 100;

describe('how high the lanes of the seam are', () => {
  it('the right: its steps and a note, as many notes as are struck together at the least; stacked, those alone', () => {
    expect(rightHeight(view())).toBe(7 * 6 + NOTE_HEIGHT + 8);
    expect(rightHeight(view({ rightMost: 3 }))).toBe(3 * (NOTE_HEIGHT + 2) + 17);
    expect(rightHeight(view({ rightMost: 2, rightRange: [20, 40] }))).toBe(20 * 6 + NOTE_HEIGHT + 15);
    expect(rightHeight(view({ rightMost: 2, rightRange: [20, 40], rightStacks: true }))).toBe(
      2 * (NOTE_HEIGHT + 2) + 17,
    );
  });

  it('the left: stacked by order; by pitch its steps, flatter where the range is wide, never too low for its stacks', () => {
    expect(leftHeight(view())).toBe(3 * (BLOCK_HEIGHT + 1) + 2);
    const one = { byPitch: true, leftMost: 1 };
    expect(leftHeight(view(one))).toBe(7 * 6 + BLOCK_HEIGHT + 6);
    expect(leftHeight(view({ ...one, leftRange: [21, 21] }))).toBe(BLOCK_HEIGHT + 6);
    expect(leftHeight(view({ ...one, leftRange: [1, 26] }))).toBe(150 + 6);
    expect(leftHeight(view({ byPitch: true, leftMost: 4 }))).toBe(4 * (BLOCK_HEIGHT + 1) + 2);
  });
});

describe('notes of the right hand as they are drawn', () => {
  const drawn = (notes: readonly HandNote[], differs: Partial<View> = {}) =>
    noteShapes(view(differs), notes, PLACE, TOP);

  it('by pitch, as long as they sound less a gap, named', () => {
    const [low, high] = drawn([right('C4', 0), right('C5', 960, { length: 1920 })]);
    expect(low).toMatchObject({ id: 'C4@0', from: 'C4@0', tick: 0, x: 10, y: TOP + 4 + 42, width: 92 });
    expect(high).toMatchObject({ x: 106, y: TOP + 4, width: 188, letter: 'C', octaveMark: '', midi: 72 });
    expect([low.isGrace, low.isFill, low.isPass, low.isInner]).toEqual([false, false, false, false]);
    expect(drawn([right('F#4', 0)])[0].letter).toBe('F♯');
  });

  it('a short one still has room for its letter; an outlier is an octave nearer and says so', () => {
    expect(drawn([right('C4', 0, { length: 120 })])[0].width).toBe(20);
    const range = { rightRange: [30, 35] } as const;
    expect(drawn([right('C4', 0)], range)[0]).toMatchObject({ octaveMark: '8 down', y: TOP + 4 });
    expect(drawn([right('C5', 0)], { rightRange: [26, 34] })[0]).toMatchObject({
      octaveMark: '8 up',
      y: TOP + 4 + 6 * 6,
    });
  });

  it('a grace note stands before its note, in the last of the one before', () => {
    const grace = right('E4', 960, { grace: true, length: 0, from: 'g' });
    const [before, ornament, main] = drawn([right('C4', 0), right('F4', 960), grace]);
    expect([before.width, ornament.x, ornament.width, main.x]).toEqual([92 - 18, 106 - 18, 18, 106]);
    expect([before.isGrace, ornament.isGrace, main.isGrace]).toEqual([false, true, false]);
    expect(ornament.fingerAt).toBeNull();
  });

  it('keys beside the tune are a height apart, below it and above it, lowest first', () => {
    const beside = { source: 'harmony' } as const;
    const below = drawn([right('C5', 0), right('G4', 0, beside), right('E4', 0, beside)], {
      rightRange: [24, 35],
    });
    expect(below.map(({ midi, y }) => [midi, y - TOP])).toEqual([
      [64, 4 + 2 * (NOTE_HEIGHT + 1)],
      [67, 4 + NOTE_HEIGHT + 1],
      [72, 4],
    ]);
    expect(below.map(({ isInner }) => isInner)).toEqual([true, true, false]);
    expect(below.map(({ id }) => id)).toEqual(['E4@0:64@0', 'G4@0:67@0', 'C5@0']);
    const above = drawn([right('C4', 0), right('E4', 0, beside)]);
    expect(above.map(({ y }) => y - TOP)).toEqual([46, 46 - NOTE_HEIGHT - 1]);
  });

  it('what would stand out of the lane is moved into it, all of a strike together', () => {
    const low = drawn([right('E4', 0), right('C4', 0, { source: 'harmony' })]);
    const floor = rightHeight(view()) - NOTE_HEIGHT;
    expect(low.map(({ y }) => y - TOP)).toEqual([floor, floor - NOTE_HEIGHT - 1]);
    const high = drawn([right('G4', 0), right('C5', 0, { source: 'harmony' })], { rightRange: [30, 32] });
    expect(high.map(({ y }) => y - TOP)).toEqual([NOTE_HEIGHT + 1, 0]);
  });

  it('stacked by order where the right hand plays chords; under the melody they hang from the top', () => {
    const two = [right('E4', 0), right('C5', 0)];
    const rows = { rightMost: 3, rightStacks: true };
    expect(drawn(two, rows).map(({ y }) => y)).toEqual([TOP + 4 + 2 * 29, TOP + 4 + 29]);
    expect(drawn(two, { ...rows, isUnderMelody: true }).map(({ y }) => y)).toEqual([TOP + 4 + 29, TOP + 4]);
  });

  it('fingers are written inside where there is room, else over the top and under the lowest', () => {
    const at = (length: number, name = 'E4') => drawn([right(name, 0, { length })])[0].fingerAt;
    // 480 ticks are 48 pixels less the gap: 44 are not enough, one more is.
    expect([at(480), at(490)]).toEqual(['over', 'in']);
    expect([at(580, 'F#4'), at(590, 'F#4')]).toEqual(['over', 'in']);
    const short = { length: 240 };
    const chord = [right('C4', 0, short), right('E4', 0, short), right('C5', 0, short)];
    expect(drawn(chord, { rightMost: 3 }).map(({ fingerAt }) => fingerAt)).toEqual(['under', null, 'over']);
  });

  it('a pass of the thumb is marked on the key it reaches, from a single key to a single key', () => {
    const upwards = [right('E4', 0, { finger: 3 }), right('F4', 960, { finger: 1 })];
    expect(drawn(upwards).map(({ isPass }) => isPass)).toEqual([false, true]);
    const chord = [...upwards, right('C4', 0, { finger: 1 })];
    expect(drawn(chord, { rightMost: 2 }).some(({ isPass }) => isPass)).toBe(false);
  });
});

describe('keys of the left hand as they are drawn', () => {
  const drawn = (notes: readonly HandNote[], differs: Partial<View> = {}) =>
    blockShapes(view(differs), notes, PLACE, TOP);

  it('stacked from the lowest, cut at the end of the row', () => {
    const keys = [left('G3', 2880, { length: 1920 }), left('C3', 2880, { length: 1920 })];
    const bottom = TOP + leftHeight(view()) - BLOCK_HEIGHT;
    expect(drawn(keys)).toMatchObject([
      { id: 'left 2880 48', y: bottom, x: 298, width: 92, letter: 'C', isInner: false, octaveMark: '' },
      {
        id: 'left 2880 55',
        y: bottom - 26,
        x: 298,
        width: 92,
        letter: 'G',
        isInner: true,
        changeId: 'G3@2880',
      },
    ]);
  });

  it('by pitch where the hand moves, a height apart, an outlier an octave nearer', () => {
    const byPitch = { byPitch: true, leftMost: 2 };
    const bottom = TOP + leftHeight(view(byPitch)) - BLOCK_HEIGHT;
    const [low, third] = drawn([left('C3', 0), left('E3', 0)], byPitch);
    expect([low.y, third.y]).toEqual([bottom, bottom - BLOCK_HEIGHT - 1]);
    expect(drawn([left('G3', 0)], byPitch)[0].y).toBe(bottom - 4 * 6);
    const near = drawn([left('C3', 0)], { ...byPitch, leftRange: [24, 30] });
    expect(near[0]).toMatchObject({ octaveMark: '8 down' });
    expect(near[0].y).toBe(
      TOP + leftHeight(view({ ...byPitch, leftRange: [24, 30] })) - BLOCK_HEIGHT - 4 * 6,
    );
  });

  it('a stack that would stand out of its lane is moved down into it', () => {
    const keys = ['C3', 'E3', 'G3', 'C4'].map((name) => left(name, 0));
    const shapes = drawn(keys, { byPitch: true, leftRange: [21, 24] });
    expect(Math.min(...shapes.map(({ y }) => y))).toBe(TOP);
    expect(shapes.map(({ y }) => y)).toEqual([TOP + 78, TOP + 52, TOP + 26, TOP]);
  });
});

describe('names of shapes', () => {
  it('a melody note has its own, what is beside it its key too; the left hand by time and key', () => {
    expect(shapeOf(right('C4', 0))).toBe('C4@0');
    expect(shapeOf(right('C4', 0, { source: 'fill' }))).toBe('C4@0:60@0');
    expect(leftShapeOf({ tick: 480, midi: 50 })).toBe('left 480 50');
  });
});
