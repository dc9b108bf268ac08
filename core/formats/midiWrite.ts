import midiFile, { type MidiEvent } from 'midi-file';
import type { Arrangement } from '../arrangement';
import type { HandNote } from '../hands';
import { barTicks, fifthsOf, hasMinorThird, metreName, strikeNumber, TICKS_PER_QUARTER } from '../music';
import type { TimedNote } from '../performance';
import { refuseTooLong } from './limits';
import { metreOfLength } from './musicxmlPieces';

/** A key is let go this many ticks early, so that it speaks again when repeated. */
const RELEASE_TICKS = 1;
/** A grace note sounds this long, before its main note. */
const GRACE_TICKS = 120;
/** The pedal goes down again this many ticks after its chord. */
const PEDAL_AGAIN_TICKS = TICKS_PER_QUARTER / 8;
const RELEASE_VELOCITY = 64;

type Timed = { readonly tick: number; readonly order: number; readonly event: Untimed };
type Untimed = MidiEvent extends infer E ? (E extends MidiEvent ? Omit<E, 'deltaTime'> : never) : never;

/** The arrangement as a Standard MIDI file, type 1: two tracks, tempo, metre, key, pedal; 960 ticks to the quarter. */
export function writeMidi(arrangement: Arrangement): Uint8Array {
  const { played, song } = arrangement;
  refuseTooLong(played);
  const end = played.endTick;
  const velocities = new Map(arrangement.timeline.notes.map((n) => [idOf(n), n.velocity]));
  const tracks = [
    [named(song.title), ...mapEvents(arrangement)],
    [
      named('Right hand'),
      ...arrangement.right.flatMap((note) => keyEvents(note, velocities.get(idOf(note)) ?? 64, 0)),
    ],
    [
      named('Left hand'),
      ...pedalEvents(arrangement),
      ...arrangement.left.flatMap((note) => keyEvents(note, velocities.get(idOf(note)) ?? 64, 1)),
    ],
  ];
  const header = { format: 1 as const, numTracks: tracks.length, ticksPerBeat: TICKS_PER_QUARTER };
  const head = midiFile.writeMidi({ header: { ...header, numTracks: 0 }, tracks: [] });
  // The header says how many tracks follow it, in its last but two bytes.
  head.splice(HEADER_TRACKS_AT, 2, tracks.length >> 8, tracks.length & 0xff);
  return joined([Uint8Array.from(head), ...tracks.flatMap((track) => trackBytes(inOrder(track, end)))]);
}

/** Where the number of tracks stands in a file's header. */
const HEADER_TRACKS_AT = 10;
/** Bytes of a file without tracks, and of the name and length every track begins with. */
const HEADER_BYTES = 14;
const TRACK_HEAD_BYTES = 8;
/** Events written at once: the writer's time grows with the square of what it is given. */
const BATCH = 32;

/**
 * A track's name, length and events, which are in time; written in batches, each with what it needs made for it alone, so
 * that time grows with the events and no faster.
 */
function trackBytes(events: readonly Timed[]): Uint8Array[] {
  const header = { format: 1 as const, numTracks: 1, ticksPerBeat: TICKS_PER_QUARTER };
  const batches: Uint8Array[] = [];
  let last = 0;
  for (let at = 0; at < events.length; at += BATCH) {
    const batch = events.slice(at, at + BATCH).map(({ tick, event }) => {
      const deltaTime = tick - last;
      last = tick;
      return { ...event, deltaTime } as MidiEvent;
    });
    const file = midiFile.writeMidi({ header, tracks: [batch] });
    batches.push(Uint8Array.from(file.slice(HEADER_BYTES + TRACK_HEAD_BYTES)));
  }
  const length = batches.reduce((sum, batch) => sum + batch.length, 0);
  const head = new Uint8Array(TRACK_HEAD_BYTES);
  head.set([0x4d, 0x54, 0x72, 0x6b]);
  new DataView(head.buffer).setUint32(4, length);
  return [head, ...batches];
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

/** A number for each key struck by each hand at each time. */
function idOf(note: Pick<TimedNote, 'hand' | 'tick' | 'midi'>): number {
  return strikeNumber(note) * 2 + (note.hand === 'left' ? 1 : 0);
}

function named(text: string): Timed {
  // Track names are bytes: UTF-8, one byte a character.
  const bytes = encodeURIComponent(text).replace(/%([0-9A-F]{2})/g, (_, hex: string) =>
    String.fromCharCode(parseInt(hex, 16)),
  );
  return { tick: 0, order: 0, event: { type: 'trackName', text: bytes } };
}

function mapEvents({ played }: Arrangement): Timed[] {
  // A pick-up is written as a first bar of its own length: MIDI has no other word for it.
  const bars = played.bars.map((bar) => ({
    tick: bar.tick,
    metre: bar.length < barTicks(bar.metre) ? metreOfLength(bar.length) : bar.metre,
  }));
  const metres = bars.filter((bar, i) => i === 0 || metreName(bar.metre) !== metreName(bars[i - 1].metre));
  return [
    ...played.tempoMap.map((entry): Timed => {
      const microsecondsPerBeat = Math.round(60_000_000 / entry.quartersPerMinute);
      return { tick: entry.tick, order: 0, event: { type: 'setTempo', microsecondsPerBeat } };
    }),
    ...metres.map((bar): Timed => ({
      tick: bar.tick,
      order: 0,
      event: { type: 'timeSignature', ...bar.metre, metronome: 24, thirtyseconds: 8 },
    })),
    ...played.keyMap.map((key): Timed => ({
      tick: key.tick,
      order: 0,
      event: { type: 'keySignature', key: fifthsOf(key), scale: hasMinorThird(key.mode) ? 1 : 0 },
    })),
  ];
}

function keyEvents(note: HandNote, velocity: number, channel: number): Timed[] {
  const start = note.grace ? Math.max(0, note.tick - GRACE_TICKS) : note.tick;
  const length = note.grace ? GRACE_TICKS : note.length;
  const key = { channel, noteNumber: note.midi };
  return [
    { tick: start, order: 2, event: { type: 'noteOn', ...key, velocity } },
    {
      tick: start + Math.max(1, length - RELEASE_TICKS),
      order: 1,
      event: { type: 'noteOff', ...key, velocity: RELEASE_VELOCITY },
    },
  ];
}

function pedalEvents({ timeline }: Arrangement): Timed[] {
  return timeline.pedals.map(({ tick, down }) => ({
    tick: tick + (down ? PEDAL_AGAIN_TICKS : 0),
    order: 3,
    event: { type: 'controller', channel: 1, controllerType: 64, value: down ? 127 : 0 },
  }));
}

/** At one tick names and maps first, keys let go before others are struck; what ends last is not cut off by the end. */
function inOrder(track: readonly Timed[], end: number): Timed[] {
  const sorted = [...track].sort((a, b) => a.tick - b.tick || a.order - b.order);
  const tick = Math.max(end, sorted[sorted.length - 1].tick);
  return [...sorted, { tick, order: 4, event: { type: 'endOfTrack', meta: true } }];
}
