import type { Arrangement } from '@joined-hands/core/arrangement';
import { DEFAULT_PROFILE, type Profile, type Song, type SongEdit } from '@joined-hands/core/song';
import { FIRST_PLACE, type Place } from '../storage/place';

/** One state of the song that can be returned to. Songs are immutable and share what did not change. */
export interface Step {
  readonly song: Song;
  /** The edit that led away from it, in words. */
  readonly what: string;
  /** Edits of one session (typing a tune) are one step. */
  readonly session?: string | null;
}

export interface WorkbenchState {
  readonly song: Song | null;
  /** Revision last read from or written to storage; writes are compare-and-swap on it. */
  readonly revision: number;
  /** The song as it was read or written last; null: not known. */
  readonly stored: Song | null;
  /** True when the song differs from what is stored. */
  readonly isDirty: boolean;
  readonly past: readonly Step[];
  readonly future: readonly Step[];
  readonly place: Place;
  /** The profile of the open song; while none is open, the first. */
  readonly profile: Profile;
  /** All there are, the first for songs that name none. */
  readonly profiles: readonly Profile[];
  readonly arrangement: Arrangement | null;
  /** True from an edit until its whole arrangement has come back. */
  readonly isArranging: boolean;
  /** Another tab holds the song: shown, not edited. */
  readonly isReadOnly: boolean;
  readonly problem: string | null;
  /** Why the last changes are not stored; null when they are, or are about to be. */
  readonly unsaved: string | null;
  /** Why what lies under the id asked for is no song. */
  readonly unreadable: { readonly id: string; readonly reason: string } | null;
  /** Id of a song that was asked for and is not on the shelf. */
  readonly missing: string | null;
}

export const EMPTY_WORKBENCH: WorkbenchState = {
  song: null,
  revision: 0,
  stored: null,
  isDirty: false,
  past: [],
  future: [],
  place: FIRST_PLACE,
  profile: DEFAULT_PROFILE,
  profiles: [DEFAULT_PROFILE],
  arrangement: null,
  isArranging: false,
  isReadOnly: false,
  problem: null,
  unsaved: null,
  unreadable: null,
  missing: null,
};

export type { SongEdit };
