import { type Hand, type HandNote } from '../hands';
import { metricStrength } from '../music';
import { barAt, type Choices, type PlayedSong, type Song } from '../song';
import { Clock } from './clock';

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

/** The pedal going down or up. */
export interface TimedPedal {
  readonly tick: number;
  readonly seconds: number;
  readonly down: boolean;
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
/** The pedal is lifted as the chord goes down and pressed again this long after it. */
const PEDAL_AGAIN_SECONDS = 0.08;

export interface PerformTask {
  readonly song: Song;
  readonly played: PlayedSong;
  readonly right: readonly HandNote[];
  readonly left: readonly HandNote[];
  readonly choicesAt: (tick: number) => Choices;
}

/** The arrangement as it sounds: seconds, loudness, pedal. */
export function perform(task: PerformTask): Timeline {
  const clock = new Clock(task.played.tempoMap, task.song.feel);
  const notes = [...task.right, ...task.left]
    .map((note) => timed(task, clock, note))
    .sort((a, b) => a.seconds - b.seconds || a.midi - b.midi);
  return { notes, pedals: pedalsOf(task, clock), seconds: clock.secondsAt(task.played.endTick) };
}

function timed(task: PerformTask, clock: Clock, note: HandNote): TimedNote {
  const start = clock.secondsAt(note.tick);
  const later = (note.rolled ?? 0) * ROLL_SECONDS;
  const seconds = note.grace ? Math.max(0, start - GRACE_SECONDS) : start + later;
  const duration = note.grace
    ? GRACE_SECONDS
    : Math.max(ROLL_SECONDS, clock.secondsAt(note.tick + note.length) - start - later);
  const bar = barAt(task.played.bars, note.tick);
  const accent = ACCENT[metricStrength(note.tick - bar.tick, bar.metre)];
  const swell = loudnessAt(task.played, note.tick);
  const beside = note.source === 'harmony' ? BESIDE_TUNE : 0;
  const velocity = Math.max(1, Math.min(127, VELOCITY[note.hand] + beside + accent + swell));
  return { hand: note.hand, tick: note.tick, seconds, duration, midi: note.midi, velocity };
}

/** Steps of velocity from the softest to the loudest point of a section that grows or falls. */
const SWELL = 24;

/** How much louder or softer a section that grows or falls is at a tick, −12 … 12. */
function loudnessAt({ sections, endTick }: PlayedSong, tick: number): number {
  const at = sections.findLastIndex((section) => section.tick <= tick);
  const section = sections[at];
  if (!section || section.dynamics === 'even') return 0;
  const end = sections[at + 1]?.tick ?? endTick;
  const share = (tick - section.tick) / Math.max(1, end - section.tick);
  return Math.round((section.dynamics === 'growing' ? share - 0.5 : 0.5 - share) * SWELL);
}

function pedalsOf(task: PerformTask, clock: Clock): TimedPedal[] {
  if (task.left.length === 0) return [];
  const pedals: TimedPedal[] = [];
  const sounding = task.played.changes.filter((c) => c.chord !== null);
  const struck = new Set(task.left.map((note) => note.tick));
  let down = false;
  for (const [i, change] of sounding.entries()) {
    const { pedal } = task.choicesAt(change.tick);
    const last = i === sounding.length - 1;
    const wanted =
      struck.has(change.tick) && (pedal === 'change' || pedal === 'held' || (pedal === 'end' && last));
    const seconds = clock.secondsAt(change.tick);
    if (down) pedals.push({ tick: change.tick, seconds, down: false });
    if (wanted) pedals.push({ tick: change.tick, seconds: seconds + PEDAL_AGAIN_SECONDS, down: true });
    down = wanted;
    const end = change.tick + change.length;
    if (down && (last || sounding[i + 1].tick > end)) {
      pedals.push({ tick: end, seconds: clock.secondsAt(end), down: false });
      down = false;
    }
  }
  return pedals;
}
