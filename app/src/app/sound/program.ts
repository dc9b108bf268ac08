import type { Arrangement } from '@joined-hands/core/arrangement';
import type { Hand } from '@joined-hands/core/hands';
import { TICKS_PER_QUARTER } from '@joined-hands/core/music';
import { clicksAlong, Clock, countIn, type TimedNote } from '@joined-hands/core/performance';
import { lastAtOrBefore } from '@joined-hands/core/song';

/** What to play: a stretch of ticks, at a tempo, with one hand or both. */
export interface PlayRequest {
  readonly fromTick: number;
  readonly toTick: number;
  readonly tempoPercent: number;
  readonly hands: Hand | 'both';
  readonly countsIn: boolean;
  /** A metronome clicks each beat while it plays. */
  readonly clicks?: boolean;
}

/** One key to be struck, in seconds from the start of playing. */
export interface PlannedNote {
  readonly at: number;
  readonly duration: number;
  readonly midi: number;
  readonly velocity: number;
  readonly hand: Hand;
  readonly tick: number;
}

/** Everything one press of play will do, worked out beforehand. */
export interface PlayProgram {
  readonly notes: readonly PlannedNote[];
  readonly clicks: readonly { readonly at: number; readonly isDownbeat: boolean }[];
  /** Seconds of count-in before the first tick. */
  readonly countIn: number;
  /** Seconds from the start of playing to the end, count-in included. */
  readonly seconds: number;
  /** The tick that sounds at a time since the start of playing. */
  readonly tickAt: (seconds: number) => number;
}

/** Plans a performance: the notes of the stretch, held on by the pedal, after a count-in of one bar. */
export function planProgram(arrangement: Arrangement, request: PlayRequest): PlayProgram {
  const { played, song, timeline } = arrangement;
  const clock = new Clock(played.tempoMap, song.feel);
  const rate = 100 / request.tempoPercent;
  const start = clock.secondsAt(request.fromTick);
  const stretch = { bars: played.bars, fromTick: request.fromTick, toTick: request.toTick };
  const { quartersPerMinute } = lastAtOrBefore(played.tempoMap, request.fromTick);
  const perTick = (60 * rate) / (quartersPerMinute * TICKS_PER_QUARTER);
  const before = request.countsIn ? countIn(stretch, perTick) : { clicks: [], seconds: 0 };
  const along = request.clicks ? clicksAlong(stretch, (tick) => clock.secondsAt(tick) * rate) : [];
  const beginsAt = before.seconds;
  const wanted = timeline.notes.filter(
    (n) =>
      n.tick >= request.fromTick &&
      n.tick < request.toTick &&
      (request.hands === 'both' || n.hand === request.hands),
  );
  const lifts = request.hands === 'right' ? [] : timeline.pedals;
  const notes = wanted.map((note) => ({
    at: beginsAt + Math.max(0, note.seconds - start) * rate,
    duration: (heldUntil(note, lifts) - note.seconds) * rate,
    midi: note.midi,
    velocity: note.velocity,
    hand: note.hand,
    tick: note.tick,
  }));
  return {
    notes,
    clicks: [...before.clicks, ...along].map(({ seconds, beat }) => ({
      at: beginsAt + seconds,
      isDownbeat: beat === 1,
    })),
    countIn: beginsAt,
    seconds: beginsAt + (clock.secondsAt(request.toTick) - start) * rate,
    tickAt: (seconds) => clock.tickAt(start + Math.max(0, seconds - beginsAt) / rate, played.endTick),
  };
}

/** A string rings on while the pedal is down at the moment its key is let go. */
function heldUntil(note: TimedNote, pedals: Arrangement['timeline']['pedals']): number {
  const end = note.seconds + note.duration;
  let isDown = false;
  for (const pedal of pedals) {
    if (pedal.seconds > end + 1e-6) return isDown && !pedal.down ? pedal.seconds : end;
    isDown = pedal.down;
  }
  return end;
}
