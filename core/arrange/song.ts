import { type Arrangement, assemble, type PartArrangement } from '../arrangement';
import type { Hand } from '../hands';
import { type HandRelated, type HandRelations, NO_RELATIONS, relateHand } from '../joining';
import type { Profile, Song } from '../song';
import { contextOf, type SongContext } from './context';
import { partsOfSong } from './part';

interface ArrangeOptions {
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
 * The pipeline in slices, so that a newer request can win between them: song → parts → voicing, then part by part: hands →
 * fills → fingers. Yields the song with the part asked for as soon as that is known, and null between other stages.
 */
export function* arrangeInSlices(
  song: Song,
  profile: Profile,
  { withoutFingers = false, firstPart }: ArrangeOptions = {},
): Generator<Arrangement | null, Arrangement> {
  const context = yield* contextOf(song, profile, withoutFingers);
  const { parts, played, changes, raisedParts, shape } = context;
  const frame = { song, profile, played, parts, changes, raisedParts, shape };
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
  return assemble(frame, arranged, relations);
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
