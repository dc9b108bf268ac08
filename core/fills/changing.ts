import { chroma, type Key, midiOf, scaleOf, spellInKey } from '../music';
import type { Fill } from './fill';
import type { FillNote } from './proposal';

/** A way of changing one note of a fill. */
export type NoteChange = 'up' | 'down' | 'longer' | 'shorter' | 'out' | 'again';

/** No shorter than a quarter of a half beat, in ticks. */
const SHORTEST = 120;

/**
 * The notes of a fill with one changed: a step of the key up or down, twice as long or half, left out, or struck once
 * more after itself. Notes after it move along. A sentence where that cannot be.
 */
export function changedNotes(
  fill: Fill,
  at: number,
  how: NoteChange,
  key: Key,
): readonly FillNote[] | string {
  const { notes } = fill;
  const note = notes[at];
  if (!note) return 'Pick a note of the fill first.';
  switch (how) {
    case 'up':
    case 'down': {
      const midi = stepFrom(midiOf(note.pitch), how === 'up' ? 1 : -1, key);
      return fitted(fill, notes.with(at, { ...note, pitch: spellInKey(midi, key) }));
    }
    case 'longer':
      return fitted(fill, moved(notes, at, note.length, { ...note, length: 2 * note.length }));
    case 'shorter': {
      const length = Math.floor(note.length / 2);
      if (length < SHORTEST) return 'The note is as short as it can be played.';
      return fitted(fill, moved(notes, at, length - note.length, { ...note, length }));
    }
    case 'out':
      return notes.length === 1
        ? 'It is the only note: leave the whole fill out.'
        : fitted(fill, moved(notes, at, -note.length, null));
    case 'again': {
      const longer = moved(notes, at, note.length, note);
      return fitted(fill, longer.toSpliced(at + 1, 0, { ...note, tick: note.tick + note.length }));
    }
  }
}

/** The next key of the scale, as it is written. */
function stepFrom(midi: number, direction: 1 | -1, key: Key): number {
  const scale = new Set(scaleOf(key).map(chroma));
  let found = midi + direction;
  while (!scale.has(found % 12)) found += direction;
  return found;
}

/** A note changed, and what comes after it so much later. */
function moved(notes: readonly FillNote[], at: number, by: number, changed: FillNote | null): FillNote[] {
  const from = notes[at].tick;
  return notes.flatMap((note, i) => {
    if (i === at) return changed ? [changed] : [];
    return [note.tick > from ? { ...note, tick: note.tick + by } : note];
  });
}

/** The notes, where they are over when their place is; a last note that hangs over is cut to fit. */
function fitted({ tick, length }: Fill, notes: readonly FillNote[]): readonly FillNote[] | string {
  const end = tick + length;
  const cut = notes.map((note) => ({ ...note, length: Math.min(note.length, end - note.tick) }));
  const fits = cut.every((note) => note.tick < end && (note.grace || note.length >= SHORTEST));
  return fits ? cut : 'There is no room for that: shorten another note first.';
}
