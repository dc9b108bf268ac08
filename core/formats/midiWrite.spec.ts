import midiFile from 'midi-file';
import { describe, expect, it } from 'vitest';
import { arrange } from '../arrange';
import type { Arrangement } from '../arrangement';
import { DEFAULT_PROFILE } from '../song';
import { wholeBars } from '../testing';
import { writeMidi } from './midiWrite';

const whole = arrange(wholeBars(['C5', 'E5'], ['C', 'Am']), DEFAULT_PROFILE);

interface Struck {
  readonly hand: 'right' | 'left';
  readonly tick: number;
  readonly midi: number;
  readonly velocity: number;
}

/** The arrangement with these keys alone, a quarter each. */
function ofKeys(struck: readonly Struck[]): Arrangement {
  const of = (hand: Struck['hand']) =>
    struck
      .filter((key) => key.hand === hand)
      .map((key) => ({ ...whole[hand][0], tick: key.tick, midi: key.midi, length: 960, grace: false }));
  const notes = struck.map((key) => ({ ...whole.timeline.notes[0], ...key }));
  return { ...whole, right: of('right'), left: of('left'), timeline: { ...whole.timeline, notes } };
}

/** Keys going down in each track, and the tick each track ends at. */
function read(arrangement: Arrangement): { readonly down: string[][]; readonly ends: number[] } {
  const { tracks } = midiFile.parseMidi(writeMidi(arrangement));
  const down = tracks.map((events) => {
    let at = 0;
    return events.flatMap((event) => {
      at += event.deltaTime;
      return event.type === 'noteOn' ? [`${event.noteNumber}@${at} ${event.velocity}`] : [];
    });
  });
  return { down, ends: tracks.map((events) => events.reduce((sum, { deltaTime }) => sum + deltaTime, 0)) };
}

describe('the force of a key', () => {
  it('is that of its own hand, key and time', () => {
    const { down } = read(
      ofKeys([
        { hand: 'right', tick: 0, midi: 60, velocity: 81 },
        { hand: 'left', tick: 0, midi: 60, velocity: 32 },
        { hand: 'right', tick: 0, midi: 61, velocity: 83 },
        { hand: 'left', tick: 0, midi: 58, velocity: 34 },
        { hand: 'right', tick: 960, midi: 60, velocity: 85 },
        { hand: 'left', tick: 960, midi: 60, velocity: 36 },
      ]),
    );
    expect(down).toEqual([[], ['60@0 81', '61@0 83', '60@960 85'], ['60@0 32', '58@0 34', '60@960 36']]);
  });
});

describe('a track', () => {
  it('ends with the song, or with what rings on after it', () => {
    const end = whole.played.endTick;
    expect(read(whole).ends).toEqual([end, end, end]);
    expect(read(ofKeys([{ hand: 'right', tick: 0, midi: 60, velocity: 80 }])).ends[1]).toBe(end);
    const late = ofKeys([{ hand: 'left', tick: end, midi: 60, velocity: 80 }]);
    expect(read(late).ends).toEqual([end, end, end + 959]);
  });
});
