import { learnedFingers } from '../fingering';
import type { Part } from '../parts';
import { onsetsOf, type SongEdit, within } from '../song';
import type { Arrangement } from './arrangement';
import { changesIn } from './changesIn';

/** The edit that keeps a part, by its index, as it is now: choices, voicings, both hands, fingers, fills, its cuts. */
export function settling(arrangement: Arrangement, index: number): SongEdit | null {
  const { parts, arranged, changes, played, raisedParts } = arrangement;
  const part = parts[index];
  const hands = arranged[index];
  if (!part || !hands) return null;
  const onsets = onsetsOf(played);
  const inPart = changesIn(changes, part);
  const own = new Set(inPart.map(({ change }) => change.id));
  // All that is struck while the part lasts, and what its chords go on to strike into the next one's pick-up.
  const goesOn = [...arrangement.right, ...arrangement.left].filter(
    (note) => note.tick >= part.toTick && own.has(note.from),
  );
  const notes = [...hands.right, ...hands.left, ...goesOn];
  const keys = notes.flatMap(({ hand, from, tick, length, pitch, source, rolled, grace }) => {
    const onset = onsets.get(from);
    if (source === 'melody' || onset === undefined) return [];
    const told = { hand, from, after: tick - onset, length, pitch, source, rolled: rolled ?? null };
    return [grace ? { ...told, grace: true as const } : told];
  });
  const struck = new Set(hands.right.map(({ from }) => from));
  const isSung = part.choices.layout === 'singing';
  const silent = isSung
    ? []
    : within(played.melody, part.fromTick, part.toTick)
        .map(({ id }) => id)
        .filter((id) => !struck.has(id));
  return {
    kind: 'settle',
    cutId: part.cutId,
    choices: part.choices,
    isRaised: raisedParts.includes(index),
    voicings: inPart.map(({ change, voicing }) => ({
      changeId: change.id,
      keys: [...voicing.keys],
      fingers: null,
    })),
    keys,
    ...(silent.length > 0 ? { silent } : {}),
    fills: hands.fills.filter((fill) => fill.taken).map((fill) => fill.id),
    fingers: learnedFingers(notes, played),
    cuts: cutsRound(parts, index),
  };
}

/** The edit that opens a settled part again: its own notes and chords, none that only ring into it. */
export function unsettling({ parts, changes, played }: Arrangement, index: number): SongEdit | null {
  const part = parts[index];
  if (!part) return null;
  const notes = within(played.melody, part.fromTick, part.toTick).map(({ id }) => id);
  const chords = changesIn(changes, part).map(({ change }) => change.id);
  return { kind: 'unsettle', cutId: part.cutId, ids: [...notes, ...chords] };
}

function cutsRound(parts: readonly Part[], index: number): { id: string; tick: number }[] {
  return [parts[index], parts[index + 1]].flatMap((part) =>
    part ? [{ id: part.cutId, tick: part.fromTick }] : [],
  );
}
