import { type Hand, type HandNote, inTime } from '../hands';
import { ChordSymbolError, KEYBOARDS, midiOf, parseChord, type Pitch } from '../music';
import type { Part } from '../parts';
import { keyAt, lastAtOrBefore, type OwnBars, type PlayedSong, type Profile } from '../song';
import { followed } from './following';

/** What the pianist wrote for one hand, as it is struck. */
export interface WrittenHand {
  /** Where nothing else of that hand is played. */
  readonly closed: readonly { readonly tick: number; readonly endTick: number }[];
  /** In time. */
  readonly notes: readonly HandNote[];
  /** Keys that cannot be played as they are written. */
  readonly leftOut: readonly LeftOut[];
}

interface LeftOut {
  readonly tick: number;
  readonly pitch: Pitch;
  readonly why: 'keyboard' | 'no-length';
}

export type Written = Readonly<Record<Hand, WrittenHand>>;

const NOTHING: WrittenHand = { closed: [], notes: [], leftOut: [] };
export const NOTHING_WRITTEN: Written = { right: NOTHING, left: NOTHING };

type WrittenNote = OwnBars['notes'][number];

/**
 * Own bars as they are struck. Where two are written for the same place, the later is played; notes that follow their
 * chord are moved with it; parts that follow another play what is written for that one. A key the keyboard does not have,
 * and a note without a length, is left out and told.
 */
export function writtenHands(
  played: PlayedSong,
  parts: readonly Part[],
  { keyboard }: Pick<Profile, 'keyboard'>,
): Written {
  const { low, high } = KEYBOARDS[keyboard];
  const own = withFollowers(played.ownBars, parts);
  const handOf = (hand: Hand): WrittenHand => {
    let notes: HandNote[] = [];
    const leftOut: LeftOut[] = [];
    const closed: { tick: number; endTick: number }[] = [];
    for (const bars of own) {
      if (bars.hand !== hand) continue;
      const place = { tick: bars.tick, endTick: bars.tick + bars.length };
      if (bars.how === 'instead') {
        notes = without(notes, [place]);
        closed.push(place);
      }
      for (const note of bars.notes) {
        const struck = struckAs(bars, note, played);
        const isOn = struck.midi >= low && struck.midi <= high;
        if (!isOn || (struck.length === 0 && !struck.grace))
          leftOut.push({ tick: struck.tick, pitch: struck.pitch, why: isOn ? 'no-length' : 'keyboard' });
        else notes.push(struck);
      }
    }
    return { closed, notes: inTime(withWords(notes, closed, played)), leftOut };
  };
  return { right: handOf('right'), left: handOf('left') };
}

/** A part that follows another, as long as it, plays what is written there for each time, unless something else is written here. */
function withFollowers(own: PlayedSong['ownBars'], parts: readonly Part[]): PlayedSong['ownBars'] {
  if (own.length === 0) return own;
  const copies = parts.flatMap(({ fromTick, toTick, sharesWith }) => {
    const model = sharesWith === null ? undefined : parts[sharesWith - 1];
    if (model?.toTick !== undefined && model.toTick - model.fromTick !== toTick - fromTick) return [];
    return own
      .filter(({ pass, tick, length }) => {
        const isInModel = model && tick >= model.fromTick && tick + length <= model.toTick;
        return isInModel && pass === null;
      })
      .map((bars) => ({ ...bars, tick: bars.tick + fromTick - (model?.fromTick ?? 0) }))
      .filter((copy) => !own.some((other) => other.hand === copy.hand && areOver(other, copy)));
  });
  return copies.length === 0 ? own : [...copies, ...own];
}

function areOver(a: Pick<OwnBars, 'tick' | 'length'>, b: Pick<OwnBars, 'tick' | 'length'>): boolean {
  return a.tick < b.tick + b.length && b.tick < a.tick + a.length;
}

function struckAs(
  { hand, tick: from, length: whole }: OwnBars,
  note: WrittenNote,
  played: PlayedSong,
): HandNote {
  const tick = from + note.after;
  const pitch = pitchAtTick(note, tick, played);
  return {
    hand,
    tick,
    length: note.grace ? 0 : Math.max(0, Math.min(note.length, whole - note.after)),
    midi: midiOf(pitch),
    pitch,
    source: 'own',
    from: fromWhat(tick, played),
    lyric: null,
    grace: note.grace ?? false,
    ...(note.touch ? { touch: note.touch } : {}),
    finger: null,
  };
}

