import { describe, expect, it } from 'vitest';
import type { HandNote } from '../hands';
import { midiOf, nameOf, parsePitch } from '../music';
import { voicesOf } from './voices';

const note = (name: string, tick: number, length: number, grace = false): HandNote => ({
  hand: 'right',
  tick,
  length,
  midi: midiOf(parsePitch(name)),
  pitch: parsePitch(name),
  source: 'own',
  from: 'n1',
  lyric: null,
  grace,
  finger: null,
});
const told = (...notes: HandNote[]): string[] =>
  voicesOf(notes).map((voice) =>
    voice.map(({ notes: keys }) => keys.map(({ pitch }) => nameOf(pitch)).join('+')).join(' '),
  );

describe('the voices of a staff', () => {
  it('have what begins together and is highest in the upper one, however long it is', () => {
    expect(told(note('G5', 0, 1920), note('E5', 0, 960), note('D5', 960, 960))).toEqual(['G5', 'E5 D5']);
    expect(told(note('C5', 0, 1920), note('E5', 0, 960), note('F5', 960, 960))).toEqual(['E5 F5', 'C5']);
  });

  it('are one where nothing overlaps: chords of one length, grace notes before what they lead to', () => {
    expect(
      told(note('C5', 0, 960), note('E5', 0, 960), note('D5', 960, 0, true), note('C5', 960, 960)),
    ).toEqual(['C5+E5 D5 C5']);
  });
});
