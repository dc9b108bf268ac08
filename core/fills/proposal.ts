import type { Hand } from '../hands';
import type { Pitch } from '../music';
import type { VoicedChange } from '../voicing';

/** A note of a fill, in played ticks. */
export interface FillNote {
  readonly tick: number;
  readonly length: number;
  readonly pitch: Pitch;
}

/** Something that may be added at a place, taken or declined by its id. */
export interface Proposal {
  /** Known by its kind and the change it leads away from. */
  readonly id: string;
  readonly kind: string;
  /** Which of the ways a kind can be played this is: "by step from below". */
  readonly variant: string;
  readonly place: FillPlace;
  readonly hand: Hand;
  readonly notes: readonly FillNote[];
  /** The key it arrives on. */
  readonly goal: Pitch;
  /** Lower is better; 0 the best there is. */
  readonly rank: number;
  readonly reason: string;
}

/** Where there is room: from a tick to the chord it leads to. */
export interface FillPlace {
  readonly tick: number;
  readonly endTick: number;
  readonly from: VoicedChange;
  readonly into: VoicedChange;
}

/** A stretch that could take a fill: two neighbouring chords and what the left hand strikes there. */
export interface Opening {
  readonly from: VoicedChange;
  readonly into: VoicedChange;
  /** The lowest key the left hand struck last. */
  readonly start: number;
  /** What it strikes at the next chord, lowest first. */
  readonly firstKeys: readonly number[];
  /** The part it leads into is settled: its first key stays as it is. */
  readonly isIntoSettled: boolean;
}
