import { describe, expect, it } from 'vitest';
import { buildUpAfter, buildUpAt, levelFor } from './buildUp';
import { BLOCKS, FILLS, FULLER, MELODY_ALONE, MOVING, LEVELS, levelOf, TWO_NOTES } from './levels';

describe('the levels', () => {
  it('knows its levels by what they do', () => {
    expect([MELODY_ALONE, TWO_NOTES, BLOCKS, MOVING, FULLER, FILLS]).toEqual([1, 3, 4, 5, 6, 7]);
  });

  it('climbs from the melody alone to fills, row by row', () => {
    expect(
      LEVELS.map((row) => [row.number, row.name, row.rightHand, row.chords, row.isMoving, row.hasFills]),
    ).toEqual([
      [1, 'Melody alone', 'tune', 'none', false, false],
      [2, 'Melody and bass notes', 'tune', 'bass', false, false],
      [3, 'Two-note chords', 'tune', 'two-notes', false, false],
      [4, 'Block chords', 'tune', 'chosen', false, false],
      [5, 'Moving left hand', 'tune', 'chosen', true, false],
      [6, 'Fuller right hand', 'fuller', 'chosen', true, false],
      [7, 'Fills and endings', 'fuller', 'chosen', true, true],
    ]);
    expect(LEVELS.map(({ singing }) => `${singing.bass} ${singing.chord}`)).toEqual([
      'single none',
      'single none',
      'single held',
      'single held',
      'octave repeated',
      'octave repeated',
      'octave repeated',
    ]);
  });

  it('finds levels by what they do', () => {
    expect([MELODY_ALONE, TWO_NOTES, BLOCKS]).toEqual([1, 3, 4]);
    expect(levelOf({ level: 5 })).toBe(LEVELS[4]);
    expect([1, 2, 3, 4, 5, 6, 7].map((level) => levelFor({ level }))).toEqual([4, 4, 4, 4, 5, 6, 7]);
  });

  it('builds a chord up from two notes, and round again', () => {
    const at = (level: number, layout: 'shell' | 'three' | 'block' | 'root') =>
      buildUpAt({ level, layout })?.notes ?? null;
    expect([at(3, 'block'), at(4, 'three'), at(4, 'block'), at(5, 'block'), at(4, 'root')]).toEqual([
      2,
      3,
      4,
      null,
      null,
    ]);
    const after = (level: number, layout: 'shell' | 'three' | 'block' | 'root') =>
      buildUpAfter({ level, layout }).choices;
    expect(after(3, 'shell')).toEqual({ level: 4, layout: 'three' });
    expect(after(4, 'three')).toEqual({ level: 4, layout: 'block' });
    expect(after(4, 'block')).toEqual({ level: 3, layout: 'block' });
    expect(after(4, 'root')).toEqual({ level: 3, layout: 'block' });
  });
});
