import { chroma, membersOf, reachMm, scaleOf, spanMm } from '../../music';
import { because } from '../../sentences';
import type { Proposal } from '../proposal';
import { chordAt, type Still } from '../stills';
import type { FillTask } from '../task';
import { rightHandFill } from './rightHand';

const KIND = 'inner';
/** The voice lies a third to a ninth under the note that is held. */
const [NEAREST, FARTHEST] = [3, 14];
const MOST_NOTES = 3;

/**
 * The note is held by the upper fingers while a voice under it moves by step from chord member to chord member, a note
 * a beat. Source: common practice of inner voices.
 */
export function innerLine(task: FillTask, still: Still): Proposal[] {
  const { note, heldTo, pulse } = still;
  const from = chordAt(task, note.tick + pulse);
  if (!from || from.change.tick + from.length < heldTo) return [];
  const room = Math.min(MOST_NOTES, Math.ceil((heldTo - note.tick) / pulse) - 1);
  if (room < 2) return [];
  const members = new Set(membersOf(from.chord).map((member) => member.chroma));
  const scale = new Set([...scaleOf(from.key).map(chroma), ...members]);
  const reach = reachMm(task.profile.rightReach);
  const under: number[] = [];
  for (let midi = note.midi - NEAREST; midi >= note.midi - FARTHEST; midi--)
    if (scale.has(midi % 12) && spanMm(midi, note.midi) <= reach) under.push(midi);
  const lines = linesOf(under, members, room);
  return lines.flatMap(({ variant, keys }, way) => {
    const fill = rightHandFill(task, still, {
      kind: KIND,
      variant,
      keys: keys.map((midi, i) => {
        const tick = note.tick + (i + 1) * pulse;
        return { tick, length: i + 1 < keys.length ? pulse : heldTo - tick, midi };
      }),
      rank: 3 + way,
      skill: 2,
      reason: because.innerMoves(),
      letsGo: false,
      replacesHarmony: true,
      begins: note.tick,
      until: heldTo,
    });
    return fill ? [fill] : [];
  });
}

/** Down by step from one member to another, and the same way back. */
function linesOf(
  under: readonly number[],
  members: ReadonlySet<number>,
  most: number,
): { readonly variant: string; readonly keys: readonly number[] }[] {
  for (let count = most; count >= 2; count--)
    for (let at = 0; at + count <= under.length; at++) {
      const down = under.slice(at, at + count);
      const isStepwise = down.every((key, i) => i === 0 || down[i - 1] - key <= 2);
      if (!isStepwise || !members.has(down[0] % 12) || !members.has(down[count - 1] % 12)) continue;
      return [
        { variant: 'falling', keys: down },
        { variant: 'rising', keys: down.toReversed() },
      ];
    }
  return [];
}
