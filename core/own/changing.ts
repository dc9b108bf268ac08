import { type Key, KEYBOARDS, midiOf, spellInKey } from '../music';
import { movePitch, type OwnBars, type Touch } from '../song';

type OwnNote = OwnBars['notes'][number];

/** A way of changing notes written by hand. */
export type OwnChange =
  /** By letters of the key, or by half steps. */
  | { readonly kind: 'moved'; readonly steps?: number; readonly semitones?: number }
  /** So many ticks later, or earlier. */
  | { readonly kind: 'shifted'; readonly ticks: number }
  | { readonly kind: 'lengthened'; readonly ticks: number }
  /** Held until the hand strikes again, or to the end. */
  | { readonly kind: 'held' }
  /** All keys struck with it, so, or no longer so. */
  | { readonly kind: 'touched'; readonly touch: Touch }
  /** A key (MIDI) struck with it, as long. */
  | { readonly kind: 'joined'; readonly midi: number }
  | { readonly kind: 'left-out' };

/** No note is made shorter than a thirty-second, in ticks. */
const SHORTEST = 120;

/** Own bars with one of their notes changed, and where it, or what came of it, stands; a sentence where that cannot be. */
export function withChange(
  own: OwnBars,
  at: number,
  change: OwnChange,
  key: Key,
): { readonly own: OwnBars; readonly at: number } | string {
  const note = own.notes[at];
  if (!note) return 'Pick a note first.';
  const rest = own.notes.filter((_, i) => i !== at);
  const put = (others: readonly OwnNote[], changed: OwnNote): { own: OwnBars; at: number } | string => {
    if (others.some((other) => isSame(other, changed))) return 'That key is struck there already.';
    const notes = inTime([...others, changed]);
    return { own: { ...own, notes }, at: notes.indexOf(changed) };
  };
  switch (change.kind) {
    case 'moved': {
      const pitch = movePitch(note.pitch, key, change.steps ?? 0, change.semitones ?? 0);
      const { low, high } = KEYBOARDS[88];
      const isKey = midiOf(pitch) >= low && midiOf(pitch) <= high;
      return isKey ? put(rest, { ...note, pitch }) : 'No piano has a key there.';
    }
    case 'shifted': {
      const after = note.after + change.ticks;
      if (after < 0 || after >= own.length) return 'It would leave these bars: change more bars together.';
      return put(rest, { ...note, after, length: Math.min(note.length, own.length - after) });
    }
    case 'lengthened': {
      if (note.grace) return 'A grace note has no length of its own.';
      const length = Math.min(own.length - note.after, Math.max(SHORTEST, note.length + change.ticks));
      if (length === note.length) return `It is as ${change.ticks > 0 ? 'long' : 'short'} as it can be here.`;
      return put(rest, { ...note, length });
    }
    case 'held': {
      if (note.grace) return 'A grace note has no length of its own.';
      const next = own.notes.filter(({ after }) => after > note.after).map(({ after }) => after);
      return put(rest, { ...note, length: Math.min(own.length, ...next) - note.after });
    }
    case 'touched': {
      if (note.grace) return 'A grace note takes no staccato or accent.';
      const { touch } = change;
      const isOn = note.touch === touch;
      const notes = own.notes.map((other): OwnNote => {
        if (other.after !== note.after || other.grace) return other;
        const { touch: _before, ...plain } = other;
        return isOn ? plain : { ...plain, touch };
      });
      return { own: { ...own, notes }, at };
    }
    case 'joined':
      return put(own.notes, { ...note, pitch: spellInKey(change.midi, key) });
    case 'left-out':
      return { own: { ...own, notes: rest }, at: Math.max(0, Math.min(at, rest.length - 1)) };
  }
}

function isSame(a: OwnNote, b: OwnNote): boolean {
  return (
    a.after === b.after && (a.grace ?? false) === (b.grace ?? false) && midiOf(a.pitch) === midiOf(b.pitch)
  );
}

/** By time, graces first, then from the lowest key up. */
export function inTime(notes: readonly OwnNote[]): OwnNote[] {
  return [...notes].sort(
    (a, b) =>
      a.after - b.after || Number(b.grace ?? 0) - Number(a.grace ?? 0) || midiOf(a.pitch) - midiOf(b.pitch),
  );
}

/** Keys that were played, told in ticks from the first bar, as notes of bars so long; each key once at a time. */
export function asOwnNotes(
  keys: readonly { readonly tick: number; readonly length: number; readonly midi: number }[],
  whole: number,
  key: Key,
): OwnNote[] {
  const inside = keys.filter(({ tick }) => tick >= 0 && tick < whole);
  const notes = inside.map(({ tick, length, midi }) => ({
    after: tick,
    length: Math.max(SHORTEST, Math.min(length, whole - tick)),
    pitch: spellInKey(midi, key),
  }));
  return inTime(notes.filter((note, i) => notes.findIndex((other) => isSame(other, note)) === i));
}
