import { type Phrase } from '../../sentences';
import type { Pitch } from '../../music';
import { spell, type VoicedChange } from '../../voicing';
import type { FillNote, Proposal, Skill } from '../proposal';
import { chordAfter, chordAt, isClear, placeId, type Still } from '../stills';
import type { FillTask } from '../task';

/** What a kind of the right hand says of one way it could be played. */
interface RightHandFill {
  readonly kind: string;
  readonly variant: string;
  readonly keys: readonly {
    readonly tick: number;
    readonly length: number;
    readonly midi: number;
    readonly grace?: true;
    /** Absent: as chord and key spell it. */
    readonly pitch?: Pitch;
  }[];
  readonly rank: number;
  readonly skill: Skill;
  readonly reason: Phrase;
  /** The held note is let go where the fill begins. */
  readonly letsGo: boolean;
  /** What was played beside the tune gives way. */
  readonly replacesHarmony?: true;
  /** Until when the place lasts; absent: until the tune goes on. */
  readonly until?: number;
  /** Where the place begins; absent: with its first key. */
  readonly begins?: number;
}

/** What a place at the end of a part is better than another. */
const AT_PART_END = 2;

/** The proposal of a fill of the right hand while the tune holds still; null where no chord sounds, or it is not clear. */
export function rightHandFill(task: FillTask, still: Still, fill: RightHandFill): Proposal | null {
  const first = fill.keys[0];
  const from = first && chordAt(task, first.tick);
  if (!from) return null;
  const end = fill.until ?? still.end;
  const keys = fill.keys.map(({ midi }) => midi);
  if (!isClear(task, first.tick, end, keys)) return null;
  const tick = fill.begins ?? first.tick;
  return {
    id: placeId(fill.kind, from, tick),
    kind: fill.kind,
    variant: fill.variant,
    place: { tick, endTick: end, from, into: chordAfter(task, from) },
    hand: 'right',
    notes: fill.keys.map(({ midi, pitch, ...time }): FillNote => ({
      ...time,
      pitch: pitch ?? spelled(midi, task, time.tick, from),
    })),
    goal: null,
    // The end of a part is where an answer is waited for.
    rank: fill.rank - (still.end >= task.partEnd ? AT_PART_END : 0),
    skill: fill.skill,
    reason: fill.reason,
    ...(fill.letsGo ? { letGoAt: first.tick } : {}),
    ...(fill.replacesHarmony ? { replacesHarmony: true } : {}),
  };
}

function spelled(midi: number, task: FillTask, tick: number, from: VoicedChange): FillNote['pitch'] {
  const { chord, key } = chordAt(task, tick) ?? from;
  return spell([midi], chord, key)[0];
}
