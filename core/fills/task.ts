import type { Hand, HandNote } from '../hands';
import type { Style } from '../shaping';
import type { PlayedBar, Profile } from '../song';
import type { Sounding, VoicedChange } from '../voicing';

/** What every kind of fill looks at in one part. */
export interface FillTask {
  readonly bars: readonly PlayedBar[];
  readonly profile: Profile;
  /** Melody as struck (raised or shifted), sorted by onset, with the first note after the part. */
  readonly melody: readonly Sounding[];
  readonly longestNote: number;
  /** Ticks at which parts begin. */
  readonly partStarts: readonly number[];
  /** Ticks at which phrases of the tune begin, the part's own first one among them. */
  readonly phraseStarts: readonly number[];
  /** Where the song closes: from there nothing is filled in unasked. */
  readonly closesAt: number;
  /** The style it is played in; null: in none. */
  readonly style: Style | null;
  /** The tune of the part as struck, in time. */
  readonly tune: readonly HandNote[];
  /** The first note of the tune after the part; null where none follows. */
  readonly after: HandNote | null;
  /** What the right hand has beside its tune. */
  readonly beside: readonly HandNote[];
  /** The left hand as struck, without fills. */
  readonly left: readonly HandNote[];
  /** The chords that begin in the part. */
  readonly voiced: readonly VoicedChange[];
  /** Where a hand plays what the pianist wrote: nothing is filled in. */
  readonly closed: readonly { readonly hand: Hand; readonly tick: number; readonly endTick: number }[];
  /** Ticks between two strikes that are as quick as anything is filled in, at the tempo of the part. */
  readonly shortest: number;
  /** Where the part ends, and the song. */
  readonly partEnd: number;
  readonly songEnd: number;
}
