import {
  bassOf,
  type Chord,
  chroma,
  classAbove,
  classNameOf,
  KEYBOARDS,
  membersOf,
  parseChord,
  reachMm,
  spanMm,
} from '../../music';
import { because } from '../../sentences';
import { barAt, beatsLater, placeInBar } from '../../song';
import { candidatesFor, lowIntervalBreaches, soundingIn, spell, type VoicedChange } from '../../voicing';
import type { Opening, Proposal } from '../proposal';
import type { FillTask } from '../task';

const KIND = 'passing';
/** It is struck for two counts. */
const COUNTS = 2;
/** The chord it leaves lasts at least twice as long. */
const LEAST_COUNTS = 4;
/** Half steps under the tune. */
const UNDER = 3;
/** Half steps beyond the keys of the chord it leaves, up or down: a fifth. */
const FARTHEST = 7;

interface Way {
  readonly variant: string;
  readonly chord: Chord;
  readonly rank: number;
}

/**
 * A chord of two counts between two neighbours: diminished between roots a whole step apart, or the next chord a half
 * step above or below itself. The tune over it must be of the chord, or pass. Source: common practice of chromatic approach.
 */
export function passingChord(task: FillTask, { from, into, isIntoSettled }: Opening): Proposal[] {
  if (!into || isIntoSettled || from.voicing.keys.length < 3) return [];
  const end = into.change.tick;
  if (from.change.tick + from.change.length !== end) return [];
  const bar = barAt(task.bars, end - 1);
  const tick = beatsLater(bar, end, -COUNTS);
  if (beatsLater(bar, end, -LEAST_COUNTS) < from.change.tick) return [];
  const beat = placeInBar(bar, tick).beatTicks;
  return waysBetween(from, into).flatMap(({ variant, chord, rank }) => {
    const over = soundingIn(task.melody, tick, end, task.longestNote);
    if (
      over.some((note) =>
        rubs(chord, note.midi, Math.min(end, note.tick + note.length) - Math.max(tick, note.tick), beat),
      )
    )
      return [];
    const keys = voiced(task, chord, from, Math.min(128, ...over.map(({ midi }) => midi)) - UNDER);
    if (!keys) return [];
    const pitches = spell(keys, chord, from.key);
    return [
      {
        id: `passing:${from.change.id}`,
        kind: KIND,
        variant,
        place: { tick, endTick: end, from, into },
        hand: 'left' as const,
        notes: pitches.map((pitch) => ({ tick, length: end - tick, pitch })),
        goal: null,
        rank,
        skill: 2 as const,
        reason: because.passes(variant, into.change.symbol),
      },
    ];
  });
}

function waysBetween(from: VoicedChange, into: VoicedChange): Way[] {
  const [a, b] = [chroma(bassOf(from.chord)), chroma(bassOf(into.chord))];
  const by = (b - a + 12) % 12;
  const ways: Way[] = [];
  const rising = by === 2 ? classAbove(into.chord.root, '-2m') : null;
  const falling = by === 10 ? classAbove(into.chord.root, '2m') : null;
  const between = rising ?? falling;
  const dim = between && into.chord.bass === null ? parseChord(`${classNameOf(between)}dim7`) : null;
  if (dim) ways.push({ variant: 'diminished', chord: dim, rank: 4 });
  if (into.chord.bass !== null) return ways;
  const shifted = (interval: string): Chord => ({
    ...into.chord,
    root: classAbove(into.chord.root, interval),
  });
  if (by !== 1) ways.push({ variant: 'half-step-above', chord: shifted('2m'), rank: 7 });
  if (by !== 11) ways.push({ variant: 'half-step-below', chord: shifted('-2m'), rank: 6 });
  return ways.filter(({ chord }) => Math.abs(chord.root.alter) < 2);
}

/** A note of the tune that lasts half a beat or more must be of the chord. */
function rubs(chord: Chord, midi: number, ticks: number, beat: number): boolean {
  return ticks >= beat / 2 && !membersOf(chord).some((member) => member.chroma === midi % 12);
}

/** The position nearest to the chord it leaves, in reach, clear, under the tune; null where there is none. */
function voiced(
  { profile }: FillTask,
  chord: Chord,
  { voicing }: VoicedChange,
  ceiling: number,
): readonly number[] | null {
  const { low, high } = KEYBOARDS[profile.keyboard];
  const reach = reachMm(profile.leftReach);
  const bounds = {
    low: Math.max(low, voicing.keys[0] - FARTHEST),
    high: Math.min(high, ceiling, voicing.keys[voicing.keys.length - 1] + FARTHEST),
    reachMm: reach,
  };
  const centre = (keys: readonly number[]): number => keys.reduce((sum, key) => sum + key, 0) / keys.length;
  const found = candidatesFor(chord, 'block', bounds)
    .map(({ keys }) => keys)
    .filter(
      (keys) => spanMm(keys[0], keys[keys.length - 1]) <= reach && lowIntervalBreaches(keys).length === 0,
    )
    .sort((x, y) => Math.abs(centre(x) - centre(voicing.keys)) - Math.abs(centre(y) - centre(voicing.keys)));
  return found[0] ?? null;
}
