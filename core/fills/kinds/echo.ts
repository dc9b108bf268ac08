import { membersOf, scaleOf, chroma } from '../../music';
import { because } from '../../sentences';
import type { Proposal } from '../proposal';
import { chordAt, type Still } from '../stills';
import type { FillTask } from '../task';
import { rightHandFill } from './rightHand';

const KIND = 'echo';
/** How many of the last notes come back. */
const LENGTHS = [3, 4, 2];

/**
 * The last notes of the tune once more an octave up, in their own rhythm, while the last of them is held or followed by
 * a rest. Over another chord only what belongs to it, or passes. Source: common practice of filling in.
 */
export function echo(task: FillTask, still: Still): Proposal[] {
  const { before, free, end, step } = still;
  for (const count of LENGTHS) {
    const notes = before.slice(-count);
    if (notes.length < count) continue;
    const span = notes[count - 1].tick - notes[0].tick;
    if (free + span + step > end) continue;
    const keys = notes.map((note, i) => {
      const tick = free + note.tick - notes[0].tick;
      const until = i + 1 < count ? free + notes[i + 1].tick - notes[0].tick : end;
      return { tick, length: Math.min(note.length, until - tick), midi: note.midi + 12 };
    });
    if (keys.some(({ tick, midi }) => !belongs(task, tick, midi)) || keys.some(({ length }) => length <= 0))
      continue;
    const fill = rightHandFill(task, still, {
      kind: KIND,
      variant: `last-${count}`,
      keys,
      rank: 3 + Math.abs(count - 3),
      skill: 2,
      reason: because.echoes(count),
      letsGo: true,
    });
    if (fill) return [fill];
  }
  return [];
}

/** A key belongs that is of the chord, or of the key and off the chord's own onset. */
function belongs(task: FillTask, tick: number, midi: number): boolean {
  const change = chordAt(task, tick);
  if (!change) return false;
  const isMember = membersOf(change.chord).some((member) => member.chroma === midi % 12);
  return (
    isMember || (tick !== change.change.tick && scaleOf(change.key).some((p) => chroma(p) === midi % 12))
  );
}
