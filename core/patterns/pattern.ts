/**
 * What an event strikes. Members of a root-based row are numbers (1, 3, 5, 8, 10 …) above the root or slash bass;
 * 'peak' is the top of a broken figure, the octave where the melody has the third, else a third; 'second-bass' is the
 * fifth, low, as the second bass of the same chord. 'upper' is the chord above a low bass: the keys of the voicing
 * without the root; 'last-but-one' and 'last' walk to the root of the next chord. A voicing-based row names keys of the
 * voicing, so that inversion and pins stay: a number is a place from its bottom, 1 the lowest, beyond its top an octave up.
 */
export type PatternMember =
  number | 'peak' | 'second-bass' | 'upper' | 'lowest' | 'others' | 'all' | 'last-but-one' | 'last';

export interface PatternEvent {
  /** In the pattern's unit, from its start. */
  readonly onset: number;
  /** In the pattern's unit; Infinity: to the end of its bar or chord. */
  readonly length: number;
  readonly members: readonly PatternMember[];
  /** Struck just before what has the same onset, with no length of its own. */
  readonly grace?: boolean;
}

/** A left-hand figure as data: one row or one file each, known by its id. */
export interface Pattern {
  readonly id: string;
  readonly name: string;
  /** Members above the root, keys of the voicing, one note of a line over the part, or the very keys (MIDI). */
  readonly base: 'root' | 'voicing' | 'line' | 'keys';
  /** Metres it is made for, "3/4"; empty: any. */
  readonly metres: readonly string[];
  /** What its lengths are counted in: quarters, or the beats a foot taps in the metre; absent: quarters. */
  readonly unit?: 'beat';
  /** Its length in its unit, over one or more bars; 0: as long as the chord; Infinity: once in each bar. */
  readonly beats: number;
  /** A chord of so many quarter beats or fewer is too short for it and is held; 0: it plays its first part on any. */
  readonly holdsUpTo: number;
  /** 1 calm … 5 driving: where a section's energy asks for it. */
  readonly energy: number;
  /** What it asks of the hand: 1 it stays in its place, 2 it moves, 3 it goes wide or quickly; absent: 1. */
  readonly skill?: 1 | 2 | 3;
  /** Taken only by choice, never proposed by metre and energy. */
  readonly isByChoice?: true;
  readonly events: readonly PatternEvent[];
  /** How it goes in metres in which it goes otherwise. */
  readonly otherwise?: {
    readonly metres: readonly string[];
    readonly beats: number;
    readonly events: readonly PatternEvent[];
  };
  /** In unequal metres: what is struck at the first group of a bar, at each later one, and on the other units. */
  readonly byGroups?: Readonly<Record<'first' | 'later' | 'others', PatternMember>>;
  /** Root and fifth alone: the third is left to the tune. */
  readonly isBare?: true;
  /** What a chord lacks of its members is the step of the key, as the pianist wrote it. */
  readonly takesSteps?: true;
  /** A part comes to rest on root and third alone: its hand has come too far for a whole chord. */
  readonly endsThin?: true;
}

/** Single members one after another, in eighths. */
export function eighths(...members: (number | 'peak')[]): PatternEvent[] {
  return members.map((member, i) => ({ onset: i / 2, length: 0.5, members: [member] }));
}

/** One event a beat of a quarter. */
export function quarters(...beats: PatternMember[]): PatternEvent[] {
  return beats.map((member, i) => ({ onset: i, length: 1, members: [member] }));
}
