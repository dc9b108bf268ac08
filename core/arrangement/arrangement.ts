import type { Effort } from '../effort';
import type { Fill } from '../fills';
import type { HandNote } from '../hands';
import type { Degree } from '../harmony';
import type { ChangeMeeting, HandRelations, Meeting } from '../joining';
import type { Part } from '../parts';
import type { Timeline } from '../performance';
import type { Shape } from '../shaping';
import type { Finding, PlayedSong, Profile, Song } from '../song';
import type { VoicedChange } from '../voicing';

/** A change with everything a pianist wants to know of it. */
export interface ArrangedChange extends VoicedChange {
  readonly degree: Degree;
  readonly meeting: ChangeMeeting;
}

/** One part worked out: both hands with their fingers, where they meet, and what there is to know of it. */
export interface PartArrangement {
  readonly right: readonly HandNote[];
  readonly left: readonly HandNote[];
  readonly meetings: readonly Meeting[];
  readonly fills: readonly Fill[];
  readonly effort: Effort;
  /** By tick; those the pianist left as they are apart. */
  readonly findings: readonly Finding[];
}

/** What is known of the whole song before any hand is worked out. */
export interface SongFrame {
  readonly song: Song;
  readonly profile: Profile;
  readonly played: PlayedSong;
  readonly parts: readonly Part[];
  readonly changes: readonly ArrangedChange[];
  readonly raisedParts: readonly number[];
  /** Its phrases, each as strong as it is, and the style that suits it. */
  readonly shape: Shape;
}

/** All that is derived from a song and a profile; recomputed, never stored. */
export interface Arrangement extends SongFrame {
  /** Each part worked out; null for those that are still to come. */
  readonly arranged: readonly (PartArrangement | null)[];
  readonly right: readonly HandNote[];
  readonly left: readonly HandNote[];
  readonly meetings: readonly Meeting[];
  readonly fills: readonly Fill[];
  /** By part; null for those that are still to come. */
  readonly efforts: readonly (Effort | null)[];
  /** How each hand of each part relates to earlier parts; empty until all parts are worked out. */
  readonly relations: HandRelations;
  readonly findings: readonly Finding[];
  readonly timeline: Timeline;
  /** Parts are still to come. */
  readonly isPartial: boolean;
}
