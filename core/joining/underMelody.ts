import type { HandNote } from '../hands';
import { bassOf, chroma, KEYBOARDS, membersOf } from '../music';
import { barAt, type Finding, placeIn } from '../song';
import { lowIntervalBreaches, type Sounding, soundingIn, spell, type VoicedChange } from '../voicing';
import { ownFigure, ownFigureIn } from './ownFigure';
import type { PartTask } from './task';

/** The bass lies near here, below the right hand: A2. */
const BASS_CENTRE = 45;
/** A melody note of so many beats is long. */
const LONG_BEATS = 2;

/**
 * A chord in the right hand under its melody note, held as long as that note; the left hand plays root alone, with the
 * fifth, or at a moving level with the octave or in the pianist's own pattern. With "long" only under long notes and at
 * the ends of phrases.
 */
export function handsUnderMelody(
  task: PartTask,
  voiced: VoicedChange,
  isMoving: boolean,
): {
  readonly left: readonly HandNote[];
  readonly right: readonly HandNote[];
  readonly findings: readonly Finding[];
} {
  const { tick } = voiced.change;
  const over: Sounding | undefined = soundingIn(task.melody, tick, tick + 1, task.longestNote)[0];
  const end = Math.min(tick + voiced.length, over ? over.tick + over.length : Infinity);
  const isWanted = voiced.layout === 'under-melody' || isLongOrLast(task, over, tick);
  // A melody off the keyboard is said and kept; the chord under it is played as far as there are keys.
  const { low: first, high: last } = KEYBOARDS[task.profile.keyboard];
  const isThere = (key: number): boolean => key !== over?.midi && key >= first && key <= last;
  const keys = isWanted && over ? voiced.voicing.keys.filter(isThere) : [];
  const right = keys.map((midi) => noteOf('right', voiced, midi, end - tick));
  const lowest = Math.min(...keys, over?.midi ?? Infinity, voiced.voicing.keys[0] + (over ? 99 : 0));
  const low = bassUnder(voiced, lowest, KEYBOARDS[task.profile.keyboard].low);
  if (isMoving && ownFigureIn(task, barAt(task.bars, tick).metre)) {
    const held = fitted(task, voiced, low, lowest, false);
    const tune = soundingIn(task.melody, tick, tick + voiced.length, task.longestNote);
    const dressed = ownFigure(task, voiced, held, [...tune, ...right]);
    return { left: dressed.notes, right, findings: dressed.findings };
  }
  const left = fitted(task, voiced, low, lowest, isMoving).map((midi) =>
    noteOf('left', voiced, midi, voiced.length),
  );
  return { left, right, findings: [] };
}

/** Two beats or more, or the last before a rest or the end of the part. */
function isLongOrLast({ melody, part, bars }: PartTask, over: Sounding | undefined, tick: number): boolean {
  if (!over) return false;
  const beat = placeIn(bars, tick).beatTicks;
  if (over.length >= LONG_BEATS * beat) return true;
  const end = over.tick + over.length;
  const next = melody.find((note) => note.tick > over.tick);
  return next === undefined || next.tick > end || next.tick === part.toTick;
}

/** The root (or slash bass) nearest the middle of the bass, clear below the right hand. */
function bassUnder({ chord }: VoicedChange, ceiling: number, lowest: number): number {
  const wanted = chroma(bassOf(chord));
  const keys = Array.from({ length: 9 }, (_, octave) => 12 * octave + wanted).filter((key) => key >= lowest);
  const below = keys.filter((key) => key < ceiling);
  const possible = below.length > 0 ? below : keys.slice(0, 1);
  return possible.reduce((best, key) =>
    Math.abs(key - BASS_CENTRE) < Math.abs(best - BASS_CENTRE) ? key : best,
  );
}

/** The fifth above the bass, or its octave; the bass alone where hand, register or right hand leave no room. */
function fitted(
  { profile }: PartTask,
  { chord }: VoicedChange,
  low: number,
  ceiling: number,
  isMoving: boolean,
): number[] {
  const fifth = membersOf(chord).find((member) => member.number === 5);
  const fifthKey = fifth && low + ((fifth.chroma - low + 120) % 12);
  const upper = isMoving ? low + 12 : fifthKey;
  const needed = isMoving ? 8 : 6;
  if (upper === undefined || upper <= low || upper >= ceiling || profile.leftReach < needed) return [low];
  return lowIntervalBreaches([low, upper]).length > 0 ? [low] : [low, upper];
}

function noteOf(hand: HandNote['hand'], voiced: VoicedChange, midi: number, length: number): HandNote {
  return {
    hand,
    tick: voiced.change.tick,
    length,
    midi,
    pitch: spell([midi], voiced.chord, voiced.key)[0],
    source: 'chord',
    from: voiced.change.id,
    lyric: null,
    grace: false,
    finger: null,
  };
}
