import { chroma, KEYBOARDS, membersOf, scaleOf } from '../../music';
import { because } from '../../sentences';
import { spell } from '../../voicing';
import type { Proposal } from '../proposal';
import { chordAfter, chordAt, type Still } from '../stills';
import type { FillTask } from '../task';

const KIND = 'left-tune';
/** From B♭2 to G4: above the bass, below the note that is held. */
const [LOW, HIGH] = [46, 67];
/** A sixth under the held note, in half steps. */
const UNDER = 8;
const NOTES = 3;

/**
 * While the right hand holds its note the left hand sings: the last notes of the tune, an octave or two lower, or the
 * chord rising, a note a beat. Source: common practice of filling in.
 */
export function leftTune(task: FillTask, still: Still): Proposal[] {
  const { note, heldTo, pulse, before } = still;
  const tick = note.tick + pulse;
  const from = chordAt(task, tick);
  if (!from || heldTo - tick < NOTES * pulse) return [];
  const end = Math.min(heldTo, from.change.tick + from.length);
  if (end - tick < NOTES * pulse) return [];
  const scale = new Set(scaleOf(from.key).map(chroma));
  const members = new Set(membersOf(from.chord).map((member) => member.chroma));
  const low = Math.max(LOW, KEYBOARDS[task.profile.keyboard].low);
  const high = Math.min(HIGH, note.midi - UNDER);
  const fits = (keys: readonly number[]): boolean => keys.every((midi) => midi >= low && midi <= high);
  const last = before.slice(-NOTES).map(({ midi }) => midi);
  const sung = [12, 24]
    .map((by) => last.map((midi) => midi - by))
    .find((keys) => keys.length === NOTES && fits(keys) && new Set(keys).size > 1);
  const isAtHome =
    sung?.every((midi) => scale.has(midi % 12) || members.has(midi % 12)) &&
    members.has(sung[NOTES - 1] % 12);
  const rising = Array.from({ length: high - low + 1 }, (_, i) => low + i).filter((midi) =>
    members.has(midi % 12),
  );
  const ways = [
    ...(sung && isAtHome ? [{ variant: 'last-notes', keys: sung, rank: 3 }] : []),
    ...(rising.length >= NOTES ? [{ variant: 'rising', keys: rising.slice(0, NOTES), rank: 4 }] : []),
  ];
  return ways.map(({ variant, keys, rank }) => ({
    id: `left-tune:${from.change.id}`,
    kind: KIND,
    variant,
    place: { tick, endTick: end, from, into: chordAfter(task, from) },
    hand: 'left' as const,
    notes: keys.map((midi, i) => ({
      tick: tick + i * pulse,
      length: i + 1 < NOTES ? pulse : end - tick - i * pulse,
      pitch: spell([midi], from.chord, from.key)[0],
    })),
    goal: null,
    rank,
    skill: 2 as const,
    reason: because.leftSings(),
  }));
}
