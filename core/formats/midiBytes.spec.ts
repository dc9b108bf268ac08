import fc from 'fast-check';
import midiFile, { type MidiEvent } from 'midi-file';
import { describe, expect, it } from 'vitest';
import { METRES } from '../music';
import { midiEvent, midiFileOf } from './midiBytes';

const byte = fc.integer({ min: 0, max: 127 });
const channel = fc.integer({ min: 0, max: 15 });
/** An event as it is written, and as another reader finds it. */
const events: fc.Arbitrary<readonly [Uint8Array, object]> = fc.oneof(
  fc
    .string({ unit: 'grapheme-ascii', maxLength: 400 })
    .map((text) => [midiEvent.trackName(text), { type: 'trackName', text }] as const),
  fc
    .integer({ min: 1, max: 0xffffff })
    .map(
      (microsecondsPerBeat) =>
        [midiEvent.tempo(microsecondsPerBeat), { type: 'setTempo', microsecondsPerBeat }] as const,
    ),
  fc
    .constantFrom(...METRES)
    .map(
      ({ numerator, denominator }) =>
        [
          midiEvent.timeSignature({ numerator, denominator }),
          { type: 'timeSignature', numerator, denominator, metronome: 24, thirtyseconds: 8 },
        ] as const,
    ),
  fc
    .tuple(fc.integer({ min: -7, max: 7 }), fc.boolean())
    .map(
      ([key, isMinor]) =>
        [
          midiEvent.keySignature(key, isMinor),
          { type: 'keySignature', key, scale: isMinor ? 1 : 0 },
        ] as const,
    ),
  fc
    .tuple(channel, byte, fc.integer({ min: 1, max: 127 }), fc.boolean())
    .map(
      ([at, noteNumber, velocity, isDown]) =>
        [
          isDown ? midiEvent.keyDown(at, noteNumber, velocity) : midiEvent.keyUp(at, noteNumber, velocity),
          { type: isDown ? 'noteOn' : 'noteOff', channel: at, noteNumber, velocity },
        ] as const,
    ),
  fc
    .tuple(channel, fc.boolean())
    .map(
      ([at, isDown]) =>
        [
          midiEvent.pedal(at, isDown),
          { type: 'controller', channel: at, controllerType: 64, value: isDown ? 127 : 0 },
        ] as const,
    ),
);

describe('the bytes of a MIDI file', () => {
  it('are read by another reader as what was written: every event, its time, its track', () => {
    const track = fc.array(fc.tuple(fc.integer({ min: 0, max: 0xfffffff }), events), { maxLength: 60 });
    fc.assert(
      fc.property(
        fc.array(track, { minLength: 1, maxLength: 4 }),
        fc.constantFrom(96, 960),
        (tracks, quarter) => {
          const timed = tracks.map((track) => {
            let tick = 0;
            return track.map(([wait, [bytes]]) => ({ tick: (tick += wait), order: 0, bytes }));
          });
          const { header, tracks: read } = midiFile.parseMidi(midiFileOf(timed, quarter));
          expect(header).toMatchObject({ format: 1, numTracks: tracks.length, ticksPerBeat: quarter });
          expect(read.map((track) => track.map((event: MidiEvent) => event.deltaTime))).toEqual(
            tracks.map((track) => track.map(([wait]) => wait)),
          );
          read.forEach((track, t) =>
            track.forEach((event: MidiEvent, i) => expect(event).toMatchObject(tracks[t][i][1][1])),
          );
        },
      ),
    );
  });

  it('have names in UTF-8, as bytes', () => {
    const bytes = midiEvent.trackName('Løft ♪');
    expect([...bytes]).toEqual([0xff, 3, 9, 0x4c, 0xc3, 0xb8, 0x66, 0x74, 0x20, 0xe2, 0x99, 0xaa]);
    expect([...midiEvent.endOfTrack()]).toEqual([0xff, 0x2f, 0]);
  });
});
