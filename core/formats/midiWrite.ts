import type { Arrangement } from '../arrangement';
import type { HandNote } from '../hands';
import { barTicks, fifthsOf, hasMinorThird, metreName, strikeNumber, TICKS_PER_QUARTER } from '../music';
import type { TimedNote } from '../performance';
import { refuseTooLong } from './limits';
import { midiEvent, midiFileOf, type TimedEvent } from './midiBytes';
import { metreOfLength } from './musicxmlPieces';

/** A key is let go this many ticks early, so that it speaks again when repeated. */
const RELEASE_TICKS = 1;
/** A grace note sounds this long, before its main note. */
const GRACE_TICKS = 120;
/** The pedal goes down again this many ticks after its chord. */
const PEDAL_AGAIN_TICKS = TICKS_PER_QUARTER / 8;
const RELEASE_VELOCITY = 64;

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
  return midiFileOf(
    tracks.map((track) => inOrder(track, end)),
    TICKS_PER_QUARTER,
  );
}

/** A number for each key struck by each hand at each time. */
function idOf(note: Pick<TimedNote, 'hand' | 'tick' | 'midi'>): number {
  return strikeNumber(note) * 2 + (note.hand === 'left' ? 1 : 0);
}

function named(text: string): TimedEvent {
  return { tick: 0, order: 0, bytes: midiEvent.trackName(text) };
}

function mapEvents({ played }: Arrangement): TimedEvent[] {
  // A pick-up is written as a first bar of its own length: MIDI has no other word for it.
  const bars = played.bars.map((bar) => ({
    tick: bar.tick,
    metre: bar.length < barTicks(bar.metre) ? metreOfLength(bar.length) : bar.metre,
  }));
  const metres = bars.filter((bar, i) => i === 0 || metreName(bar.metre) !== metreName(bars[i - 1].metre));
  return [
    ...played.tempoMap.map(({ tick, quartersPerMinute }): TimedEvent => ({
      tick,
      order: 0,
      bytes: midiEvent.tempo(Math.round(60_000_000 / quartersPerMinute)),
    })),
    ...metres.map((bar): TimedEvent => ({
      tick: bar.tick,
      order: 0,
      bytes: midiEvent.timeSignature(bar.metre),
    })),
    ...played.keyMap.map((key): TimedEvent => ({
      tick: key.tick,
      order: 0,
      bytes: midiEvent.keySignature(fifthsOf(key), hasMinorThird(key.mode)),
    })),
  ];
}

function keyEvents(note: HandNote, velocity: number, channel: number): TimedEvent[] {
  const start = note.grace ? Math.max(0, note.tick - GRACE_TICKS) : note.tick;
  const length = note.grace ? GRACE_TICKS : note.length;
  return [
    { tick: start, order: 2, bytes: midiEvent.keyDown(channel, note.midi, velocity) },
    {
      tick: start + Math.max(1, length - RELEASE_TICKS),
      order: 1,
      bytes: midiEvent.keyUp(channel, note.midi, RELEASE_VELOCITY),
    },
  ];
}

function pedalEvents({ timeline }: Arrangement): TimedEvent[] {
  return timeline.pedals.map(({ tick, down }) => ({
    tick: tick + (down ? PEDAL_AGAIN_TICKS : 0),
    order: 3,
    bytes: midiEvent.pedal(1, down),
  }));
}

/** At one tick names and maps first, keys let go before others are struck; what ends last is not cut off by the end. */
function inOrder(track: readonly TimedEvent[], end: number): TimedEvent[] {
  const sorted = [...track].sort((a, b) => a.tick - b.tick || a.order - b.order);
  const tick = Math.max(end, sorted[sorted.length - 1].tick);
  return [...sorted, { tick, order: 4, bytes: midiEvent.endOfTrack() }];
}
