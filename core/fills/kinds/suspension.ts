import { membersOf, reachMm, spanMm } from '../../music';
import { because } from '../../sentences';
import { barAt, beatsLater } from '../../song';
import { soundingIn, spell } from '../../voicing';
import type { FillNote, Opening, Proposal } from '../proposal';
import type { FillTask } from '../task';

const KIND = 'suspension';
/** Each of fourth, second and chord is held two beats at least. */
const HOLD = 2;

/**
 * At a close the third is kept back: the fourth in its place, then the second where there is time, then the chord.
 * `Fsus4 (F B♭ C) → Fsus2 (F G C) → F (F A C)`. Not where the tune has the third. Source: common practice of closes.
 */
export function suspendedClose(task: FillTask, { from, into, isPartEnd }: Opening): Proposal[] {
  if (into && !isPartEnd) return [];
  const { tick } = from.change;
  const end = Math.min(tick + from.length, into?.change.tick ?? task.songEnd, task.partEnd);
  const bar = barAt(task.bars, tick);
  const after = (stages: number): number => beatsLater(bar, tick, stages * HOLD);
  const members = membersOf(from.chord);
  const third = members.find(({ number }) => number === 3);
  const isTriad = members.length === 3 && members.some(({ number }) => number === 5);
  if (!third || !isTriad || from.chord.bass !== null || end < after(2)) return [];
  const { keys } = from.voicing;
  if (!keys.some((key) => key % 12 === third.chroma)) return [];
  const isMajor = third.interval === '3M';
  const moved = (by: number): number[] =>
    keys.map((key) => (key % 12 === third.chroma ? key + by : key)).sort((a, b) => a - b);
  const stages = [moved(isMajor ? 1 : 2)];
  if (end >= after(3)) stages.push(moved(isMajor ? -2 : -1));
  const resolves = after(stages.length);
  const over = soundingIn(task.melody, tick, resolves, task.longestNote);
  const reach = reachMm(task.profile.leftReach);
  const isFree = stages.every(
    (stage) =>
      new Set(stage).size === stage.length &&
      spanMm(stage[0], stage[stage.length - 1]) <= reach &&
      over.every((note) => note.midi > stage[stage.length - 1] + 2 && note.midi % 12 !== third.chroma),
  );
  if (!isFree) return [];
  const notes = [...stages, [...keys]].flatMap((stage, i): FillNote[] => {
    const at = after(i);
    const until = i < stages.length ? after(i + 1) : end;
    return spell(stage, from.chord, from.key).map((pitch) => ({ tick: at, length: until - at, pitch }));
  });
  return [
    {
      id: `suspension:${from.change.id}`,
      kind: KIND,
      variant: stages.length === 2 ? 'fourth-second' : 'fourth',
      place: { tick, endTick: end, from, into },
      hand: 'left',
      notes,
      goal: null,
      rank: into ? 4 : 2,
      skill: 1,
      reason: because.suspends(into === null),
    },
  ];
}
