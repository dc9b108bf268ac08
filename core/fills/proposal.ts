import { type Phrase } from '../sentences';
import type { Hand } from '../hands';
import type { Pitch } from '../music';
import type { VoicedChange } from '../voicing';

/** A note of a fill, in played ticks. */
export interface FillNote {
  readonly tick: number;
  /** 0 for a grace note. */
  readonly length: number;
  readonly pitch: Pitch;
  /** Struck just before its tick, with no length of its own. */
  readonly grace?: true;
}

/** How hard a fill is to play: 1 in place, 2 the hand moves, 3 wide or quick. */
export type Skill = 1 | 2 | 3;

/** Something that may be added at a place, taken or declined by its id. */
export interface Proposal {
  /** Its kind and the change it is played over: `walk:c4`; a second place of the right hand in one change: `echo@1920:c4`. */
  readonly id: string;
  /** What its id begins with. */
  readonly kind: string;
  /** Which of the ways a kind can be played this is: "step-from-below". */
  readonly variant: string;
  readonly place: FillPlace;
  readonly hand: Hand;
  readonly notes: readonly FillNote[];
  /** The key it arrives on; null where it leads nowhere. */
  readonly goal: Pitch | null;
  /** Lower is better; 0 the best there is. */
  readonly rank: number;
  readonly skill: Skill;
  readonly reason: Phrase;
  /** Keys of the right hand that sound at this tick are let go there; absent: they are held. */
  readonly letGoAt?: number;
  /** It gives strong notes of the tune more keys, and leaves no gap filled: rather a matter of a whole part. */
  readonly dresses?: true;
  /** Keys the right hand has beside its tune in the place give way. */
  readonly replacesHarmony?: true;
}

/** Where there is room: from a tick to where it must be over. */
interface FillPlace {
  readonly tick: number;
  readonly endTick: number;
  /** The change that sounds where it begins. */
  readonly from: VoicedChange;
  /** The change it leads to; null at the end of the song. */
  readonly into: VoicedChange | null;
}

/** A stretch that could take a fill of the left hand: a chord and its successor, and what the left hand strikes there. */
export interface Opening {
  readonly from: VoicedChange;
  /** Null where the song ends. */
  readonly into: VoicedChange | null;
  /** The lowest key the left hand struck last. */
  readonly start: number;
  /** What it strikes at the next chord, lowest first; empty where none follows. */
  readonly firstKeys: readonly number[];
  /** The part it leads into is settled: its first key stays as it is. */
  readonly isIntoSettled: boolean;
  /** The chord is the last of its part. */
  readonly isPartEnd: boolean;
}
