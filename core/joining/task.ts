import type { HandNote } from '../hands';
import type { PartToPlay } from '../parts';
import type { Finding, Lyric, OwnPattern, PlayedBar, Profile } from '../song';
import type { StyledStrike } from '../shaping';
import type { VoicedChange } from '../voicing';

/** All that the hands of one part depend on; what comes from outside the part comes in by name. */
export interface PartTask {
  readonly part: PartToPlay;
  readonly profile: Profile;
  /** The chords that begin in the part. */
  readonly voiced: readonly VoicedChange[];
  /** The melody as struck that sounds while these last, in time, and the first note after it. */
  readonly melody: readonly HandNote[];
  /** Ticks of the longest note of the melody. */
  readonly longestNote: number;
  /** The bars these last. */
  readonly bars: readonly PlayedBar[];
  /** What is sung in the part, by tick. */
  readonly words: readonly (Lyric & { readonly tick: number })[];
  /** Where phrases that come to rest end. */
  readonly restsAt: readonly number[];
  /** The root root-based figures are built on, by chord (played id). */
  readonly roots: ReadonlyMap<string, number>;
  /** The root of the chord after the part's last; null where none follows. */
  readonly nextRoot: number | null;
  /** Where the song ends. */
  readonly songEnd: number;
  /** What is struck under the chords that are played in a style, by played id. */
  readonly styled: ReadonlyMap<string, readonly StyledStrike[]>;
  readonly ownPatterns: readonly OwnPattern[];
  /** Chords (played ids) whose pattern is played in full though the program would thin it. */
  readonly playedInFull: readonly string[];
}

/** What a part adds to both hands; the melody is the right hand's own. */
export interface PartHands {
  /** The left hand. */
  readonly notes: HandNote[];
  readonly findings: Finding[];
  /** Keys of the right hand beside the melody. */
  readonly right: readonly HandNote[];
}
