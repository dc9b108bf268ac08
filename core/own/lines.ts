import {
  type Chord,
  ChordSymbolError,
  membersOf,
  midiOf,
  parseChord,
  type Pitch,
} from '../music';
import { lastAtOrBefore, type MelodyNote, type OwnBars, type Song } from '../song';
import { inTime } from './changing';
import { nearestMembers } from './harmony';

/** A second line of the right hand beside a stretch of its tune. */
export const LINES = ['held-under', 'held-over', 'moving-under'] as const;
export type Line = (typeof LINES)[number];

type OwnNote = OwnBars['notes'][number];

/** Chord notes tried on one side. */
const MOST_TRIED = 4;
/** What moves under a note moves in half beats of a quarter, in ticks. */
const STEP = 480;

/**
 * A second line beside notes of the tune (as written), as own bars: one chord note held under or over all of them, of all
 * their chords where there is one; or two of the chord that take turns in half beats under each note that is held long
 * enough. `octaves` is how far from where they are written the notes are played. Null where no chord note is clear of the tune. Source: outer notes held while inner ones move, as practitioners
 * fill out a tune.
 */
export function lineBeside(
  song: Pick<Song, 'changes'>,
  notes: readonly MelodyNote[],
  line: Line,
  octaves = 0,
): Omit<OwnBars, 'id'> | null {
  const struck = notes
    .filter(({ grace }) => !grace)
    .map((note) => ({ ...note, pitch: { ...note.pitch, octave: note.pitch.octave + octaves } }))
    .toSorted((a, b) => a.tick - b.tick);
  if (struck.length === 0) return null;
  const tick = struck[0].tick;
  const length = Math.max(...struck.map((note) => note.tick + note.length)) - tick;
  const own =
    line === 'moving-under'
      ? struck.flatMap((note) =>
          movingUnder(song, note).map((each) => ({ ...each, after: each.after - tick })),
        )
      : heldBeside(song, struck, line === 'held-over' ? 1 : -1, length);
  return own.length === 0
    ? null
    : { hand: 'right', tick, length, how: 'beside', pass: null, notes: inTime(own) };
}

function heldBeside(
  song: Pick<Song, 'changes'>,
  notes: readonly MelodyNote[],
  side: -1 | 1,
  length: number,
): OwnNote[] {
  const chords = notes.flatMap(({ tick }) => chordAt(song, tick) ?? []);
  if (chords.length === 0) return [];
  const edge = notes
    .map(({ pitch }) => midiOf(pitch))
    .reduce((a, b) => (side < 0 ? Math.min(a, b) : Math.max(a, b)));
  const isInAll = (pitch: Pitch): boolean =>
    chords.every((chord) => membersOf(chord).some((member) => member.chroma === midiOf(pitch) % 12));
  const near = nearestMembers(chords[0], edge, side, MOST_TRIED);
  const key = near.find((pitch) => isInAll(pitch) && Math.abs(midiOf(pitch) - edge) <= 12) ?? near[0];
  return key ? [{ after: 0, length, pitch: key }] : [];
}

/** Two chord notes in turns, the lower first; told from the beginning of the song. */
function movingUnder(song: Pick<Song, 'changes'>, { tick, length, pitch }: MelodyNote): OwnNote[] {
  const count = Math.floor(length / STEP);
  const chord = chordAt(song, tick);
  if (count < 2 || !chord) return [];
  const turns = nearestMembers(chord, midiOf(pitch), -1, 2).reverse();
  if (turns.length < 2) return [];
  return Array.from({ length: count }, (_, i) => ({
    after: tick + i * STEP,
    length: i === count - 1 ? length - i * STEP : STEP,
    pitch: turns[i % 2],
  }));
}

function chordAt({ changes }: Pick<Song, 'changes'>, tick: number): Chord | null {
  if (changes.length === 0 || changes[0].tick > tick) return null;
  try {
    return parseChord(lastAtOrBefore(changes, tick).symbol);
  } catch (error) {
    // What cannot be read is said where it stands, and has no keys.
    if (error instanceof ChordSymbolError) return null;
    throw error;
  }
}