/** Own bars (in played ticks) with the keys they are played with now, over the chords that stand there now. */
export function asPlayedNow(own: OwnBars, played: PlayedSong): OwnBars {
  return {
    ...own,
    notes: own.notes.map((note) => {
      if (note.over === undefined || played.changes.length === 0) return note;
      const tick = own.tick + note.after;
      const { symbol } = lastAtOrBefore(played.changes, tick);
      return { ...note, pitch: pitchAtTick(note, tick, played), over: symbol };
    }),
  };
}

/** As it was written, or as it follows the chord that stands there now. */
function pitchAtTick({ pitch, over }: WrittenNote, tick: number, played: PlayedSong): Pitch {
  if (over === undefined || played.changes.length === 0) return pitch;
  const { symbol, chord } = lastAtOrBefore(played.changes, tick);
  if (!chord || symbol === over) return pitch;
  try {
    const before = parseChord(over);
    return before ? followed(pitch, before, chord, keyAt(played, tick)) : pitch;
  } catch (error) {
    if (error instanceof ChordSymbolError) return pitch;
    throw error;
  }
}

/** The chord that stands there, else the note of the tune: what fingers and learned keys are told from. */
function fromWhat(tick: number, { changes, melody }: PlayedSong): string {
  const list = changes.length > 0 ? changes : melody;
  return list.length > 0 ? lastAtOrBefore<{ readonly tick: number; readonly id: string }>(list, tick).id : '';
}

/** What is sung to a note of the tune is sung to the highest key written in its place. */
function withWords(
  notes: readonly HandNote[],
  closed: WrittenHand['closed'],
  played: PlayedSong,
): HandNote[] {
  const sung = new Map(
    played.melody.flatMap(({ tick, lyric }) => (lyric && isIn(closed, tick) ? [[tick, lyric] as const] : [])),
  );
  if (sung.size === 0 || notes[0]?.hand === 'left') return [...notes];
  const top = new Map<number, number>();
  for (const { tick, midi, grace } of notes) if (!grace) top.set(tick, Math.max(midi, top.get(tick) ?? 0));
  return notes.map((note) => {
    const lyric = note.grace || top.get(note.tick) !== note.midi ? undefined : sung.get(note.tick);
    return lyric ? { ...note, lyric: lyric.text, syllabic: lyric.syllabic } : note;
  });
}

/** What is written for either hand in a stretch; where that is nothing, NOTHING_WRITTEN itself. */
export function writtenIn(written: Written, from: number, to: number): Written {
  const of = ({ closed, notes }: WrittenHand): WrittenHand => ({
    closed: closed.filter(({ tick, endTick }) => tick < to && endTick > from),
    notes: notes.filter(({ tick, length }) => tick < to && tick + length >= from),
    leftOut: [],
  });
  const [right, left] = [of(written.right), of(written.left)];
  const count = right.closed.length + right.notes.length + left.closed.length + left.notes.length;
  return count === 0 ? NOTHING_WRITTEN : { right, left };
}

/** Where something is written in a stretch, in the place of what is played there or beside it. */
export function placesOf({ closed, notes }: WrittenHand, from: number, to: number): WrittenHand['closed'] {
  const beside = notes
    .filter(({ tick }) => !isIn(closed, tick))
    .map(({ tick, length }) => ({ tick, endTick: tick + Math.max(1, length) }));
  return [...closed, ...beside].filter(({ tick, endTick }) => tick < to && endTick > from);
}

export function isIn(closed: WrittenHand['closed'], tick: number): boolean {
  return closed.some((place) => tick >= place.tick && tick < place.endTick);
}

/** Notes of a hand where nothing else is played: those struck there go, what is held into it is let go. */
export function without(notes: readonly HandNote[], closed: WrittenHand['closed']): HandNote[] {
  return notes.flatMap((note) => {
    if (isIn(closed, note.tick)) return [];
    const ends = closed.filter(({ tick }) => tick > note.tick && tick < note.tick + note.length);
    if (ends.length === 0) return [note];
    return [{ ...note, length: Math.min(...ends.map(({ tick }) => tick)) - note.tick }];
  });
}
