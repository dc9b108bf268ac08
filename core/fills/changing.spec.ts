import { describe, expect, it } from 'vitest';
import { nameOf, parsePitch } from '../music';
import { changedNotes, type NoteChange } from './changing';
import type { Fill } from './fill';

const D_MINOR = { tonic: { letter: 'D', alter: 0 }, mode: 'minor' } as const;
const note = (tick: number, length: number, name: string) => ({ tick, length, pitch: parsePitch(name) });
const FILL = {
  tick: 960,
  length: 1920,
  notes: [note(960, 480, 'A4'), note(1440, 480, 'B4'), note(1920, 480, 'C5')],
} as unknown as Fill;

const told = (at: number, how: NoteChange, fill = FILL): string => {
  const changed = changedNotes(fill, at, how, D_MINOR);
  if (typeof changed === 'string') return changed;
  return changed.map(({ tick, length, pitch }) => `${tick}/${length} ${nameOf(pitch)}`).join(', ');
};

describe('a note of a fill', () => {
  it('goes up and down by steps of the key', () => {
    expect(told(0, 'up')).toBe('960/480 Bb4, 1440/480 B4, 1920/480 C5');
    expect(told(2, 'down')).toBe('960/480 A4, 1440/480 B4, 1920/480 Bb4');
  });

  it('becomes longer or shorter, is struck again or left out, and what follows moves along', () => {
    expect(told(0, 'longer')).toBe('960/960 A4, 1920/480 B4, 2400/480 C5');
    expect(told(1, 'shorter')).toBe('960/480 A4, 1440/240 B4, 1680/480 C5');
    expect(told(0, 'again')).toBe('960/480 A4, 1440/480 A4, 1920/480 B4, 2400/480 C5');
    expect(told(1, 'out')).toBe('960/480 A4, 1440/480 C5');
  });

  it('is refused what has no room, or leaves nothing', () => {
    const full = { ...FILL, notes: [...FILL.notes, note(2400, 480, 'D5')] };
    expect(told(0, 'again', full)).toBe('There is no room for that: shorten another note first.');
    expect(told(3, 'longer', full)).toBe('960/480 A4, 1440/480 B4, 1920/480 C5, 2400/480 D5');
    expect(told(0, 'out', { ...FILL, notes: FILL.notes.slice(0, 1) })).toBe(
      'It is the only note: leave the whole fill out.',
    );
    expect(told(0, 'shorter', { ...FILL, notes: [note(960, 120, 'A4')] })).toBe(
      'The note is as short as it can be played.',
    );
    expect(told(9, 'up')).toBe('Pick a note of the fill first.');
  });
});
