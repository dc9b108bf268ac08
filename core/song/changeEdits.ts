import { barAt, beatsLater, placeInBar, writtenBars } from './bars';
import { type Change, type Song } from './schema';
import { writtenId } from './unfold';

/** The changes of a song put in the place of the old; pins of changes that are gone go with them. */
export interface ChangesEdit {
  readonly kind: 'changes-set';
  readonly what: string;
  readonly changes: Song['changes'];
}

/** The song after its changes were set, in time, each ending where the next begins at the latest. */
export function applyChangesEdit(song: Song, { changes }: ChangesEdit): Song {
  const ids = new Set(changes.map((change) => change.id));
  const isKept = ({ changeId }: { readonly changeId: string }): boolean => ids.has(writtenId(changeId));
  return {
    ...song,
    changes: tidied(changes),
    pins: song.pins.filter(isKept),
    closeHands: song.closeHands.filter(isKept),
    settled: song.settled.map((part) => ({
      ...part,
      voicings: part.voicings.filter(isKept),
      keys: part.keys?.filter((key) => isKept({ changeId: key.from })) ?? null,
    })),
  };
}

/** Sorted, without overlaps; of two at one tick the later in the list stays. */
function tidied(changes: readonly Change[]): Change[] {
  const byTick = new Map(changes.map((change) => [change.tick, change]));
  const sorted = [...byTick.values()].sort((a, b) => a.tick - b.tick);
  return sorted.map((change, i) => {
    const next = sorted[i + 1];
    return next && next.tick < change.tick + change.length
      ? { ...change, length: next.tick - change.tick }
      : change;
  });
}

/** A change lasts at least this long, in ticks. */
export const SHORTEST = 240;

/**
 * A change struck so many ticks later (earlier when negative); it ends where it did, and the one before lasts up to it.
 * Null where there is no room.
 */
export function changeMoved(song: Song, id: string, ticks: number): ChangesEdit | null {
  const sorted = [...song.changes].sort((a, b) => a.tick - b.tick);
  const at = sorted.findIndex((change) => change.id === id);
  const change = sorted[at];
  if (!change || ticks === 0) return null;
  const tick = change.tick + ticks;
  const before = sorted[at - 1];
  const length = change.length - ticks;
  const earliest = before ? before.tick + SHORTEST : 0;
  if (tick < earliest || length < SHORTEST) return null;
  const touches = before && before.tick + before.length >= Math.min(change.tick, tick);
  const changes = sorted.map((c) => {
    if (c.id === id) return { ...change, tick, length };
    return c === before && touches ? { ...before, length: tick - before.tick } : c;
  });
  return { kind: 'changes-set', what: 'moved chord', changes };
}

/** A change struck a beat, or the next smaller place of the metre, later or earlier; null where there is no room. */
export function changeStepped(song: Song, id: string, by: 1 | -1, step: 'beat' | 'half'): ChangesEdit | null {
  const change = song.changes.find((c) => c.id === id);
  if (!change) return null;
  const bar = barAt(writtenBars(song), change.tick);
  const tick =
    step === 'beat'
      ? beatsLater(bar, change.tick, by)
      : change.tick + by * placeInBar(bar, change.tick).stepTicks;
  return changeMoved(song, id, tick - change.tick);
}

/** A change struck again in the middle of its time, on a place of the metre, to be changed there; null where there is no room. */
export function changeSplit(song: Song, id: string): ChangesEdit | null {
  const change = song.changes.find((c) => c.id === id);
  if (!change) return null;
  const step = placeInBar(barAt(writtenBars(song), change.tick), change.tick).stepTicks;
  return changeAdded(song, change.tick + step * Math.round(change.length / 2 / step), change.symbol);
}

/** Without a change; the one before lasts through it, when the two touched. Null when there is none such. */
export function changeLeftOut(song: Song, id: string): ChangesEdit | null {
  const sorted = [...song.changes].sort((a, b) => a.tick - b.tick);
  const at = sorted.findIndex((change) => change.id === id);
  const change = sorted[at];
  if (!change) return null;
  const before = sorted[at - 1];
  const touches = before && before.tick + before.length >= change.tick;
  const changes = sorted
    .filter((c) => c !== change)
    .map((c) => (c === before && touches ? { ...c, length: change.tick + change.length - c.tick } : c));
  return { kind: 'changes-set', what: 'chord left out', changes };
}

/**
 * A new change at a written tick, up to the next or the end of the bar; what sounded there ends. Null past the end of
 * the song and where there is no room.
 */
