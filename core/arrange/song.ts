import { type Arrangement, assemble, type PartArrangement } from '../arrangement';
import type { Hand } from '../hands';
import { type HandRelated, type HandRelations, NO_RELATIONS, relateHand } from '../joining';
import { rungsBeside } from '../ladder';
import { keptValue } from '../music';
import { applyEdit, type Profile, type Song, type SongEdit } from '../song';
import { contextOf, type SongContext } from './context';
import { partsOfSong } from './part';

export interface ArrangeOptions {
  /** Leave the fingers out: for measuring, and for what is only heard. */
  readonly withoutFingers?: boolean;
  /** Work out this part (by index) first and yield it before the rest. */
  readonly firstPart?: number;
}

/** The whole pipeline in one go. */
export function arrange(song: Song, profile: Profile, options: ArrangeOptions = {}): Arrangement {
  const slices = arrangeInSlices(song, profile, options);
  for (;;) {
    const slice = slices.next();
    if (slice.done) return slice.value;
  }
}

/**
 * The pipeline in slices, so that a newer job can win between them: song → parts → voicing, then part by part: hands →
 * fills → fingers. Yields the song with the part asked for as soon as that is known, and null between other stages.
 */
export function* arrangeInSlices(
  song: Song,
  profile: Profile,
  { withoutFingers = false, firstPart }: ArrangeOptions = {},
): Generator<Arrangement | null, Arrangement> {
  const context = yield* contextOf(song, profile, withoutFingers);
  const { parts, played, changes, raisedParts } = context;
  const frame = { song, profile, played, parts, changes, raisedParts };
  const arrangePart = partsOfSong(context);
  const arranged: (PartArrangement | null)[] = parts.map(() => null);
  if (firstPart !== undefined && firstPart in parts) {
    arranged[firstPart] = arrangePart(firstPart);
    yield assemble(frame, [...arranged], NO_RELATIONS);
  }
  for (let index = 0; index < parts.length; index++) {
    arranged[index] ??= arrangePart(index);
    yield null;
  }
  const relations = relationsOf(context, arranged as readonly PartArrangement[]);
  if (!withoutFingers) lately = [{ song, profile }, ...lately].slice(0, LATELY);
  return assemble(frame, arranged, relations);
}

/** So many songs that were arranged are known to be remembered: somewhat fewer than values are of each name. */
const LATELY = 44;
let lately: readonly { readonly song: Song; readonly profile: Profile }[] = [];

/** Arranged lately, as this song or as one that differs in nothing and was only chosen for anew. */
function isRemembered(song: Song, profile: Profile): boolean {
  return lately.some((known) => known.profile === profile && isLike(known.song, song));
}

function isLike(a: Song, b: Song): boolean {
  const fields = Object.keys(b) as (keyof Song)[];
  const isChosen = (name: keyof Song): boolean => name === 'choices' || name === 'partSettings';
  return fields.every(
    (name) => a[name] === b[name] || (isChosen(name) && keptValue(a[name], b[name]) === a[name]),
  );
}

/**
 * Works out, in slices, what is likely to be asked for next: the song after each edit that is offered, then a rung
 * higher and a rung lower. It is remembered as everything is; the song itself comes last, so that its next edit is solved
 * on from it.
 */
export function* lookAhead(
  song: Song,
  profile: Profile,
  offered: readonly SongEdit[] = [],
): Generator<null, void> {
  const beside = rungsBeside(song.choices.rung).map((rung): SongEdit => ({
    kind: 'choose',
    choices: { rung },
  }));
  const likely = [...offered, ...beside].map((edit) => applyEdit(song, edit));
  const unknown = likely.filter((next) => !isRemembered(next, profile));
  for (const next of unknown.length > 0 ? [...unknown, song] : [])
    for (const _ of arrangeInSlices(next, profile)) yield null;
}

/** How each hand relates to itself in earlier parts; remembered by hand, as long as no part of it is another or lies elsewhere. */
function relationsOf(
  { played, parts, memory }: SongContext,
  arranged: readonly PartArrangement[],
): HandRelations {
  const starts = parts.map((part) => part.fromTick);
  const of = (hand: Hand): readonly HandRelated[] => {
    const inParts = arranged.map((part) => part[hand]);
    const from = [inParts, starts, played.bars, played.endTick];
    return memory.of<readonly HandRelated[]>('relations of a hand')(hand, from, () =>
      relateHand(played, starts, inParts.flat()),
    );
  };
  const [right, left] = [of('right'), of('left')];
  return memory.of<HandRelations>('relations')('song', [right, left], () => ({ right, left }));
}
