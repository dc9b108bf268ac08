import { describe, expect, it } from 'vitest';
import { midiInstrument } from './midi-out';

const at = (midi: number): number => 440 * 2 ** ((midi - 69) / 12);

describe('a MIDI instrument', () => {
  it('is sent each key, when it goes down and up, by the clock of the page', () => {
    const sent: [number[], number | undefined][] = [];
    const send = (data: Iterable<number>, time?: number): void => void sent.push([[...data], time]);
    const instrument = midiInstrument(
      { name: 'Upright', send },
      () => 10,
      () => 5000,
    );
    instrument.triggerAttackRelease(at(60), 0.5, 10.25, 0.5);
    instrument.triggerAttackRelease(at(21), 1, 10, 1);
    instrument.triggerAttackRelease(at(108), 1, undefined, 0.001);
    expect(sent).toEqual([
      [[0x90, 60, 64], 5250],
      [[0x80, 60, 0], 5750],
      [[0x90, 21, 127], 5000],
      [[0x80, 21, 0], 6000],
      [[0x90, 108, 1], 5000],
      [[0x80, 108, 0], 6000],
    ]);
  });

  it('lets go of a key before it strikes it again, and of all at once when it is silenced', () => {
    const sent: number[][] = [];
    let cleared = 0;
    const send = (data: Iterable<number>): void => void sent.push([...data]);
    const instrument = midiInstrument(
      { name: 'Upright', send, clear: () => cleared++ },
      () => 0,
      () => 0,
    );
    instrument.triggerAttackRelease(at(60), 2, 0, 0.5);
    instrument.triggerAttackRelease(at(60), 2, 1, 0.5);
    expect(sent.map(([command]) => command)).toEqual([0x90, 0x80, 0x80, 0x90, 0x80]);
    sent.length = 0;
    instrument.releaseAll();
    expect([cleared, sent]).toEqual([
      1,
      [
        [0x80, 60, 0],
        [0xb0, 123, 0],
        [0xb0, 120, 0],
      ],
    ]);
  });
});
