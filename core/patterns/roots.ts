import { bassOf, type Chord, chroma, KEYBOARDS } from '../music';
import type { Profile } from '../song';
import { type Sounding, soundingIn, type VoicedChange } from '../voicing';
import type { Pattern } from './pattern';

/** A left-hand key this near below (or above) a right-hand key would bump it. */
export const TOO_NEAR = 2;
/** E2: a moving bass lower than this growls. Source: common arranging practice. */
const LOWEST_CLEAR_ROOT = 40;
/** Half steps from a root to the top of the narrowest figure: its fifth. */
const NARROWEST = 7;
/** Where a moving bass lies best: about A2. */
const BASS_CENTRE = 45;
/** What a root costs where the figure has no room under the melody, or none under the chord it is followed by. */
const NO_ROOM = 40;
/** For each half step below where it is clear. */
const GROWL = 6;
/** For each half step by which the figure comes nearer to the melody than an octave. */
const CLIMBS = 1;

/** What the roots of chords that belong together depend on: those of a phrase that have one pattern. */
interface RootsTask {
  readonly voiced: readonly VoicedChange[];
  readonly melody: readonly Sounding[];
  readonly longestNote: number;
  readonly profile: Profile;
  /** Half steps from its root to the top of the figure; absent: its fifth. */
  readonly height?: number;
}

/**
 * The root (or slash bass) of each of them, by played id: all within one octave, so that the bass does not jump between
 * octaves inside the phrase; that octave of all in which the figures have room under the melody, stay clear, and
 * do not climb above the octave under the tune. Where one chord has no room even there, the pattern gives way there.
 */
export function rootsTogether(task: RootsTask): ReadonlyMap<string, number> {
  const { low } = KEYBOARDS[task.profile.keyboard];
  const wanted = task.voiced.map((v) => ({ v, room: roomOf(task, v), bass: chroma(bassOf(v.chord)) }));
  let best: { readonly cost: number; readonly roots: readonly number[] } | null = null;
  for (let from = low; from <= low + 36; from++) {
    const roots = wanted.map(({ bass }) => rootFrom(from, bass));
    const cost = wanted.reduce((sum, { v, room }, i) => sum + costOf(v, room, roots[i], task.height), 0);
    if (!best || cost < best.cost) best = { cost, roots };
  }
  return new Map(wanted.map(({ v }, i) => [v.change.id, best?.roots[i] ?? v.voicing.keys[0]]));
}

/** The lowest key of a chroma from a key on. */
function rootFrom(from: number, bass: number): number {
  return from + ((bass - (from % 12) + 12) % 12);
}

/** The lowest melody note that sounds with a chord; 128 where none does. */
function roomOf({ melody, longestNote }: RootsTask, { change, length }: VoicedChange): number {
  const over = soundingIn(melody, change.tick, change.tick + length, longestNote);
  return Math.min(128, ...over.map((note) => note.midi));
}

function costOf(
  { voicing, chord }: VoicedChange,
  lowestNote: number,
  root: number,
  height = NARROWEST,
): number {
  const [first] = upperOf(voicing.keys, chord);
  const hasNoRoom = root + height >= lowestNote - TOO_NEAR || (first !== undefined && root >= first);
  const growl = GROWL * Math.max(0, LOWEST_CLEAR_ROOT - root);
  const climbs = CLIMBS * Math.max(0, root + NARROWEST - (lowestNote - 12));
  return (hasNoRoom ? NO_ROOM : 0) + growl + climbs + Math.abs(root - BASS_CENTRE) / 2;
}

/** The chord above a low bass: the keys of a voicing but its root (or slash bass); all where that would leave none. */
export function upperOf(keys: readonly number[], chord: Chord): readonly number[] {
  const bass = chroma(bassOf(chord));
  const upper = keys.filter((key) => key % 12 !== bass);
  return upper.length > 0 ? upper : keys;
}

/** Half steps above the root of members over the octave, at the most; within it the fifth decides. */
const HEIGHTS: Record<number, number> = { 8: 12, 9: 14, 10: 16, 11: 18, 12: 19, 13: 21, 14: 23, 15: 24 };

/** Half steps from its root to the top of a figure, at least its fifth. */
export function heightOf({ events }: Pattern): number {
  const members = events.flatMap((event) => event.members);
  return Math.max(NARROWEST, ...members.map((member) => HEIGHTS[Number(member)] ?? 0));
}
