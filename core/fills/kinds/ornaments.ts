import { classAbove, type Pitch, pitchAt } from '../../music';
import { because } from '../../sentences';
import { keyAtTick } from '../keyAtTick';
import type { Proposal } from '../proposal';
import { scaleSteps } from '../scale';
import type { Still } from '../stills';
import type { FillTask } from '../task';
import { rightHandFill } from './rightHand';

/** Notes on this strong a place may carry a grace note: the half bar and what is stronger. */
const STRONG = 3;

/** A short note a step below, just before a strong note that is held. Source: common practice of ornaments. */
export function graceNote(task: FillTask, still: Still): Proposal[] {
  const { note, strength } = still;
  const inKey = keyAtTick(task, note.tick);
  const hasOne = task.tune.some(({ grace, tick }) => grace && tick === note.tick);
  if (!inKey || strength < STRONG || hasOne) return [];
  const [below] = scaleSteps(note.midi, 1, -1, inKey);
  const ways: { variant: string; midi: number; pitch?: Pitch }[] = [{ variant: 'step-below', midi: below }];
  // A half step that leads up is the letter below, raised.
  const leading = classAbove(note.pitch, '-2m');
  if (note.midi - below === 2 && Math.abs(leading.alter) < 2)
    ways.push({
      variant: 'half-step-below',
      midi: note.midi - 1,
      pitch: pitchAt(note.midi - 1, leading),
    });
  // The key must be up again to be struck.
  const before = task.tune.findLast(({ tick, grace }) => tick < note.tick && !grace);
  return ways.flatMap(({ variant, ...key }, way) => {
    if (before?.midi === key.midi && before.tick + before.length >= note.tick) return [];
    const fill = rightHandFill(task, still, {
      kind: 'grace',
      variant,
      keys: [{ tick: note.tick, length: 0, ...key, grace: true }],
      rank: 6 + way,
      skill: 1,
      reason: because.graced(),
      letsGo: false,
      until: note.tick + still.step,
    });
    return fill ? [fill] : [];
  });
}

/** Beaten twice with the step above as it begins, then held. Source: common practice of ornaments. */
export function shortTrill(task: FillTask, still: Still): Proposal[] {
  const { note, step, heldTo } = still;
  const key = keyAtTick(task, note.tick);
  if (!key) return [];
  const [above] = scaleSteps(note.midi, 1, 1, key);
  const quick = step / 2;
  const keys = [above, note.midi, above, note.midi].map((midi, i) => {
    const tick = note.tick + (i + 1) * quick;
    return { tick, length: i < 3 ? quick : heldTo - tick, midi };
  });
  if (!Number.isInteger(quick) || heldTo - note.tick < 6 * quick) return [];
  const fill = rightHandFill(task, still, {
    kind: 'trill',
    variant: 'step-above',
    keys,
    rank: 6,
    skill: 3,
    reason: because.trilled(),
    letsGo: true,
    until: heldTo,
  });
  return fill ? [fill] : [];
}

/** The step above, the note and the step below in its last beat, on to what follows. Source: common practice of ornaments. */
export function turn(task: FillTask, still: Still): Proposal[] {
  const { note, pulse, heldTo, next } = still;
  const key = keyAtTick(task, note.tick);
  const quick = Math.round(pulse / 3);
  if (!key || !next || heldTo !== still.end || heldTo - note.tick < 2 * pulse) return [];
  const [above] = scaleSteps(note.midi, 1, 1, key);
  const [below] = scaleSteps(note.midi, 1, -1, key);
  const keys = [above, note.midi, below].map((midi, i) => ({
    tick: heldTo - (3 - i) * quick,
    length: quick,
    midi,
  }));
  const fill = rightHandFill(task, still, {
    kind: 'turn',
    variant: 'three-notes',
    keys,
    rank: 5,
    skill: 2,
    reason: because.turned(),
    letsGo: true,
    until: heldTo,
  });
  return fill ? [fill] : [];
}
