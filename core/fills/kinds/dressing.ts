import { fullerFor, fullerRight } from '../../fuller';
import type { HandNote } from '../../hands';
import { because } from '../../sentences';
import type { Fuller } from '../../song';
import type { Proposal, Skill } from '../proposal';
import { chordAfter, chordAt, placeId } from '../stills';
import type { FillTask } from '../task';

interface Row {
  readonly manner: Fuller;
  readonly kind: string;
  readonly variant: string;
  readonly rank: number;
  readonly skill: Skill;
}

/** What strong notes may have beside them for the time of one chord, each kind with the manners it is played by. */
const ROWS: readonly Row[] = [
  { manner: 'under', kind: 'third-or-sixth-under', variant: 'one', rank: 9, skill: 1 },
  { manner: 'above', kind: 'chord-note-above', variant: 'one', rank: 9, skill: 1 },
  { manner: 'two-under', kind: 'chord-notes-under', variant: 'two', rank: 9, skill: 2 },
  { manner: 'chord', kind: 'chord-notes-under', variant: 'whole', rank: 12, skill: 3 },
  { manner: 'octave', kind: 'octaves', variant: 'plain', rank: 9, skill: 2 },
  { manner: 'frame', kind: 'octaves', variant: 'framed', rank: 11, skill: 3 },
];

/** Their kinds. */
export const DRESSINGS: readonly string[] = [...new Set(ROWS.map(({ kind }) => kind))];

/**
 * Strong notes of the tune with more keys while one chord sounds: at most half of the notes of a part (see fuller/).
 * Proposed where it would change what is played.
 */
export function dressings(task: FillTask, kind: string): Proposal[] {
  const known = new Set(fullerFor(task.profile.rightReach).map(({ id }) => id));
  return ROWS.filter((row) => row.kind === kind && known.has(row.manner)).flatMap((row) => {
    const keys = fullerRight({ ...task, manner: row.manner });
    return task.voiced.flatMap((from) => {
      const [tick, end] = [from.change.tick, from.change.tick + from.length];
      const own = keys.filter((note) => note.tick >= tick && note.tick < end && note.tick < task.partEnd);
      return own.length === 0 ? [] : dressed(task, row, own);
    });
  });
}

function dressed(task: FillTask, row: Row, keys: readonly HandNote[]): Proposal[] {
  const [first] = keys;
  const from = chordAt(task, first.tick);
  const endTick = Math.max(...keys.map(({ tick, length }) => tick + length));
  if (!from) return [];
  const played = task.beside.filter(({ tick }) => tick >= first.tick && tick < endTick);
  if (named(played) === named(keys)) return [];
  return [
    {
      id: placeId(row.kind, from, first.tick),
      kind: row.kind,
      variant: row.variant,
      place: { tick: first.tick, endTick, from, into: chordAfter(task, from) },
      hand: 'right',
      notes: keys.map(({ tick, length, pitch }) => ({ tick, length, pitch })),
      goal: null,
      rank: row.rank,
      skill: row.skill,
      reason: because.dresses(new Set(keys.map(({ tick }) => tick)).size),
      replacesHarmony: true,
      dresses: true,
    },
  ];
}

function named(notes: readonly HandNote[]): string {
  return notes.map(({ tick, midi }) => `${tick} ${midi}`).join();
}
