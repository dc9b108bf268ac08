import { midiOf, nameOf } from '../music';
import { lastAtOrBefore, type MelodyNote, type OwnBars, type Song } from '../song';
import type { ScoreNote } from './score';

/** As many keys as one hand strikes beside a note of the tune. */
const MOST_BESIDE = 4;

/** A hand spans no more half steps than these: what lies deeper below the tune is the other hand's. */
const DEEPEST = 16;

/** A tune with the other notes of its hand, and how many they are. */
interface FullTune {
  readonly song: Song;
  readonly others: number;
}

/**
 * The song with the other notes of the staff its tune stands on: what is struck with a note of the tune and held as long
 * are its harmony notes, what moves by itself is played beside it, as own bars. Null where the staff has none.
 */
export function withNotesUnder(song: Song, staff: readonly ScoreNote[], end: number): FullTune | null {
  const tune = new Map(song.melody.filter(({ grace }) => !grace).map((note) => [note.tick, note]));
  const inTune = new Set(song.melody.map(({ tick, pitch }) => `${tick} ${midiOf(pitch)}`));
  const beside = new Map<string, ScoreNote[]>();
  const apart: ScoreNote[] = [];
  for (const note of staff) {
    if (inTune.has(`${note.tick} ${note.midi}`) || note.isHeldOn || note.tick >= end) continue;
    const above = lastAtOrBefore(song.melody, note.tick);
    if (note.midi < midiOf(above.pitch) - DEEPEST) continue;
    const struckWith = tune.get(note.tick);
    const own = struckWith ? (beside.get(struckWith.id) ?? []) : [];
    const isKnown = own.some(({ midi }) => midi === note.midi);
    if (isKnown) continue;
    if (struckWith && !note.grace && isHeldWith(struckWith, note, staff) && own.length < MOST_BESIDE)
      beside.set(struckWith.id, [...own, note]);
    else apart.push(note);
  }
  const others = apart.length + [...beside.values()].reduce((sum, notes) => sum + notes.length, 0);
  if (others === 0) return null;
  const melody = song.melody.map((note): MelodyNote => {
    const own = beside.get(note.id);
    if (!own) return note;
    const keys = own.toSorted((a, b) => a.midi - b.midi).map(({ pitch }) => pitch);
    return { ...note, harmony: { how: 'keys', keys } };
  });
  return {
    song: { ...song, melody, ownBars: apart.length === 0 ? [] : [barsOf(apart, staff, end)] },
    others,
  };
}

/** A note tied on is as long as all it is tied to. */
function lengthOf(note: ScoreNote, staff: readonly ScoreNote[]): number {
  let [last, length] = [note, note.length];
  while (last.tiedToNext) {
    const at = last.tick + last.length;
    const midi = last.midi;
    const next = staff.find((other) => other.isHeldOn && other.tick === at && other.midi === midi);
    if (!next) break;
    [last, length] = [next, length + next.length];
  }
  return length;
}

/** Harmony notes are held as long as their note of the tune: one that is let go earlier, or sounds on, moves by itself. */
function isHeldWith(tune: MelodyNote, note: ScoreNote, staff: readonly ScoreNote[]): boolean {
  return lengthOf(note, staff) === tune.length;
}

function barsOf(apart: readonly ScoreNote[], staff: readonly ScoreNote[], end: number): OwnBars {
  const seen = new Set<string>();
  const notes = apart
    .filter(({ tick, pitch, grace }) => {
      const name = `${tick} ${nameOf(pitch)} ${grace}`;
      return !seen.has(name) && seen.add(name);
    })
    .toSorted((a, b) => a.tick - b.tick || Number(b.grace) - Number(a.grace) || a.midi - b.midi)
    .map((note) => ({
      after: note.tick,
      length: note.grace ? 0 : Math.min(lengthOf(note, staff), end - note.tick),
      pitch: note.pitch,
      ...(note.grace ? { grace: true as const } : {}),
      ...(note.touch ? { touch: note.touch } : {}),
    }));
  return { id: 'o1', hand: 'right', tick: 0, length: end, how: 'beside', pass: null, notes };
}
