import { type HandNote, inTime } from '../hands';
import { midiOf } from '../music';
import { kindOfId } from './kinds/table';
import type { Proposal } from './proposal';
import { placeOfId } from './stills';

/** The left hand lets go of its pattern where a fill begins, and takes the key it leads to when it strikes one alone. */
export function withLeftFills(
  left: readonly HandNote[],
  leaving: readonly Proposal[],
  arriving: readonly Proposal[],
): readonly HandNote[] {
  const own = leaving.filter(({ hand }) => hand === 'left');
  if (own.length + arriving.length === 0) return left;
  const byChange = new Map(own.map((fill) => [fill.place.from.change.id, fill]));
  const arrivals = new Map(arriving.map((fill) => [fill.place.endTick, fill]));
  const counts = new Map<number, number>();
  for (const { tick } of left) counts.set(tick, (counts.get(tick) ?? 0) + 1);
  const arrived = left.map((note): HandNote => {
    const goal = arrivals.get(note.tick)?.goal;
    if (!goal || counts.get(note.tick) !== 1 || note.source === 'own') return note;
    return { ...note, midi: midiOf(goal), pitch: goal };
  });
  const kept = arrived.flatMap((note) => {
    const fill = byChange.get(note.from);
    if (!fill || note.tick + note.length <= fill.place.tick || note.tick >= fill.place.endTick) return [note];
    return note.tick >= fill.place.tick ? [] : [{ ...note, length: fill.place.tick - note.tick }];
  });
  return inTime([...kept, ...own.flatMap(notesOf)]);
}

/** The right hand with its fills: what it holds is let go where one begins, what it has beside the tune gives way where one says so. */
export function withRightFills(
  right: readonly HandNote[],
  playing: readonly Proposal[],
): readonly HandNote[] {
  const own = playing.filter(({ hand }) => hand === 'right');
  if (own.length === 0) return right;
  const kept = right
    .filter(
      ({ tick, source }) =>
        source === 'melody' ||
        !own.some(
          ({ replacesHarmony, place }) => replacesHarmony && tick >= place.tick && tick < place.endTick,
        ),
    )
    .map((note) =>
      letGo(
        note,
        own.flatMap(({ letGoAt }) => letGoAt ?? []),
      ),
    );
  return inTime([...kept, ...own.flatMap(notesOf)]);
}

/**
 * Where the kept keys of a settled part are fills that let the tune go, it is let go as it was when it was learned:
 * at the first key of each, told by the place its id names. `onsets`: those of the changes.
 */
export function withKeptFills(
  melody: readonly HandNote[],
  keptRight: readonly HandNote[],
  fillIds: readonly string[],
  onsets: ReadonlyMap<string, number>,
): readonly HandNote[] {
  const filled = keptRight.filter(({ source }) => source === 'fill');
  const at = fillIds.flatMap((id) => {
    if (!kindOfId(id)?.letsGo) return [];
    const { change, after } = placeOfId(id);
    const begins = (onsets.get(change) ?? Infinity) + after;
    return filled.find(({ from, tick }) => from === change && tick >= begins)?.tick ?? [];
  });
  return at.length === 0 ? melody : melody.map((note) => letGo(note, at));
}

function letGo(note: HandNote, ticks: readonly number[]): HandNote {
  const at = ticks.find((tick) => tick > note.tick && tick < note.tick + note.length);
  return at === undefined || note.source === 'fill' ? note : { ...note, length: at - note.tick };
}

function notesOf({ notes, hand, place }: Proposal): HandNote[] {
  return notes.map(({ tick, length, pitch, grace = false }) => ({
    hand,
    tick,
    length,
    midi: midiOf(pitch),
    pitch,
    source: 'fill',
    from: place.from.change.id,
    lyric: null,
    grace,
    finger: null,
  }));
}
