import { bassOf, chroma, KEYBOARDS, pitchAt } from '../../music';
import { because } from '../../sentences';
import { barAt, beatsLater } from '../../song';
import type { Opening, Proposal } from '../proposal';
import type { FillTask } from '../task';

const KIND = 'low-end';
/** The lowest key that still sounds like a note on most pianos: C1. */
const LOWEST = 24;
/** Beats left to it at the end. */
const BEATS = 1;
const REACH_FOR_OCTAVE = 8;

/** Under the last chord the root once more, low: as an octave where the hand spans it, else alone. Source: common practice of endings. */
export function lowEnd(task: FillTask, { from, into }: Opening): Proposal[] {
  const { tick } = from.change;
  const end = Math.min(tick + from.length, task.songEnd);
  const bar = barAt(task.bars, end - 1);
  const at = beatsLater(bar, end, -BEATS);
  if (into || end !== task.songEnd || beatsLater(bar, at, -1) < tick) return [];
  const bass = bassOf(from.chord);
  const low = Math.max(LOWEST, KEYBOARDS[task.profile.keyboard].low);
  const key = low + ((chroma(bass) - (low % 12) + 12) % 12);
  // It must be below what was held.
  if (key >= from.voicing.keys[0]) return [];
  const hasOctave = task.profile.leftReach >= REACH_FOR_OCTAVE && key + 12 < from.voicing.keys[0];
  const ways = [
    ...(hasOctave ? [{ variant: 'octave', keys: [key, key + 12] }] : []),
    { variant: 'alone', keys: [key] },
  ];
  return ways.map(({ variant, keys }, way) => ({
    id: `low-end:${from.change.id}`,
    kind: KIND,
    variant,
    place: { tick: at, endTick: end, from, into },
    hand: 'left' as const,
    notes: keys.map((midi) => ({ tick: at, length: end - at, pitch: pitchAt(midi, bass) })),
    goal: null,
    rank: 3 + way,
    skill: 1 as const,
    reason: because.endsLow(),
  }));
}
