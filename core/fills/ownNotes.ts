import type { Song } from '../song';
import type { Proposal } from './proposal';

type Stored = NonNullable<Song['fillsTaken'][number]['notes']>;

/** A fill with the pianist's own notes, told from the onset of its change; "too long" where they do not fit its place. */
export function ownNotes(proposal: Proposal, stored: Stored): Proposal | 'too-long' {
  const { place } = proposal;
  const notes = stored.map(({ after, length, pitch }) => ({
    tick: place.from.change.tick + after,
    length,
    pitch,
    ...(length === 0 ? { grace: true as const } : {}),
  }));
  const fits = notes.every(({ tick, length }) => tick >= place.tick && tick + length <= place.endTick);
  if (!fits) return 'too-long';
  const first = notes.reduce((least, { tick }) => Math.min(least, tick), Infinity);
  return { ...proposal, notes, ...(proposal.letGoAt === undefined ? {} : { letGoAt: first }) };
}

/** A fill's notes as they are stored: told from the onset of its change. */
export function storedNotes(proposal: Pick<Proposal, 'notes'>, changeTick: number): Stored {
  return proposal.notes.map(({ tick, length, pitch }) => ({ after: tick - changeTick, length, pitch }));
}
