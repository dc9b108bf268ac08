import { membersOf } from '../../music';
import { because } from '../../sentences';
import type { Proposal } from '../proposal';
import { chordAt, type Still } from '../stills';
import type { FillTask } from '../task';
import { rightHandFill } from './rightHand';

const KIND = 'sweep';
const [FEWEST, MOST] = [3, 5];
/** A sweep that ends so many half steps from where the tune goes on costs one more. */
const FAR = 5;

/**
 * The chord broken upwards from the note that is held, in half beats; or up and back. The last key rings on.
 * Source: common practice of filling in.
 */
export function sweep(task: FillTask, still: Still): Proposal[] {
  const { note, free, end, step, next } = still;
  const from = chordAt(task, free);
  if (!from || from.change.tick + from.length < end - step) return [];
  const room = Math.floor((end - free) / step);
  const chromas = new Set(membersOf(from.chord).map(({ chroma }) => chroma));
  const above = Array.from({ length: 24 }, (_, i) => note.midi + 1 + i).filter((midi) =>
    chromas.has(midi % 12),
  );
  const count = Math.min(MOST, room);
  if (count < FEWEST || above.length < count) return [];
  const up = above.slice(0, count);
  const ways = [{ variant: 'up', keys: up }];
  if (room >= MOST) {
    const [a, b, c] = above;
    ways.push({ variant: 'up-and-back', keys: [a, b, c, b, a] });
  }
  return ways.flatMap(({ variant, keys }, way) => {
    const last = keys[keys.length - 1];
    const fill = rightHandFill(task, still, {
      kind: KIND,
      variant,
      keys: keys.map((midi, i) => ({
        tick: free + i * step,
        length: i + 1 < keys.length ? step : end - free - i * step,
        midi,
      })),
      rank: 4 + way + Math.floor(Math.abs(last - (next?.midi ?? last)) / FAR),
      skill: 2,
      reason: because.sweeps(),
      letsGo: true,
    });
    return fill ? [fill] : [];
  });
}
