import type { Arrangement } from '@joined-hands/core/arrangement';
import { DEFAULT_PROFILE, type Profile, type Song, type SongEdit } from '@joined-hands/core/song';

/** One state of the song that can be returned to. Songs are immutable and share what did not change. */
export interface Step {
  readonly song: Song;
  /** The edit that led away from it, in words. */
  readonly what: string;
  /** Edits of one session (typing a tune) are one step. */
  readonly session?: string | null;
}

/** Where the pianist is in the song; stored with it, so that a reload comes back to the same place. */
export interface Place {
  /** Index of the part on screen. */
  readonly part: number;
  /** Played id of the change or melody note selected. */
  readonly selected: string | null;
  readonly showsStaff: boolean;
  /** 40–160 % of the song's own tempo. */
  readonly tempoPercent: number;
  readonly hands: 'right' | 'left' | 'both';
  readonly loops: boolean;
  readonly countsIn: boolean;
}

export const FIRST_PLACE: Place = {
  part: 0,
  selected: null,
  showsStaff: false,
  tempoPercent: 100,
  hands: 'both',
  loops: false,
  countsIn: true,
};

export interface WorkbenchState {
  readonly song: Song | null;
  /** Revision last read from or written to storage; writes are compare-and-swap on it. */
  readonly revision: number;
  /** True when the song differs from what is stored. */
  readonly isDirty: boolean;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  readonly place: Place;
  readonly profile: Profile;
  readonly arrangement: Arrangement | null;
  /** True from an edit until its whole arrangement has come back. */
  readonly isArranging: boolean;
  /** Another tab holds the song: shown, not edited. */
  readonly isReadOnly: boolean;
  readonly problem: string | null;
}

export const EMPTY_WORKBENCH: WorkbenchState = {
  song: null,
  revision: 0,
  isDirty: false,
  past: [],
  future: [],
  place: FIRST_PLACE,
  profile: DEFAULT_PROFILE,
  arrangement: null,
  isArranging: false,
  isReadOnly: false,
  problem: null,
};

export type { SongEdit };
