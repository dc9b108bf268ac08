import { type HandNote, inTime } from '../hands';
import { without, type WrittenHand } from './written';

/**
 * A hand with what is written for it between two ticks (the end excluded): in its place nothing else is played, beside
 * it a key both want is the written one, and no key is struck again by one while the other holds it.
 */
export function withWritten(
  notes: readonly HandNote[],
  { closed, notes: written }: Pick<WrittenHand, 'closed' | 'notes'>,
  from: number,
  to: number,
): readonly HandNote[] {
  if (closed.length + written.length === 0) return notes;
  const until = notes.reduce((end, { tick, length }) => Math.max(end, tick + length), to);
  const near = written.filter(({ tick, length }) => tick < until && tick + length >= from);
  const kept = without(
    notes,
    closed.filter(({ tick, endTick }) => tick < until && endTick > from),
  ).flatMap((note) => {
    const same = near.filter(({ midi, grace }) => midi === note.midi && !grace);
    if (same.some(({ tick, length }) => tick <= note.tick && note.tick < tick + length)) return [];
    const next = same.find(({ tick }) => tick > note.tick && tick < note.tick + note.length);
    return [next ? { ...note, length: next.tick - note.tick } : note];
  });
  return inTime([...kept, ...near.filter(({ tick }) => tick >= from && tick < to)]);
}

/**
 * A hand's tune and what it has beside it, where no key is struck while the other holds it: what is held is let go, and
 * of a key both strike together the tune has it.
 */
export function oneKeyAtATime(
  tune: readonly HandNote[],
  beside: readonly HandNote[],
): { readonly tune: readonly HandNote[]; readonly beside: readonly HandNote[] } {
  const own = beside.filter(({ source }) => source === 'own');
  if (own.length === 0) return { tune, beside };
  const isTune = new Set(tune.filter(({ grace }) => !grace).map(nameOf));
  return {
    tune: tune.map((note) => letGoFor(note, own)),
    beside: beside.flatMap((note) => {
      if (note.source !== 'own' || note.grace) return [note];
      return isTune.has(nameOf(note)) ? [] : [letGoFor(note, tune)];
    }),
  };
}

function nameOf({ tick, midi }: HandNote): string {
  return `${tick} ${midi}`;
}

function letGoFor(note: HandNote, others: readonly HandNote[]): HandNote {
  const next = others.find(
    ({ tick, midi, grace }) =>
      !grace && midi === note.midi && tick > note.tick && tick < note.tick + note.length,
  );
  return next ? { ...note, length: next.tick - note.tick } : note;
}
