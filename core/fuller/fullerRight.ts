import type { HandNote } from '../hands';
import type { Fuller, PlayedBar, Profile } from '../song';
import { spell, type VoicedChange } from '../voicing';
import { keysBeside, type OctaveSide, type Place } from './beside';
import { withStandIns } from './manners';
import { strongNotes } from './strongNotes';

/** What the fuller right hand of one part depends on. */
interface FullerTask {
  readonly manner: Fuller;
  /** The tune of the part as struck, in time. */
  readonly tune: readonly HandNote[];
  /** The left hand as struck. */
  readonly left: readonly HandNote[];
  readonly voiced: readonly VoicedChange[];
  readonly bars: readonly PlayedBar[];
  readonly profile: Profile;
}

/** A chord heard under a note for less than this, in ticks, may be passed over. */
const HEARD = 480;

/**
 * Keys the right hand strikes with strong notes of its tune, as long as these: members of the chords that sound, clear
 * of the left hand, within reach, at most half of the notes dressed. A note that has no room for the manner has what
 * stands in for it, or stays alone. The tune itself is not touched.
 */
export function fullerRight(task: FullerTask): HandNote[] {
  const places = strongNotes(task.tune, task.bars).flatMap((note) => {
    const under = chordsUnder(task, note);
    return under.length === 0 ? [] : [{ note, under, place: placeOf(task, note, under) }];
  });
  const side = sideOf(places.map(({ place }) => place));
  const manners = withStandIns(task.manner);
  return places.flatMap(({ note, under, place }) => {
    const keys = manners.map((manner) => keysBeside(manner, place, side)).find((found) => found.length > 0);
    const [{ chord, key }] = under;
    const pitches = spell(keys ?? [], chord, key);
    return (keys ?? []).map((midi, i) => ({
      ...note,
      midi,
      pitch: Math.abs(midi - note.midi) === 12 ? octaveOf(note, midi) : pitches[i],
      source: 'harmony' as const,
      lyric: null,
      syllabic: undefined,
      finger: null,
    }));
  });
}

/** The octave of a note is spelled as the note is. */
function octaveOf({ pitch, midi: from }: HandNote, midi: number): HandNote['pitch'] {
  return { ...pitch, octave: pitch.octave + (midi - from) / 12 };
}

/**
 * The chords that sound under a note: the one it is struck over, and those that are heard before it ends. None where it
 * rings on past the chords of its part: what sounds there is not known here.
 */
function chordsUnder({ voiced }: FullerTask, { tick, length }: HandNote): VoicedChange[] {
  const shared = voiced.map((v) => ({
    v,
    ticks: Math.min(v.change.tick + v.length, tick + length) - Math.max(v.change.tick, tick),
  }));
  const covered = shared.reduce((sum, { ticks }) => sum + Math.max(0, ticks), 0);
  if (length - covered >= HEARD) return [];
  return shared
    .filter(({ v, ticks }) => ticks >= HEARD || (ticks > 0 && v.change.tick <= tick))
    .map(({ v }) => v);
}

function placeOf(
  { left, profile }: FullerTask,
  { tick, length, midi }: HandNote,
  under: readonly VoicedChange[],
): Place {
  const sounding = left.filter((low) => low.tick < tick + length && low.tick + low.length > tick);
  const leftTop = sounding.reduce((top, low) => Math.max(top, low.midi), 0);
  return { midi, chords: under.map(({ chord }) => chord), leftTop, profile };
}

/** Octaves of a part go the way in which more of its notes have room; downwards where both have as much. */
function sideOf(places: readonly Place[]): OctaveSide {
  const room = (side: OctaveSide): number =>
    places.filter((place) => keysBeside('octave', place, side).length > 0).length;
  return room(-12) >= room(12) ? -12 : 12;
}
