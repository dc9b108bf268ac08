import type { PlayedSong, Profile, Song } from '../song';
import { type Part, partsOf } from '../parts';
import { throughout } from './throughout';
import { voice } from './voice';
import { playsTwoIn, semitonesOf, taskFor, twoWhereAsked, voiceFresh } from './voiceParts';
import { PURE_WEIGHTS } from './weights';

/** How near the chords of a song come to the least movement possible, in half steps summed over all voices. */
export interface MovementProof {
  readonly ours: number;
  /** The least with what is pinned and settled, and with the rules of the first and the last chord, in force. */
  readonly least: number;
  /** Every chord in root position, as that voicing style plays it. */
  readonly rootPosition: number;
  /** More than the least for a clear register, hand travel and complete chords. */
  readonly forClarity: number;
  /** More because parts that are the same share their voicings. */
  readonly forSharing: number;
  /** By how much pins and settled parts lift the least. */
  readonly byPins: number;
  /** By how much the rules of the first and the last chord lift the least. */
  readonly byEnds: number;
}

/** The proof of a song's voicings; null where fewer than two chords are played. Pure: nothing is remembered. */
export function movementProof(
  song: Song,
  profile: Profile,
  played: PlayedSong,
  parts: readonly Part[],
): MovementProof | null {
  const task = taskFor(song, profile, played, parts);
  const shared = voiceFresh(song, profile, played, parts);
  if (shared.voiced.length < 2) return null;
  const pure = { ...task, weights: PURE_WEIGHTS, playsTwo: playsTwoIn(parts) };
  const [ours, alone, least] = [shared, twoWhereAsked(task, parts, voice(task)), voice(pure)].map(
    semitonesOf,
  );
  const inRoots = throughout(song, 'root', null);
  const roots = voiceFresh(inRoots, profile, played, partsOf(inRoots, played));
  return {
    ours,
    least,
    rootPosition: semitonesOf(roots),
    forClarity: Math.min(alone, ours) - least,
    forSharing: Math.max(0, ours - alone),
    byPins: task.fixed.size === 0 ? 0 : least - semitonesOf(voice({ ...pure, fixed: new Map() })),
    byEnds: least - semitonesOf(voice({ ...pure, endsAreFree: true })),
  };
}
