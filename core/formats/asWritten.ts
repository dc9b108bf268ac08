import { imports } from '../sentences';
import { midiOf } from '../music';
import { type FingerPin, lastAtOrBefore, type OwnBars, type Song } from '../song';
import type { ReadPart, ReadScore, ScoreNote } from './score';
import { stored } from './stored';

type Hand = OwnBars['hand'];

/** As many fingers as a song keeps. */
const MOST_PINS = 20_000;

/** The notes of a score by the hand that plays them. */
export interface HandsWritten {
  /** The part whose bars and maps are those of both. */
  readonly part: ReadPart;
  readonly notes: Readonly<Record<Hand, readonly ScoreNote[]>>;
}

/**
 * The two hands of a score, where it says which they are: the one part of two staves, the upper the right hand's, whoever
 * sings or plays beside it; or two parts or tracks of one staff and no more, the higher the right hand's. Null where it
 * does not.
 */
export function handsOf({ parts }: Pick<ReadScore, 'parts'>): HandsWritten | null {
  const sounding = parts.filter((part) => !part.isEverything && part.notes.length > 0);
  const pianos = sounding.filter((part) => stavesOf(part).length === 2);
  if (pianos.length === 1) {
    const [part] = pianos;
    const [upper, lower] = stavesOf(part).map((staff) => part.notes.filter((note) => note.staff === staff));
    return { part, notes: { right: upper, left: lower } };
  }
  if (sounding.length !== 2 || sounding.some((part) => stavesOf(part).length > 1)) return null;
  const mean = ({ notes }: ReadPart): number => notes.reduce((sum, { midi }) => sum + midi, 0) / notes.length;
  const [lower, upper] = sounding.toSorted((a, b) => mean(a) - mean(b));
  return { part: upper, notes: { right: upper.notes, left: lower.notes } };
}

function stavesOf({ notes }: ReadPart): string[] {
  return [...new Set(notes.map(({ staff }) => staff))].sort();
}

/**
 * The song with both hands exactly as a score has them, as own bars from its beginning to its end, with the fingers that
 * are written, and the pedal. Ties are joined, a key that two voices strike together is struck once.
 */
export function asWritten(song: Song, { part, notes }: HandsWritten): Song {
  const end = Math.max(1, part.end);
  const hands = (['right', 'left'] as const).map((hand) => ({ hand, struck: struckIn(notes[hand], end) }));
  const ownBars = hands.map(({ hand, struck }, i): OwnBars => ({
    id: `o${i + 1}`,
    hand,
    tick: 0,
    length: end,
    how: 'instead',
    pass: null,
    notes: struck.map(({ tick, length, pitch, grace, touch }) => ({
      after: tick,
      length: grace ? 0 : length,
      pitch,
      ...(grace ? { grace: true as const } : {}),
      ...(touch ? { touch } : {}),
    })),
    ...(hand === 'left' && part.pedals ? { pedals: pedalsTo(part.pedals, end) } : {}),
  }));
  const fingerPins = hands
    .flatMap(({ hand, struck }) =>
      struck.flatMap(({ finger, tick, pitch }) => pinOf(song, hand, tick, midiOf(pitch), finger)),
    )
    .slice(0, MOST_PINS);
  const said = { tick: 0, said: stored(imports.asWritten()) };
  // Chords were pinned for a left hand that is now written out.
  return { ...song, pins: [], ownBars, fingerPins, imported: [...song.imported, said] };
}

/** Presses that begin before the end, told from the beginning of the song. */
function pedalsTo(pedals: NonNullable<ReadPart['pedals']>, end: number): OwnBars['pedals'] {
  return pedals
    .filter(({ tick, length }) => tick < end && length > 0)
    .map(({ tick, length }) => ({ after: tick, length: Math.min(length, end - tick) }));
}

/** What a hand strikes: notes held on by a tie are one, whatever voice they stand in. */
function struckIn(notes: readonly ScoreNote[], end: number): ScoreNote[] {
  const sorted = [...notes].sort(
    (a, b) => a.tick - b.tick || Number(b.grace) - Number(a.grace) || a.midi - b.midi,
  );
  const struck: ScoreNote[] = [];
  const known = new Map<string, number>();
  /** The note of each key that is tied on, by where it ends. */
  const open = new Map<string, number>();
  for (const note of sorted) {
    if (note.tick >= end) continue;
    const tied = note.isHeldOn ? open.get(`${note.midi} ${note.tick}`) : undefined;
    const name = `${note.midi} ${note.tick} ${note.grace}`;
    const at = tied ?? known.get(name) ?? struck.length;
    known.set(name, at);
    const ends = Math.min(note.tick + note.length, end);
    const { tick, length } = struck[at] ?? note;
    struck[at] = { ...(struck[at] ?? note), length: Math.max(length, ends - tick) };
    if (note.tiedToNext) open.set(`${note.midi} ${note.tick + note.length}`, at);
  }
  return struck;
}

function pinOf(song: Song, hand: Hand, tick: number, midi: number, finger: number | undefined): FingerPin[] {
  const list: readonly { readonly id: string; readonly tick: number }[] =
    song.changes.length > 0 ? song.changes : song.melody;
  if (finger === undefined || list.length === 0) return [];
  const from = lastAtOrBefore(list, tick);
  return [{ hand, from: from.id, after: tick - from.tick, midi, finger }];
}