export function changeAdded(song: Song, tick: number, symbol: string): ChangesEdit | null {
  const bar = barAt(writtenBars(song), tick);
  const sorted = [...song.changes].sort((a, b) => a.tick - b.tick);
  const under = sorted.findLast((c) => c.tick <= tick && c.tick + c.length > tick);
  const next = sorted.find((c) => c.tick > tick);
  const end = under ? under.tick + under.length : Math.min(next?.tick ?? Infinity, bar.tick + bar.length);
  if (tick < 0 || end - tick < SHORTEST) return null;
  const added = { id: freshId(song), tick, length: end - tick, symbol, given: true, layout: null };
  const rest = sorted
    .map((c) => (c === under ? { ...c, length: tick - c.tick } : c))
    .filter((c) => c.length > 0);
  return { kind: 'changes-set', what: 'new chord', changes: [...rest, added] };
}

/** An id no change of the song has. */
export function freshId(song: Pick<Song, 'changes'>, from = song.changes.length + 1): string {
  const ids = new Set(song.changes.map((change) => change.id));
  let n = from;
  while (ids.has(`c${n}`)) n++;
  return `c${n}`;
}

/**
 * The same changes on the beat, easy to play: one struck off the beat waits for the next beat. Or as sung: one on a bar
 * line whose melody note was struck up to a beat before and is held over comes with that note.
 */
export function changesPlaced(song: Song, how: 'easy' | 'as-sung'): ChangesEdit {
  const bars = writtenBars(song);
  const moved = song.changes.map((change) => {
    const bar = barAt(bars, change.tick);
    const tick =
      how === 'easy'
        ? onBeat(change.tick, bar)
        : withNote(song, change.tick, placeInBar(bar, change.tick).beatTicks);
    return { ...change, tick, length: Math.max(SHORTEST, change.tick + change.length - tick) };
  });
  const sorted = moved.sort((a, b) => a.tick - b.tick);
  const filled = sorted.map((change, i) => {
    // What touched the next one goes on doing so.
    const old = song.changes.find((c) => c.id === change.id) as Change;
    const next = sorted[i + 1];
    const oldNext = next && (song.changes.find((c) => c.id === next.id) as Change);
    const touched = oldNext !== undefined && old.tick + old.length === oldNext.tick;
    return touched && next ? { ...change, length: next.tick - change.tick } : change;
  });
  return {
    kind: 'changes-set',
    what: how === 'easy' ? 'chords on the beat' : 'chords as sung',
    changes: filled.filter((change) => change.length > 0),
  };
}

function onBeat(tick: number, bar: ReturnType<typeof barAt>): number {
  const { inBeat, beatTicks } = placeInBar(bar, tick);
  return inBeat === 0 ? tick : Math.min(tick + beatTicks - inBeat, bar.tick + bar.length);
}

/** The onset of the note held over a tick, when it was struck less than a beat before. */
function withNote(song: Song, tick: number, pulse: number): number {
  const held = song.melody.find((n) => !n.grace && n.tick < tick && n.tick + n.length > tick);
  return held && tick - held.tick < pulse ? held.tick : tick;
}

/**
 * All changes a beat later or earlier: a row of chords that was written without the pick-up of its tune. What would begin
 * before the song begins with it; null where a chord would be lost.
 */
export function changesShifted(song: Song, by: 1 | -1): ChangesEdit | null {
  const bars = writtenBars(song);
  const last = bars[bars.length - 1];
  const end = last.tick + last.length;
  const moved = song.changes.map((change) => {
    const to = (tick: number): number => beatsLater(barAt(bars, tick), tick, by);
    const [tick, ends] = [Math.max(0, to(change.tick)), Math.min(end, to(change.tick + change.length))];
    return { ...change, tick, length: ends - tick };
  });
  const isLost = moved.some(({ length }) => length < SHORTEST);
  return isLost || moved.length === 0 ? null : { kind: 'changes-set', what: 'moved chords', changes: moved };
}

/** A chord put where a note is struck (a written tick): another symbol for the one that begins there, else a new one. */
export function chordPut(
  song: Song,
  tick: number,
  symbol: string,
): ChangesEdit | { readonly kind: 'change-written'; readonly id: string; readonly symbol: string } | null {
  const there = song.changes.find((change) => change.tick === tick);
  return there ? { kind: 'change-written', id: there.id, symbol } : changeAdded(song, tick, symbol);
}
