import type { Effort } from '../effort';
import { choicesAt, type HandRelations } from '../joining';
import { partIndexAt } from '../parts';
import { perform, type Timeline } from '../performance';
import { type Loudness, loudnessOf, pedalOf } from '../shaping';
import { levelOf } from '../levels';
import type { Arrangement, PartArrangement, SongFrame } from './arrangement';

/**
 * The arrangement of a song from its parts; null where a part is still to come. The song is its parts one after the
 * other: nothing is worked out anew, and the performance when it is first asked for. Until a part has come its effort
 * is shown as it was before, by the id of its cut.
 */
export function assemble(
  frame: SongFrame,
  arranged: readonly (PartArrangement | null)[],
  relations: HandRelations,
  effortsBefore: ReadonlyMap<string, Effort> = new Map(),
): Arrangement {
  const known = arranged.filter((part) => part !== null);
  const right = known.flatMap((part) => part.right);
  const left = known.flatMap((part) => part.left);
  let timeline: Timeline | null = null;
  const { song, played, parts } = frame;
  return {
    ...frame,
    arranged,
    right,
    left,
    meetings: known.flatMap((part) => part.meetings),
    fills: known.flatMap((part) => part.fills),
    efforts: arranged.map((part, i) => part?.effort ?? effortsBefore.get(parts[i].cutId) ?? null),
    relations,
    findings: known.flatMap((part) => part.findings),
    isPartial: known.length < arranged.length,
    get timeline() {
      return (timeline ??= perform({
        song,
        played,
        loudness: loudnessIn(frame),
        right,
        left,
        pedalAt: (tick) => pedalOf(parts[partIndexAt(parts, tick)], frame.shape),
        partAt: (tick) => partIndexAt(parts, tick),
      }));
    },
  };
}

/** The loudness of a song: of its sections where blocks are played, of its phrases where the hands move. */
export function loudnessIn({
  played,
  parts,
  shape,
}: Pick<SongFrame, 'played' | 'parts' | 'shape'>): Loudness[] {
  return loudnessOf(played, shape.phrases, (tick) => levelOf(choicesAt(parts, tick)).isMoving);
}
