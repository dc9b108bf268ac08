import { strToU8 } from 'fflate';

/** An event at its tick. Of several at one tick those of a lower order come first. */
export interface TimedEvent {
  readonly tick: number;
  readonly order: number;
  /** As it stands in the file, without its time. */
  readonly bytes: Uint8Array;
}

const META = 0xff;
const NOTE_OFF = 0x80;
const NOTE_ON = 0x90;
const CONTROLLER = 0xb0;
/** Of the sustaining pedal. */
const PEDAL = 64;
/** MIDI clocks to a click and thirty-seconds to a quarter, as they usually are. */
const [CLOCKS, THIRTY_SECONDS] = [24, 8];

/** Events of the Standard MIDI File, version 1.0: those an arrangement needs. */
export const midiEvent = {
  /** In UTF-8. */
  trackName: (text: string) => meta(0x03, strToU8(text)),
  /** Microseconds to a quarter, up to three bytes of them. */
  tempo: (microseconds: number) => meta(0x51, bytesOf(microseconds, 3)),
  timeSignature: ({ numerator, denominator }: { readonly numerator: number; readonly denominator: number }) =>
    meta(0x58, [numerator, Math.log2(denominator), CLOCKS, THIRTY_SECONDS]),
  /** Sharps, or flats below 0. */
  keySignature: (sharps: number, isMinor: boolean) => meta(0x59, [sharps & 0xff, isMinor ? 1 : 0]),
  keyDown: (channel: number, midi: number, velocity: number) =>
    Uint8Array.of(NOTE_ON | channel, midi, velocity),
  keyUp: (channel: number, midi: number, velocity: number) =>
    Uint8Array.of(NOTE_OFF | channel, midi, velocity),
  pedal: (channel: number, isDown: boolean) => Uint8Array.of(CONTROLLER | channel, PEDAL, isDown ? 127 : 0),
  endOfTrack: () => meta(0x2f, []),
};

function meta(kind: number, data: ArrayLike<number>): Uint8Array {
  return Uint8Array.from([META, kind, ...varying(data.length), ...Array.from(data)]);
}

/** A whole number in so many bytes, the highest first. */
function bytesOf(value: number, count: number): number[] {
  return Array.from({ length: count }, (_, i) => (value >>> (8 * (count - 1 - i))) & 0xff);
}

/** A number as the format writes lengths and times: seven bits a byte, the highest first, all but the last marked. */
function varying(value: number): number[] {
  const bytes = [value & 0x7f];
  for (let rest = Math.floor(value / 0x80); rest > 0; rest = Math.floor(rest / 0x80))
    bytes.unshift((rest & 0x7f) | 0x80);
  return bytes;
}

/** A file of type 1: its tracks sound together. Events of a track are in time. */
export function midiFileOf(tracks: readonly (readonly TimedEvent[])[], ticksPerQuarter: number): Uint8Array {
  const head = [...bytesOf(1, 2), ...bytesOf(tracks.length, 2), ...bytesOf(ticksPerQuarter, 2)];
  return joined([chunk('MThd', [Uint8Array.from(head)]), ...tracks.map(trackOf)]);
}

function trackOf(events: readonly TimedEvent[]): Uint8Array {
  const times = events.map(({ tick }, i) => Uint8Array.from(varying(tick - (events[i - 1]?.tick ?? 0))));
  return chunk(
    'MTrk',
    events.flatMap(({ bytes }, i) => [times[i], bytes]),
  );
}

function chunk(name: string, pieces: readonly Uint8Array[]): Uint8Array {
  const length = pieces.reduce((sum, piece) => sum + piece.length, 0);
  return joined([strToU8(name), Uint8Array.from(bytesOf(length, 4)), ...pieces]);
}

function joined(pieces: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(pieces.reduce((sum, piece) => sum + piece.length, 0));
  let at = 0;
  for (const piece of pieces) {
    whole.set(piece, at);
    at += piece.length;
  }
  return whole;
}
