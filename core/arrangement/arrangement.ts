import type { Effort } from '../effort';
import type { Fill } from '../fills';
import type { HandNote } from '../hands';
import type { Degree } from '../harmony';
import { type ChangeMeeting, type HandRelations, type Meeting } from '../joining';
import type { Part } from '../parts';
import type { Timeline } from '../performance';
import { type Finding, type PlayedSong, type Profile, type Song } from '../song';
import type { VoicedChange } from '../voicing';

/** A change with everything a pianist wants to know of it. */
export interface ArrangedChange extends VoicedChange {
  readonly degree: Degree;
  readonly meeting: ChangeMeeting;
}

/** All that is derived from a song and a profile; recomputed, never stored. */
export interface Arrangement {
  readonly song: Song;
  readonly profile: Profile;
  readonly played: PlayedSong;
  readonly parts: readonly Part[];
  readonly changes: readonly ArrangedChange[];
  readonly raisedParts: readonly number[];
  readonly right: readonly HandNote[];
  readonly left: readonly HandNote[];
  readonly meetings: readonly Meeting[];
  readonly fills: readonly Fill[];
  readonly efforts: readonly Effort[];
  /** How each hand of each part relates to earlier parts; empty until all parts are worked out. */
  readonly relations: HandRelations;
  readonly findings: readonly Finding[];
  readonly timeline: Timeline;
  /** Index of the only part whose hands are worked out so far, or null when all are. */
  readonly onlyPart: number | null;
}
