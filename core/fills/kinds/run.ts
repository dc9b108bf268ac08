import { because } from '../../sentences';
import { keyAtTick } from '../keyAtTick';
import type { Proposal } from '../proposal';
import { scaleSteps } from '../scale';
import type { Still } from '../stills';
import type { FillTask } from '../task';
import { rightHandFill } from './rightHand';

const KIND = 'run';
/** Three notes home is enough. */
const SHORT = 3;
const LONG = 5;
/** A leap of more half steps on to the run is heard as a jump. */
const LEAP = 7;

/**
 * Notes of the scale home to where the tune goes on, in half beats up to it: three, or five where there is room; from
 * the side the tune comes from. Source: common practice of filling in.
 */
export function run(task: FillTask, still: Still): Proposal[] {
  const { note, next, end, step, pulse } = still;
  if (!next) return [];
  const key = keyAtTick(task, end - step) ?? null;
  if (!key) return [];
  const rising = note.midi <= next.midi;
  return [SHORT, LONG].flatMap((count) =>
    ([rising ? -1 : 1, rising ? 1 : -1] as const).flatMap((side, other) => {
      const tick = end - count * step;
      if (tick < note.tick + pulse) return [];
      const keys = scaleSteps(next.midi, count, side, key);
      const leap = Math.abs(keys[0] - note.midi);
      if (leap === 0) return [];
      const fill = rightHandFill(task, still, {
        kind: KIND,
        variant: `${count === SHORT ? 'three' : 'five'}-from-${side === -1 ? 'below' : 'above'}`,
        keys: keys.map((midi, i) => ({ tick: tick + i * step, length: step, midi })),
        rank: 2 + (count === SHORT ? 0 : 2) + other + (leap > LEAP ? 2 : 0),
        skill: count === SHORT ? 1 : 2,
        reason: because.runsHome(count),
        letsGo: still.heldTo > tick,
      });
      return fill ? [fill] : [];
    }),
  );
}
