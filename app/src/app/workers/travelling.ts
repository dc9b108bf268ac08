import { type ArrangedChange, type Arrangement } from '@joined-hands/core/arrangement';
import type { PlayedSong } from '@joined-hands/core/song';

/** An arrangement on its way to the interface, which has song and profile and works out the performance when it plays. */
export type Travelling = Omit<Arrangement, 'song' | 'profile' | 'timeline'>;

/** The arrangement without what the interface has already or works out itself. */
export function lightened({
  song: _song,
  profile: _profile,
  timeline: _timeline,
  ...rest
}: Arrangement): Travelling {
  return rest;
}

/** What the interface has, by the numbers the worker gave: the played song, and each change of the arrangement. */
export interface Known {
  readonly played: number | null;
  readonly changes: readonly number[];
}

/**
 * An arrangement without what is known. The played song and the changes are heavy, and most edits leave them, or most of
 * them, as they were.
 */
export interface Sent {
  readonly fields: Omit<Travelling, 'played' | 'changes'>;
  readonly numbers: Known;
  readonly played: PlayedSong | null;
  /** The changes that are not known, by their numbers. */
  readonly changes: ReadonlyMap<number, ArrangedChange>;
}

/** What came last, with its numbers. */
export interface Kept<T extends Travelling | null = Travelling | null> {
  readonly numbers: Known;
  readonly came: T;
}

export const NOTHING_KEPT: Kept = { numbers: { played: null, changes: [] }, came: null };

const numbers = new WeakMap<object, number>();
let lastNumber = 0;

function numberOf(thing: object): number {
  const known = numbers.get(thing);
  if (known !== undefined) return known;
  numbers.set(thing, ++lastNumber);
  return lastNumber;
}

/** On the worker's side: what of an arrangement has to be sent. Things are the same when they are the same object. */
export function packed(arrangement: Arrangement, known: Known): Sent {
  const { played, changes, ...fields } = lightened(arrangement);
  const now: Known = { played: numberOf(played), changes: changes.map(numberOf) };
  const has = new Set(known.changes);
  return {
    fields,
    numbers: now,
    played: now.played === known.played ? null : played,
    changes: new Map(changes.map((c) => [numberOf(c), c] as const).filter(([number]) => !has.has(number))),
  };
}

/** On the interface's side: what came together with what was not sent again because it is here. */
export function unpacked(sent: Sent, kept: Kept): Kept<Travelling> {
  const here = new Map(kept.numbers.changes.map((number, i) => [number, kept.came?.changes[i]]));
  const isSame = sent.numbers.changes.join() === kept.numbers.changes.join();
  const changes = isSame
    ? (kept.came?.changes ?? [])
    : sent.numbers.changes.map((number) => found(sent.changes.get(number) ?? here.get(number)));
  const played = found(sent.played ?? kept.came?.played);
  return { numbers: sent.numbers, came: { ...sent.fields, played, changes } };
}

function found<T>(thing: T | undefined): T {
  if (thing === undefined) throw new Error('The worker left out what the interface does not have.');
  return thing;
}
