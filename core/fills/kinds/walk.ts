import {
  chroma,
  classAbove,
  type Key,
  KEYBOARDS,
  type Pitch,
  pitchAt,
  scaleOf,
  spellInKey,
} from '../../music';
import { barAt, beatsLater } from '../../song';
import { soundingIn, spell, type VoicedChange } from '../../voicing';
import type { Opening, Proposal } from '../proposal';
import { chordScale } from '../../shaping';
import { scaleSteps } from '../scale';
import type { FillTask } from '../task';
import { because } from '../../sentences';

const KIND = 'walk';

/** The melody must hold still at least this many pulses before the next chord. */
const LEAST_STILL = 2;
const MOST_NOTES = 3;
/** Ways that come from a half step beside the goal. */
const HALF_STEPS = ['half-step-from-below', 'half-step-from-above'];
/** A walk that costs more than this is not worth proposing. */
const DEAREST = 9;
/** One note from below leads onto the bass with the finger that bass wants: the little finger has none below it. */
const ONTO_LITTLE_FINGER = 8;
/** Semitones between a walking note and the melody above it. */
const CLEARANCE = 3;

/**
 * The best bass walk into the next chord, where the melody holds (or rests) for two pulses or more before it;
 * null where there is no room. Up to three notes, by step in the key or with a half step at the end
 * (common practice of walking basses). A walk arrives on a root alone.
 */
export function bassWalk(task: FillTask, opening: Opening): Proposal | null {
  const { from, into, start } = opening;
  if (!into) return null;
  const end = into.change.tick;
  if (from.change.tick + from.change.length !== end) return null;
  const bar = barAt(task.bars, end - 1);
  const onset = (before: number): number => beatsLater(bar, end, -before);
  const stillFrom = stillBefore(task, from.change.tick, end, end - onset(LEAST_STILL));
  if (stillFrom === null) return null;
  // The bar's first beat and the note of the tune keep their chord.
  const isRoom = (count: number): boolean => onset(count) > stillFrom && onset(count + 1) >= bar.tick;
  const target = goalOf(opening);
  if (target === null || target === start) return null;
  let best: { readonly cost: number; readonly keys: readonly number[]; readonly manner: string } | null =
    null;
  for (let count = 1; count <= MOST_NOTES && isRoom(count); count++) {
    const tick = onset(count);
    for (const { manner, keys } of mannersOf(start, target, count, from)) {
      const chromatic = HALF_STEPS.includes(manner);
      const cost = walkCost(task, { tick, end, start, target, keys, chromatic });
      if (cost > DEAREST || (best && cost >= best.cost)) continue;
      best = { cost, keys, manner };
    }
  }
  if (!best) return null;
  const { length: count } = best.keys;
  const tick = onset(count);
  return {
    id: `walk:${from.change.id}`,
    kind: KIND,
    variant: best.manner,
    place: { tick, endTick: end, from, into },
    hand: 'left',
    notes: best.keys.map((key, i) => ({
      tick: onset(count - i),
      length: onset(count - i - 1) - onset(count - i),
      pitch: spellWalk(key, target, from.key),
    })),
    goal: spell([target], into.chord, into.key)[0],
    rank: best.cost,
    skill: best.keys.length > 1 ? 2 : 1,
    reason: because.bassLeads(best.manner),
  };
}

/** The key a walk arrives on: what the left hand strikes lowest, where that is the root or the written bass. */
function goalOf({ into, firstKeys: [lowest] }: Opening): number | null {
  return into && lowest % 12 === chroma(into.chord.bass ?? into.chord.root) ? lowest : null;
}

/** The tick from which the melody holds (or rests) up to the next chord, if that is long enough; else null. */
function stillBefore(task: FillTask, from: number, end: number, least: number): number | null {
  const sounding = soundingIn(task.melody, from, end, task.longestNote).map((note) => note.tick);
  const onsets = [...new Set(sounding)].filter((tick) => tick >= from);
  // The pick-up of the next part may already sound: the walk goes on below it.
  const holdEnd =
    task.partStarts.includes(onsets[onsets.length - 1]) && onsets.length > 1 ? (onsets.pop() as number) : end;
  const last = onsets[onsets.length - 1] ?? from;
  return holdEnd - last >= least ? last : null;
}

function mannersOf(
  start: number,
  target: number,
  count: number,
  { chord, key }: VoicedChange,
): { manner: string; keys: number[] }[] {
  const scale = chordScale(chord, key);
  const below = scaleSteps(target, count, -1, key, scale);
  const above = scaleSteps(target, count, 1, key, scale);
  const list = [
    { manner: 'step-from-below', keys: below },
    { manner: 'step-from-above', keys: above },
  ];
  if (count === 1) {
    list.push(
      { manner: 'half-step-from-below', keys: [target - 1] },
      { manner: 'half-step-from-above', keys: [target + 1] },
    );
  }
  return list.filter(({ keys }) => !keys.includes(start) || count > 1);
}

interface WalkPlan {
  readonly tick: number;
  readonly end: number;
  readonly start: number;
  readonly target: number;
  readonly keys: readonly number[];
  readonly chromatic: boolean;
}

function walkCost(task: FillTask, plan: WalkPlan): number {
  const keyboard = KEYBOARDS[task.profile.keyboard];
  const top = Math.max(...plan.keys);
  if (Math.min(...plan.keys) < keyboard.low) return Infinity;
  const over = soundingIn(task.melody, plan.tick, plan.end, task.longestNote);
  if (over.some((note) => note.midi - top < CLEARANCE)) return Infinity;
  const leap = Math.abs(plan.keys[0] - plan.start);
  const wrongWay = Math.sign(plan.target - plan.start) === Math.sign(plan.keys[0] - plan.target) ? 3 : 0;
  const repeats = plan.keys[0] === plan.start ? 4 : 0;
  const fromBelowAtOnce = plan.keys.length === 1 && plan.keys[0] < plan.target;
  return (
    Math.max(0, leap - 4) * 2 +
    wrongWay +
    repeats +
    (fromBelowAtOnce ? ONTO_LITTLE_FINGER : 0) +
    (plan.chromatic ? 3 : 0) +
    (MOST_NOTES - plan.keys.length)
  );
}

function spellWalk(key: number, target: number, inKey: Key): Pitch {
  const scale = scaleOf(inKey).find((c) => chroma(c) === ((key % 12) + 12) % 12);
  if (scale) return pitchAt(key, scale);
  // A chromatic step is spelled as it resolves: raised below its goal, lowered above it.
  const goal = spellInKey(target, inKey);
  const raised = classAbove(goal, '-2m');
  return key === target - 1 ? pitchAt(key, raised) : spellInKey(key, inKey);
}
