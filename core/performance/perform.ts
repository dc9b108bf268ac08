import { type Hand, type HandNote } from '../hands';
import { type Loudness, loudnessAt } from '../shaping';
import { placeIn, type PlayedSong, type Song } from '../song';
import { Clock } from './clock';
import { type Pedal, pedalsOf, type TimedPedal } from './pedal';

/** One key sounding, in seconds from the start at the song's own tempo. */
export interface TimedNote {
  readonly hand: Hand;
  readonly tick: number;
  readonly seconds: number;
  readonly duration: number;
  readonly midi: number;
  /** 1–127. */
  readonly velocity: number;
}

export interface Timeline {
  readonly notes: readonly TimedNote[];
  readonly pedals: readonly TimedPedal[];
  readonly seconds: number;
}

/** Right over left by about 8 dB on a piano, so that the tune is heard; source: common practice in voicing a melody. */
const VELOCITY: Record<Hand, number> = { right: 88, left: 62 };
/** Keys beside the tune in its own hand sound so much softer, so that the tune stays in front. */
const BESIDE_TUNE = -16;
const ACCENT: readonly number[] = [-6, -4, 0, 2, 5];
/** A grace note is this long and sounds this much before its main note, in seconds. */
const GRACE_SECONDS = 0.07;
/** Keys of a rolled chord follow one another by this much. */
const ROLL_SECONDS = 0.045;
/** A staccato key is let go after this share of its length; an accented one is struck so many steps harder. */
const STACCATO = 0.5;
const ACCENTED = 14;

interface PerformTask {
  readonly song: Song;
  readonly played: PlayedSong;
  readonly right: readonly HandNote[];
  readonly left: readonly HandNote[];
  /** How loud it is at a tick, in steps of velocity from a middling loudness. */
  readonly loudness: readonly Loudness[];
  readonly pedalAt: (tick: number) => Pedal;
  /** Index of the part a tick lies in. */
  readonly partAt: (tick: number) => number;
}

/** The arrangement as it sounds: seconds, loudness, pedal. */
export function perform(task: PerformTask): Timeline {
  const clock = new Clock(task.played.tempoMap, task.song.feel);
  const notes = [...task.right, ...task.left]
    .map((note) => timed(task, clock, note))
    .sort((a, b) => a.seconds - b.seconds || a.midi - b.midi);
  const { played, pedalAt, partAt } = task;
  const secondsAt = (tick: number): number => clock.secondsAt(tick);
  const pedals = pedalsOf({ played, left: task.left, pedalAt, partAt, secondsAt });
  return { notes, pedals, seconds: clock.secondsAt(task.played.endTick) };
}

function timed(task: PerformTask, clock: Clock, note: HandNote): TimedNote {
  const start = clock.secondsAt(note.tick);
  const later = (note.rolled ?? 0) * ROLL_SECONDS;
  const seconds = note.grace ? Math.max(0, start - GRACE_SECONDS) : start + later;
  const duration = note.grace
    ? GRACE_SECONDS
    : Math.max(
        ROLL_SECONDS,
        (clock.secondsAt(note.tick + note.length) - start) * (note.touch === 'staccato' ? STACCATO : 1) -
          later,
      );
  const accent = ACCENT[placeIn(task.played.bars, note.tick).strength];
  const swell = loudnessAt(task.loudness, note.tick);
  const beside = note.source === 'harmony' ? BESIDE_TUNE : 0;
  const harder = note.touch === 'accent' ? ACCENTED : 0;
  const velocity = Math.max(1, Math.min(127, VELOCITY[note.hand] + beside + accent + swell + harder));
  return { hand: note.hand, tick: note.tick, seconds, duration, midi: note.midi, velocity };
}
